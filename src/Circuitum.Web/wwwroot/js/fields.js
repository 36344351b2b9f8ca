// When the job has changed, every field shows the job again. What is half typed stays while nothing was saved.
import { bench } from "./ask.js";

let revision;

function settle() {
  const now = bench() && `${bench().dataset.job}:${bench().dataset.revision}`;
  const changed = revision !== undefined && now !== revision;
  revision = now;
  if (!changed || !bench()) return;
  for (const field of bench().querySelectorAll("input, select")) {
    if (field === document.activeElement || field.type === "hidden" || field.type === "file") continue;
    if (field.type === "checkbox") field.checked = field.defaultChecked;
    else if (field.tagName === "INPUT") field.value = field.defaultValue;
    else if (!field.closest(".tools"))
      field.selectedIndex = Math.max(
        0,
        [...field.options].findIndex((o) => o.defaultSelected),
      );
  }
}

export function watchFields() {
  settle();
  document.addEventListener("htmx:after:swap", settle);
}
