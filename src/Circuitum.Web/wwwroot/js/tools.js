// A tool in the hand: draw a room, set an opening, a fixture or a box where the plan is clicked, or mark two places to measure.
import { act, bench } from "./ask.js";
import { toInches } from "./view.js";
import { feet, read } from "./lengths.js";

const NS = "http://www.w3.org/2000/svg";
const SNAP = 8;
// Walls whose kind is not known yet: to the weather, and between rooms.
const OUTER = 3.25;
const INNER = 2.25;

let tool = "";
let drawing;

/** The tool in the hand, or nothing. */
export const armed = () => tool;

const says = (words) => {
  const line = document.getElementById("tool-says");
  if (line) line.textContent = words;
};

const help = {
  room: "Press at one corner and let go at the opposite one.",
  opening: "Click the wall where its left edge stands, seen from the room.",
  fixture: "Click the wall it stands at, or the floor.",
  box: "Click a wall, or the room.",
  measure: "Click two places of known distance.",
};

// What the tool is called, where it was chosen from.
function inHand() {
  const at = `"${CSS.escape(tool)}"`;
  const words = document.querySelector(`.tool[data-tool=${at}], select[data-tools] option[value=${at}]`)?.textContent.trim() ?? "";
  return words.charAt(0).toUpperCase() + words.slice(1);
}

export function arm(next) {
  tool = next === tool ? "" : next;
  drawing = undefined;
  document.getElementById("rubber")?.remove();
  for (const button of document.querySelectorAll(".tool[data-tool]"))
    button.setAttribute("aria-pressed", String(button.dataset.tool === tool));
  document.querySelector(".sheet")?.classList.toggle("armed", tool !== "");
  says(tool ? `${inHand()}: ${help[tool.split(":")[0]].toLowerCase()}` : "");
  read("");
}

export function watchTools() {
  document.addEventListener("click", (e) => {
    const button = e.target.closest?.("[data-tool]");
    if (button) arm(button.dataset.tool);
  });
  document.addEventListener("change", (e) => {
    if (!e.target.matches?.("select[data-tools]") || !e.target.value) return;
    arm(e.target.value);
    e.target.value = "";
    // Its keys are the plan's again.
    e.target.blur();
  });
  document.addEventListener("htmx:after:swap", () => {
    const keep = tool;
    tool = "";
    if (keep) arm(keep);
  });
  document.addEventListener(
    "pointerdown",
    (e) => {
      const svg = e.target.closest?.("#plan");
      if (!tool || !svg || e.button !== 0) return;
      e.preventDefault();
      e.stopImmediatePropagation();
      const at = toInches(svg, e.clientX, e.clientY);
      if (tool === "room") drawing = { svg, a: corner(at), id: e.pointerId };
      else if (tool === "measure") measure(at);
      else drawing = { svg, set: at, target: e.target, id: e.pointerId };
      svg.setPointerCapture?.(e.pointerId);
    },
    { capture: true },
  );
  document.addEventListener("pointermove", (e) => {
    if (!drawing?.a) return;
    drawing.b = opposite(drawing.a, corner(toInches(drawing.svg, e.clientX, e.clientY)));
    rubber(drawing);
    const [w, d] = inside(drawing.a, drawing.b);
    read(`${feet(w)} × ${feet(d)}`, e);
  });
  document.addEventListener("pointerup", () => {
    const done = drawing;
    drawing = undefined;
    if (!done) return;
    if (done.set) return void setAt(done.svg, done.set);
    document.getElementById("rubber")?.remove();
    read("");
    if (!done.b || Math.abs(done.a.x - done.b.x) < 24 || Math.abs(done.a.y - done.b.y) < 24)
      return says("A room is at least 2 ft each way: drag farther.");
    act("DrawRoom", {
      level: bench().dataset.level,
      use: document.getElementById("room-use").value,
      x: `${done.a.x}"`,
      y: `${done.a.y}"`,
      toX: `${done.b.x}"`,
      toY: `${done.b.y}"`,
    });
  });
  // The click that sets something selects nothing.
  document.addEventListener(
    "click",
    (e) => {
      if (!tool || !e.target.closest?.("#plan")) return;
      e.preventDefault();
      e.stopImmediatePropagation();
    },
    { capture: true },
  );
}

