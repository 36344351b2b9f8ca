import { shrink, keepPhoto, photosOf, dropPhoto } from "./photographs.js";
import { showRing, watchRings } from "./rings.js";

// Site without signal: what is pressed is kept on the phone with its own time and id, and sent when the server answers, once each.
const page = document.querySelector("[data-site]");
const job = page.dataset.site;
const QUEUE = `site-unsent:${job}`;
const NOT_KEPT = `site-not-kept:${job}`;
const AT_ONCE = 100;
const RETRY = 15000;

const read = (key) => JSON.parse(localStorage.getItem(key) ?? "[]");
const write = (key, list) => localStorage.setItem(key, JSON.stringify(list));
const unsent = () => read(QUEUE);

// Where a page is not on a secure address there is no randomUUID; the numbers are as random.
function newId() {
  if (crypto.randomUUID) return crypto.randomUUID();
  const b = crypto.getRandomValues(new Uint8Array(16));
  b[6] = (b[6] & 0x0f) | 0x40;
  b[8] = (b[8] & 0x3f) | 0x80;
  const hex = [...b].map((x) => x.toString(16).padStart(2, "0")).join("");
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join("-");
}

const at = (subject, line) => `[data-subject="${CSS.escape(subject)}"][data-line="${CSS.escape(line ?? "")}"]`;
const ticksOf = ({ subject, step, line }) =>
  document.querySelectorAll(`.tick-step${at(subject, line)}[data-step="${CSS.escape(step)}"]`);

// A correction stands under its line until it is mended.
function showCorrection(entry) {
  const list = document.querySelector(`.corrections${at(entry.subject, entry.line)}`);
  if (!list) return;
  if (entry.takesBack) {
    list.querySelector(`[data-mends="${CSS.escape(entry.takesBack)}"]`)?.closest("li").remove();
    return;
  }
  const [item, mended] = [document.createElement("li"), document.createElement("button")];
  Object.assign(mended, { type: "button", className: "act second", textContent: "Mended" });
  mended.dataset.mends = entry.id;
  mended.setAttribute("aria-label", `Mended: ${entry.note}`);
  item.append(entry.note, " ", mended);
  list.append(item);
}

// What happens to a device again and again: the newest is said beside it.
function showEvent(entry) {
  const life = document.querySelector(`.tick-event${at(entry.subject, entry.line)}`)?.closest("[data-life]");
  const says = life?.querySelector("[data-life-says]");
  const words = { Tested: "tested", WouldNotLatch: "would not latch: replace it", Replaced: "replaced, not tested yet" }[entry.step];
  if (says && words) says.textContent = `${words}, just now`;
}

function show(entry) {
  showEvent(entry);
  if (entry.step === "Circled") return showRing(entry);
  if (entry.step === "Correction") return showCorrection(entry);
  if (entry.step === "Photographed") return document.querySelector(`[data-shot="${CSS.escape(entry.takesBack)}"]`)?.remove();
  for (const tick of ticksOf(entry)) {
    tick.setAttribute("aria-pressed", String(!entry.takesBack));
    tick.dataset.entry = entry.takesBack ? "" : entry.id;
  }
}

// How many lines of a stop are seen.
function countStops() {
  for (const stop of document.querySelectorAll("[data-stop]")) {
    const of = [...stop.querySelectorAll('[data-step="Passed"]')];
    const done = of.filter((t) => t.getAttribute("aria-pressed") === "true").length;
    stop.querySelector("[data-stop-count]").textContent = `${done} of ${of.length} seen`;
    stop.classList.toggle("all-done", done === of.length);
  }
}

const isPulled = (row) => row.querySelector('[data-step="Pulled"]')?.getAttribute("aria-pressed") === "true";

// What is cut of some rows, as the server writes it: 1,204 ft, or 52.5 m.
function together(rows, of) {
  const [, unit] = rows[0].dataset.cut.split(" ");
  const digits = unit === "m" ? 1 : 0;
  const sum = of.reduce((total, row) => total + Number(row.dataset.cut.split(" ")[0].replaceAll(",", "")), 0);
  return `${sum.toLocaleString("en-US", { minimumFractionDigits: digits, maximumFractionDigits: digits })} ${unit}`;
}

