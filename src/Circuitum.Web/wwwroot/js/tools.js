// A tool in the hand: draw a room, set an opening, a fixture or a box where the plan is clicked, or mark two places to measure.
import { act, bench } from "./ask.js";
import { toInches } from "./view.js";
import { written, snap, read } from "./lengths.js";
import { sides, split, placeAt, says as wordsOf, appear, vanish } from "./placing.js";

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
  if (line) line.textContent = line.title = words;
};

const help = {
  room: "Press at one corner and let go at the opposite one.",
  opening: "Click the wall where it stands. Tab swings it the other way, F hangs it at the other jamb.",
  fixture: "Click the wall it stands at, or the floor. Tab takes the other side of the wall.",
  box: "Click a wall, or the room. Tab takes the other side of the wall.",
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
  [turned, flipped] = [false, false];
  away();
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
    const svg = e.target.closest?.("#plan");
    if (tool && tool !== "room" && tool !== "measure" && e.pointerType !== "touch" && !drawing) {
      if (!svg) return away();
      over = { svg, at: toInches(svg, e.clientX, e.clientY), pointer: { clientX: e.clientX, clientY: e.clientY } };
      ghost();
      return;
    }
    if (!drawing?.a) return;
    drawing.b = opposite(drawing.a, corner(toInches(drawing.svg, e.clientX, e.clientY)));
    rubber(drawing);
    const [w, d] = inside(drawing.a, drawing.b);
    read(`${written(w)} × ${written(d)}`, e);
  });
  document.addEventListener("pointerup", () => {
    const done = drawing;
    drawing = undefined;
    if (!done) return;
    if (done.set) {
      away();
      return void setAt(done.svg, done.set);
    }
    document.getElementById("rubber")?.remove();
    read("");
    if (!done.b || Math.abs(done.a.x - done.b.x) < 24 || Math.abs(done.a.y - done.b.y) < 24)
      return says(`A room is at least ${written(24)} each way: drag farther.`);
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

// A corner falls on the nearest wall's centre line in each direction, or on a whole inch or centimeter.
function corner(at) {
  const near = (vertical, value) => {
    const lines = sides()
      .filter((s) => s.vertical === vertical)
      .map((s) => s.line)
      .sort((a, b) => Math.abs(a - value) - Math.abs(b - value));
    return lines.length && Math.abs(lines[0] - value) < SNAP ? { value: lines[0], held: true } : { value: snap(value), held: false };
  };
  const [x, y] = [near(true, at.x), near(false, at.y)];
  return { x: x.value, y: y.value, heldX: x.held, heldY: y.held };
}

// Where no wall holds the far corner, the room comes out whole inside.
function opposite(a, b) {
  const [w, d] = inside(a, b);
  const fit = (from, to, held, clear) => (held ? to : to + Math.sign(to - from) * (snap(clear) - clear));
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

function setAt(svg, at) {
  const place = placeAt(svg, at, tool, turned, flipped);
  if (place.says) return says(place.says);
  return place.wall ? onWall(place) : inRoom(place);
}

function onWall({ what, kind, wall, outside, out, end }) {
  const key = `${wall.room}.${wall.wall}`;
  const offset = `${wall.offset}"`;
  if (what === "opening")
    return act("AddOpening", {
      wall: key,
      "fields.kind": kind,
      "fields.offset": offset,
      "fields.swingsOut": String(Boolean(out)),
      "fields.hinge": end ? "End" : "Start",
    });
  if (what === "fixture")
    return act("AddFixture", { room: wall.room, "fields.kind": kind, "fields.wall": wall.wall, "fields.offset": offset });
  return act("Add", { room: wall.room, wall: wall.wall, offset, kind, outside: String(Boolean(outside)) });
}

function inRoom({ what, kind, room }) {
  if (what === "opening") return says("An opening stands in a wall: click nearer to one.");
  if (what === "fixture")
    return act("AddFixture", { room: room.id, "fields.kind": kind, "fields.wall": "", "fields.x": `${room.x}"`, "fields.y": `${room.y}"` });
  return act("AddOver", { room: room.id, x: `${room.x}"`, y: `${room.y}"`, kind });
}

// Where the pointer was last over the plan with something in the hand that a click would set.
let over;
let [turned, flipped] = [false, false];

function ghost() {
  if (!over?.svg.isConnected) return;
  const place = placeAt(over.svg, over.at, tool, turned, flipped);
  appear(over.svg, place);
  read(place.says ? "" : wordsOf(place), over.pointer);
}

function away() {
  over = undefined;
  vanish();
  read("");
}

/** True while a ghost stands under the pointer. */
export const isGhost = () => Boolean(over && document.getElementById("placing"));

/** To the other side of the wall; a door the other way. */
export function turn() {
  turned = !turned;
  ghost();
}

/** A door's hinges at its other jamb. */
export function flip() {
  flipped = !flipped;
  ghost();
}

/** Sets what the tool holds on the selected wall's middle, or in the selected room's. */
export function setOnSelected() {
  const [kindOf, id] = (bench().dataset.selected ?? "").split(":");
  const [what, kind] = split(tool);
  if (kindOf === "wall") {
    const side = sides().find((s) => `${s.room}.${s.wall}` === id);
    if (side) return onWall({ what, kind, wall: { ...side, offset: snap(side.length / 2) } });
  }
  const path = kindOf === "room" ? document.querySelector(`#plan .room[data-room="${CSS.escape(id)}"]`) : undefined;
  if (!path) return says("Select a wall or a room first.");
  const box = path.getBBox();
  const [x, y] = path.dataset.nw.split(" ").map(Number);
  return inRoom({ what, kind, room: { id, x: snap(box.x + box.width / 2 - x), y: snap(box.y + box.height / 2 - y) } });
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
