// A box taken to another circuit: dragged from the plan or the ledger onto a row of the ledger or a box of that circuit. What it
// would do to load, footage, darkness and rules is shown before it is let go.
import { act } from "./ask.js";
import { watchCarry } from "./carry.js";

const EDGE = 36;

export function watchRegroup() {
  watchCarry({
    prompt: "To which circuit? Let go on its row, or on a box of it.",
    holdsTouch: true,
    take(e) {
      const part = e.target.closest?.("[data-drag=circuit]");
      // In the ledger a finger scrolls; there the card moves boxes.
      return !part || e.shiftKey || (e.pointerType === "touch" && part.closest(".ledger"))
        ? undefined
        : { box: part.dataset.key, from: part.dataset.circuit };
    },
    over: (element) => element?.closest("[data-circuit]")?.dataset.circuit,
    weigh: (held) => ["Weigh", { box: held.box, circuit: held.to }],
    begin(held) {
      for (const part of parts("data-key", held.box)) part.classList.add("carried");
    },
    mark(circuit) {
      for (const part of document.querySelectorAll(".target")) part.classList.remove("target");
      if (circuit) for (const part of parts("data-circuit", circuit)) part.classList.add("target");
    },
    place,
    along: scroll,
    letGo: (held) => act("ToCircuit", { box: held.box, circuit: held.to }, `box:${held.box}`),
  });
}

const parts = (name, value) =>
  document.querySelectorAll(`#plan [${name}="${CSS.escape(value)}"], .ledger [${name}="${CSS.escape(value)}"]`);

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
