// Where the thing in the hand would stand: the wall or the floor under the pointer, which side of it, which way it swings. What the
// ghost shows is what is set.
import { snap, written } from "./lengths.js";

const NS = "http://www.w3.org/2000/svg";
const NOTHING = "Nothing is there: click a wall or a room.";
// A box is drawn as large as a symbol: what it is worth seeing, not what it measures.
const BOX = 5;

const overhead = /^(Lamp|Can|Pendant|ClosetLight|Strip|CeilingFan|BathFan|SmokeAlarm|SmokeCoAlarm|VanityLight)$/;

/** What a tool sets, and of which kind. */
export const split = (words) => [words.slice(0, words.indexOf(":")), words.slice(words.indexOf(":") + 1)];

/** Every wall of every room as the plan shows it. */
export const sides = () =>
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
    // The way walked, and the way into the room: to its right.
    p.along = p.vertical ? [0, Math.sign(p.y2 - p.y1)] : [Math.sign(p.x2 - p.x1), 0];
    p.into = [-p.along[1], p.along[0]];
    // The centre line lies outside the inside face.
    p.line = p.vertical ? p.x1 - p.into[0] * p.half : p.y1 - p.into[1] * p.half;
    return p;
  });

const alongWall = (s, at) => (s.vertical ? (at.y - s.y1) * s.along[1] : (at.x - s.x1) * s.along[0]);

// The wall nearest to a place, and how far along it the place lies.
function nearest(at, room, within) {
  const found = sides()
    .filter((s) => !room || s.room === room)
    .map((s) => {
      const along = alongWall(s, at);
      const off = Math.abs(s.vertical ? at.x - s.x1 : at.y - s.y1);
      const past = Math.max(0, -along, along - s.length);
      return { ...s, offset: snap(Math.min(Math.max(along, 0), s.length)), off: off + past };
    })
    .sort((p, q) => p.off - q.off)[0];
  return found && found.off <= within ? found : undefined;
}

// The wall of the room beyond, at the same place.
function beyond(wall, at) {
  const other = sides().find(
    (s) =>
      s.room !== wall.room &&
      s.vertical === wall.vertical &&
      Math.abs(s.line - wall.line) < 0.1 &&
      alongWall(s, at) > 0 &&
      alongWall(s, at) < s.length,
  );
  return other && { ...other, offset: snap(alongWall(other, at)) };
}

function roomAt(svg, at) {
  const point = svg.createSVGPoint();
  [point.x, point.y] = [at.x, at.y];
  const path = [...svg.querySelectorAll(".room")].find((r) => r.isPointInFill(point));
  if (!path) return undefined;
  const [x, y] = path.dataset.nw.split(" ").map(Number);
  return { id: path.dataset.room, nw: { x, y }, x: snap(at.x - x), y: snap(at.y - y) };
}

/** How wide and deep a thing is that no size was said for. */
function usual(tool) {
  const at = `"${CSS.escape(tool)}"`;
  const chosen = document.querySelector(`.tool[data-tool=${at}], select[data-tools] option[value=${at}]`);
  return { wide: Number(chosen?.dataset.wide ?? 0), deep: Number(chosen?.dataset.deep ?? 0) };
}

/** Where a tool sets its thing from a place of the plan: on a wall, on the floor, or nowhere, and why. */
export function placeAt(svg, at, tool, turned, flipped) {
  const room = roomAt(svg, at);
  const [what, kind] = split(tool);
  const size = usual(tool);
  const hangs = document.querySelector(`#more-boxes option[value="box:${CSS.escape(kind ?? "")}"]`) && overhead.test(kind);
  let wall =
    nearest(at, room?.id, what === "opening" ? 30 : what === "fixture" ? 14 : hangs && kind !== "VanityLight" ? 8 : 24) ??
    (room ? undefined : nearest(at, undefined, 18));
  if (!wall && !room) return { says: NOTHING };
  if (!wall) return what === "opening" ? { says: "An opening stands in a wall: click nearer to one." } : { what, kind, size, room };
  let outside = !room && what === "box";
  if (turned && what !== "opening") {
    const other = beyond(wall, at);
    if (other) wall = other;
    else if (what === "box") outside = !outside;
    else return { says: "No room is beyond that wall." };
  }
  // What would stand past the wall's end stands at it.
  if (size.wide > 0 && size.wide <= wall.length) wall = { ...wall, offset: Math.min(wall.offset, Math.floor(wall.length - size.wide)) };
  return { what, kind, size, wall, outside, out: turned && what === "opening", end: flipped && kind === "Door" };
}

