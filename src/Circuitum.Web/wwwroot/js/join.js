// A conductor dragged onto another is joined with it, as pressing the one and then the other does.
const hands = document.querySelector("[data-join]");

if (hands) {
  const FAR = 8;
  let from = null;
  let start = null;
  let dragged = false;

  const leadAt = (event) => document.elementFromPoint(event.clientX, event.clientY)?.closest("[data-lead]");

  hands.addEventListener("pointerdown", (event) => {
    from = event.target.closest("[data-lead]");
    start = { x: event.clientX, y: event.clientY };
    dragged = false;
  });

  hands.addEventListener("pointermove", (event) => {
    if (!from || dragged || Math.hypot(event.clientX - start.x, event.clientY - start.y) < FAR) return;
    dragged = true;
    from.classList.add("held");
  });

  addEventListener("pointerup", (event) => {
    const to = dragged && leadAt(event);
    if (from && to && to !== from) {
      const address = new URL(hands.dataset.join, location.href);
      address.searchParams.set("join", `${from.dataset.lead}~${to.dataset.lead}`);
      location.assign(address);
    } else if (dragged) {
      from?.classList.remove("held");
    }
    from = null;
  });

  addEventListener("pointercancel", () => {
    from?.classList.remove("held");
    from = null;
  });

  // A link is not followed by the press that ended a drag, and the browser drags no link away.
  hands.addEventListener("click", (event) => dragged && event.preventDefault());
  hands.addEventListener("dragstart", (event) => event.preventDefault());
}
