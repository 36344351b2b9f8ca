// Inches as the trade writes them, or meters where the house is drawn in them, for what moves under the hand. What is typed goes to the
// server as it is.
const MILLIMETRES = 25.4;

const metric = () => document.getElementById("bench")?.dataset.drawn === "meters";

/** What a press of an arrow moves by: an inch and a bay, or one and ten centimeters. */
export const step = (far) => (metric() ? (far ? 100 : 10) / MILLIMETRES : far ? 16 : 1);

/** To the inch, or to the centimeter. */
export const snap = (inches) => (metric() ? (Math.round((inches * MILLIMETRES) / 10) * 10) / MILLIMETRES : Math.round(inches));

/** As the drawing beside it is written. */
export const written = (inches) => (metric() ? metres(inches) : feet(inches));

/** 450 mm, and from a meter on 3.82 m. */
export function metres(inches) {
  const millimetres = Math.round(Math.abs(inches) * MILLIMETRES);
  const sign = inches < 0 && millimetres > 0 ? "−" : "";
  if (millimetres < 1000) return `${sign}${millimetres} mm`;
  return `${sign}${(millimetres / 1000).toFixed(3).replace(/0{1,2}$/, "")} m`;
}

/** 4'-6", or to the quarter where a quarter is left. */
export function feet(inches) {
  const quarters = Math.round(inches * 4);
  const sign = quarters < 0 ? "−" : "";
  const size = Math.abs(quarters);
  const whole = Math.floor(size / 4);
  const part = ["", "1/4", "1/2", "3/4"][size % 4];
  // Below an inch the fraction stands alone, as the server writes it.
  const written = (n) => (n === 0 && part && whole < 12 ? part : part ? `${n} ${part}` : `${n}`);
  return whole < 12 ? `${sign}${written(whole)}"` : `${sign}${Math.floor(whole / 12)}'-${written(whole % 12)}"`;
}

/** Shows a length beside the pointer, or nothing. */
export function read(words, e) {
  const readout = document.getElementById("readout");
  if (!readout) return;
  readout.hidden = !words;
  if (!words) return;
  const sheet = readout.parentElement.getBoundingClientRect();
  readout.textContent = words;
  // On the other side of the hand where the sheet would end.
  const right = e.clientX - sheet.left + 16;
  const left = right + readout.offsetWidth > sheet.width ? right - 32 - readout.offsetWidth : right;
  readout.style.left = `${Math.max(left, 4)}px`;
  readout.style.top = `${e.clientY - sheet.top - 30}px`;
}