const sides = () =>
  [...document.querySelectorAll("#plan .side")].map((s) => {
    const d = s.dataset;
    const p = {
      room: d.room,
      wall: Number(d.wall),
      name: d.name,
      x1: Number(d.x1),
      y1: Number(d.y1),
      x2: Number(d.x2),
      y2: Number(d.y2),
      half: Number(d.half),
    };
    p.length = Math.abs(p.x2 - p.x1) + Math.abs(p.y2 - p.y1);
    p.vertical = p.x1 === p.x2;
    // The centre line lies outside the inside face, to the left of the way walked.
    const out = p.vertical ? Math.sign(p.y2 - p.y1) : -Math.sign(p.x2 - p.x1);
    p.line = (p.vertical ? p.x1 : p.y1) + out * p.half;
    return p;
  });

// A corner falls on the nearest wall's centre line in each direction, or on a whole inch.
function corner(at) {
  const near = (vertical, value) => {
    const lines = sides()
      .filter((s) => s.vertical === vertical)
      .map((s) => s.line)
      .sort((a, b) => Math.abs(a - value) - Math.abs(b - value));
    return lines.length && Math.abs(lines[0] - value) < SNAP ? { value: lines[0], held: true } : { value: Math.round(value), held: false };
  };
  const [x, y] = [near(true, at.x), near(false, at.y)];
  return { x: x.value, y: y.value, heldX: x.held, heldY: y.held };
}

// Where no wall holds the far corner, the room comes out to whole inches inside.
function opposite(a, b) {
  const [w, d] = inside(a, b);
  const fit = (from, to, held, clear) => (held ? to : to + Math.sign(to - from) * (Math.round(clear) - clear));
  return { ...b, x: fit(a.x, b.x, b.heldX, w), y: fit(a.y, b.y, b.heldY, d) };
}

function inside(a, b) {
  const [west, east] = [Math.min(a.x, b.x), Math.max(a.x, b.x)];
  const [north, south] = [Math.min(a.y, b.y), Math.max(a.y, b.y)];
  const half = (vertical, line, from, to) => {
    const along = sides().filter((s) => s.vertical === vertical && Math.abs(s.line - line) < 0.1);
    const covered = along
      .map((s) =>
        vertical
          ? [Math.min(s.y1, s.y2) - s.half, Math.max(s.y1, s.y2) + s.half]
          : [Math.min(s.x1, s.x2) - s.half, Math.max(s.x1, s.x2) + s.half],
      )
      .sort((p, q) => p[0] - q[0]);
    let at = from;
    for (const [low, high] of covered) if (low <= at + 0.1) at = Math.max(at, high);
    return at >= to - 0.1 ? INNER : OUTER;
  };
  return [
    east - west - half(true, west, north, south) - half(true, east, north, south),
    south - north - half(false, north, west, east) - half(false, south, west, east),
  ];
}

function rubber({ svg, a, b }) {
  let box = document.getElementById("rubber");
  if (!box) {
    box = document.createElementNS(NS, "rect");
    box.id = "rubber";
    box.setAttribute("class", "rubber");
    svg.append(box);
  }
  for (const [name, value] of Object.entries({
    x: Math.min(a.x, b.x),
    y: Math.min(a.y, b.y),
    width: Math.abs(a.x - b.x),
    height: Math.abs(a.y - b.y),
  }))
    box.setAttribute(name, value);
}

