// What is picked on the plan is picked in the ledger, and the other way round; lists submit when chosen from.
import { bench, show } from "./ask.js";

let asked;

function reveal() {
  const here = bench()?.dataset.selected;
  // The innermost: a box in the list of its circuit.
  const row = [...document.querySelectorAll(".ledger [aria-current=true], .board [aria-current=true]")].at(-1);
  // Where everything stands in one column, the eye is on the plan: it stays there.
  if (here && here !== asked && matchMedia("(min-width: 1001px)").matches) {
    // A circuit with the list of its boxes; the row itself when they do not fit.
    if (row?.matches(".circuit")) row.parentElement.scrollIntoView({ block: "nearest" });
    row?.scrollIntoView({ block: "nearest" });
  }
  asked = here;
}

// Where things lie on top of each other, pressing what is selected again takes the next below it, and the first after the last.
function pressed(e, top) {
  if (e.detail === 0) return top;
  const stack = [...new Set(document.elementsFromPoint(e.clientX, e.clientY).map((x) => x.closest?.("#plan a")))].filter(Boolean);
  const on = (a) => new URL(a.href.baseVal ?? a.href, location.href).searchParams.get("on");
  const here = stack.findIndex((a) => on(a) === bench().dataset.selected);
  return here < 0 ? top : stack[(here + 1) % stack.length];
}

export function watchSelection() {
  reveal();
  document.addEventListener("htmx:after:swap", reveal);
  document.addEventListener("click", (e) => {
    const link = e.target.closest?.("#plan a");
    if (!link || e.defaultPrevented || e.ctrlKey || e.metaKey || e.shiftKey) return;
    e.preventDefault();
    show(pressed(e, link).getAttribute("href"));
  });
  document.addEventListener("change", (e) => {
    if (e.target.matches?.("[data-submits]")) e.target.form.requestSubmit();
  });

  // A station lights its box on the plan.
  document.addEventListener("pointerover", (e) => light(e.target, true));
  document.addEventListener("pointerout", (e) => light(e.target, false));
}

function light(target, on) {
  const station = target.closest?.("[data-station]");
  if (!station?.dataset.station) return;
  station.classList.toggle("near", on);
  document
    .querySelector(`#plan [data-box="${CSS.escape(station.dataset.station)}"]`)
    ?.classList.toggle("chosen", on || bench().dataset.box === station.dataset.station);
}
