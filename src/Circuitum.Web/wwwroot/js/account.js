// Signing out puts away what this browser kept of the jobs; a link is chosen whole when it is touched.
export function watchAccount() {
  document.addEventListener("focusin", ({ target }) => {
    if (target.matches?.("[data-select-all]")) target.select();
  });
  for (const form of document.querySelectorAll("[data-signs-out]"))
    form.addEventListener("submit", async (e) => {
      if (!window.caches || form.dataset.put === "away") return;
      e.preventDefault();
      form.dataset.put = "away";
      for (const name of await caches.keys()) await caches.delete(name);
      form.submit();
    });
}
