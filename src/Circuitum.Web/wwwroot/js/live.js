// What another does to the job comes in by itself, unless somebody types or drags: then it waits, and says so.
import { bench, refresh } from "./ask.js";

const SETTLED = 250;
let source = null;
let newest = null;
let asking = 0;
let pressed = false;
let waiting = 0;

const changed = (field) =>
  field.type === "checkbox" || field.type === "radio"
    ? field.checked !== field.defaultChecked
    : field.options
      ? [...field.options].some((o) => o.defaultSelected) && !field.selectedOptions[0]?.defaultSelected
      : field.value !== field.defaultValue;
const typing = () => [...bench().querySelectorAll("form input:not([type=hidden]), form textarea, form select")].some(changed);
const behind = () => newest && Number(newest.number) > Number(bench()?.dataset.revision);

function notice() {
  const said = document.getElementById("said");
  if (!said || said.querySelector("[data-live]")) return;
  const words = document.createElement("span");
  words.dataset.live = "";
  words.textContent = `${newest.who}: ${newest.phrase}. It comes in when you are done here. `;
  const now = document.createElement("button");
  now.type = "button";
  now.className = "act second";
  now.textContent = "Show it now";
  now.addEventListener("click", refresh);
  words.append(now);
  said.prepend(words);
}

/** Takes in what came, once nothing is on its way and nobody is in the middle of anything. */
function settle() {
  clearTimeout(waiting);
  waiting = setTimeout(() => {
    if (!behind() || asking > 0) return;
    if (pressed || typing()) notice();
    else refresh();
  }, SETTLED);
}

function others(names) {
  const here = document.querySelector("[data-here]");
  if (here) here.textContent = names.length === 0 ? "" : ` · with ${names.join(", ")}`;
}

function listen() {
  const job = bench()?.dataset.job;
  if (!job || source || document.hidden) return;
  source = new EventSource(`/job/${encodeURIComponent(job)}/events`);
  source.addEventListener("revision", ({ data }) => {
    newest = JSON.parse(data);
    settle();
  });
  source.addEventListener("others", ({ data }) => others(JSON.parse(data)));
}

export function watchLive() {
  if (!window.EventSource || !bench()) return;
  document.addEventListener("htmx:before:request", () => (asking += 1));
  document.addEventListener("htmx:finally:request", () => {
    asking = Math.max(0, asking - 1);
    settle();
  });
  addEventListener("pointerdown", () => (pressed = true), true);
  for (const up of ["pointerup", "pointercancel"])
    addEventListener(
      up,
      () => {
        pressed = false;
        settle();
      },
      true,
    );
  document.addEventListener("focusout", settle);
  // A window that nobody sees holds no line open; it hears what it missed when it is looked at again.
  document.addEventListener("visibilitychange", () => {
    if (!document.hidden) return listen();
    source?.close();
    source = null;
  });
  addEventListener("pagehide", () => source?.close());
  listen();
}
