// What a choice would do, asked while it is being made: the answer stands in the form, nothing is changed.
import { bench } from "./ask.js";

/** Asks a handler of this stage; resolves to the answer as HTML, or nothing when it was overtaken by the next asking. */
export async function ask(handler, fields, signal) {
  const { job, stage, level } = bench().dataset;
  const query = new URLSearchParams(fields);
  query.set("level", level);
  query.set("handler", handler);
  const answer = await fetch(`/job/${job}/${stage}?${query}`, { headers: { "HX-Request": "true" }, signal });
  return answer.ok ? answer.text() : undefined;
}

let asking;

async function weigh(form) {
  asking?.abort();
  asking = new AbortController();
  const fields = [...new FormData(form)].filter(([name]) => name !== "from");
  const into = form.querySelector(".asked");
  try {
    if (fields.some(([name, value]) => ["circuit", "into"].includes(name) && value === "")) return into.replaceChildren();
    into.innerHTML = (await ask(form.dataset.asks, fields, asking.signal)) ?? "";
  } catch (e) {
    if (e.name !== "AbortError") throw e;
  }
}

export function watchWeigh() {
  document.addEventListener("change", (e) => {
    const form = e.target.closest?.("form[data-asks]");
    if (form) weigh(form);
  });
  document.addEventListener("submit", (e) => {
    if (e.target.matches?.("form[data-asks]:not([method])")) e.preventDefault();
  });
}
