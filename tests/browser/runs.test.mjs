import { test, expect, open, ledger, card, said, plan } from "./bench.mjs";
import { faults } from "./axe.mjs";

const home = "@A~k-island";
const ready = (page) => expect(page.locator("html[data-ready]")).toBeAttached();
const cut = async (page) =>
  Number(
    (
      await card(page)
        .getByText(/^\d+ ft$/)
        .first()
        .textContent()
    ).split(" ")[0],
  );

test("a place on a run's way is dragged on the plan, the footage follows, and the way is freed again", async ({ page }) => {
  await open(page, "runs", `run:${home}`);
  await ready(page);
  const before = await cut(page);
  const ring = plan(page).locator(".via.spare").first();
  const box = await ring.boundingBox();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x - 90, box.y - 40, { steps: 6 });
  await page.mouse.up();
  await expect(said(page)).toContainText("Hold a run by one more place");
  await expect(card(page).getByText("The way: held by 1 place")).toBeVisible();
  await expect(plan(page).locator(".via:not(.spare)")).toHaveCount(1);
  await expect.poll(() => cut(page)).toBeGreaterThan(before);
  await card(page).getByRole("button", { name: "Free the way" }).click();
  await expect(said(page)).toContainText("Free the way of a run");
  await expect.poll(() => cut(page)).toBe(before);
});

test("a way is held by typing, without a mouse", async ({ page }) => {
  await open(page, "runs", `run:${home}`);
  await card(page).getByText("The way: the planner's").click();
  await card(page).getByLabel("East, one more").fill("16-0");
  await card(page).getByLabel("South, one more").fill("30-0");
  await card(page).getByRole("button", { name: "Hold it there" }).click();
  await expect(card(page).getByLabel("East, place 1")).toHaveValue(`16'-0"`);
  await card(page).getByRole("button", { name: "Take place 1 out" }).click();
  await expect(card(page).getByText("The way: the planner's")).toBeVisible();
});

test("home runs alone are shown in their lanes, and one run is lit at a time", async ({ page }) => {
  await open(page, "runs");
  await ready(page);
  await page.getByRole("button", { name: "Home runs" }).click();
  await expect(plan(page).locator(".cable.quiet.home").first()).toBeVisible();
  await expect(plan(page).locator(".cable.quiet:not(.home)").first()).toBeHidden();
  // No two home runs are drawn over each other for their whole way.
  const ways = await plan(page)
    .locator(".cable.quiet.home")
    .evaluateAll((all) => all.map((w) => w.getAttribute("points")));
  expect(new Set(ways).size).toBe(ways.length);
  await open(page, "runs", `run:${home}`);
  await expect(plan(page).locator(".casing.chosen")).toHaveCount(1);
});

test("a box's card is opened at the wall on a phone, read in order, and the next box is one tap away", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto("/job/demo/box/k-sw-hall");
  await expect(page.getByRole("heading", { name: "Kitchen switches" })).toBeVisible();
  await expect(page.getByRole("img", { name: "Wiring of Kitchen switches" })).toBeVisible();
  const steps = page.getByRole("listitem");
  await expect(steps.first()).toContainText(/^Join bare of A, bare of B, bare of C and bare of D/);
  await expect(page.getByText("Electricity kills and burns.")).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.getByRole("link", { name: /^Next: / }).click();
  await expect(page.getByRole("heading", { level: 1 })).not.toHaveText("Kitchen switches");
});

test("a box that is too small is offered another, and takes it", async ({ page }) => {
  await open(page, "boxes", "box:k-wall-2");
  await card(page).getByText("Name, gang, what it serves").click();
  await card(page).getByLabel("Stamped volume, in³").fill("14");
  await card(page).getByLabel("Stamped volume, in³").press("Enter");
  await expect(card(page).getByRole("heading", { name: /Kitchen receptacle 2 is overfull/ })).toBeVisible();
  await expect(card(page).getByText(/15\.75 in³ needed, 14\.00 in³ stamped/)).toBeVisible();
  await card(page).getByRole("button", { name: "Take a box of 18.00 in³" }).click();
  await expect(card(page).getByRole("heading", { name: /Kitchen receptacle 2 is overfull/ })).toBeHidden();
});

