// Two windows at one job: what the one does is seen in the other, and what is typed there is not lost.
import { test, expect, open, said, card } from "./bench.mjs";

test("what another does comes in by itself, and waits while somebody types", async ({ page, context }) => {
  await open(page, "boxes", "box:f-r1");
  const other = await context.newPage();
  await open(other, "boxes", "box:b2-r1");
  await expect(page.getByText(/saved · with/)).toBeVisible();
  const height = (at) =>
    card(at)
      .getByLabel(/Bottom above the floor/)
      .first();
  await height(other).fill("20\"");
  await height(other).press("Enter");
  await expect(said(other)).toContainText("Bedroom 2");
  // Within a second or so, without a press.
  await expect(said(page)).toContainText(/Bedroom 2/);

  await page.bringToFront();
  await height(page).fill("21\"");
  await height(other).fill("22\"");
  await height(other).press("Enter");
  await expect(page.getByRole("button", { name: "Show it now" })).toBeVisible();
  await expect(height(page)).toHaveValue("21\"");
  // What was typed is done on top of what came first, and both are told.
  await height(page).press("Enter");
  await expect(said(page)).toContainText("both are done");
});
