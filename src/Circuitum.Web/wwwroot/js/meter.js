// A laser distance meter: its readings come in order and drop into the length field that has focus, as from a keyboard.
// What comes while no field has focus waits, and is shown.
let source;
const waiting = [];

const field = () => {
  const at = document.activeElement;
  return at?.matches?.("input[data-length]") ? at : undefined;
};

function drop(reading) {
  const at = field();
  if (!at) {
    waiting.push(reading);
    tell();
    return;
  }
  at.value = reading.text;
  at.dispatchEvent(new Event("input", { bubbles: true }));
  const fields = [...(at.form?.querySelectorAll("input[data-length]") ?? [])];
  const next = fields[fields.indexOf(at) + 1];
  if (reading.then === "next" && next) {
    next.focus();
    next.select();
  } else if (reading.then === "enter") {
    at.form?.requestSubmit();
  }
}

function tell() {
  const line = document.getElementById("tool-says");
  if (line)
    line.textContent = source
      ? waiting.length
        ? `Meter: ${waiting.map((r) => r.text).join(", ")} waiting for a field`
        : "Meter: ready"
      : "";
  for (const button of document.querySelectorAll("[data-meter]")) button.setAttribute("aria-pressed", String(Boolean(source)));
}

export function watchMeter() {
  document.addEventListener("click", (e) => {
    if (!e.target.closest?.("[data-meter]")) return;
    if (source) {
      source.close();
      source = undefined;
      waiting.length = 0;
    } else {
      source = new EventSource("/meter/readings");
      source.addEventListener("reading", (m) => drop(JSON.parse(m.data)));
    }
    tell();
  });
  document.addEventListener("htmx:after:swap", () => source && tell());
  document.addEventListener("focusin", () => {
    if (!waiting.length || !field()) return;
    drop(waiting.shift());
    tell();
  });
}