// Counts follow what is pressed; only the pull list has all runs to count. Low voltage is counted apart.
function count() {
  countStops();
  const rows = [...document.querySelectorAll("[data-group]:not([data-apart]) [data-row]")];
  if (rows.length > 0) {
    const pulled = rows.filter(isPulled);
    page.querySelector("[data-count]").textContent = String(pulled.length);
    page.querySelector("[data-pulled]").textContent = together(rows, pulled);
    page.querySelector("progress").value = pulled.length;
  }
  for (const group of document.querySelectorAll("[data-group]")) {
    const of = [...group.querySelectorAll("[data-row]")];
    const done = of.filter(isPulled).length;
    group.querySelector("[data-group-count]").textContent = `${done} of ${of.length} pulled · `;
    group.classList.toggle("all-done", done === of.length);
    group.querySelector("[data-all]").disabled = done === of.length;
    for (const row of of) row.classList.toggle("row-done", isPulled(row));
  }
}

let photosWaiting = 0;

function tell(trouble) {
  const waiting = unsent().length + photosWaiting;
  const status = document.getElementById("unsent");
  status.textContent =
    waiting === 0 ? "Everything is sent." : `${waiting} not sent yet${trouble ? `: ${trouble}` : ""}. They are kept on this phone.`;
  status.classList.toggle("waiting", waiting > 0);
  const left = read(NOT_KEPT);
  const list = document.getElementById("not-kept");
  list.hidden = left.length === 0;
  list.querySelector("ul").replaceChildren(
    ...left.map((x) => {
      const line = document.createElement("li");
      line.textContent = `${x.step}, ${x.subject.replace(/^\w+:/, "")}, ${new Date(x.at).toLocaleString()}: ${x.why}`;
      return line;
    }),
  );
}

function keep(...entries) {
  try {
    write(QUEUE, [...unsent(), ...entries]);
  } catch {
    tell("this phone has no room for more; find signal first");
    return;
  }
  entries.forEach(show);
  count();
  tell();
  send();
}

const entryOf = (tick, more) => ({
  id: newId(),
  subject: tick.dataset.subject,
  step: tick.dataset.step,
  line: tick.dataset.line,
  at: new Date().toISOString(),
  revision: Number(page.dataset.revision),
  ...more,
});

function press(tick) {
  const done = tick.getAttribute("aria-pressed") === "true";
  keep(entryOf(tick, done ? { takesBack: tick.dataset.entry } : { used: tick.closest("[data-row]")?.querySelector("[data-used]")?.value }));
}

let sending = false;

async function send() {
  if (sending) return;
  sending = true;
  let trouble = "";
  try {
    for (let batch = unsent().slice(0, AT_ONCE); batch.length > 0; batch = unsent().slice(0, AT_ONCE)) {
      const answer = await fetch(`/job/${encodeURIComponent(job)}/site/entries`, {
        method: "POST",
        headers: { "Content-Type": "application/json" },
        body: JSON.stringify(batch),
      });
      const said = await answer.json().catch(() => ({}));
      if (!answer.ok) {
        trouble = said.error ?? `the server answered ${answer.status}`;
        break;
      }
      const refused = new Map((said.refused ?? []).map((r) => [r.id, r.why]));
      const gone = new Set([...(said.kept ?? []), ...refused.keys()]);
      if (gone.size === 0) {
        trouble = "the server named none of them";
        break;
      }
      write(NOT_KEPT, [...read(NOT_KEPT), ...batch.filter((e) => refused.has(e.id)).map((e) => ({ ...e, why: refused.get(e.id) }))]);
      // What was pressed meanwhile stands behind the batch and stays.
      write(
        QUEUE,
        unsent().filter((e) => !gone.has(e.id)),
      );
      tell();
    }
    if (!trouble) trouble = await sendPhotos();
    // The page that is kept for when there is no signal shows what the server has now.
    if (!trouble) await fetch(location.href);
  } catch {
    trouble = "no answer from the server";
  } finally {
    sending = false;
  }
  tell(trouble);
  // What was pressed while the page was fetched goes at once; after trouble the next try is by the clock.
  if (!trouble && unsent().length + photosWaiting > 0) send();
}

// One after the other: a picture is large, and the line is thin.
async function sendPhotos() {
  for (const photo of await photosOf(job)) {
    const { id, subject, at, revision, note } = photo;
    const query = new URLSearchParams({ id, subject, at, revision, note });
    const answer = await fetch(`/job/${encodeURIComponent(job)}/site/photographs?${query}`, {
      method: "POST",
      headers: { "Content-Type": "image/jpeg" },
      body: photo.picture,
    });
    const said = await answer.json().catch(() => ({}));
    // Too large or no picture: it never can be kept, and is told like the others.
    const never = said.refused?.[0]?.why ?? (answer.status === 413 ? "the picture is too large" : undefined);
    if (!answer.ok && !never) return said.error ?? `the server answered ${answer.status}`;
    if (never) write(NOT_KEPT, [...read(NOT_KEPT), { id, subject, at, step: "Photographed", why: never }]);
    await dropPhoto(id);
    photosWaiting = (await photosOf(job)).length;
    tell();
  }
  return "";
}

