// The keys on the “?” sheet. Presses that come while the server answers are added up, so none is lost.
import { bench, show, act } from "./ask.js";
import { views } from "./view.js";
import { move, selectedGrip } from "./drag.js";
import { arm, armed, setOnSelected, isGhost, turn, flip } from "./tools.js";
import { step } from "./lengths.js";
import { toggleDark } from "./darkness.js";
import { picks, putDown, nudgePicked, deletePicked, toggle } from "./pick.js";

const pending = { x: 0, y: 0 };
let busy = false;

// An inch or a bay, a centimeter or ten, to the right or down; along a wall that runs up the sheet, up and down count.
async function nudge(x, y) {
  pending.x += x;
  pending.y += y;
  if (busy) return;
  busy = true;
  try {
    while (pending.x !== 0 || pending.y !== 0) {
      const by = { ...pending };
      pending.x = pending.y = 0;
      if (picks().length) {
        await nudgePicked(by.x + by.y);
        continue;
      }
      const held = selectedGrip();
      if (!held) return;
      const along = held.dir && { x: held.dir[0] * (by.x + by.y), y: held.dir[1] * (by.x + by.y) };
      await move(held, (along ?? by).x, (along ?? by).y);
    }
  } finally {
    busy = false;
  }
}

function level(by) {
  const chips = [...document.querySelectorAll(".plan-side .chip, .board .chip")];
  const at = chips.findIndex((c) => c.hasAttribute("aria-current"));
  const next = chips[at + by];
  if (next) show(next.getAttribute("href"));
}

const at = (...stages) => stages.includes(bench().dataset.stage);

const typing = (e) => e.target.matches?.("input, select, textarea") || document.querySelector("dialog[open]");

function remove() {
  const [kind, id] = (bench().dataset.selected ?? "").split(":");
  if (picks().length) return at("boxes") ? deletePicked() : undefined;
  const acts = {
    box: ["Delete", "box"],
    opening: ["DeleteOpening", "opening"],
    fixture: ["DeleteFixture", "fixture"],
    obstruction: ["DeleteObstruction", "obstruction"],
    want: ["DropWant", "id"],
    lowvoltage: ["DropLowVoltage", "outlet"],
    lowvoltagehome: ["DropLowVoltageHome", "home"],
    bays: ["ReleaseBays", "id"],
    chase: ["CloseChase", "id"],
  }[kind];
  return acts ? act(acts[0], { [acts[1]]: id }, "") : undefined;
}

function down() {
  if (armed()) return arm("");
  if (putDown()) return undefined;
  return bench().dataset.selected ? show(bench().dataset.down) : undefined;
}

// Keys of things to set: a letter finds the tool that bears it.
function toolOf(key) {
  const caps = [...document.querySelectorAll(".tools .tool[data-tool] kbd")];
  const more = bench().dataset.stage === "boxes" ? document.querySelector(`#keys [data-tool-key="${CSS.escape(key)}"]`) : undefined;
  return caps.find((k) => k.textContent.toLowerCase() === key)?.closest(".tool").dataset.tool ?? more?.dataset.toolValue;
}

export function watchKeys() {
  document.addEventListener("click", (e) => {
    if (e.target.closest?.("[data-keys]")) document.getElementById("keys").showModal();
  });
  document.addEventListener("keydown", (e) => {
    // Esc lets go of the tool from anywhere; a second one lets go of the selection.
    if (e.key === "Escape" && bench() && e.target.matches?.("input, select, textarea") && !document.querySelector("dialog[open]")) {
      e.target.blur();
      if (armed()) arm("");
      return;
    }
    if (!bench() || typing(e) || e.ctrlKey || e.metaKey || e.altKey) return;
    const key = e.key.length === 1 ? e.key.toLowerCase() : e.key;
    // Only while the mouse holds a thing over the plan: else Tab goes on to the next link, and F fits the plan.
    if (isGhost() && !e.shiftKey && (key === "Tab" || key === "f")) {
      e.preventDefault();
      return key === "Tab" ? turn() : flip();
    }
    const by = step(e.shiftKey);
    const arrow = { ArrowRight: [by, 0], ArrowLeft: [-by, 0], ArrowDown: [0, by], ArrowUp: [0, -by] }[key];
    if (arrow && ((picks().length && at("boxes")) || selectedGrip()) && !e.target.closest?.(".scroll")) {
      e.preventDefault();
      nudge(...arrow);
      return;
    }
    const [kind, id] = (bench().dataset.selected ?? "").split(":");
    const does = {
      "?": () => document.getElementById("keys").showModal(),
      Escape: down,
      Delete: remove,
      z: () => act("Undo"),
      y: () => act("Redo"),
      d: views.dimensions,
      f: views.fit,
      ",": views.list,
      ".": views.card,
      e: () => document.querySelector("select[data-tools]")?.focus(),
      u: () => kind === "room" && act("LayOut", { room: id }),
      x: () => kind === "box" && at("boxes", "circuits") && toggle(id),
      m: at("circuits") ? () => document.getElementById("to-circuit")?.focus() : undefined,
      " ": at("circuits") && !e.target.closest?.("button, summary") ? toggleDark : undefined,
      "+": views.in,
      "=": views.in,
      "-": views.out,
      "[": () => level(-1),
      "]": () => level(1),
    }[key];
    const tool = toolOf(key);
    if (key === "Enter" && armed() && armed() !== "room" && !e.target.closest?.("a, button")) {
      e.preventDefault();
      setOnSelected();
    } else if (does) {
      e.preventDefault();
      does();
    } else if (tool) {
      e.preventDefault();
      arm(tool);
    } else {
      const stage = document.querySelector(`[data-stage-key="${CSS.escape(e.key)}"]`);
      if (!stage) return;
      e.preventDefault();
      // Site is a page of its own.
      if (stage.getAttribute("hx-boost") === "false") location.assign(stage.href);
      else show(stage.getAttribute("href"));
    }
  });
}
