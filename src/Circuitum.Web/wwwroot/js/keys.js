// The keys on the “?” sheet. Presses that come while the server answers are added up, so none is lost.
import { bench, show, act } from "./ask.js";
import { views } from "./view.js";

const BAY = 16;
let pending = 0;
let busy = false;

async function nudge(by) {
  pending += by;
  if (busy) return;
  busy = true;
  try {
    while (pending !== 0) {
      const { box, offset, clear, move } = bench().dataset;
      const to = Math.min(Math.max(Number(offset) + pending, 0), Number(clear));
      pending = 0;
      if (to !== Number(offset)) await act(move, { box, offset: `${to}"` });
    }
  } finally {
    busy = false;
  }
}

function level(by) {
  const chips = [...document.querySelectorAll(".plan-side .chip, .board .chip")];
  const at = chips.findIndex((c) => c.hasAttribute("aria-current"));
  const next = chips[at + by];
  if (next) show(next.getAttribute("href"));
}

const typing = (e) => e.target.matches?.("input, select, textarea") || document.querySelector("dialog[open]");

export function watchKeys() {
  document.addEventListener("click", (e) => {
    if (e.target.closest?.("[data-keys]")) document.getElementById("keys").showModal();
  });
  document.addEventListener("keydown", (e) => {
    if (!bench() || typing(e) || e.ctrlKey || e.metaKey || e.altKey) return;
    const data = bench().dataset;
    const onWall = data.box && data.mount === "wall";
    const along = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 1, ArrowUp: -1 }[e.key];
    if (along && onWall && !e.target.closest?.(".scroll")) {
      e.preventDefault();
      nudge(along * (e.shiftKey ? BAY : 1));
      return;
    }
    const does = {
      "?": () => document.getElementById("keys").showModal(),
      Escape: () => data.selected && show(data.down),
      z: () => act(data.undo),
      y: () => act(data.redo),
      d: views.dimensions,
      f: views.fit,
      "+": views.in,
      "=": views.in,
      "-": views.out,
      "[": () => level(-1),
      "]": () => level(1),
    }[e.key.length === 1 ? e.key.toLowerCase() : e.key];
    if (does) {
      e.preventDefault();
      does();
      return;
    }
    const stage = document.querySelector(`[data-stage-key="${CSS.escape(e.key)}"]`);
    if (stage) {
      e.preventDefault();
      show(stage.getAttribute("href"));
    }
  });
}
