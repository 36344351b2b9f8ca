// Keeps the Site pages and what they load, so that they open without signal. Everything else goes to the server as ever.
const KEPT = "site-1";
const isPage = (url) => /^\/(?:job\/[^/]+\/(?:site|metric\/site|metric\/photographs)|metric-board\/[^/]+\/site)$/.test(url.pathname);
const isPart = (url) => /^\/(css|js|lib)\//.test(url.pathname) || url.pathname === "/icon.svg";

self.addEventListener("install", () => self.skipWaiting());
self.addEventListener("activate", (e) => e.waitUntil(self.clients.claim()));

async function fresh(request) {
  const cache = await caches.open(KEPT);
  try {
    const answer = await fetch(request);
    // Where one has to sign in first, that is no page of the job.
    if (answer.ok && !answer.redirected) await cache.put(request.url, answer.clone());
    return answer;
  } catch (trouble) {
    const kept = await cache.match(request.url, { ignoreVary: true });
    if (kept) return kept;
    throw trouble;
  }
}

self.addEventListener("fetch", (e) => {
  const url = new URL(e.request.url);
  if (e.request.method === "GET" && url.origin === location.origin && (isPage(url) || isPart(url))) e.respondWith(fresh(e.request));
});

// The first visit was loaded before this worker was there: its page and parts are fetched once more.
self.addEventListener("message", (e) => {
  e.waitUntil(Promise.all(e.data.map((url) => fresh(new Request(url)).catch(() => undefined))));
});
