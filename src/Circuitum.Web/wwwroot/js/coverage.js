// Which receptacle serves which stretch of wall, drawn anew while one of them is dragged.
const NS = "http://www.w3.org/2000/svg";
let drawn;

const group = () => document.getElementById("coverage");
const spaces = () => JSON.parse(group()?.dataset.spaces ?? "[]");

/** Redraws the stretches of a box's room with the box at another offset of its wall. */
export function follow(part, offset) {
  const { key, room, wall } = part.dataset;
  const all = spaces();
  const mine = all.filter((s) => s.room === room && (s.at.some(([id]) => id === key) || s.pieces.some((p) => p[0] === Number(wall))));
  if (!group() || !all.some((s) => s.at.some(([id]) => id === key))) return;
  const counter = all.find((s) => s.at.some(([id]) => id === key)).counter;
  drawn ??= { html: group().innerHTML };
  group().replaceChildren(
    ...all.flatMap((space) => lines(mine.includes(space) && space.counter === counter ? moved(space, key, Number(wall), offset) : space)),
  );
}

/** Puts the drawing back as the server made it. */
export function settleCoverage() {
  if (drawn && group()) group().innerHTML = drawn.html;
  drawn = undefined;
}

document.addEventListener("htmx:after:swap", () => (drawn = undefined));

function moved(space, key, wall, offset) {
  const at = space.at.filter(([id]) => id !== key);
  let before = 0;
  for (const [w, from, to] of space.pieces) {
    if (w === wall && offset >= from && offset <= to) {
      at.push([key, before + offset - from]);
      break;
    }
    before += to - from;
  }
  at.sort((a, b) => a[1] - b[1]);
  return { ...space, at };
}

/** The line cut into what each receptacle serves and what none does: from, to, served. */
export function stretches({ at, clear, reach, closed }) {
  let places = at.map(([, d]) => d);
  if (closed && places.length) places = [places.at(-1) - clear, ...places, places[0] + clear];
  const cut = [];
  let done = 0;
  places.forEach((place, i) => {
    const from = Math.max(done, place - reach);
    let to = Math.min(clear, place + reach);
    if (i + 1 < places.length) to = Math.min(to, (place + places[i + 1]) / 2);
    if (to <= done) return;
    if (from > done) cut.push([done, from, false]);
    cut.push([from, to, true]);
    done = to;
  });
  if (done < clear) cut.push([done, clear, false]);
  return cut;
}

function lines(space) {
  let turn = 0;
  return stretches(space).flatMap(([from, to, served]) => {
    const css = served ? `served ${turn++ % 2 ? "even" : "odd"}${space.counter ? " counter" : ""}` : "unserved";
    let before = 0;
    return space.pieces.flatMap(([, start, end, x1, y1, x2, y2]) => {
      const length = end - start;
      const [a, b] = [Math.max(from, before) - before, Math.min(to, before + length) - before];
      before += length;
      if (b <= a) return [];
      const line = document.createElementNS(NS, "line");
      const on = (share, p, q) => p + ((q - p) * share) / length;
      for (const [name, value] of Object.entries({
        class: css,
        x1: on(a, x1, x2),
        y1: on(a, y1, y2),
        x2: on(b, x1, x2),
        y2: on(b, y1, y2),
      }))
        line.setAttribute(name, value);
      return [line];
    });
  });
}