// A photograph is shown at once, and stands on the phone until the server has it.
async function take(input) {
  const [file] = input.files;
  const place = input.closest(".photographs");
  const caption = place.querySelector("[data-caption]");
  input.value = "";
  if (!file) return;
  try {
    const photo = {
      id: newId(),
      job,
      subject: place.querySelector("[data-side]").value,
      at: new Date().toISOString(),
      revision: Number(page.dataset.revision),
      note: caption.value.trim(),
      picture: await shrink(file),
    };
    await keepPhoto(photo);
    caption.value = "";
    photosWaiting = (await photosOf(job)).length;
    showPhoto(photo);
    tell();
    send();
  } catch {
    tell("that is no picture this phone can read, or there is no room for it");
  }
}

function showPhoto(photo) {
  const place = [...document.querySelectorAll("[data-side] option")].find((o) => o.value === photo.subject)?.closest(".photographs");
  if (!place || document.querySelector(`[data-shot="${CSS.escape(photo.id)}"]`)) return;
  const reader = new FileReader();
  reader.onload = () => {
    const [item, image, words] = [document.createElement("li"), document.createElement("img"), document.createElement("small")];
    Object.assign(image, { width: 160, height: 120, src: reader.result, alt: photo.note || "A photograph" });
    words.textContent = photo.note || new Date(photo.at).toLocaleString();
    item.dataset.shot = photo.id;
    item.append(image, words);
    place.querySelector(".shots").append(item);
  };
  reader.readAsDataURL(photo.picture);
}

document.addEventListener("click", (e) => {
  const tick = e.target.closest?.(".tick-step");
  if (tick) press(tick);
  const event = e.target.closest?.(".tick-event");
  if (event) keep(entryOf(event));
  const all = e.target.closest?.("[data-all]");
  if (all) {
    const rows = [...all.closest("[data-group]").querySelectorAll("[data-row]")].filter((r) => !isPulled(r));
    keep(...rows.map((r) => entryOf(r.querySelector('[data-step="Pulled"]'))));
  }
  const measured = e.target.closest?.("[data-measure]");
  if (measured) {
    const used = measured.closest("details").querySelector("[data-used]");
    const tick = measured.closest("[data-row]").querySelector('[data-step="Pulled"]');
    if (used.value.trim()) keep(entryOf(tick, { used: used.value }));
    used.value = "";
  }
  const fails = e.target.closest?.("[data-fails]");
  if (fails) {
    const said = fails.closest("details").querySelector("[data-wrong]");
    if (said.value.trim()) keep(entryOf(fails, { note: said.value.trim() }));
    said.value = "";
  }
  const away = e.target.closest?.("[data-take-away]");
  if (away) keep(entryOf(away, { takesBack: away.dataset.takeAway }));
  const mended = e.target.closest?.("[data-mends]");
  if (mended) keep(entryOf(mended.closest(".corrections"), { takesBack: mended.dataset.mends }));
  if (e.target.closest?.("[data-put-away]")) {
    write(NOT_KEPT, []);
    tell();
  }
});
document.addEventListener("change", (e) => {
  if (e.target.matches?.("select[data-submits]")) e.target.form.requestSubmit();
  if (e.target.matches?.("[data-photograph]")) take(e.target);
});
watchRings((item, where, note) => keep(entryOf(item, { step: "Circled", line: `${item.dataset.shot} ${where}`, note })));
window.addEventListener("online", send);
setInterval(() => unsent().length + photosWaiting > 0 && send(), RETRY);

// A page that was kept earlier is older than what was pressed since.
unsent().forEach(show);
count();
tell();
photosOf(job)
  .then((photos) => {
    photosWaiting = photos.length;
    photos.forEach(showPhoto);
    tell();
  })
  .catch(() => {})
  .finally(send);

// Without a worker (a browser that has none, an address that is not secure) the page works as long as it stays open.
async function keepForLater() {
  await navigator.serviceWorker.register("/site-worker.js", { scope: "/job/" });
  const worker = (await navigator.serviceWorker.ready).active;
  const views = [...document.querySelectorAll(".site-views a")].map((a) => a.href);
  const parts = performance.getEntriesByType("resource").map((r) => r.name);
  worker.postMessage([location.href, ...views, ...parts.filter((p) => p.startsWith(location.origin) && !p.includes("/site/entries"))]);
}

if ("serviceWorker" in navigator) keepForLater().catch(() => {});
document.documentElement.dataset.ready = "true";
