// What else a person does to a house: a drawing underneath, facts waited for, wants, controls, rules kept for the next job.
import { test, expect, open, ledger, card, said, plan } from "./bench.mjs";

const ready = (page) => expect(page.locator("html")).toHaveAttribute("data-ready", "true");

/** Where a place of the house, in inches, is on the screen. */
const spot = (page, x, y) =>
  page.locator("#plan").evaluate(
    (svg, [px, py]) => {
      const at = new DOMPoint(px, py).matrixTransform(svg.getScreenCTM());
      return { x: at.x, y: at.y };
    },
    [x, y],
  );

const pairs = (text) => Buffer.from(`${text.trim().split(/\s+/).join("\n")}\n`);

// Two rooms on their inside faces, drawn at half their size: 6 × 5 ft and 4 × 5 ft where 12 × 10 and 8 × 10 are meant.
const dxf = pairs(`0 SECTION 2 ENTITIES
  0 LWPOLYLINE 8 SPACES 90 4 70 1 10 0 20 0 10 72 20 0 10 72 20 60 10 0 20 60
  0 LWPOLYLINE 8 SPACES 90 4 70 1 10 74.25 20 0 10 122.25 20 0 10 122.25 20 60 10 74.25 20 60
  0 TEXT 8 NAMES 10 30 20 30 40 3 1 BEDROOM 0 TEXT 8 NAMES 10 100 20 30 40 3 1 BATH 0 ENDSEC 0 EOF`);

