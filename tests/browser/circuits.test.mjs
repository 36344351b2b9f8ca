import { test, expect, open, ledger, card, said, plan, trace } from "./bench.mjs";

const revision = (page) => page.locator("#bench").getAttribute("data-revision").then(Number);
const row = (page, circuit) => ledger(page).locator(`.row.circuit[data-circuit="${circuit}"]`);
const effect = (page) => page.locator("#effect");

async function carry(page, from, to, { drop = true } = {}) {
  // Away from the ledger’s ends, where it would scroll along.
  await to.evaluate((e) => e.scrollIntoView({ block: "center" }));
  await from.scrollIntoViewIfNeeded();
  const a = await from.boundingBox();
  await page.mouse.move(a.x + Math.min(40, a.width / 2), a.y + a.height / 2);
  await page.mouse.down();
  await page.mouse.move(a.x + 50, a.y + a.height / 2 + 8, { steps: 3 });
  const b = await to.boundingBox();
  await page.mouse.move(b.x + Math.min(40, b.width / 2), b.y + b.height / 2, { steps: 5 });
  await expect(effect(page)).toContainText(/Cable|Cannot be/);
  if (drop) await page.mouse.up();
}

test("a box is dragged in the ledger to another circuit, its effect shown before it is let go", async ({ page }) => {
  await open(page, "circuits", "box:f-r2");
  const before = await revision(page);
  await carry(page, ledger(page).locator("[data-key=f-r2]"), row(page, "grandmother-receptacles"), { drop: false });
  // 180 VA at 120 V is 1.5 A: off the one, onto the other.
  await expect(effect(page)).toContainText("13.5 A → 12 A of 20 A");
  await expect(effect(page)).toContainText("10.5 A → 12 A of 20 A");
  await expect(effect(page)).toContainText("Rooms one breaker leaves dark");
  await expect(effect(page)).toContainText("Rules");
  await page.keyboard.press("Escape");
  await expect(effect(page)).toBeHidden();
  await page.mouse.up();
  expect(await revision(page)).toBe(before);

  await carry(page, ledger(page).locator("[data-key=f-r2]"), row(page, "grandmother-receptacles"));
  await expect(said(page)).toContainText("Move Family room receptacle 2 to circuit grandmother-receptacles");
  await expect(card(page).getByRole("heading", { name: /Grandmother's room/ })).toBeVisible();
  await expect(ledger(page).locator("[data-key=f-r2]")).toContainText("held");
  expect(await revision(page)).toBe(before + 1);
});

test("a box is dragged on the plan onto a box of another circuit", async ({ page }) => {
  await open(page, "circuits", "box:f-r5");
  const from = plan(page).locator("[data-box=f-r1] .hit");
  await carry(
    page,
    from,
    plan(page).locator("[data-box=hall-r] .hit").or(plan(page).locator('[data-circuit="grandmother-receptacles"] .hit')).first(),
  );
  await expect(said(page)).toContainText("Move Family room receptacle 1 to circuit grandmother-receptacles");
});

test("a box is moved by keyboard alone, and its effect is read before it is done", async ({ page }) => {
  await open(page, "circuits", "box:f-r2");
  await expect(page.locator("html[data-ready]")).toBeAttached();
  await page.keyboard.press("m");
  const list = card(page).getByLabel("Family room receptacle 2 to circuit");
  await expect(list).toBeFocused();
  await page.keyboard.type("A19");
  await expect(card(page).getByText("10.5 A → 12 A of 20 A")).toBeVisible();
  await page.keyboard.press("Tab");
  await expect(card(page).getByRole("button", { name: "Move it there" })).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(said(page)).toContainText("Move Family room receptacle 2 to circuit grandmother-receptacles");
});

test("a move that breaks a rule is refused with the rule, saved only when it is asked for twice, and undone", async ({ page }) => {
  await open(page, "circuits", "box:f-r2");
  const before = await revision(page);
  const list = card(page).getByLabel("Family room receptacle 2 to circuit");
  await list.selectOption("kitchen-appliances-1");
  await expect(card(page).getByText(/Red tag comes on circuit \d+: Family room receptacle 2 may not be on this circuit/)).toBeVisible();
  await card(page).getByRole("button", { name: "Move it there" }).click();
  await expect(said(page)).toContainText(
    "Not done: Family room receptacle 2 may not be on this circuit. " +
      "By 210.52(B)(2) a small-appliance circuit feeds only kitchen, dining and pantry receptacles, and refrigeration.",
  );
  expect(await revision(page)).toBe(before);
  await page.getByRole("button", { name: "Do it anyway, tagged" }).click();
  await expect(card(page).getByRole("heading", { name: /Family room receptacle 2 may not be on this circuit/ })).toBeVisible();
  await page.keyboard.press("z");
  await expect(card(page).getByRole("heading", { name: /may not be on this circuit/ })).toHaveCount(0);
});

test("what no wire can do explains itself while it is carried", async ({ page }) => {
  await open(page, "circuits", "circuit:potting-receptacles");
  await carry(page, ledger(page).locator("[data-key^=po-], [data-key^=gh-]").first(), row(page, "gh-bench-n"));
  await expect(said(page)).toContainText("works at 120 V and that circuit is of 240 V: no breaker serves both");
});

test("a circuit is split, and merged again", async ({ page }) => {
  await open(page, "circuits", "circuit:family-receptacles");
  await card(page).getByText("Move, split, merge").click();
  await card(page).getByText("Split: these on a circuit of their own").click();
  await card(page).getByLabel("Family room receptacle 1", { exact: true }).check();
  await card(page).getByLabel("Family room receptacle 2", { exact: true }).check();
  await expect(card(page).getByText(/\+1 breaker/)).toBeVisible();
  await card(page).getByRole("button", { name: "Split" }).click();
  await expect(said(page)).toContainText("Split 2 boxes from circuit family-receptacles");
  await expect(page.getByRole("heading", { name: "Circuits · 32" })).toBeVisible();
  await open(page, "circuits", "circuit:family-receptacles-part");
  await card(page).getByText("Move, split, merge").click();
  await card(page).getByLabel("Merge it into").selectOption("family-receptacles");
  await expect(card(page).getByText(/−1 breaker/)).toBeVisible();
  await card(page).getByRole("button", { name: "Merge" }).click();
  await expect(page.getByRole("heading", { name: "Circuits · 31" })).toBeVisible();
});

test("several boxes picked on the plan go on a circuit of their own", async ({ page }) => {
  await open(page, "circuits", "box:f-r5");
  for (const box of ["f-r1", "f-r2"])
    await plan(page)
      .locator(`[data-box=${box}] .hit`)
      .click({ modifiers: ["Shift"] });
  await expect(page.getByText("2 picked")).toBeVisible();
  await page.getByRole("button", { name: "On a circuit of their own" }).click();
  await expect(page.getByRole("heading", { name: "Circuits · 32" })).toBeVisible();
});

test("an opened breaker shows on the plan what is left alight", async ({ page }) => {
  await open(page, "circuits", "circuit:kitchen-lights");
  await expect(page.locator("html[data-ready]")).toBeAttached();
  await page.keyboard.press("Space");
  await expect(page.locator("#lit-note")).toHaveText(/^25 open: \d+ lights dead, 3 rooms dark$/);
  await expect(plan(page).getByText("dark", { exact: true })).toHaveCount(3);
  await expect(page.getByRole("button", { name: /Open its breaker/ })).toHaveAttribute("aria-pressed", "true");
  // Another circuit under the pointer is shown for as long.
  await row(page, "family-receptacles").hover();
  await expect(page.locator("#lit-note")).toHaveText(/^18 open: 6 receptacles dead, no room dark$/);
  await expect(
    plan(page)
      .getByText(/^\d of \d receptacles left$/)
      .first(),
  ).toBeVisible();
  await page.getByRole("heading", { name: /^Circuits · / }).hover();
  await expect(page.locator("#lit-note")).toHaveText(/^25 open/);
  await page.getByRole("button", { name: /Open its breaker/ }).click();
  await expect(plan(page).getByText("dark", { exact: true })).toHaveCount(0);
});

test("two heating tools at one outlet open the breaker, one does not", async ({ page }) => {
  await open(page, "circuits", "box:k-counter-r1");
  await card(page).getByText("What if somebody plugs in").click();
  await card(page)
    .getByRole("checkbox", { name: /kettle/ })
    .check();
  // Refrigerator 700 VA and a kettle of 1500: 18.33 A.
  await expect(card(page).getByText("18.33 A through 20 A")).toBeVisible();
  await expect(card(page).getByText("the breaker holds")).toBeVisible();
  await card(page)
    .getByRole("checkbox", { name: /^heater/ })
    .check();
  await expect(card(page).getByText("30.83 A through 20 A")).toBeVisible();
  await expect(card(page).getByText(/the breaker opens after \d+ s to \d+ min/)).toBeVisible();
  await expect(card(page).getByText(/typical inverse-time band/)).toBeVisible();
});

test("a better division is looked for with progress, stopped, and accepted as a difference", async ({ page }) => {
  await open(page, "circuits");
  await page.getByRole("link", { name: "Find a better division" }).click();
  await page.getByLabel("Look for").selectOption("60");
  await page.getByRole("button", { name: "Find a better division" }).click();
  await expect(page.getByRole("progressbar", { name: "Time of the search" })).toBeVisible();
  await expect(page.getByText(/Best so far [\d,]+ ft by the aims, [\d,]+ ft better than what stands/)).toBeVisible();
  await page.getByRole("button", { name: "Stop and keep the best" }).click();
  await expect(page.getByText("Found a better division.")).toBeVisible();
  await expect(page.getByText(/No division weighs less than [\d,]+ ft: proven/)).toBeVisible();
  const found = page.getByRole("table", { name: "Aim by aim" }).getByRole("row", { name: /^All by the crew's weights/ });
  const [stands, better] = (await found.getByRole("cell").allTextContents()).map((t) => Number(t.replace(/\D/g, "")));
  expect(better).toBeLessThan(stands);
  await expect(page.getByText(/boxes on another circuit/)).toBeVisible();
  await page.getByRole("button", { name: "Accept this division" }).click();
  await expect(page.getByRole("status").first()).toContainText("Divide as in “Better division”.");
  await page.getByRole("link", { name: "Back to the circuits" }).click();
  await expect(page.getByText("as in “Better division”", { exact: true })).toBeVisible();
});

test("a found division can be left alone, and nothing has changed", async ({ page }) => {
  await open(page, "circuits");
  const before = await revision(page);
  await page.goto("/job/demo/divisions");
  await page.getByLabel("Look for").selectOption("5");
  await page.getByRole("button", { name: "Find a better division" }).click();
  await page.getByRole("button", { name: "Not this one" }).click();
  await expect(page.getByRole("button", { name: "Not this one" })).toHaveCount(0);
  await open(page, "circuits");
  expect(await revision(page)).toBe(before);
});

test("two divisions are kept and compared aim by aim with their plans", async ({ page }) => {
  await page.goto("/job/demo/divisions");
  await page.getByLabel("Keep the division that stands").fill("As planned");
  await page.getByRole("button", { name: "Keep it", exact: true }).click();
  await open(page, "circuits", "box:f-r2");
  await card(page).getByLabel("Family room receptacle 2 to circuit").selectOption("grandmother-receptacles");
  await card(page).getByRole("button", { name: "Move it there" }).click();
  await expect(said(page)).toContainText("Move Family room");
  await page.getByRole("link", { name: "Compare" }).click();
  const table = page.getByRole("group", { name: "Divisions side by side" });
  for (const name of ["The planner's own", "As planned", "By hand, stands"])
    await expect(table.getByRole("columnheader", { name })).toBeVisible();
  await expect(table.getByRole("row", { name: /^Outlets that go dead/ }).getByRole("cell")).toHaveCount(4);
  await expect(table.getByRole("img", { name: /^Ground: \d+ circuits/ })).toHaveCount(3);
  await table.getByRole("button", { name: /^Divide this way ?: As planned$/ }).click();
  await expect(page.getByRole("status").first()).toContainText("Divide as in “As planned”");
  await table.getByRole("button", { name: "Drop By hand" }).click();
  await expect(table.getByRole("columnheader", { name: "By hand" })).toHaveCount(0);
});

test("another edition is read outlet by outlet before it is taken", async ({ page }) => {
  await open(page, "circuits");
  await page.getByRole("link", { name: "Another book" }).click();
  await page.getByRole("navigation", { name: "Book compared with" }).getByRole("link", { name: "United States 2023" }).click();
  await expect(page.getByRole("heading", { name: "Outlets protected otherwise · 9" })).toBeVisible();
  await expect(page.getByRole("row", { name: /^Refrigerator GFCI comes not asked kitchen receptacle 210\.8\(A\)\(6\)/ })).toBeVisible();
  await expect(page.getByRole("row", { name: /^17 Microwave, kitchen AF AF\+GF/ })).toBeVisible();
  await page.getByRole("button", { name: "Plan by the 2023 edition" }).click();
  await expect(page.getByRole("status").first()).toContainText("Plan by the 2023 edition");
  await expect(page.getByRole("heading", { name: /^2023 or 2020/ })).toBeVisible();
  await expect(page.getByRole("row", { name: /^Refrigerator GFCI goes/ })).toBeVisible();
  await open(page, "circuits", "circuit:k-micro");
  await expect(row(page, "k-micro")).toContainText("AF+GF");
});

test("with devices by school one look tells which reset protects an outlet", async ({ page }) => {
  await open(page, "house");
  await card(page).getByLabel("GFCI", { exact: false }).first().selectOption("FirstReceptacle");
  await expect(said(page)).toContainText("protection of 6 circuits changed");
  await open(page, "boxes", "box:k-counter-r1");
  await expect(card(page).getByText("ground fault: the button at Kitchen counter 4; arc fault: panel A, space 21")).toBeVisible();
  await page.keyboard.press("3");
  await expect(trace(page).getByRole("listitem").filter({ hasText: "Kitchen counter 1" })).toContainText(
    "ground fault resets at Kitchen counter 4",
  );
  await card(page).getByText("Ways to protect it").click();
  await expect(card(page).getByRole("row", { name: /^ground faults at the first receptacle, taken 65\.00/ })).toBeVisible();
  await expect(card(page).getByText("load side: Kitchen counter 3")).toBeVisible();
});

test("one circuit and one room go by another school than the job", async ({ page }) => {
  await open(page, "circuits", "circuit:kitchen-appliances-2");
  await card(page).getByText("The crew's ways on this circuit").click();
  await card(page).getByRole("combobox", { name: /^GFCI/ }).selectOption("EachPlace");
  await expect(said(page)).toContainText("now AF");
  await open(page, "circuits", "room:bed-2");
  await card(page).getByText("The crew's ways in this room").click();
  await card(page)
    .getByRole("combobox", { name: /^Bedrooms/ })
    .selectOption("OneEach");
  await expect(said(page)).toContainText("boxes on another circuit");
});

test("every decision has a ruling sheet of one page", async ({ page }) => {
  await open(page, "circuits", "circuit:k-disposer");
  const link = card(page).getByRole("link", { name: "Half rating" });
  const pdf = await page.request.get(await link.getAttribute("href"));
  expect(pdf.headers()["content-type"]).toBe("application/pdf");
  const text = (await pdf.body()).toString("latin1");
  expect(text.slice(0, 5)).toBe("%PDF-");
  expect(text.match(/\/Type\s*\/Page\b/g)).toHaveLength(1);
  await open(page, "circuits", "circuit:car");
  const tag = await card(page)
    .getByRole("link", { name: /^Ruling sheet on The breaker does not protect/ })
    .getAttribute("href");
  expect((await page.request.get(tag)).status()).toBe(200);
  expect((await page.request.get("/job/demo/ruling/half-rating.pdf?on=circuit:car")).status()).toBe(404);
});

const circuitOfEach = (page) =>
  page.locator("#plan [data-box]").evaluateAll((boxes) => Object.fromEntries(boxes.map((b) => [b.dataset.box, b.dataset.circuit])));

test("a receptacle is moved and taken out after the circuits were looked at, and no other box changes its circuit", async ({ page }) => {
  await open(page, "circuits");
  const before = await circuitOfEach(page);
  expect(Object.keys(before).length).toBeGreaterThan(50);
  await open(page, "boxes", "box:f-r3");
  await page.keyboard.press("Shift+ArrowRight");
  await expect(said(page)).toContainText("Move Family room receptacle");
  await page.getByRole("button", { name: "Delete this box" }).click();
  await expect(said(page)).toContainText("Delete");
  await open(page, "circuits");
  await expect(page.getByText("they stay as you saw them")).toBeVisible();
  const { "f-r3": gone, ...others } = before;
  expect(gone).toBeTruthy();
  expect(await circuitOfEach(page)).toEqual(others);
});

test("a house is divided room by room after the difference is read, and as it was by one undo", async ({ page }) => {
  await open(page, "circuits");
  const breakers = await ledger(page)
    .getByRole("heading", { name: /^Circuits · / })
    .textContent();
  await page.getByRole("link", { name: "Compare" }).click();
  const manners = page.getByRole("region", { name: "Divide in another manner" });
  await expect(manners.getByRole("row", { name: /^Lights apart, receptacles by neighborhood, stands/ })).toBeVisible();
  const row = manners.getByRole("row", { name: /^Room by room/ });
  await expect(row.getByRole("cell").nth(0)).toHaveText(/^\d+$/);
  await expect(row.getByRole("cell").nth(3)).toHaveText(/^[1-9]\d*$/);
  const asked = await row.getByRole("cell").nth(0).textContent();
  await row.getByRole("button", { name: /^Divide this way/ }).click();
  await expect(page.getByRole("status").first()).toContainText("Divide room by room");
  await expect(manners.getByRole("row", { name: /^Room by room, stands/ })).toBeVisible();
  await page.getByRole("link", { name: "Back to the circuits" }).click();
  await expect(ledger(page).getByRole("heading", { name: `Circuits · ${asked}` })).toBeVisible();
  await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
  await page.getByRole("button", { name: /^Undo “Divide room by room”/ }).click();
  await expect(ledger(page).getByRole("heading", { name: breakers })).toBeVisible();
});

test("two circuits are pulled in one cable by choice, and let go again", async ({ page }) => {
  await page.goto("/job/demo-crawl/circuits");
  await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
  await ledger(page).getByRole("link", { name: /Bedroom 2/ }).first().click();
  await card(page).getByText("Two circuits in one cable").click();
  const form = card(page).locator("form", { has: page.getByLabel("Pull it with") });
  const pulled = await form.getByLabel("Pull it with").locator("option").first().textContent();
  await form.getByLabel(/^As/).selectOption({ label: "one 3-wire, shared neutral" });
  await form.getByRole("button", { name: "Pull them so" }).click();
  await expect(said(page)).toContainText("in one cable, neutral shared");
  await expect(card(page).getByText(`With circuit ${pulled.split(" ")[0]}, as you chose`)).toBeVisible();
  await expect(card(page).getByText("Shares its neutral", { exact: true })).toBeVisible();
  await card(page).getByRole("button", { name: "Let the planner choose" }).click();
  await expect(said(page)).toContainText("go as planned");
  await expect(card(page).getByText("Shares its neutral", { exact: true })).toHaveCount(0);
});
