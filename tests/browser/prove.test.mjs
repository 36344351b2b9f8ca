// The house switched on: switches on the plan, a tester in an outlet, and a hidden fault found by looking.
import { test, expect } from "./bench.mjs";

const drawn = (page) => page.getByRole("group", { name: /switched on/ });

test("a switch is thrown on the plan, and an outlet is looked at with a tester", async ({ page }) => {
  await page.goto("/job/demo/panel");
  await page.keyboard.press("7");
  await expect(page.getByRole("heading", { name: /switched on/ })).toBeVisible();
  await page.getByRole("link", { name: "Ground", exact: true }).click();
  await expect(drawn(page).getByRole("link", { name: "Pantry closet light, dark" })).toBeVisible();
  await drawn(page).getByRole("link", { name: "Pantry switch, not thrown" }).click();
  await expect(drawn(page).getByRole("link", { name: "Pantry closet light, lit" })).toBeVisible();

  await drawn(page)
    .getByRole("link", { name: /^Dining receptacle 3, live/ })
    .click();
  await expect(page.getByRole("heading", { name: "Dining receptacle 3" })).toBeVisible();
  await expect(page.getByRole("img", { name: /hot to neutral lit, hot to ground\s+lit, neutral to ground dark/ })).toBeVisible();
  const through = page.getByText(/A through it/);
  const before = await through.textContent();
  await page.getByRole("link", { name: /^heater, 1,500 VA/ }).click();
  await expect(through).not.toHaveText(before);
  await page.getByRole("link", { name: "Open the breaker" }).click();
  await expect(drawn(page).getByRole("link", { name: "Dining receptacle 3, dead" })).toBeVisible();
});

test("a fault that is hidden by chance is found by looking where the page says", async ({ page }) => {
  await page.goto("/job/demo/prove?circuit=family-receptacles&view=find");
  await page.getByRole("link", { name: /Hide one by chance/ }).click();
  await expect(page.getByText("A fault is hidden on this circuit.")).toBeVisible();
  const looks = page.getByRole("list").filter({ has: page.getByText("Family room receptacle 1", { exact: true }) });
  await looks.getByRole("link").first().click();
  const next = page.getByRole("region", { name: "Look next" });
  let tests = 1;
  for (; tests < 16; tests++) {
    const where = await next.getByRole("paragraph").first().locator("b").allTextContents();
    if (where.length === 0) break;
    await looks.getByRole("link", { name: `look at ${where[0]}`, exact: true }).click();
    await expect(page.getByText(`${tests + 1} looks so far`)).toBeVisible();
  }
  expect(tests).toBeLessThan(16);
  await expect(next).toContainText(/One fault explains it|faults look the same wherever you look/);
  // What was hidden is among those that are left.
  const suspects = await page.getByRole("region", { name: /suspect/ }).getByRole("listitem").allTextContents();
  await page.getByRole("link", { name: "Show it" }).click();
  const placed = await page.getByLabel("One thing is not as planned").locator("option:checked").textContent();
  expect(suspects.length === 12 || suspects.some((s) => s.trim().startsWith(placed.trim()))).toBe(true);
});

test("by keyboard alone: a fault is placed, seen, and taken away", async ({ page }) => {
  await page.goto("/job/demo/prove?circuit=laundry&level=ground");
  const choose = page.getByLabel("One thing is not as planned");
  await choose.focus();
  await choose.selectOption({ label: "hot and neutral have changed places at Bath basin receptacle" });
  await page.getByRole("button", { name: "Place it" }).focus();
  await page.keyboard.press("Enter");
  await expect(drawn(page).getByRole("link", { name: "Bath basin receptacle, reversed" })).toBeVisible();
  await drawn(page).getByRole("link", { name: "Bath basin receptacle, reversed" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("img", { name: /neutral to ground lit/ })).toBeVisible();
});

test("a meter on ohms is refused while it is live, and reads when the breaker is open", async ({ page }) => {
  await page.goto("/job/demo/prove?circuit=laundry&level=ground");
  await drawn(page)
    .getByRole("link", { name: /^Bath basin receptacle, live/ })
    .click();
  const measure = async (what, one, other) => {
    await page.getByLabel("Instrument", { exact: true }).selectOption({ label: what });
    await page.getByLabel("First lead", { exact: true }).selectOption({ label: one });
    await page.getByLabel("Second lead", { exact: true }).selectOption({ label: other });
    await page.getByRole("button", { name: "Measure" }).click();
  };
  await measure("a meter, volts", "black of cable A", "white of cable A");
  await expect(page.getByRole("status")).toHaveText(/1\d\d\.\d V/);
  await measure("a meter, ohms", "black of cable A", "white of cable A");
  await expect(page.getByRole("status")).toContainText("Not there: it is live.");
  await page.getByRole("link", { name: "Open the breaker" }).click();
  await expect(page.getByRole("status")).not.toContainText("Not there");
  await measure("a meter, ohms", "white of cable A", "bare of cable A");
  // Neutral and ground meet in the panel: a way of copper.
  await expect(page.getByRole("status")).toHaveText(/^\s*\d+\.\d Ω, and it sounds/);
});

test("everything is tried at a press, and all is as it should be", async ({ page }) => {
  await page.goto("/job/demo/prove");
  await page.getByRole("link", { name: "Try all" }).click();
  await expect(page.getByText(/circuits switched on, \d+ sets of switches in every position/)).toBeVisible();
});
