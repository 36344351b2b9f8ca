// Opens a breaker on the plan: what goes dead is crossed out, rooms without a light left are hatched, and each room that loses
// lights says how many are left. Hovering a circuit shows it for as long; the space bar and the button keep it.
import { bench } from "./ask.js";

let kept;
let hovered;

const plan = () => document.getElementById("plan");

export function toggleDark() {
  const lit = bench()?.dataset.lit;
  kept = kept || !lit ? undefined : lit;
  draw();
}

function draw() {
  const svg = plan();
  if (!svg) return;
  const open = hovered ?? kept;
  for (const old of svg.querySelectorAll(".dead, .no-light, .less-light")) old.classList.remove("dead", "no-light", "less-light");
  for (const words of svg.querySelectorAll(".alight")) words.remove();
  svg.classList.toggle("opened", Boolean(open));
  const button = document.querySelector("[data-dark]");
  button?.setAttribute("aria-pressed", String(Boolean(kept)));
  tell(open && count(svg, open), open);
}

function count(svg, open) {
  const rooms = new Map();
  for (const box of svg.querySelectorAll("[data-box]")) {
    const dead = box.dataset.circuit === open;
    box.classList.toggle("dead", dead);
    const room =
      rooms.get(box.dataset.room) ?? rooms.set(box.dataset.room, { lights: 0, left: 0, receptacles: 0, live: 0 }).get(box.dataset.room);
    if (box.dataset.light) ((room.lights += 1), (room.left += dead ? 0 : 1));
    if (box.dataset.receptacle) ((room.receptacles += 1), (room.live += dead ? 0 : 1));
  }
  for (const path of svg.querySelectorAll("[data-room].room")) {
    const room = rooms.get(path.dataset.room);
    if (!room) continue;
    const lost = [];
    if (room.left < room.lights) lost.push(room.left === 0 ? "dark" : `${room.left} of ${room.lights} lights left`);
    if (room.live < room.receptacles) lost.push(`${room.live} of ${room.receptacles} receptacles left`);
    if (lost.length === 0) continue;
    path.classList.add(room.lights > 0 && room.left === 0 ? "no-light" : "less-light");
    write(svg, path, lost);
  }
  return rooms;
}

function write(svg, path, lines) {
  const at = path.getBBox();
  lines.forEach((line, i) => {
    const text = document.createElementNS("http://www.w3.org/2000/svg", "text");
    text.setAttribute("class", "alight");
    text.setAttribute("x", at.x + at.width / 2);
    text.setAttribute("y", at.y + at.height / 2 + 20 + i * 10);
    text.setAttribute("text-anchor", "middle");
    text.textContent = line;
    svg.append(text);
  });
}

let before;

function tell(rooms, open) {
  const note = document.getElementById("lit-note");
  if (!note) return;
  before ??= note.textContent;
  if (!open) {
    note.textContent = before;
    before = undefined;
    return;
  }
  const dark = [...rooms.values()].filter((r) => r.lights > 0 && r.left === 0).length;
  const lights = [...rooms.values()].reduce((sum, r) => sum + r.lights - r.left, 0);
  const receptacles = [...rooms.values()].reduce((sum, r) => sum + r.receptacles - r.live, 0);
  const row = document.querySelector(`.row.circuit[data-circuit="${CSS.escape(open)}"] .space`)?.textContent ?? open;
  const many = (n, word) => `${n} ${word}${n === 1 ? "" : "s"}`;
  const gone = [lights && many(lights, "light"), receptacles && many(receptacles, "receptacle")];
  const darkened = dark ? many(dark, "room") : "no room";
  note.textContent = `${row} open: ${gone.filter(Boolean).join(", ") || "nothing here"} dead, ${darkened} dark`;
}

export function watchDarkness() {
  document.addEventListener("htmx:after:swap", () => {
    before = undefined;
    if (kept && bench()?.dataset.stage === "circuits") kept = bench().dataset.lit || undefined;
    else kept = undefined;
    hovered = undefined;
    draw();
  });
  const over = (e) =>
    bench()?.dataset.stage === "circuits" &&
    !document.body.classList.contains("regrouping") &&
    e.target.closest?.(".row.circuit")?.dataset.circuit;
  document.addEventListener("pointerover", (e) => {
    const circuit = over(e);
    if (!circuit || circuit === hovered || e.pointerType === "touch") return;
    hovered = circuit;
    draw();
  });
  document.addEventListener("pointerout", (e) => {
    if (!hovered || e.relatedTarget?.closest?.(".row.circuit")?.dataset.circuit === hovered) return;
    hovered = undefined;
    draw();
  });
  document.addEventListener("click", (e) => {
    if (e.target.closest?.("[data-dark]")) toggleDark();
  });
}
