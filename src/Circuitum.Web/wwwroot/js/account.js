// Signing out puts away what this browser kept of the jobs; a link is chosen whole when it is touched; fifteen characters typed with a
// thumb are looked at.

/** A tick that shows the passwords of a form while it stands; they go out hidden, so that no browser keeps them as a word. */
function showsWords(form) {
  const fields = [...form.querySelectorAll("[type=password]")];
  const tick = document.createElement("input");
  tick.type = "checkbox";
  const label = document.createElement("label");
  label.className = "tick";
  label.append(tick, " Show what I type");
  const show = () => fields.forEach((field) => (field.type = tick.checked ? "text" : "password"));
  tick.addEventListener("change", show);
  form.addEventListener("submit", () => {
    tick.checked = false;
    show();
  });
  fields.at(-1).closest("label").after(label);
}

export function watchAccount() {
  new Set([...document.querySelectorAll("[type=password]")].map((field) => field.form)).forEach(showsWords);
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
