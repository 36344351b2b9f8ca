// What is asked of the bench is asked one thing after the other: else an answer that was made before a change could come after it,
// and show a house without what was just put in.
import { bench } from "./ask.js";

let last = Promise.resolve();
// Which revision followed which by what this window did.
const steps = [];

/** What waited for this window's own changes is done to what they made, not to what it was asked on. */
function follow(body, seen) {
  for (const step of steps.slice(seen)) if (body?.get?.("from") === step.from) body.set("from", step.to);
}

export function watchTurns() {
  // What one element asks waits for what it asked before, and is not sent yet: it was asked now.
  document.addEventListener("htmx:config:request", ({ detail: { ctx } }) => (ctx.seen = steps.length));
  document.addEventListener("htmx:before:request", ({ detail: { ctx } }) => {
    if (ctx.target?.id !== "bench") return;
    const { fetch, seen } = ctx;
    const before = last;
    last = new Promise((done) => (ctx.done = done));
    ctx.fetch = async (action, request) => {
      await before;
      follow(request.body, seen);
      return fetch(action, request);
    };
  });
  document.addEventListener("htmx:finally:request", ({ detail: { ctx } }) => {
    const from = ctx.request.body?.get?.("from");
    if (ctx.done && from && ctx.response?.status < 400) steps.push({ from, to: bench().dataset.revision });
    ctx.done?.();
  });
}
