// A house on a slab with an island: its pipe is planned, told on the run's card, and looked at before the pour.
import { test, expect, card, plan } from "./bench.mjs";

const house = `building House at 0-0 east, 0-0 south, slab
level Ground, ceiling 9-0, above roof trusses 0-5 1/2 deep 2-0 on center north south, attic above, 50 °C above
Kitchen as kitchen, on centers 20-0 x 14-0 at 0-0 east, 0-0 south
- door 2-8 east at 1-0, hinged south, swings out
- counter 12-0 x 2-1 north at 2-0
- sink 2-9 x 1-10 north at 6-0
- island 6-0 x 3-0 at 7-0 east, 5-6 south
- panel A 150 A 30 spaces west at 10-0, top 5-6
Hall as hall, on centers 8-0 x 14-0 at 20-0 east, 0-0 south
Bed as bedroom, on centers 14-0 x 14-0 at 36-0 east, 0-0 south
- door 2-8 west at 2-0
breezeway 8-0 x 5-0 at 28-0 east, 2-0 south called Breezeway`;

test("an island on a slab has its pipe before the pour, and the wing beyond the breezeway its cable", async ({ page }) => {
  await page.goto("/new");
  await page.getByLabel("Name", { exact: true }).fill("Slab cottage");
  await page.getByRole("textbox", { name: /likeliest room/ }).fill(house);
  await page.getByRole("button", { name: /Start/ }).click();
  await page.getByRole("navigation", { name: "Stages" }).waitFor();
  const job = page.url().replace(/\/house.*/, "");
  await page.goto(`${job}/boxes`);
  await page.getByRole("button", { name: "Lay out the whole job by rule" }).click();
  await expect(page.getByRole("status")).toContainText("Lay out the job by rule");

  await page.goto(`${job}/site?view=walk&closing=Pour`);
  await expect(page.getByRole("heading", { name: "The slab of House" })).toBeVisible();
  const pipe = page.getByText(/^1 in PVC for 12-2 UF, circuit A\d+: from Kitchen/).first();
  await expect(pipe).toContainText(/off the (north|south) wall and \d+'-.*" off the (east|west) wall/);
  await page.getByRole("button", { name: /^seen/ }).first().click();
  await expect(page.getByText("1 of 4 seen")).toBeVisible();

  await page.goto(`${job}/runs`);
  await expect(page.getByRole("region", { name: "Ledger" })).toContainText("12-2 UF");
  await expect(plan(page).locator(".obstruction").first()).toBeVisible();
  // No way is blocked.
  await expect(card(page)).toContainText("Nothing is tagged here.");
});
