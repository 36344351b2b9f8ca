// Several boxes picked at once: moved, raised or taken out together.
import { act, bench } from "./ask.js";
import { written } from "./lengths.js";

const picked = new Set();

export const picks = () => [...picked];

function settle() {
  for (const id of picks())
    if (!document.querySelector(`#plan [data-box="${CSS.escape(id)}"], [data-pick="${CSS.escape(id)}"]`)) picked.delete(id);
  for (const box of document.querySelectorAll("#plan [data-box]")) box.classList.toggle("picked", picked.has(box.dataset.box));
  for (const row of document.querySelectorAll("[data-pick]")) row.classList.toggle("picked", picked.has(row.dataset.pick));
  const bar = document.getElementById("picked");
  if (!bar) return;
  bar.hidden = picked.size === 0;
  bar.firstElementChild.textContent = `${picked.size} picked`;
}

export function toggle(id) {
  if (!picked.delete(id)) picked.add(id);
  settle();
}

export function putDown() {
  const had = picked.size > 0;
  picked.clear();
  settle();
  return had;
}

export const nudgePicked = (by) => act("Nudge", { boxes: picks().join(" "), by: `${by}"` });
export const deletePicked = () => act("DeleteBoxes", { boxes: picks().join(" ") }, "");

export function watchPick() {
  settle();
  document.addEventListener("htmx:after:swap", settle);
  document.addEventListener(
    "click",
    (e) => {
      const box = e.shiftKey && e.target.closest?.("#plan [data-box], [data-pick]");
      if (box && ["boxes", "circuits"].includes(bench()?.dataset.stage)) {
        e.preventDefault();
        e.stopImmediatePropagation();
        toggle(box.dataset.box ?? box.dataset.pick);
        return;
      }
      const does = e.target.closest?.("[data-picked]")?.dataset.picked;
      if (does === "delete") deletePicked();
      if (does === "split") act("Split", { boxes: picks().join(" ") }, "").then(putDown);
      if (does === "none") putDown();
      if (does === "height") raise(e.target.closest("#picked"));
    },
    { capture: true },
  );
}

// A field in place of the button: typed, Enter, done.
function raise(bar) {
  if (bar.querySelector("input")) return;
  const field = document.createElement("input");
  field.setAttribute("aria-label", "Height of the picked boxes above the floor");
  field.dataset.length = "";
  field.placeholder = written(16);
  field.addEventListener("keydown", (e) => {
    if (e.key !== "Enter") return;
    e.preventDefault();
    act("Heights", { boxes: picks().join(" "), height: field.value });
    field.remove();
  });
  bar.append(field);
  field.focus();
}
