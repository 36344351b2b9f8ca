import { shrink, keepPhoto, photosOf, dropPhoto } from "./photographs.js";
import { keepForLater, newId, read, tellUnsent, write } from "./queue.js";
import { showRing, watchRings } from "./rings.js";

// Site without signal: what is pressed is kept on the phone with its own time and id, and sent when the server answers, once each.
const page = document.querySelector("[data-site]");
const job = page.dataset.site;
const QUEUE = `site-unsent:${job}`;
const NOT_KEPT = `site-not-kept:${job}`;
const AT_ONCE = 100;
const RETRY = 15000;

const unsent = () => read(QUEUE);

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
  if (entry.subject.startsWith("reel:")) return showReel(entry);
  if (entry.step === "Metered") return showReading(entry);
  if (entry.step === "Circled") return showRing(entry);
  if (entry.step === "Correction") return showCorrection(entry);
  if (entry.step === "Photographed") return document.querySelector(`[data-shot="${CSS.escape(entry.takesBack)}"]`)?.remove();
  for (const tick of ticksOf(entry)) {
    // Two may have written it down: it is done until both are taken back.
    const all = (tick.dataset.entry ?? "").split(" ").filter((id) => id && id !== entry.takesBack && id !== entry.id);
    if (!entry.takesBack) all.push(entry.id);
    tick.setAttribute("aria-pressed", String(all.length > 0));
    tick.dataset.entry = all.join(" ");
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

// A reel that was counted, set down or finished.
function showReel(entry) {
  const name = entry.subject.slice("reel:".length);
  const list = document.querySelector("[data-reels]");
  if (!list) return;
  const row = list.querySelector(`[data-reel-row="${CSS.escape(name)}"]`);
  if (entry.step === "Finished") row?.remove();
  else {
    const item = row ?? document.createElement("li");
    const [number, what] = [document.createElement("b"), document.createElement("span")];
    Object.assign(number, { className: "number", textContent: name });
    Object.assign(what, { className: "what", textContent: `${entry.what}, ${entry.used} on it, just now` });
    item.className = "site-row";
    item.dataset.reelRow = name;
    if (row) row.querySelector(".what").replaceWith(what);
    else {
      item.append(number, what);
      list.append(item);
    }
  }
  const many = list.children.length;
  document.querySelector("[data-reels-count]").textContent = `${many} reel${many === 1 ? "" : "s"}`;
}

// What a tester showed; what is wrong with it the server says when the page is opened again.
function showReading(entry) {
  const where = `[data-meter="${CSS.escape(entry.subject)}"][data-meter-line="${CSS.escape(entry.line ?? "")}"]`;
  const says = document.querySelector(`${where} [data-meter-says]`);
  if (says) says.textContent = `${entry.says ?? "read"}, just now`;
}

const isPulled = (row) => row.querySelector('[data-step="Pulled"]')?.getAttribute("aria-pressed") === "true";

// What is cut of some rows, as the server writes it: 1,204 ft, or 52.5 m.
function together(rows, of) {
  const [, unit] = rows[0].dataset.cut.split(" ");
  const digits = unit === "m" ? 1 : 0;
  const sum = of.reduce((total, row) => total + Number(row.dataset.cut.split(" ")[0].replaceAll(",", "")), 0);
  return `${sum.toLocaleString("en-US", { minimumFractionDigits: digits, maximumFractionDigits: digits })} ${unit}`;
}

const cutOf = (row) => Number(row.dataset.cut.split(" ")[0].replaceAll(",", ""));
const reelOf = (row) => row.querySelector("[data-from]")?.value ?? "";

// What is left on each reel follows what is pressed; a cut that its reel cannot make is told before it is made.
function countReels() {
  const rows = [...document.querySelectorAll("[data-row]")].filter((r) => r.querySelector("[data-from]"));
  const left = new Map();
  for (const reel of document.querySelectorAll("[data-reel-left]")) {
    const name = reel.dataset.reelLeft;
    const since = rows.filter((r) => reelOf(r) === name && isPulled(r) !== (r.dataset.was === "pulled"));
    const now = since.reduce((sum, r) => sum + (isPulled(r) ? -1 : 1) * cutOf(r), Number(reel.dataset.left));
    left.set(name, now);
    const unit = rows[0]?.dataset.cut.split(" ")[1] ?? "ft";
    reel.querySelector("b").textContent = `${unit === "m" ? Math.max(now, 0).toFixed(1) : Math.max(Math.round(now), 0)} ${unit}`;
  }
  for (const row of rows) {
    const short = row.querySelector("[data-short]");
    const on = left.get(reelOf(row));
    const some = [...row.querySelector("[data-from]").options].some((o) => left.get(o.value) >= cutOf(row));
    const fits = isPulled(row) || (some && !(on < cutOf(row)));
    short.textContent = fits ? "" : some ? `${reelOf(row)} has not so much left: take another` : "no reel in the van has so much left";
  }
}

// Counts follow what is pressed; only the pull list has all runs to count. Low voltage is counted apart.
function count() {
  countStops();
  countReels();
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

const tell = (trouble) =>
  tellUnsent(
    unsent().length + photosWaiting,
    trouble,
    read(NOT_KEPT).map((x) => `${x.step}, ${x.subject.replace(/^\w+:/, "")}, ${new Date(x.at).toLocaleString()}: ${x.why}`),
  );

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

// What was used of a cable, and from which reel.
const usedOf = (tick) => {
  const row = tick.dataset.step === "Pulled" ? tick.closest("[data-row]") : null;
  return row ? { used: row.querySelector("[data-used]")?.value, reel: reelOf(row) || undefined } : {};
};

function press(tick) {
  const done = tick.getAttribute("aria-pressed") === "true";
  if (done) keep(...tick.dataset.entry.split(" ").map((id) => entryOf(tick, { takesBack: id })));
  else keep(entryOf(tick, usedOf(tick)));
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
  if (event) keep(entryOf(event, event.dataset.reading ? { reading: event.dataset.reading, says: event.textContent } : {}));
  const all = e.target.closest?.("[data-all]");
  if (all) {
    const rows = [...all.closest("[data-group]").querySelectorAll("[data-row]")].filter((r) => !isPulled(r));
    const ticks = rows.map((r) => r.querySelector('[data-step="Pulled"]'));
    keep(...ticks.map((t) => entryOf(t, usedOf(t))));
  }
  const measured = e.target.closest?.("[data-measure]");
  if (measured) {
    const used = measured.closest("details").querySelector("[data-used]");
    const tick = measured.closest("[data-row]").querySelector('[data-step="Pulled"]');
    if (used.value.trim() || reelOf(tick.closest("[data-row]"))) keep(entryOf(tick, usedOf(tick)));
    used.value = "";
  }
  const counted = e.target.closest?.("[data-count-reel]");
  if (counted) {
    const on = counted.closest("details").querySelector("[data-on-reel]");
    if (on.value.trim()) keep(entryOf(counted, { what: counted.dataset.cable, used: on.value.trim() }));
    on.value = "";
  }
  const down = e.target.closest?.("[data-new-reel]");
  if (down) {
    const field = (name) => document.querySelector(`[data-new-reel-${name}]`);
    const name = field("name").value.trim();
    if (name) {
      keep(entryOf(down, { subject: `reel:${name}`, what: field("cable").value, used: field("left").value.trim() }));
      field("name").value = "";
    } else field("name").focus();
  }
  const reading = e.target.closest?.("[data-read]");
  if (reading) {
    const part = (name) => reading.closest("details").querySelector(`[data-${name}]`);
    const [lamps, volts, ohms] = [part("lamps"), part("volts"), part("ohms")];
    const of = (field, unit) => field?.value.trim() && `${field.value.trim()}${unit}`;
    const read = [lamps?.value, of(volts, "V"), of(ohms, "Ω")];
    const says = [lamps?.value && lamps.selectedOptions[0].textContent, of(volts, " V"), of(ohms, " Ω")];
    const text = (parts, by) => parts.filter(Boolean).join(by);
    if (text(read, " ")) keep(entryOf(reading, { reading: text(read, " "), says: text(says, ", ") }));
    [lamps, volts, ohms].forEach((f) => f && (f.value = ""));
  }
  const torque = e.target.closest?.("[data-keep-torque]");
  if (torque) {
    const read = torque.closest("details").querySelector("[data-torque]");
    const tick = torque.closest("[data-row]").querySelector('[data-step="Torqued"]');
    if (read.value.trim()) keep(entryOf(tick, { note: read.value.trim() }));
    read.value = "";
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
  if (e.target.matches?.("[data-from]")) countReels();
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

const views = [...document.querySelectorAll(".site-views a")].map((a) => a.href);
keepForLater("/job/", views, (p) => p.includes("/site/entries")).catch(() => {});
document.documentElement.dataset.ready = "true";
