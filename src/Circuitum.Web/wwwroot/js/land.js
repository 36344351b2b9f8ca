// A breaker taken to another space: dragged on the board. What it would do to the legs, and who makes room, is shown before it is let go.
import { act } from "./ask.js";
import { watchCarry } from "./carry.js";

export function watchLand() {
  watchCarry({
    prompt: "To which space? Let go on it.",
    take(e) {
      const part = e.target.closest?.("[data-drag=breaker]");
      return part ? { part, circuit: part.dataset.key, from: part.closest("[data-space]").dataset.space } : undefined;
    },
    over: (element) => element?.closest("[data-space]")?.dataset.space,
    weigh: (held) => ["Land", { circuit: held.circuit, space: held.to }],
    begin: (held) => held.part.classList.add("carried"),
    mark(space) {
      for (const part of document.querySelectorAll(".schedule .target")) part.classList.remove("target");
      if (space)
        for (const part of document.querySelectorAll(`.schedule [data-space="${CSS.escape(space)}"]`)) part.classList.add("target");
    },
    place(effect, e) {
      effect.style.left = `${Math.min(e.clientX + 18, window.innerWidth - 340)}px`;
      effect.style.top = `${Math.min(e.clientY + 14, window.innerHeight - 190)}px`;
      effect.style.bottom = "auto";
    },
    letGo: (held) => act("Land", { circuit: held.circuit, space: held.to }, `circuit:${held.circuit}`),
  });
}