test("an upsized conductor says why, both ways of the sum", async ({ page }) => {
  await open(page, "runs", "circuit:potting-receptacles");
  const why = card(page).getByRole("group").filter({ hasText: "Why 10 AWG" });
  await expect(why).toContainText("12 AWG or larger");
  await expect(why).toContainText("40 °C");
  // 30 A of 10 UF × 0.82 = 24.6; 20 ÷ 0.82 = 24.39.
  await expect(why).toContainText("24.6 A");
  await expect(why).toContainText("the other way round: 20 A ÷ 0.8200");
  await expect(why).toContainText("spread over more holes first");
});

test("the crew puts one cable in a hole, and what follows is said", async ({ page }) => {
  await page.goto("/job/demo/material");
  const holes = async () => {
    const rows = await page
      .getByRole("row")
      .filter({ hasText: /^Holes of/ })
      .allInnerTexts();
    return rows.reduce((sum, row) => sum + Number(row.split("\t")[1]), 0);
  };
  const before = await holes();
  await page.goto("/job/demo/rules");
  await page.getByLabel("Cables in one hole").fill("1");
  await page.getByRole("button", { name: "Set the house rules" }).click();
  await expect(page.getByRole("status")).toContainText("Change house rules");
  await page.goto("/job/demo/material");
  expect(await holes()).toBeGreaterThan(before);
});

test("labels are printed, for the sheet and for the printer", async ({ page }) => {
  await open(page, "runs");
  const link = ledger(page).getByRole("link", { name: "Cable labels" });
  const pdf = await page.request.get(await link.getAttribute("href"));
  expect(pdf.headers()["content-type"]).toBe("application/pdf");
  expect((await pdf.body()).subarray(0, 5).toString()).toBe("%PDF-");
  const text = await (await page.request.get("/job/demo/file/cable-labels.txt")).text();
  expect(text.split("\f").length).toBe(2 * 142);
  expect(text).toContain("HR A27");
});

test("a quick sum is worked out, passed on by its address, and read as JSON", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("link", { name: "Quick sums" }).click();
  await page.getByRole("link", { name: "Voltage drop" }).click();
  await page.getByLabel("One way").fill("80 ft");
  await page.getByRole("button", { name: "Work it out" }).click();
  // 2 × 16 × 1.93 × 80 ÷ 1000
  await expect(page.getByRole("heading", { name: "Drop: 4.94 V" })).toBeVisible();
  await page.goto(page.url());
  await expect(page.getByRole("heading", { name: "Drop: 4.94 V" })).toBeVisible();
  const answer = await (await page.request.get(await page.getByRole("link", { name: "As JSON" }).getAttribute("href"))).json();
  expect(answer.figures.Drop).toBe("4.94 V");
  await page.getByLabel("One way").fill("far");
  await page.getByRole("button", { name: "Work it out" }).click();
  await expect(page.getByRole("alert")).toContainText("“far” is no length");
  await expect(page.getByLabel("One way")).toHaveValue("far");
});

test.describe(() => {
  test.use({ looksOnly: true });
  for (const [name, address] of [
    ["a box's card", "/job/demo/box/k-sw-hall"],
    ["the material list", "/job/demo/material"],
    ["a quick sum", "/bench/conduit"],
    ["a run", `/job/demo/runs?on=${encodeURIComponent(`run:${home}`)}`],
    ["a feeder", "/job/demo/runs?on=circuit:feeder-G"],
  ]) {
    test(`axe finds nothing on ${name}`, async ({ page }) => {
      await page.goto(address);
      expect(await faults(page)).toEqual([]);
    });
  }
});
