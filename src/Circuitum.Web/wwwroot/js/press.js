// The click that follows a drag selects nothing: whoever drags says so, and it is swallowed.
let dragged = false;

/** Says that the press which now ends was a drag. */
export const wasDrag = () => (dragged = true);

document.addEventListener("pointerdown", () => (dragged = false), { capture: true });
document.addEventListener(
  "click",
  (e) => {
    if (!dragged) return;
    e.preventDefault();
    e.stopPropagation();
    dragged = false;
  },
  { capture: true },
);
