// What is kept on a phone until the server has it.

export const read = (key) => JSON.parse(localStorage.getItem(key) ?? "[]");
export const write = (key, list) => localStorage.setItem(key, JSON.stringify(list));

// Where a page is not on a secure address there is no randomUUID; the numbers are as random.
export function newId() {
  if (crypto.randomUUID) return crypto.randomUUID();
  const b = crypto.getRandomValues(new Uint8Array(16));
  b[6] = (b[6] & 0x0f) | 0x40;
  b[8] = (b[8] & 0x3f) | 0x80;
  const hex = [...b].map((x) => x.toString(16).padStart(2, "0")).join("");
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join("-");
}

// Says how many wait, why, and what is to be placed by hand.
export function tellUnsent(waiting, trouble, notKept) {
  const status = document.getElementById("unsent");
  status.textContent =
    waiting === 0 ? "Everything is sent." : `${waiting} not sent yet${trouble ? `: ${trouble}` : ""}. They are kept on this phone.`;
  status.classList.toggle("waiting", waiting > 0);
  const list = document.getElementById("not-kept");
  list.hidden = notKept.length === 0;
  const lines = notKept.map((textContent) => Object.assign(document.createElement("li"), { textContent }));
  list.querySelector("ul").replaceChildren(...lines);
}

// The page and what it loads, kept by the worker so that it opens without signal. Without a worker (a browser that has none, an address
// that is not secure) the page works as long as it stays open.
export async function keepForLater(scope, more, isLeft) {
  if (!("serviceWorker" in navigator)) return;
  await navigator.serviceWorker.register("/site-worker.js", { scope });
  const worker = (await navigator.serviceWorker.ready).active;
  const parts = performance.getEntriesByType("resource").map((r) => r.name);
  worker.postMessage([location.href, ...more, ...parts.filter((p) => p.startsWith(location.origin) && !isLeft(p))]);
}
