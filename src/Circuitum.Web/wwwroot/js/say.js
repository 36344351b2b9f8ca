// The line that is said: a ghost on the plan while it is typed, Enter draws it, the arrow up brings the last one back.
import { act, bench } from "./ask.js";

const NS = "http://www.w3.org/2000/svg";
const WAIT = 180;
const LONGEST = 4000;

let last = "";
let turn = Promise.resolve();
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
  // A whole house is read when it is drawn: it is longer than an address may be.
  if (lines.length > LONGEST) return show({ says: `${lines.trim().split("\n").length} lines: Enter draws them.` });
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

// What is said is drawn in its turn while the next line is typed; what was refused comes back, if nothing else stands there.
async function draw(area) {
  const lines = area.value;
  if (!lines.trim()) return;
  last = lines;
  area.value = "";
  fit(area);
  clearTimeout(timer);
  asking?.abort();
  clear();
  area.focus();
  const mine = turn.then(() => act("Say", { lines }));
  turn = mine.catch(() => {});
  await mine;
  const now = field();
  if (!now) return;
  if (document.querySelector("#said.refused") && !now.value) {
    now.value = lines;
    fit(now);
  }
  now.focus();
}

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
  // Before anything else asks: the line is taken as it stands, and the field is free for the next.
  document.addEventListener(
    "submit",
    (e) => {
      const area = e.target.querySelector?.("#say");
      if (!area) return;
      e.preventDefault();
      e.stopImmediatePropagation();
      draw(area);
    },
    true,
  );
  // What was typed before this was here is heard too.
  const typed = field();
  if (!typed?.value) return;
  fit(typed);
  hear();
}
