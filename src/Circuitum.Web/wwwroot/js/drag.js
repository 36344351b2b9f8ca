// A box slides along its wall, to the inch, with its offset read out while it moves.
import { bench, act } from "./ask.js";
import { toInches } from "./view.js";

const START = 4;

/** Inches as the trade writes them: 4'-6". */
export const feet = (inches) => {
  const whole = Math.round(inches);
  return whole < 12 ? `${whole}"` : `${Math.floor(whole / 12)}'-${whole % 12}"`;
};

export function watchDrag() {
  let held;
  // The click that follows a drag selects nothing.
  let dragged = false;
  document.addEventListener("click", (e) => {
    if (!dragged) return;
    e.preventDefault();
    e.stopPropagation();
    dragged = false;
  }, { capture: true });
  document.addEventListener("pointerdown", (e) => {
    const box = e.target.closest?.("#plan [data-dir]");
    dragged = false;
    if (!box || e.button !== 0) return;
    e.preventDefault();
    const svg = box.ownerSVGElement;
    const [dx, dy] = box.dataset.dir.split(" ").map(Number);
    held = { box, svg, dx, dy, from: toInches(svg, e.clientX, e.clientY), x: e.clientX, y: e.clientY, offset: Number(box.dataset.offset), clear: Number(box.dataset.clear), moved: false };
  });
  document.addEventListener("pointermove", (e) => {
    if (!held || (!held.moved && Math.hypot(e.clientX - held.x, e.clientY - held.y) < START)) return;
    held.moved = true;
    const at = toInches(held.svg, e.clientX, e.clientY);
    const along = (at.x - held.from.x) * held.dx + (at.y - held.from.y) * held.dy;
    held.to = Math.min(Math.max(Math.round(held.offset + along), 0), Math.floor(held.clear));
    const by = held.to - held.offset;
    held.box.setAttribute("transform", `translate(${by * held.dx} ${by * held.dy})`);
    held.box.classList.add("dragging");
    const readout = document.getElementById("readout");
    const sheet = readout.parentElement.getBoundingClientRect();
    readout.textContent = feet(held.to);
    readout.hidden = false;
    readout.style.left = `${e.clientX - sheet.left + 16}px`;
    readout.style.top = `${e.clientY - sheet.top - 30}px`;
  });
  for (const end of ["pointerup", "pointercancel"]) {
    document.addEventListener(end, async (e) => {
      const done = held;
      held = undefined;
      if (!done?.moved) return;
      dragged = end === "pointerup";
      document.getElementById("readout").hidden = true;
      done.box.classList.remove("dragging");
      if (end === "pointercancel" || done.to === done.offset) {
        done.box.removeAttribute("transform");
        return;
      }
      const id = done.box.dataset.box;
      // What was moved is selected.
      const move = new URL(bench().dataset.move, location.href);
      move.searchParams.set("on", `box:${id}`);
      await act(move.pathname + move.search, { box: id, offset: `${done.to}"` });
      document.querySelector(`#plan [data-box="${CSS.escape(id)}"]`)?.removeAttribute("transform");
    });
  }
}
