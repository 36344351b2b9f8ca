import { settleLabels, settleLabelsSoon } from "./labels.js";

// Pan and zoom: the drawing's viewBox, kept for each level while the bench is replaced around it.
const kept = new Map();
const LARGEST = 8;

const plan = () => document.getElementById("plan");
const sheet = () => document.querySelector(".sheet");
const read = (svg) => svg.getAttribute("viewBox").split(" ").map(Number);

/** Pixels of the screen to inches of the house. */
export function toInches(svg, x, y) {
  const at = new DOMPoint(x, y).matrixTransform(svg.getScreenCTM().inverse());
  return { x: at.x, y: at.y };
}

function settle() {
  const svg = plan();
  if (!svg) return;
  svg.dataset.whole = svg.getAttribute("viewBox");
  const view = kept.get(sheet().dataset.sheet);
  if (view) svg.setAttribute("viewBox", view);
  settleLabels();
  for (const [view, shown] of [
    ["dimensions", "show-dimensions"],
    ["home", "only-home"],
  ]) {
    document.querySelector(`[data-view=${view}]`)?.setAttribute("aria-pressed", String(document.body.classList.contains(shown)));
  }
  showFolds();
}

// The list and the card make room for the plan; what was folded stays folded on this machine.
const folds = ["ledger", "card"];
const isFolded = (part) => document.documentElement.classList.contains(`fold-${part}`);

function showFolds() {
  for (const part of folds) document.querySelector(`[data-fold=${part}]`)?.setAttribute("aria-pressed", String(!isFolded(part)));
}

function fold(part) {
  document.documentElement.classList.toggle(`fold-${part}`);
  localStorage.setItem("folded", folds.filter(isFolded).join(" "));
  showFolds();
  settleLabelsSoon();
}

function look(svg, box) {
  const whole = svg.dataset.whole.split(" ").map(Number);
  const scale = Math.min(Math.max(box[2], whole[2] / LARGEST), whole[2] * 1.5) / box[2];
  const view = [box[0], box[1], box[2] * scale, box[3] * scale].map((n) => n.toFixed(2)).join(" ");
  svg.setAttribute("viewBox", view);
  kept.set(sheet().dataset.sheet, view);
}

function zoom(by, at) {
  const svg = plan();
  if (!svg) return;
  const [x, y, w, h] = read(svg);
  const c = at ?? { x: x + w / 2, y: y + h / 2 };
  look(svg, [c.x - (c.x - x) * by, c.y - (c.y - y) * by, w * by, h * by]);
  settleLabelsSoon();
}

/** Nearer, farther, the whole plan, dimensions on and off, the list and the card away and back. */
export const views = {
  list: () => fold("ledger"),
  card: () => fold("card"),
  in: () => zoom(0.8),
  out: () => zoom(1.25),
  fit: () => {
    const svg = plan();
    if (!svg) return;
    // The drawing without its margins, unless dimensions stand in them.
    const drawn = document.body.classList.contains("show-dimensions") ? null : svg.dataset.drawn;
    if (drawn) look(svg, drawn.split(" ").map(Number));
    else {
      kept.delete(sheet().dataset.sheet);
      svg.setAttribute("viewBox", svg.dataset.whole);
    }
    settleLabelsSoon();
  },
  home: () => {
    const on = document.body.classList.toggle("only-home");
    document.querySelector("[data-view=home]")?.setAttribute("aria-pressed", String(on));
  },
  dimensions: () => {
    const on = document.body.classList.toggle("show-dimensions");
    document.querySelector("[data-view=dimensions]")?.setAttribute("aria-pressed", String(on));
  },
};

export function watchView() {
  for (const part of (localStorage.getItem("folded") ?? "").split(" ").filter((p) => folds.includes(p))) {
    document.documentElement.classList.add(`fold-${part}`);
  }
  settle();
  document.addEventListener("htmx:after:swap", settle);
  window.addEventListener("resize", settleLabelsSoon);
  document.addEventListener("click", (e) => {
    const button = e.target.closest?.("[data-view]");
    if (button) views[button.dataset.view]();
  });
  document.addEventListener(
    "wheel",
    (e) => {
      const svg = e.target.closest?.("#plan");
      if (!svg) return;
      e.preventDefault();
      zoom(Math.exp(e.deltaY * 0.0015), toInches(svg, e.clientX, e.clientY));
    },
    { passive: false },
  );

  // One finger or the mouse pans, two fingers pinch.
  const fingers = new Map();
  document.addEventListener("pointerdown", (e) => {
    if (e.target.closest?.("#plan") && !e.target.closest("[data-drag]")) fingers.set(e.pointerId, { x: e.clientX, y: e.clientY });
  });
  document.addEventListener("pointermove", (e) => {
    const was = fingers.get(e.pointerId);
    const svg = plan();
    if (!was || !svg) return;
    const [x, y, w, h] = read(svg);
    const scale = 1 / svg.getScreenCTM().a;
    if (fingers.size === 1) {
      look(svg, [x - (e.clientX - was.x) * scale, y - (e.clientY - was.y) * scale, w, h]);
    } else {
      const other = [...fingers].find(([id]) => id !== e.pointerId)[1];
      const before = Math.hypot(was.x - other.x, was.y - other.y);
      const now = Math.hypot(e.clientX - other.x, e.clientY - other.y);
      if (before > 0 && now > 0) zoom(before / now, toInches(svg, other.x, other.y));
    }
    fingers.set(e.pointerId, { x: e.clientX, y: e.clientY });
  });
  for (const end of ["pointerup", "pointercancel"]) document.addEventListener(end, (e) => fingers.delete(e.pointerId));
}
