// Words on the plan keep a legible size at any zoom. What would then lie on another word or on a symbol moves a little, or gives way to
// what ranks higher; nearer it comes back.
const LEAST = 9;
const RANKS = [".number.on", ".room-name", ".panel-name", ".unserved-far", ".number:not(.on)", ".room-size", ".fixture-name"];
// Half of a symbol, in inches of the house as they are drawn.
const SYMBOL = 4.5;

const meets = (a, b) => a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;
const moved = (box, [x, y]) => ({ x: box.x + x, y: box.y + y, width: box.width, height: box.height });

/** Sets the words of the plan for the zoom it has. */
export function settleLabels() {
  const svg = document.getElementById("plan");
  const scale = svg?.getScreenCTM()?.a;
  if (!scale) return;
  // On the root, which no answer replaces, and only where it differs: every word of the plan is laid out anew for it.
  const least = `${(LEAST / scale).toFixed(2)}px`;
  const { style } = document.documentElement;
  if (style.getPropertyValue("--least") !== least) style.setProperty("--least", least);
  const words = RANKS.flatMap((rank) => [...svg.querySelectorAll(`text${rank}`)]);
  for (const word of words) {
    word.classList.remove("gives-way");
    word.removeAttribute("transform");
  }
  // All is measured before anything moves: one layout, not one a word. The letters' own height is less than their line's.
  const boxes = words.map((word) => {
    const { x, y, width, height } = word.getBBox();
    return { x, y: y + height * 0.08, width, height: height * 0.84 };
  });
  const taken = [...svg.querySelectorAll("[data-box] > .hit")].map(({ cx, cy }) => ({
    x: cx.baseVal.value - SYMBOL,
    y: cy.baseVal.value - SYMBOL,
    width: 2 * SYMBOL,
    height: 2 * SYMBOL,
  }));
  const symbols = taken.length;
  words.forEach((word, i) => {
    const { height } = boxes[i];
    const name = word.matches(".room-name");
    const ways = word.matches(".number") ? beside(height) : name ? along(height) : word.matches(".room-size") ? under(height) : [[0, 0]];
    const fits = (box) => !taken.some((other) => meets(box, other));
    let way = ways.find((by) => fits(moved(boxes[i], by)));
    // The name of a room stands, if it must on a symbol, never on another word.
    if (!way && name && !taken.slice(symbols).some((other) => meets(boxes[i], other))) way = [0, 0];
    if (!way) return word.classList.add("gives-way");
    if (way[0] || way[1]) word.setAttribute("transform", `translate(${way[0].toFixed(1)} ${way[1].toFixed(1)})`);
    taken.push(moved(boxes[i], way));
  });
}

const along = (h) => [0, 1.3, -1.3, 2.6, -2.6, 4, -4].map((n) => [0, n * h]);
const under = (h) => [0, 0.3, 0.6, 1, 1.5].map((n) => [0, n * h]);
const beside = (h) => [0, 0.6, 1.2].flatMap((n) => [
  [n * h, 0],
  [-n * h, 0],
  [0, n * h],
  [0, -n * h],
]);

let waiting = 0;

/** The same, once before the next picture however often it is asked for. */
export function settleLabelsSoon() {
  cancelAnimationFrame(waiting);
  waiting = requestAnimationFrame(settleLabels);
}
