// A metric board as somebody uses it who has a paper plan: typed, seen, taken away, searched.
import { faults } from "./axe.mjs";
import { readFile } from "node:fs/promises";
import { expect, test } from "./bench.mjs";

const list = (page) => page.getByLabel("Points, a room a line");

test("a list is planned while it is typed, and what is not understood is told", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("link", { name: "Metric board" }).click();
  await expect(page.getByRole("heading", { name: "Villa Saltbush" })).toBeVisible();
  await expect(page.getByRole("img", { name: /^Board A: incomer/ })).toBeVisible();
  await list(page).fill("# Annex\nboard: hall\nhall, 6 m: 4 lamps, 5 twin sockets");
  await expect(page.getByRole("heading", { name: "Annex" })).toBeVisible();
  await expect(page.getByText("ring of 5 sockets", { exact: true })).toBeVisible();
  await list(page).press("End");
  await page.keyboard.type(", fountain");
  await expect(page.getByRole("alert")).toContainText("“fountain” is not known");
  await page.keyboard.type(" 750 W");
  await expect(page.getByRole("cell", { name: /^fountain, hall/ })).toBeVisible();
});

test("the schedules and the list are taken away, and the list is brought again", async ({ page }) => {
  await page.goto("/metric-board");
  const [pdf] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name: "Schedules on A4" }).click()]);
  expect((await readFile(await pdf.path())).subarray(0, 5).toString()).toBe("%PDF-");
  await list(page).fill("# Annex\nhall, 6 m: 4 lamps");
  await expect(page.getByRole("heading", { name: "Annex" })).toBeVisible();
  const [kept] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name: "Keep the list" }).click()]);
  await page.goto("/metric-board");
  await page.getByLabel("A list that was kept").setInputFiles(await kept.path());
  await page.getByRole("button", { name: "Bring it" }).click();
  await expect(page.getByRole("heading", { name: "Annex" })).toBeVisible();
  await expect(list(page)).toHaveValue(/hall, 6 m: 4 lamps/);
});

test("a drawn house shows its conduits, and a circuit of its board is found on the plan", async ({ page }) => {
  await page.goto("/job/demo-crawl/metric");
  await page.getByRole("link", { name: "Way 4 on the plan" }).click();
  await expect(page.getByRole("status")).toContainText(/Way 4: ring of \d sockets/);
  await expect(page.getByRole("group", { name: "Plan of Ground" })).toBeVisible();
  await page.getByRole("button", { name: "It opens: which circuit?" }).first().click();
  await expect(page.getByRole("status").first()).toContainText("circuits may be it");
  await page.getByRole("button", { name: "It holds" }).first().click();
  await expect(page.getByRole("status").first()).toContainText(/Way \d|circuits may be it/);
  await page.getByRole("link", { name: "Shed" }).click();
  await expect(page.getByRole("group", { name: "Plan of Shed" })).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  expect(await faults(page)).toEqual([]);
});

test("how a house is fed is kept with it, and its boards have a stage and a site", async ({ page }) => {
  await page.goto("/job/demo-basement/metric");
  await page.getByLabel("How it is fed, a line each").fill("supply: one phase\nambient: 99");
  await page.getByRole("button", { name: "Plan this house so" }).click();
  await expect(page.getByRole("alert")).toContainText("Line 2: “99” is no warmth of a conduit");
  await page.getByLabel("How it is fed, a line each").fill("supply: one phase");
  await page.getByRole("button", { name: "Plan this house so" }).click();
  await expect(page.getByText("one phase, 230 V")).toBeVisible();
  await page.getByRole("link", { name: "Back to the bench" }).click();
  await page.getByRole("link", { name: "Boards", exact: true }).click();
  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole("link", { name: "These boards on site" }).click();
  await page.getByRole("button", { name: /^conduit laid, Board A1 way 1$/ }).click();
  await expect(page.getByRole("button", { name: "Take back: conduit laid, Board A1 way 1" })).toBeVisible();
  expect(await faults(page)).toEqual([]);
  await page.getByRole("link", { name: "The house with its conduits" }).click();
  await page.getByRole("button", { name: "Plan no metric board" }).click();
  await expect(page.getByText("As usual, until somebody says so", { exact: false })).toBeVisible();
});

