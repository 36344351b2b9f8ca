// A box taken to another circuit: dragged from the plan or the ledger onto a row of the ledger or a box of that circuit. What it
// would do to load, footage, darkness and rules is shown before it is let go.
import { act } from "./ask.js";
import { ask } from "./weigh.js";
import { wasDrag } from "./press.js";

const START = 5;
const EDGE = 36;

export function watchRegroup() {
  let held;
  const effect = () => document.getElementById("effect");

  document.addEventListener("pointerdown", (e) => {
    const part = e.target.closest?.("[data-drag=circuit]");
    // In the ledger a finger scrolls; there the card moves boxes.
    if (!part || e.button !== 0 || e.shiftKey || (e.pointerType === "touch" && part.closest(".ledger"))) return;
    e.preventDefault();
    held = { box: part.dataset.key, from: part.dataset.circuit, px: e.clientX, py: e.clientY, moved: false };
  });
  document.addEventListener("pointermove", (e) => {
    if (!held || (!held.moved && Math.hypot(e.clientX - held.px, e.clientY - held.py) < START)) return;
    if (!held.moved) begin(held);
    scroll(e);
    const under = document.elementFromPoint(e.clientX, e.clientY)?.closest("[data-circuit]")?.dataset.circuit;
    const to = under === held.from ? undefined : under;
    place(effect(), e);
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
      if (end === "pointerup" && done.to) act("ToCircuit", { box: done.box, circuit: done.to }, `box:${done.box}`);
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
    document.body.classList.add("regrouping");
    for (const part of parts("data-key", what.box)) part.classList.add("carried");
    effect().hidden = false;
    effect().textContent = "To which circuit? Let go on its row, or on a box of it.";
  }

  function stop(what) {
    what.asking?.abort();
    clearTimeout(what.soon);
    document.body.classList.remove("regrouping");
    for (const part of document.querySelectorAll(".carried")) part.classList.remove("carried");
    mark(undefined);
    effect().hidden = true;
  }

  function weigh(what) {
    what.asking?.abort();
    clearTimeout(what.soon);
    if (!what.to) {
      effect().textContent = "To which circuit? Let go on its row, or on a box of it.";
      return;
    }
    what.soon = setTimeout(async () => {
      what.asking = new AbortController();
      try {
        const answer = await ask("Weigh", { box: what.box, circuit: what.to }, what.asking.signal);
        if (answer && held === what) effect().innerHTML = answer;
      } catch (e) {
        if (e.name !== "AbortError") throw e;
      }
    }, 60);
  }
}

const parts = (name, value) => document.querySelectorAll(`#plan [${name}="${CSS.escape(value)}"], .ledger [${name}="${CSS.escape(value)}"]`);

function mark(circuit) {
  for (const part of document.querySelectorAll(".target")) part.classList.remove("target");
  if (circuit) for (const part of parts("data-circuit", circuit)) part.classList.add("target");
}

// Beside the pointer, never over the ledger's rows nor off the window.
function place(effect, e) {
  const ledger = document.querySelector(".ledger")?.getBoundingClientRect();
  const beside = ledger && e.clientX < ledger.right && ledger.right + 340 < window.innerWidth ? ledger.right + 8 : e.clientX + 18;
  const low = e.clientY > window.innerHeight / 2;
  effect.style.left = `${beside + 330 > window.innerWidth ? e.clientX - 340 : beside}px`;
  effect.style.top = low ? "auto" : `${e.clientY + 14}px`;
  effect.style.bottom = low ? `${window.innerHeight - e.clientY + 12}px` : "auto";
}

// Near its ends the ledger goes along.
function scroll(e) {
  const ledger = document.querySelector(".ledger");
  const at = ledger?.getBoundingClientRect();
  if (!at || e.clientX > at.right || e.clientX < at.left) return;
  if (e.clientY > at.bottom - EDGE) ledger.scrollBy(0, 14);
  if (e.clientY < at.top + EDGE) ledger.scrollBy(0, -14);
}
