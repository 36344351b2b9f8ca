// Something carried from one place to another with the pointer. What letting go would do is asked and shown beside it first;
// Escape lets it go where it was.
import { ask } from "./weigh.js";
import { wasDrag } from "./press.js";

const START = 5;

/**
 * @param what how one kind of thing is carried:
 *   take(e): what is held when the pointer goes down, with its `from`, or nothing;
 *   over(element): the place under the pointer, or nothing;
 *   prompt: what is asked while it is over no place;
 *   weigh(held): handler and fields that tell what letting go would do;
 *   begin(held), mark(to), place(effect, e), along(e): how it looks on the way;
 *   letGo(held): does it.
 */
export function watchCarry(what) {
  let held;
  const effect = () => document.getElementById("effect");

  document.addEventListener("pointerdown", (e) => {
    const taken = e.button === 0 ? what.take(e) : undefined;
    if (!taken) return;
    if (e.pointerType !== "touch" || what.holdsTouch) e.preventDefault();
    held = { ...taken, px: e.clientX, py: e.clientY, moved: false };
  });
  document.addEventListener("pointermove", (e) => {
    if (!held || (!held.moved && Math.hypot(e.clientX - held.px, e.clientY - held.py) < START)) return;
    if (!held.moved) begin(held);
    what.along?.(e);
    const under = what.over(document.elementFromPoint(e.clientX, e.clientY));
    const to = under === held.from ? undefined : under;
    what.place(effect(), e);
    if (to === held.to) return;
    held.to = to;
    what.mark(to);
    weigh(held);
  });
  for (const end of ["pointerup", "pointercancel"]) {
    document.addEventListener(end, () => {
      const done = held;
      held = undefined;
      if (!done?.moved) return;
      if (end === "pointerup") wasDrag();
      stop(done);
      if (end === "pointerup" && done.to) what.letGo(done);
    });
  }
  document.addEventListener(
    "keydown",
    (e) => {
      if (e.key !== "Escape" || !held?.moved) return;
      e.stopImmediatePropagation();
      stop(held);
      held = undefined;
      wasDrag();
    },
    { capture: true },
  );

  function begin(carried) {
    carried.moved = true;
    document.body.classList.add("regrouping");
    what.begin(carried);
    effect().hidden = false;
    effect().textContent = what.prompt;
  }

  function stop(carried) {
    carried.asking?.abort();
    clearTimeout(carried.soon);
    document.body.classList.remove("regrouping");
    for (const part of document.querySelectorAll(".carried")) part.classList.remove("carried");
    what.mark(undefined);
    effect().hidden = true;
  }

  function weigh(carried) {
    carried.asking?.abort();
    clearTimeout(carried.soon);
    if (!carried.to) {
      effect().textContent = what.prompt;
      return;
    }
    carried.soon = setTimeout(async () => {
      carried.asking = new AbortController();
      try {
        const answer = await ask(...what.weigh(carried), carried.asking.signal);
        if (answer && held === carried) effect().innerHTML = answer;
      } catch (e) {
        if (e.name !== "AbortError") throw e;
      }
    }, 60);
  }
}