test("a drawn house is read, and the circuit that opens a device is found by halves", async ({ page }) => {
  await page.goto("/metric-board");
  await page.getByLabel("A house that is drawn").selectOption({ label: "14 Fernhollow Rise" });
  await page.getByRole("button", { name: "Read its points" }).click();
  await expect(page.getByRole("heading", { name: "14 Fernhollow Rise" })).toBeVisible();
  await page.getByRole("button", { name: "It opens: which circuit?" }).first().click();
  await expect(page.getByRole("status").first()).toContainText("circuits may be it");
  for (let answers = 0; answers < 4 && (await page.getByRole("button", { name: "It holds" }).count()) > 0; answers++)
    await page.getByRole("button", { name: "It holds" }).click();
  await expect(page.getByRole("status").first()).toContainText(/Way \d+: lighting/);
  const ends = page.getByLabel("Read, phase, neutral, earth").first();
  await ends.fill("0.2, open, 0.2");
  await ends.press("Enter");
  await expect(page.getByText("the neutral is cut", { exact: false })).toBeVisible();
});

test("axe finds nothing on a metric board, and a phone holds it", async ({ page }) => {
  await page.goto("/metric-board");
  expect(await faults(page)).toEqual([]);
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});

test("what is typed while a step is being sent stays in its field", async ({ page }) => {
  await page.goto("/metric-board");
  await list(page).fill("# Wash house\nhall, 6 m: 4 lamps, 5 twin sockets");
  await page.getByRole("button", { name: "Save it here" }).click();
  await page.getByRole("link", { name: "On site" }).click();
  let answer;
  const held = new Promise((resolve) => (answer = resolve));
  await page.route("**/site", async (route) => {
    if (route.request().method() === "POST") await held;
    await route.continue();
  });
  await page.getByRole("button", { name: /^conduit laid, Board A way 1$/ }).click();
  const reading = page.getByRole("textbox", { name: "insulation read, Board A way 1, megohms" });
  await reading.fill("0.4");
  answer();
  // The server's own page counts the step; the reading is as typed, and still the place of the hand.
  await expect(page.getByText("1 of 13 steps done")).toBeVisible();
  await expect(reading).toHaveValue("0.4");
  await expect(reading).toBeFocused();
  await reading.press("Enter");
  await expect(page.getByText(/0\.4 MΩ, and 1 is the least/)).toBeVisible();
});

test("a list is saved, its site is written down on a phone, and a wrong reading is told", async ({ page }) => {
  await page.goto("/metric-board");
  await list(page).fill("# Gate lodge\nhall, 6 m: 4 lamps, 5 twin sockets");
  await page.getByRole("button", { name: "Save it here" }).click();
  await expect(page.getByText(/saved once/)).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  await page.getByRole("link", { name: "On site" }).click();
  await page.getByRole("button", { name: /^conduit laid, Board A way 1$/ }).click();
  await expect(page.getByRole("button", { name: "Take back: conduit laid, Board A way 1" })).toBeVisible();
  await page.getByRole("textbox", { name: "insulation read, Board A way 1, megohms" }).fill("0.4");
  await page.getByRole("button", { name: /^insulation read, Board A way 1$/ }).click();
  await expect(page.getByText(/0\.4 MΩ, and 1 is the least/)).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  expect(await faults(page)).toEqual([]);
  const small = await page.locator(".metric-way button, .metric-way input").evaluateAll((all) =>
    all.filter((e) => e.getBoundingClientRect().height > 0 && e.getBoundingClientRect().height < 44).length);
  expect(small).toBe(0);
  await page.goto("/");
  await expect(page.getByRole("link", { name: /^Gate lodge/ })).toBeVisible();
});
