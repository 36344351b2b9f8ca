// When the server does not answer, or cannot do what was asked: the quiet line says so, what was typed stays in its field, and the
// same thing can be sent again. Silence would look like saved.
import { bench } from "./ask.js";

const unreached = { POST: "Not saved: the server does not answer.", GET: "The server does not answer." };
const kept = { POST: "What you typed is still here. When the server is back, send it again.", GET: "What you see is what it sent last." };

/** The line that says it: the bench's own, or one at the top of a page that has none. */
function line() {
  const said = document.getElementById("said");
  if (said) return said;
  const main = document.querySelector("main") ?? document.body;
  const made = document.createElement("div");
  made.id = "said";
  made.className = "problem";
  made.append(document.createElement("p"));
  made.firstChild.setAttribute("role", "alert");
  main.prepend(made);
  return made;
}

/** Asks for the same thing once more, as the field, link or tool that asked for it would. */
function again(ctx) {
  const { sourceElement: asked, request } = ctx;
  if (asked?.matches?.("form") && asked.isConnected)
    return asked.requestSubmit(request.submitter?.isConnected ? request.submitter : undefined);
  if (asked?.matches?.("a") && asked.isConnected) return asked.click();
  const values = request.body ? Object.fromEntries(request.body) : {};
  return window.htmx.ajax(request.method, request.action, { source: "#ask", target: "#bench", swap: "outerMorph", values });
}

function say(ctx, headline, more) {
  const posted = ctx.request.method === "POST";
  const said = line();
  said.classList.add("refused");
  const words = said.querySelector("p");
  const strong = document.createElement("strong");
  const rest = document.createElement("span");
  strong.textContent = headline;
  rest.textContent = more;
  words.replaceChildren(strong, " ", rest);
  said.querySelector("[data-again]")?.remove();
  const button = document.createElement("button");
  button.type = "button";
  button.className = "act";
  button.dataset.again = "";
  button.textContent = posted ? "Send it again" : "Ask again";
  button.addEventListener("click", () => again(ctx), { once: true });
  words.after(button);
  const saved = bench()?.querySelector("[data-saved]");
  if (posted && saved) saved.textContent = "not saved";
}

export function watchTrouble() {
  document.addEventListener("htmx:error", ({ detail: { ctx } }) => {
    if (!ctx?.request) return;
    const how = ctx.request.method === "POST" ? "POST" : "GET";
    if (ctx.response) say(ctx, "The answer could not be shown.", "Open the page again: what was saved is there.");
    else say(ctx, unreached[how], kept[how]);
  });
  document.addEventListener("htmx:response:error", ({ detail: { ctx } }) => {
    if (ctx.response.headers.get("X-Said") === "line")
      say(ctx, ctx.text, ctx.request.method === "POST" ? "What you typed is still here." : "");
  });
}
