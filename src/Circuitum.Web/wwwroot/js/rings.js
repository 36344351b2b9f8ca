// A circle and a word on a photograph: touched where it is, or moved there by the arrow keys.
const SVG = "http://www.w3.org/2000/svg";
const RADIUS = "8%";
const STEP = 2;
const MIDDLE = [50, 50];

const percent = (part, whole) => Math.round((100 * part) / whole);
const shotOf = (line) => document.querySelector(`[data-shot="${CSS.escape(line.split(" ")[0])}"]`);

function circle(item, id) {
  const svg = item.querySelector(".rings");
  const known = svg.querySelector(`[data-ring-of="${CSS.escape(id)}"]`);
  if (known) return known;
  const made = document.createElementNS(SVG, "circle");
  made.dataset.ringOf = id;
  made.setAttribute("r", RADIUS);
  svg.append(made);
  return made;
}

function place(item, id, [across, down]) {
  const ring = circle(item, id);
  ring.setAttribute("cx", `${across}%`);
  ring.setAttribute("cy", `${down}%`);
}

/** Shows a ring that was kept, or takes it away. */
export function showRing(entry) {
  const item = shotOf(entry.line);
  if (!item?.querySelector(".rings")) return;
  const gone = entry.takesBack && `[data-ring-of="${CSS.escape(entry.takesBack)}"]`;
  if (gone) return item.querySelectorAll(gone).forEach((part) => part.remove());
  if (item.querySelector(`li[data-ring-of="${CSS.escape(entry.id)}"]`)) return;
  place(item, entry.id, entry.line.split(" ").slice(1).map(Number));
  const words = document.createElement("li");
  words.dataset.ringOf = entry.id;
  words.textContent = entry.note;
  item.querySelector(".ring-words").append(words);
}

function begin(item) {
  item.classList.add("placing");
  item.dataset.ring = MIDDLE.join(" ");
  place(item, "new", MIDDLE);
  item.querySelector("[data-ring-form]").hidden = false;
  item.querySelector("[data-ring-word]").focus();
}

function end(item) {
  item.classList.remove("placing");
  item.querySelector('[data-ring-of="new"]')?.remove();
  item.querySelector("[data-ring-form]").hidden = true;
  item.querySelector("[data-ring-word]").value = "";
}

function move(item, to) {
  const at = to.map((n) => Math.min(100, Math.max(0, n)));
  item.dataset.ring = at.join(" ");
  place(item, "new", at);
}

/** Watches photographs; what is circled is given to keep(item, "across down", word). */
export function watchRings(keep) {
  document.addEventListener("click", (e) => {
    const item = e.target.closest?.("[data-shot]");
    if (!item) return;
    if (e.target.closest("[data-circle]")) return item.classList.contains("placing") ? end(item) : begin(item);
    if (e.target.closest("[data-ring-keep]")) {
      const word = item.querySelector("[data-ring-word]");
      if (!word.value.trim()) return word.focus();
      keep(item, item.dataset.ring, word.value.trim());
      return end(item);
    }
    const picture = e.target.closest(".picture");
    if (!picture || !item.classList.contains("placing")) return;
    e.preventDefault();
    const box = picture.querySelector("img").getBoundingClientRect();
    move(item, [percent(e.clientX - box.left, box.width), percent(e.clientY - box.top, box.height)]);
  });
  document.addEventListener("keydown", (e) => {
    const item = e.target.closest?.(".placing .picture")?.closest("[data-shot]");
    const by = { ArrowLeft: [-STEP, 0], ArrowRight: [STEP, 0], ArrowUp: [0, -STEP], ArrowDown: [0, STEP] }[e.key];
    if (!item || !by) return;
    e.preventDefault();
    move(
      item,
      item.dataset.ring.split(" ").map((n, i) => Number(n) + by[i]),
    );
  });
}
