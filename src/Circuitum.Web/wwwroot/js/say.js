// The line that is said: a ghost on the plan while it is typed, Enter draws it, the arrow up brings the last one back.
import { bench } from "./ask.js";

const NS = "http://www.w3.org/2000/svg";
const WAIT = 180;

let last = "";
let sent;
let timer;
let asking;

const field = () => document.getElementById("say");

function clear() {
  document.getElementById("ghost")?.remove();
  const heard = document.getElementById("heard");
  if (heard) heard.textContent = "";
}

function show({ says, refused, ghost }) {
  clear();
  const heard = document.getElementById("heard");
  if (!heard) return;
  heard.textContent = says;
  heard.classList.toggle("refused", refused);
  const svg = document.getElementById("plan");
  if (!ghost || !svg) return;
  const path = document.createElementNS(NS, "path");
  path.id = "ghost";
  path.setAttribute("class", "ghost");
  path.setAttribute("d", ghost);
  svg.append(path);
}

// Only the last thing typed is asked about.
async function hear() {
  asking?.abort();
  const lines = field()?.value ?? "";
  if (!lines.trim()) return clear();
  asking = new AbortController();
  const { job, stage, level } = bench().dataset;
  const query = new URLSearchParams({ level, handler: "Heard", lines });
  try {
    const answer = await fetch(`/job/${job}/${stage}?${query}`, { signal: asking.signal });
    if (answer.ok && field()?.value === lines) show(await answer.json());
  } catch (e) {
    if (e.name !== "AbortError") clear();
  }
}

const fit = (area) => (area.rows = Math.min(8, area.value.split("\n").length));

export function watchSay() {
  document.addEventListener("input", (e) => {
    if (e.target.id !== "say") return;
    fit(e.target);
    clearTimeout(timer);
    timer = setTimeout(hear, WAIT);
  });
  document.addEventListener("keydown", (e) => {
    if (e.target.id !== "say") return;
    if (e.key === "Enter" && !e.shiftKey && !e.isComposing) {
      e.preventDefault();
      e.target.form.requestSubmit();
    } else if (e.key === "ArrowUp" && !e.target.value && last) {
      e.preventDefault();
      e.target.value = last;
      e.target.dispatchEvent(new Event("input", { bubbles: true }));
    } else if (e.key === "Escape") {
      e.target.value = "";
      clear();
      e.target.blur();
    }
  });
  document.addEventListener("submit", (e) => {
    const area = e.target.querySelector?.("#say");
    if (area) sent = { lines: area.value, revision: bench().dataset.revision };
  });
  // What was drawn is gone from the field; what was refused stays in it.
  document.addEventListener("htmx:after:swap", () => {
    if (!sent || bench()?.dataset.revision === sent.revision) return;
    last = sent.lines;
    sent = undefined;
    const area = field();
    if (!area) return;
    area.value = "";
    fit(area);
    clear();
    area.focus();
  });
}
