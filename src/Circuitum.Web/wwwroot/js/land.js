// A breaker taken to another space: dragged on the board. What it would do to the legs, and who makes room, is shown before it is let go.
import { act } from "./ask.js";
import { ask } from "./weigh.js";
import { wasDrag } from "./press.js";

const START = 5;

export function watchLand() {
  let held;
  const effect = () => document.getElementById("effect");

  document.addEventListener("pointerdown", (e) => {
    const part = e.target.closest?.("[data-drag=breaker]");
    if (!part || e.button !== 0) return;
    if (e.pointerType !== "touch") e.preventDefault();
    held = { part, circuit: part.dataset.key, from: part.closest("[data-space]").dataset.space, px: e.clientX, py: e.clientY, moved: false };
  });
  document.addEventListener("pointermove", (e) => {
    if (!held || (!held.moved && Math.hypot(e.clientX - held.px, e.clientY - held.py) < START)) return;
    if (!held.moved) begin(held);
    const under = document.elementFromPoint(e.clientX, e.clientY)?.closest("[data-space]")?.dataset.space;
    const to = under === held.from ? undefined : under;
    effect().style.left = `${Math.min(e.clientX + 18, window.innerWidth - 340)}px`;
    effect().style.top = `${Math.min(e.clientY + 14, window.innerHeight - 190)}px`;
    effect().style.bottom = "auto";
    if (to === held.to) return;
    held.to = to;
    mark(to);
    weigh(held);
  });
  for (const end of ["pointerup", "pointercancel"]) {
    document.addEventListener(end, () => {
      const done = held;
      held = undefined;
      if (!done?.moved) return;
      if (end === "pointerup") wasDrag();
      stop(done);
      if (end === "pointerup" && done.to) act("Land", { circuit: done.circuit, space: done.to }, `circuit:${done.circuit}`);
    });
  }
  document.addEventListener("keydown", (e) => {
    if (e.key !== "Escape" || !held?.moved) return;
    e.stopImmediatePropagation();
    stop(held);
    held = undefined;
    wasDrag();
  }, { capture: true });

  function begin(what) {
    what.moved = true;
    what.part.classList.add("carried");
    document.body.classList.add("regrouping");
    effect().hidden = false;
    effect().textContent = "To which space? Let go on it.";
  }

  function stop(what) {
    what.asking?.abort();
    clearTimeout(what.soon);
    what.part.classList.remove("carried");
    document.body.classList.remove("regrouping");
    mark(undefined);
    effect().hidden = true;
  }

  function weigh(what) {
    what.asking?.abort();
    clearTimeout(what.soon);
    if (!what.to) {
      effect().textContent = "To which space? Let go on it.";
      return;
    }
    what.soon = setTimeout(async () => {
      what.asking = new AbortController();
      try {
        const answer = await ask("Land", { circuit: what.circuit, space: what.to }, what.asking.signal);
        if (answer && held === what) effect().innerHTML = answer;
      } catch (e) {
        if (e.name !== "AbortError") throw e;
      }
    }, 60);
  }
}

function mark(space) {
  for (const part of document.querySelectorAll(".schedule .target")) part.classList.remove("target");
  if (space) for (const part of document.querySelectorAll(`.schedule [data-space="${CSS.escape(space)}"]`)) part.classList.add("target");
}
