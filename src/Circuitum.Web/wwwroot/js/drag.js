// Whatever can be taken hold of on the plan: a box, an opening, a fixture or a panel slides along its wall; a lamp, an island or a
// beam moves freely; a wall moves square to itself. To the inch, with the measure read out while it moves.
import { act, bench } from "./ask.js";
import { toInches } from "./view.js";
import { written, snap, read } from "./lengths.js";
import { follow, settleCoverage } from "./coverage.js";
import { armed } from "./tools.js";
import { wasDrag } from "./press.js";

const START = 4;

// What is sent when it is let go, and what is selected then.
const drops = {
  box: { slide: "Move", move: "Place", name: "box", on: (key) => `box:${key}` },
  opening: { slide: "SlideOpening", name: "opening", on: (key) => `opening:${key}` },
  fixture: { slide: "SlideFixture", move: "SlideFixture", name: "fixture", on: (key) => `fixture:${key}` },
  panel: { slide: "SlidePanel", name: "panel", on: (key) => `panel:${key}` },
  obstruction: { move: "SlideObstruction", name: "obstruction", on: (key) => `obstruction:${key}` },
  low: { slide: "MoveLowVoltage", move: "PlaceLowVoltage", name: "outlet", on: (key) => `lowvoltage:${key}` },
  "low-home": { slide: "MoveLowVoltageHome", name: "home", on: (key) => `lowvoltagehome:${key}` },
  via: { move: "Via", name: "place", on: (key) => `run:${key.slice(key.indexOf(" ") + 1)}` },
  wall: { wall: "MoveWall", name: "wall", on: (key) => `wall:${key}` },
};

/** A part that can be nudged or dragged, as its attributes say. */
export function grip(part) {
  const d = part.dataset;
  const drop = drops[d.drag];
  if (!drop) return undefined;
  const numbers = (text) => (text ? text.split(" ").map(Number) : undefined);
  return {
    part,
    drop,
    key: d.key,
    dir: numbers(d.dir),
    normal: numbers(d.normal),
    offset: Number(d.offset),
    clear: Number(d.clear),
    x: Number(d.x),
    y: Number(d.y),
  };
}

/** Sends a part to where it was moved by so many inches. */
export function move(held, dx, dy) {
  const { drop, key } = held;
  const at = (inches) => `${Math.round(inches * 64) / 64}"`;
  if (held.normal) {
    const by = dx * held.normal[0] + dy * held.normal[1];
    return by === 0 ? undefined : act(drop.wall, { [drop.name]: key, by: at(by) }, drop.on(key));
  }
  if (held.dir) {
    const to = slid(held, dx, dy);
    return to === held.offset ? undefined : act(drop.slide, { [drop.name]: key, offset: at(to) }, drop.on(key));
  }
  return dx === 0 && dy === 0 ? undefined : act(drop.move, { [drop.name]: key, x: at(held.x + dx), y: at(held.y + dy) }, drop.on(key));
}

function slid(held, dx, dy) {
  const along = dx * held.dir[0] + dy * held.dir[1];
  return Math.min(Math.max(along === 0 ? held.offset : snap(held.offset + along), 0), held.clear);
}

export function watchDrag() {
  let held;
  document.addEventListener("pointerdown", (e) => {
    const part = e.target.closest?.("#plan [data-drag]");
    if (!part || bench()?.dataset.may === "read" || e.button !== 0 || armed() || e.shiftKey) return;
    held = grip(part);
    if (!held || (held.drop.name === "panel" && !held.dir)) return (held = undefined);
    e.preventDefault();
    const svg = part.ownerSVGElement;
    Object.assign(held, { svg, from: toInches(svg, e.clientX, e.clientY), px: e.clientX, py: e.clientY, moved: false });
    // A drag that touch began is ours, not the page's.
    part.setPointerCapture?.(e.pointerId);
  });
  document.addEventListener("pointermove", (e) => {
    if (!held || (!held.moved && Math.hypot(e.clientX - held.px, e.clientY - held.py) < START)) return;
    held.moved = true;
    const at = toInches(held.svg, e.clientX, e.clientY);
    show(held, at.x - held.from.x, at.y - held.from.y, e);
  });
  for (const end of ["pointerup", "pointercancel"]) {
    document.addEventListener(end, async (e) => {
      const done = held;
      held = undefined;
      if (!done?.moved) return;
      if (end === "pointerup") wasDrag();
      read("");
      done.part.classList.remove("dragging");
      const sent = end === "pointerup" ? move(done, done.dx, done.dy) : undefined;
      await sent;
      done.part.removeAttribute("transform");
      const fresh = document.querySelector(`#plan [data-drag="${done.part.dataset.drag}"][data-key="${CSS.escape(done.key)}"]`);
      fresh?.removeAttribute("transform");
      if (!sent) settleCoverage();
    });
  }
}

function show(held, dx, dy, e) {
  held.part.classList.add("dragging");
  if (held.normal) {
    const by = snap(snapped(held, dx * held.normal[0] + dy * held.normal[1]));
    [held.dx, held.dy] = [by * held.normal[0], by * held.normal[1]];
    const across = held.part.dataset.span;
    const other = opposite(held.part);
    read(`${written(Number(across) + by)}${other ? ` | ${written(Number(other.dataset.span) - by)}` : ""}`, e);
  } else if (held.dir) {
    const to = slid(held, dx, dy);
    const by = to - held.offset;
    [held.dx, held.dy] = [by * held.dir[0], by * held.dir[1]];
    read(written(to), e);
    if (held.drop.name === "box") follow(held.part, to);
  } else {
    [held.dx, held.dy] = [snap(held.x + dx) - held.x, snap(held.y + dy) - held.y];
    read(`${written(held.x + held.dx)} east, ${written(held.y + held.dy)} south`, e);
  }
  held.part.setAttribute("transform", `translate(${held.dx} ${held.dy})`);
}

// The face of the same wall in the room beyond it.
function opposite(part) {
  const d = part.dataset;
  const level = d.x1 === d.x2 ? "x1" : "y1";
  const [a, b] = level === "x1" ? ["y1", "y2"] : ["x1", "x2"];
  const [low, high] = [Math.min(d[a], d[b]), Math.max(d[a], d[b])];
  return [...document.querySelectorAll("#plan .side")].find((other) => {
    const o = other.dataset;
    return (
      o.room !== d.room &&
      (o.x1 === o.x2) === (level === "x1") &&
      Math.abs(o[level] - d[level]) < 11 &&
      Math.min(o[a], o[b]) < high &&
      Math.max(o[a], o[b]) > low &&
      Math.sign(o[b] - o[a]) !== Math.sign(d[b] - d[a])
    );
  });
}

// A wall that comes near another line falls on it.
function snapped(held, by) {
  const d = held.part.dataset;
  const level = d.x1 === d.x2 ? "x1" : "y1";
  const out = held.normal[0] + held.normal[1];
  const mine = Number(d[level]) + out * Number(d.half);
  for (const other of document.querySelectorAll("#plan .side")) {
    const o = other.dataset;
    if (o.key === d.key || (o.x1 === o.x2) !== (level === "x1")) continue;
    const n = o.normal.split(" ").map(Number);
    const line = Number(o[level]) + (n[0] + n[1]) * Number(o.half);
    const to = (line - mine) * out;
    if (Math.abs(to - by) < 4 && Math.abs(to) > 0.5) return to;
  }
  return by;
}

/** What is selected, when it can be nudged. */
export const selectedGrip = () => {
  const chosen = document.querySelector("#plan .chosen[data-drag]");
  return chosen && bench() ? grip(chosen) : undefined;
};
