// A house as text: taken out of one job, changed as in an editor, another job begun with it, and pasted back over the plan.
import { readFileSync } from "node:fs";
import { test, expect, card, ledger, said } from "./bench.mjs";

test("a house goes out as text, begins another job, and comes back changed", async ({ page }) => {
  await page.goto("/job/demo-crawl/house");
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    card(page).getByRole("link", { name: "House as text" }).click(),
  ]);
  expect(download.suggestedFilename()).toBe("demo-crawl.house.txt");
  const text = readFileSync(await download.path(), "utf8");
  expect(text).toContain("level Ground, ceiling");

  await page.goto("/new");
  await page.getByLabel("Name", { exact: true }).fill("From text");
  const field = page.getByLabel(/^Lines as they are said/);
  await field.fill(`${text}\n- chandelier 1-0 x 1-0 north at 1-0`);
  await page.getByRole("button", { name: "Start the job" }).click();
  const lines = text.split("\n").length + 1;
  await expect(page.getByRole("alert")).toContainText(`Line ${lines}, “- chandelier`);
  // Nothing of what was pasted is lost; without the line that was not understood it begins.
  await expect(field).toHaveValue(new RegExp("chandelier"));
  await field.fill(text);
  await page.getByRole("button", { name: "Start the job" }).click();
  await expect(page).toHaveURL(/\/job\/[^/]+\/house/);
  const rooms = text.split("\n").filter((l) => /, on centers /.test(l));
  for (const room of rooms.slice(0, 4)) {
    const name = room.split(" as ")[0].replaceAll('"', "");
    await expect(ledger(page).getByRole("link", { name }).first()).toBeVisible();
  }

  // As it was taken out, but for one room's use: pasted over the plan, in one act that is undone as one.
  const den = rooms.find((r) => / as bedroom,/.test(r));
  const say = page.getByLabel("Say it in a line");
  await say.fill(text.replace(den, den.replace(" as bedroom,", " as den,")));
  await expect(page.locator("#heard")).toContainText("lines: Enter draws them.");
  await say.press("Enter");
  await expect(said(page)).toContainText(`Draw the house by its text: ${rooms.length} rooms`);
  await ledger(page).getByRole("link", { name: `${den.split(" as ")[0]} den` }).click();
  await expect(card(page).getByLabel("Used as").first()).toHaveValue("Den");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(card(page).getByLabel("Used as").first()).toHaveValue("Bedroom");
});
