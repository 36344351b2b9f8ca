import { keepForLater, newId, read, tellUnsent, write } from "./queue.js";

// Boards on site without signal: what is pressed is kept on the phone with its own time and id, and sent as the form it was, once each.
const here = location.pathname;
const QUEUE = `board-unsent:${here}`;
const NOT_KEPT = `board-not-kept:${here}`;
const RETRY = 15000;

const unsent = () => read(QUEUE);
const page = () => document.querySelector("[data-board-site]");

const tell = (trouble) =>
  tellUnsent(
    unsent().length,
    trouble,
    read(NOT_KEPT).map((x) => `${x.says}, ${new Date(Number(x.fields.at)).toLocaleString()}: ${x.why}`),
  );

const formOf = ({ handler, fields }) =>
  [...document.querySelectorAll("form[data-step-of]")].find((f) =>
    handler
      ? f.elements.entry?.value === fields.entry
      : f.elements.subject?.value === fields.subject && f.elements.step?.value === fields.step,
  );

// In place of the button stands what was pressed, until the server's own page says it.
function show(entry) {
  const form = formOf(entry);
  if (!form) return;
  const said = document.createElement("span");
  said.className = "metric-done";
  said.textContent = `${entry.handler ? "✗" : "✓"} ${entry.says}, kept on this phone`;
  form.hidden = true;
  form.after(said);
  if (entry.handler) return;
  const back = document.createElement("button");
  Object.assign(back, { type: "button", className: "act second", textContent: "Take back" });
  back.setAttribute("aria-label", `Take back: ${entry.says}`);
  back.addEventListener("click", () => {
    if (sending) return;
    write(
      QUEUE,
      unsent().filter((e) => e.fields.id !== entry.fields.id),
    );
    said.remove();
    back.remove();
    form.hidden = false;
    tell();
  });
  said.after(back);
}

async function fresh() {
  const answer = await fetch(here);
  if (!answer.ok || answer.redirected) throw new Error(answer.redirected ? "sign in first" : `the server answered ${answer.status}`);
  return new DOMParser().parseFromString(await answer.text(), "text/html");
}

// Somebody reads the next way while the last is being sent: what is typed stays, and so does the place it is typed at.
function replaceWith(next) {
  const typed = [...page().querySelectorAll('form[data-step-of]:not([hidden]) input[name="reading"]')]
    .filter((field) => field.value || field === document.activeElement)
    .map((field) => ({ field, fields: Object.fromEntries(new FormData(field.form)), here: field === document.activeElement }));
  page().replaceWith(next);
  for (const { field, fields, here } of typed) {
    const again = formOf({ fields })?.elements.reading;
    if (!again) continue;
    again.value = field.value;
    if (here) again.focus({ preventScroll: true });
  }
}

let sending = false;

// The page is asked for first: a form that was kept for days has a token of before.
async function send() {
  if (sending || unsent().length === 0) return;
  sending = true;
  let trouble = "";
  try {
    const token = (await fresh()).querySelector('[name="__RequestVerificationToken"]')?.value ?? "";
    while (unsent().length > 0) {
      const [entry] = unsent();
      const answer = await fetch(entry.handler ? `${here}?handler=${entry.handler}` : here, {
        method: "POST",
        body: new URLSearchParams({ ...entry.fields, __RequestVerificationToken: token }),
      });
      if (answer.status !== 422 && !answer.ok) {
        trouble = `the server answered ${answer.status}`;
        break;
      }
      const said = answer.ok ? null : new DOMParser().parseFromString(await answer.text(), "text/html");
      if (said) write(NOT_KEPT, [...read(NOT_KEPT), { ...entry, why: said.querySelector('[role="alert"]')?.textContent ?? "refused" }]);
      write(
        QUEUE,
        unsent().filter((e) => e.fields.id !== entry.fields.id),
      );
    }
    // The server's own page stands in place of what was shown meanwhile; the scroll stays. After trouble what is shown stays as it is.
    if (!trouble) {
      replaceWith((await fresh()).querySelector("[data-board-site]"));
      unsent().forEach(show);
    }
  } catch (e) {
    trouble = e instanceof TypeError ? "no answer from the server" : e.message;
  } finally {
    sending = false;
  }
  tell(trouble);
}

document.addEventListener("submit", (e) => {
  const form = e.target.closest?.("form[data-step-of]");
  if (!form) return;
  e.preventDefault();
  const fields = Object.fromEntries(new FormData(form));
  delete fields.__RequestVerificationToken;
  const says = form.dataset.stepOf + (fields.reading ? `: ${fields.reading}` : "");
  const entry = { handler: form.dataset.handler ?? "", says, fields: { ...fields, id: newId(), at: String(Date.now()) } };
  try {
    write(QUEUE, [...unsent(), entry]);
  } catch {
    tell("this phone has no room for more; find signal first");
    return;
  }
  show(entry);
  tell();
  send();
});
document.addEventListener("click", (e) => {
  if (!e.target.closest?.("[data-put-away]")) return;
  write(NOT_KEPT, []);
  tell();
});
window.addEventListener("online", send);
setInterval(send, RETRY);

// A page that was kept earlier is older than what was pressed since.
unsent().forEach(show);
tell();
send();
keepForLater(here.startsWith("/job/") ? "/job/" : "/metric-board/", [], () => false).catch(() => {});
document.documentElement.dataset.ready = "true";