// The wall nearest to a place, and how far along it the place lies.
function nearest(at, room, within) {
  const found = sides()
    .filter((s) => !room || s.room === room)
    .map((s) => {
      const along = s.vertical ? (at.y - s.y1) * Math.sign(s.y2 - s.y1) : (at.x - s.x1) * Math.sign(s.x2 - s.x1);
      const off = Math.abs(s.vertical ? at.x - s.x1 : at.y - s.y1);
      const past = Math.max(0, -along, along - s.length);
      return { ...s, offset: Math.round(Math.min(Math.max(along, 0), s.length)), off: off + past };
    })
    .sort((p, q) => p.off - q.off)[0];
  return found && found.off <= within ? found : undefined;
}

function roomAt(svg, at) {
  const point = svg.createSVGPoint();
  [point.x, point.y] = [at.x, at.y];
  const path = [...svg.querySelectorAll(".room")].find((r) => r.isPointInFill(point));
  if (!path) return undefined;
  const [x, y] = path.dataset.nw.split(" ").map(Number);
  return { id: path.dataset.room, x: Math.round(at.x - x), y: Math.round(at.y - y) };
}

function setAt(svg, at) {
  const room = roomAt(svg, at);
  const [what, kind] = split(tool);
  const hangs = document.querySelector(`#more-boxes option[value="box:${CSS.escape(kind ?? "")}"]`) && overhead.test(kind);
  const wall =
    nearest(at, room?.id, what === "opening" ? 30 : what === "fixture" ? 14 : hangs && kind !== "VanityLight" ? 8 : 24) ??
    (room ? undefined : nearest(at, undefined, 18));
  if (!wall && !room) return says("Nothing is there: click a wall or a room.");
  if (wall) return onWall(what, kind, wall, !room && what === "box");
  return inRoom(what, kind, room);
}

const overhead = /^(Lamp|Can|Pendant|ClosetLight|Strip|CeilingFan|BathFan|SmokeAlarm|SmokeCoAlarm|VanityLight)$/;
const split = (words) => [words.slice(0, words.indexOf(":")), words.slice(words.indexOf(":") + 1)];

function onWall(what, kind, wall, outside) {
  const key = `${wall.room}.${wall.wall}`;
  const offset = `${wall.offset}"`;
  if (what === "opening") return act("AddOpening", { wall: key, "fields.kind": kind, "fields.offset": offset });
  if (what === "fixture")
    return act("AddFixture", { room: wall.room, "fields.kind": kind, "fields.wall": wall.wall, "fields.offset": offset });
  return act("Add", { room: wall.room, wall: wall.wall, offset, kind, outside: String(outside) });
}

function inRoom(what, kind, room) {
  if (what === "opening") return says("An opening stands in a wall: click nearer to one.");
  if (what === "fixture")
    return act("AddFixture", { room: room.id, "fields.kind": kind, "fields.wall": "", "fields.x": `${room.x}"`, "fields.y": `${room.y}"` });
  return act("AddOver", { room: room.id, x: `${room.x}"`, y: `${room.y}"`, kind });
}

/** Sets what the tool holds on the selected wall's middle, or in the selected room's. */
export function setOnSelected() {
  const [kindOf, id] = (bench().dataset.selected ?? "").split(":");
  const [what, kind] = split(tool);
  if (kindOf === "wall") {
    const side = sides().find((s) => `${s.room}.${s.wall}` === id);
    if (side) return onWall(what, kind, { ...side, offset: Math.round(side.length / 2) }, false);
  }
  const path = kindOf === "room" ? document.querySelector(`#plan .room[data-room="${CSS.escape(id)}"]`) : undefined;
  if (!path) return says("Select a wall or a room first.");
  const box = path.getBBox();
  const [x, y] = path.dataset.nw.split(" ").map(Number);
  return inRoom(what, kind, { id, x: Math.round(box.x + box.width / 2 - x), y: Math.round(box.y + box.height / 2 - y) });
}

let first;
function measure(at) {
  if (!first) {
    first = at;
    says("And the other place.");
    return;
  }
  const field = document.querySelector("[data-measured]");
  const length = Math.hypot(at.x - first.x, at.y - first.y);
  first = undefined;
  if (field) {
    field.value = `${Math.round(length * 64) / 64}"`;
    field.form.elements.known.focus();
  }
  arm("");
}
