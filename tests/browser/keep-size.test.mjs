// A size that is kept: what would change it says so, and is done in one press with it freed.
import { test, expect, card, ledger, said } from "./bench.mjs";

test("a kept size stands in the way by name, and a press frees it and does it", async ({ page }) => {
  await page.goto("/new");
  await page.getByLabel("Name", { exact: true }).fill("Kept");
  await page.getByLabel(/^Lines as they are said/).fill("kitchen 12 x 12\nhall 4 x 12 east of kitchen\nbed 11 x 12 east of hall");
  await page.getByRole("button", { name: "Start the job" }).click();
  await ledger(page).getByRole("link", { name: /^Hall / }).click();
  const keep = card(page).getByLabel(`Keep 4'-0" east to west`);
  await keep.check();
  await expect(said(page)).toContainText(`Keep the 4'-0" of Hall east to west`);
  await expect(keep).toBeChecked();
  await expect(page.locator("#plan .kept-size")).toHaveText(`4'-0"`);

  await ledger(page).getByRole("link", { name: /^Kitchen / }).click();
  await expect(card(page).getByRole("heading", { level: 2 })).toHaveText("Kitchen");
  await card(page).getByLabel("Clear length of wall 1").fill("13-0");
  await card(page).getByLabel("Clear length of wall 1").press("Enter");
  // The kitchen grows the other way, and the hall is as it was.
  await expect(said(page)).toContainText("Make the north wall of Kitchen 13'-0\" clear");
  await expect(ledger(page).getByRole("link", { name: /^Hall / })).toContainText(`4'-0" × 12'-0"`);

  // A wall that the hall shares, moved by a key: refused by name, and done by the button.
  await card(page).getByRole("link", { name: "Wall 2" }).click();
  await expect(card(page).getByRole("heading", { level: 2 })).toContainText("Wall");
  await page.locator("#plan .side.chosen").focus();
  await page.keyboard.press("ArrowRight");
  await expect(said(page)).toContainText(/Hall keeps its 4'-0" east to west; this would make it 1" shorter\. Free it first\./);
  await page.getByRole("button", { name: "Free it and do this" }).click();
  await expect(said(page)).toContainText("Hall freed for it");
  await expect(ledger(page).getByRole("link", { name: /^Hall / })).toContainText(`3'-11" × 12'-0"`);
});