const ends = { north: "west", south: "west", east: "north", west: "north" };

/** north, and how far from its west end. */
function told(wall, wide) {
  const side = wall.vertical ? (wall.along[1] > 0 ? "east" : "west") : wall.along[0] > 0 ? "north" : "south";
  const from = side === "south" || side === "west" ? wall.length - wall.offset - wide : wall.offset;
  return `${side} wall of ${wall.name}, ${written(from)} from ${ends[side]}`;
}

/** The same in words. */
export function says({ what, kind, size, wall, outside, out, end, room }) {
  if (!wall) return `${sides().find((s) => s.room === room.id)?.name ?? ""}: ${written(room.x)} east, ${written(room.y)} south`;
  const place = told(wall, what === "box" ? 0 : size.wide);
  if (what === "opening") return kind === "Door" ? `${place}, swings ${out ? "out" : "in"}, hinged ${hinge(wall, end)}` : place;
  return outside ? `${place}, outside` : place;
}

function hinge(wall, end) {
  const [start, far] = wall.vertical ? ["north", "south"] : ["west", "east"];
  const forward = wall.along[0] + wall.along[1] > 0;
  return end === forward ? far : start;
}

const path = (points) => `M${points.map((p) => p.map((n) => n.toFixed(2)).join(" ")).join("L")}Z`;

function outline({ what, kind, size, wall, outside, out, end, room }) {
  if (!wall) {
    const [x, y] = [room.nw.x + room.x, room.nw.y + room.y];
    const [w, d] = what === "box" ? [BOX, BOX] : [size.wide, size.deep];
    const [west, north] = what === "box" ? [x - w / 2, y - d / 2] : [x, y];
    return path([[west, north], [west + w, north], [west + w, north + d], [west, north + d]]);
  }
  const { along, into } = wall;
  const at = (a, i) => [wall.x1 + along[0] * a + into[0] * i, wall.y1 + along[1] * a + into[1] * i];
  const [from, to] = [wall.offset, wall.offset + size.wide];
  if (what === "box") {
    const [near, far] = outside ? [-2 * wall.half, -2 * wall.half - BOX] : [0, BOX];
    return path([at(from - BOX / 2, near), at(from + BOX / 2, near), at(from + BOX / 2, far), at(from - BOX / 2, far)]);
  }
  if (what === "fixture") return path([at(from, 0), at(to, 0), at(to, size.deep), at(from, size.deep)]);
  const hole = path([at(from, 0), at(to, 0), at(to, -2 * wall.half), at(from, -2 * wall.half)]);
  if (kind !== "Door") return hole;
  // The leaf stands open at a right angle; the arc is the floor that it sweeps.
  const face = out ? -2 * wall.half : 0;
  const way = out ? -1 : 1;
  const [hung, free] = end ? [to, from] : [from, to];
  const [h, l, f] = [at(hung, face), at(hung, face + way * size.wide), at(free, face)];
  const turn = (l[0] - h[0]) * (f[1] - h[1]) - (l[1] - h[1]) * (f[0] - h[0]) > 0 ? 1 : 0;
  return `${hole}M${h.join(" ")}L${l.join(" ")}A${size.wide} ${size.wide} 0 0 ${turn} ${f.join(" ")}Z`;
}

/** Takes the ghost away. */
export const vanish = () => document.getElementById("placing")?.remove();

/** Shows where the thing would stand. */
export function appear(svg, place) {
  vanish();
  if (place.says) return;
  const ghost = document.createElementNS(NS, "path");
  ghost.id = "placing";
  ghost.setAttribute("class", "ghost");
  ghost.setAttribute("d", outline(place));
  svg.append(ghost);
}
