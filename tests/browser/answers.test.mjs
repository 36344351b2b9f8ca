// Of a bench that is there only what differs comes over the wire; what is shown is what a fresh page shows.
import { test, expect, open, said, card } from "./bench.mjs";

/** What the bench shows: its shapes where they lie, its words, its links and fields. */
const shown = (page) =>
  page.evaluate(() => {
    const of = (e, ...names) => names.map((n) => e.getAttribute(n)).join(" ");
    const words = (e) => (e.matches("li, tr") ? e.textContent.replace(/\s+/g, " ") : "");
    return [...document.querySelectorAll("#bench :is(path, circle, line, rect, a, input, li, tr)")]
      .filter((e) => e.name !== "__RequestVerificationToken" && !e.closest("#keys, .said, #ghost"))
      .map((e) => `${e.tagName} ${of(e, "d", "cx", "cy", "x", "y", "href", "name", "value", "class")} ${words(e)}`);
  });

test("edits carry what differs, on five stages, and the bench is as a fresh page has it", async ({ page }) => {
  const carried = [];
  page.on("response", async (r) => {
    if (r.request().method() === "POST" && r.url().includes("/job/demo/")) carried.push([r.headers()["bench-of"], (await r.body()).length]);
  });
  await open(page, "boxes", "box:f-r2");
  for (const at of ["1-6", "2-0", "2-6"]) {
    const revision = await page.locator("#bench").getAttribute("data-revision");
    await card(page).locator("[name=offset]").first().fill(at);
    await card(page).locator("[name=offset]").first().press("Enter");
    await expect(page.locator("#bench")).not.toHaveAttribute("data-revision", revision);
    await expect(said(page)).toContainText("Move Family room receptacle");
  }
  for (const stage of ["Circuits", "Runs", "Panel", "House", "Boxes"]) {
    await page.getByRole("navigation", { name: "Stages" }).getByRole("link", { name: stage, exact: true }).click();
    await expect(page.locator("#bench")).toHaveAttribute("data-stage", stage.toLowerCase());
    const morphed = await shown(page);
    expect(morphed.length).toBeGreaterThan(60);
    await page.reload();
    await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
    expect(morphed).toEqual(await shown(page));
  }
  expect(carried[0][0]).toBeUndefined();
  for (const [of, bytes] of carried.slice(1)) {
    expect(of).toMatch(/^[0-9a-f]{32}$/);
    expect(bytes).toBeLessThan(carried[0][1] / 8);
  }
});
