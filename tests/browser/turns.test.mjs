// Asked quickly, on a slow line: each thing is done after the one before, and what was asked last is what stands there.
import { test, expect, open, card, plan, ledger } from "./bench.mjs";

test.beforeEach(async ({ page }) => {
  await open(page, "boxes", "box:f-r5");
  await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
  // Each change is on its way for a while; the views that are asked for meanwhile would be there long before.
  await page.route("**/job/demo/**", async (route) => {
    if (route.request().method() === "POST") await new Promise((arrived) => setTimeout(arrived, 2000));
    return route.fallback();
  });
});

const receptacle = (page, id) => plan(page).locator(`[data-box="${id}"]`);
const put = async (page, label, words) => {
  await card(page).getByLabel(label).fill(words);
  await card(page).getByLabel(label).press("Enter");
};

test("what is picked while a change is on its way is shown with the change in it", async ({ page }) => {
  await put(page, "Offset on wall", "2-6");
  await receptacle(page, "f-r6").click();
  await expect(ledger(page).locator("[data-row=f-r5]")).toContainText("wall 4 at 2'-6\"");
  await expect(page.locator("#bench")).toHaveAttribute("data-selected", "box:f-r6");
});

test("a key pressed three times moves what is picked three times", async ({ page }) => {
  await page.keyboard.press("x");
  for (let once = 0; once < 3; once++) await page.keyboard.press("ArrowRight");
  await expect(ledger(page).locator("[data-row=f-r5]")).toContainText("wall 4 at 1'-11\"");
});

test("what was asked for before the first was answered is done to what the first made", async ({ page }) => {
  await put(page, "Offset on wall", "2-6");
  await put(page, "Bottom above the floor", "20");
  await expect(page.getByRole("status")).toContainText("at 1'-8\"");
  await expect(card(page).getByLabel("Offset on wall")).toHaveValue("2'-6\"");
});