test("a drawing is laid under a level, scaled from a length marked on it, and rooms are made of it", async ({ page }) => {
  await page.goto("/new");
  await page.getByLabel("Name", { exact: true }).fill("Traced");
  await page.getByLabel("Stories").selectOption("2");
  await page.getByRole("button", { name: "Start the job" }).click();
  await page.getByRole("link", { name: "Upper", exact: true }).click();
  await ready(page);
  await ledger(page).getByRole("link", { name: "upper", exact: true }).click();
  await card(page).getByLabel(/^DXF/).setInputFiles({ name: "upper.dxf", mimeType: "application/dxf", buffer: dxf });
  await card(page).getByRole("button", { name: "Lay it under the plan" }).click();
  await expect(said(page)).toContainText("Lay upper.dxf under Upper");
  await ready(page);
  await expect(plan(page).locator("image.underlay")).toHaveCount(1);

  await card(page).getByRole("button", { name: "Mark two places" }).click();
  for (const place of [
    [0, -60],
    [72, -60],
  ]) {
    const at = await spot(page, ...place);
    await page.mouse.click(at.x, at.y);
  }
  await expect(card(page).getByLabel("Measured on it")).toHaveValue(/^7[12](\.\d+)?"$/);
  await card(page).getByLabel("Measured on it").fill("6-0");
  await card(page).getByLabel("Is really").fill("12-0");
  await card(page).getByRole("button", { name: "Scale it" }).click();
  await expect(said(page)).toContainText(`Scale the drawing under Upper: 6'-0" is 12'-0"`);

  await card(page)
    .getByLabel(/^Rooms from closed lines/)
    .fill("WALLS");
  await card(page).getByRole("button", { name: "Make rooms of them" }).click();
  await expect(said(page)).toContainText("Layers that have: SPACES (2)");
  await card(page)
    .getByLabel(/^Rooms from closed lines/)
    .fill("spaces");
  await card(page).getByRole("button", { name: "Make rooms of them" }).click();
  await expect(said(page)).toContainText("Read 2 rooms from a drawing");
  await expect(ledger(page).getByRole("link", { name: /^BEDROOM bedroom/ })).toContainText(`12'-0" × 10'-0"`);
  await expect(ledger(page).getByRole("link", { name: /^BATH bath/ })).toContainText(`8'-0" × 10'-0"`);
});

test("a fact is waited for on a field: counted, listed, marked as assumed, and released when it has come", async ({ page }) => {
  await open(page, "boxes", "box:f-r2");
  await card(page).getByText("Hold for information").click();
  await card(page).getByLabel("What is waited for").fill("height of the sofa");
  await card(page).getByLabel("Which field").selectOption("Height");
  await card(page).getByLabel("Who brings it").fill("the owner");
  await card(page).getByLabel("By when").fill("board");
  await card(page).getByRole("button", { name: "Hold" }).click();
  await expect(said(page)).toContainText("1 hold more");
  await expect(card(page).getByText(/^Assumed: Bottom above the floor/)).toBeVisible();
  await expect(page.getByRole("navigation", { name: "Stages" }).getByText("3 holds")).toHaveCount(1);
  await page.keyboard.press("1");
  await expect(ledger(page).getByRole("link", { name: /height of the sofa/ })).toBeVisible();
  await page.keyboard.press("2");
  await card(page).getByRole("button", { name: "It has come" }).click();
  await expect(said(page)).toContainText("1 hold fewer");
});

test("a want on a wall asks for a receptacle, and gets it", async ({ page }) => {
  await open(page, "house", "wall:study.3");
  await card(page).getByText("What stands there").click();
  await card(page).getByLabel("Want").selectOption("Treadmill");
  await card(page).getByLabel("From the corner").first().fill("2-0");
  await card(page).getByLabel("A circuit of its own").check();
  await card(page).getByRole("button", { name: "Want it here" }).click();
  await expect(card(page).getByRole("heading", { name: /no receptacle for treadmill on a circuit of its own/ })).toBeVisible();
  await card(page).getByRole("button", { name: "Place it" }).click();
  await expect(said(page)).toContainText("1 amber tag fewer");
  await page.keyboard.press("3");
  await expect(ledger(page).getByRole("link", { name: /Treadmill/ })).toBeVisible();
});

test("lamps are ticked for a second switch, and both become three-ways", async ({ page }) => {
  await open(page, "boxes", "box:gm-sw");
  await expect(card(page).getByLabel("Kind")).toHaveValue("Switch");
  await open(page, "boxes", "box:h-sw-w");
  await card(page).getByText("Which it works").click();
  await card(page).getByLabel("Grandmother's room ceiling fan").check();
  await card(page).getByLabel("Hall lamp", { exact: true }).uncheck();
  await card(page).getByRole("button", { name: "It works these" }).click();
  await expect(said(page)).toContainText("works Grandmother's room ceiling fan");
  await expect(card(page).getByLabel("Kind")).toHaveValue("ThreeWay");
  await open(page, "boxes", "box:gm-sw");
  await expect(card(page).getByLabel("Kind")).toHaveValue("ThreeWay");
  await open(page, "boxes", "box:h-sw-e");
  await expect(card(page).getByLabel("Kind").first()).toHaveValue("Switch");
});

test("a door is dragged along its wall, turned round and closed", async ({ page }) => {
  await open(page, "house");
  await ready(page);
  const door = plan(page).getByRole("link", { name: /^door of Kitchen/ });
  const box = await door.boundingBox();
  const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.mouse.move(at.x - 6, at.y, { steps: 3 });
  await page.mouse.move(at.x - 9, at.y, { steps: 3 });
  await page.mouse.up();
  await expect(said(page)).toContainText("Move the door of Kitchen");
  await expect(page.getByRole("heading", { name: "door", exact: true })).toBeVisible();
  await card(page).getByLabel("Hinges").selectOption("Start");
  await card(page).getByRole("button", { name: "Set", exact: true }).click();
  await expect(said(page)).toContainText("Change the door of Kitchen");
  await page.keyboard.press("Delete");
  await expect(said(page)).toContainText("Delete the door of Kitchen");
  await page.getByRole("button", { name: /^Undo “Delete the door/ }).click();
  await expect(plan(page).getByRole("link", { name: /^door of Kitchen/ })).toHaveCount(1);
});

test("house rules are kept as a set and used on the next job", async ({ page }) => {
  await page.goto("/job/demo/rules");
  await page.getByLabel("Farthest point of a wall from a receptacle").fill("nine feet");
  await page.getByRole("button", { name: "Set the house rules" }).click();
  await expect(page.getByRole("alert")).toContainText("“nine feet” is no length");
  await page.getByLabel("Farthest point of a wall from a receptacle").fill("5-0");
  await page.getByRole("button", { name: "Set the house rules" }).click();
  await expect(page.getByRole("status")).toContainText("Change house rules");
  await page.getByLabel(/^Name of the set/).fill("Denser");
  await page.getByRole("button", { name: "Save the set" }).click();
  await expect(page.getByRole("status")).toContainText("Saved the set “Denser”");
  await page.goto("/new");
  await page.getByLabel("Name", { exact: true }).fill("Next");
  await page.getByLabel("Crew's house rules and ways").selectOption("Denser");
  await page.getByRole("button", { name: "Start the job" }).click();
  await card(page)
    .getByRole("link", { name: /^House rules/ })
    .click();
  await expect(page.getByLabel("Farthest point of a wall from a receptacle")).toHaveValue(`5'-0"`);
});

test("a range is drawn and its circuit is there; its plate's breaker is one number, and what that changes is told", async ({ page }) => {
  await open(page, "house", "room:dining");
  await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
  const form = card(page).locator("details").filter({ hasText: "Put a fixture in" });
  await form.getByText("Put a fixture in").click();
  await form.getByLabel("Kind").selectOption("Range");
  await form.getByLabel("On wall").selectOption("3");
  await form.getByLabel("From the corner, or east").fill("1-0");
  await form.getByRole("button", { name: "Put it in" }).click();
  await expect(said(page)).toContainText("Put a range into Dining with its outlet");
  await open(page, "circuits");
  await expect(ledger(page).getByRole("link", { name: /Range, dining/ })).toContainText("50A");
  await open(page, "boxes", "box:dining-r-1");
  await expect(card(page).getByLabel(/^Assumed until its plate is read/)).toHaveValue("12,000 VA");
  await card(page).getByLabel("Breaker its plate asks for").fill("60 A");
  await card(page).getByLabel("Breaker its plate asks for").press("Enter");
  await expect(said(page)).toContainText("Range asks for 60 A");
  await expect(said(page)).toContainText("Range, dining now 60 A on 6-3");
  await expect(card(page).getByLabel(/^Nameplate load/)).toHaveValue("12,000 VA");
  await card(page).getByLabel("Breaker its plate asks for").fill("33");
  await card(page).getByLabel("Breaker its plate asks for").press("Enter");
  await expect(said(page)).toContainText("must be a standard one");
});

test("a chain of dimensions is typed off the plan, and the piece that differs is shown", async ({ page }) => {
  await page.goto("/job/demo/house?on=level:ground");
  await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
  await page.getByText("Check a chain of dimensions").click();
  const typed = page.getByLabel("As it stands on the plan");
  await typed.fill("6 1/2, 11-0 1/2, 4 1/2, 11-1, 4 1/2, 9-6 1/2, 6 1/2");
  await typed.press("Enter");
  await expect(page.getByText("Off by 1/2\" in 33'-6 1/2\".")).toBeVisible();
  await expect(page.getByRole("row", { name: "Kitchen" })).toContainText("11'-1\"");
  await typed.fill("6 1/2, 11-0 1/2, 4 1/2, 11-1 1/2, 4 1/2, 9-6 1/2, 6 1/2");
  await typed.press("Enter");
  await expect(page.getByText("It closes: 33'-6 1/2\".")).toBeVisible();
});
