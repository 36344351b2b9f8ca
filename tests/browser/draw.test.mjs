// A house drawn from nothing, laid out, and read off its schedule.
import { test, expect, ledger, card, said, plan } from "./bench.mjs";

/** Starts a job by the wizard: a kitchen of 14 by 12 ft with the panel in it. */
async function start(page, name) {
  await page.goto("/");
  await page.getByRole("link", { name: "Start a new job" }).click();
  await page.getByLabel("Name", { exact: true }).fill(name);
  await page.getByLabel("Stands on").selectOption("CrawlSpace");
  await page.getByLabel("First room used as").selectOption("Kitchen");
  await page.getByLabel("Called").fill("Kitchen");
  await page.getByLabel("Inside, east to west").fill("14-0");
  await page.getByLabel("Inside, north to south").fill("12' 0\"");
  await page.getByLabel("Panel on its").selectOption("4");
  await page.getByRole("button", { name: "Start the job" }).click();
  await expect(page.getByRole("heading", { name: "House · 1 room" })).toBeVisible();
  await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
}

/** Where a place of the house, in inches, is on the screen. */
async function spot(page, x, y) {
  return page.locator("#plan").evaluate(
    (svg, [px, py]) => {
      const at = new DOMPoint(px, py).matrixTransform(svg.getScreenCTM());
      return { x: at.x, y: at.y };
    },
    [x, y],
  );
}

async function dragOver(page, from, to) {
  const [a, b] = [await spot(page, ...from), await spot(page, ...to)];
  await page.mouse.move(a.x, a.y);
  await page.mouse.down();
  await page.mouse.move((a.x + b.x) / 2, (a.y + b.y) / 2, { steps: 5 });
  await page.mouse.move(b.x, b.y, { steps: 5 });
}

async function clickAt(page, x, y) {
  const at = await spot(page, x, y);
  await page.mouse.click(at.x, at.y);
}

const row = (page, name) => ledger(page).getByRole("link", { name: new RegExp(`^${name} `) });

test("a cottage of three rooms is drawn by mouse and keyboard, laid out, and its schedule read", async ({ page }) => {
  await start(page, "Three-room cottage");
  await expect(row(page, "Kitchen")).toContainText(`14'-0" × 12'-0"`);

  // A bedroom by mouse, off the kitchen's east wall, with its inside read out while it is drawn.
  await page.keyboard.press("r");
  await expect(page.getByRole("button", { name: "Room", exact: true })).toHaveAttribute("aria-pressed", "true");
  await dragOver(page, [174, 2], [300, 146]);
  await expect(page.locator("#readout")).toHaveText(`10'-0" × 12'-0"`);
  await page.mouse.up();
  await expect(said(page)).toContainText(`Draw Bedroom 1, 10'-0" × 12'-0" inside`);
  await page.keyboard.press("Escape");

  // A bath by keyboard, against the kitchen's south wall.
  await ledger(page).getByLabel("Used as").selectOption("Bath");
  await ledger(page).getByLabel("Against").selectOption({ label: "Kitchen" });
  await ledger(page).getByLabel("Its wall").selectOption("3");
  await ledger(page).getByLabel("Along that wall").fill("8-0");
  await ledger(page).getByLabel("Away from it").fill("7' 6 1/2\"");
  await ledger(page).getByRole("button", { name: "Add the room" }).press("Enter");
  await expect(row(page, "Bath")).toContainText(`8'-0" × 7'-7"`);
  await expect(said(page)).toContainText(`Add Bath, 8'-0" × 7'-6 1/2" inside`);

  // Doors and a window where the walls are clicked; a vanity from the card.
  await page.keyboard.press("o");
  await clickAt(page, 174, 40);
  await expect(said(page)).toContainText("Set a door of 2'-8\"");
  await clickAt(page, 130, 150);
  await expect(said(page)).toContainText("into the south wall of Kitchen");
  await clickAt(page, 40, 0);
  await expect(said(page)).toContainText("into the north wall of Kitchen");
  await page.keyboard.press("w");
  await clickAt(page, 240, 0);
  await expect(said(page)).toContainText("Set a window of 3'-0\" into the north wall of Bedroom 1");
  await page.keyboard.press("Escape");
  await row(page, "Bath").click();
  await card(page).getByText("Put a fixture in").click();
  await card(page).getByLabel("Kind").selectOption("Vanity");
  await card(page).getByRole("combobox", { name: "On wall", exact: true }).selectOption("3");
  await card(page).getByLabel("From the corner, or east").fill("2-0");
  await card(page).getByRole("button", { name: "Put it in" }).click();
  await expect(said(page)).toContainText("Put a vanity into Bath");

  // One act places what the rules ask for; nothing of it is tagged afterwards.
  await page.keyboard.press("2");
  await ledger(page).getByRole("button", { name: "Lay out the whole job by rule" }).click();
  await expect(said(page)).toContainText(/Lay out the job by rule: \d+ boxes/);
  await page.keyboard.press("Escape");
  await expect(card(page).getByText("Nothing is tagged here.")).toBeVisible();

  await page.keyboard.press("5");
  const schedule = page.getByRole("region", { name: "Panel schedule" });
  await expect(schedule.getByRole("link", { name: /Bath receptacle/ })).toBeVisible();
  await expect(schedule.getByRole("link", { name: /Kitchen/ }).first()).toBeVisible();
  await expect(schedule.getByRole("link", { name: /Lights:/ })).toBeVisible();
});

test("a wall is dragged and both rooms follow, split and merged again", async ({ page }) => {
  await start(page, "Two rooms");
  await page.getByRole("button", { name: "Room", exact: true }).click();
  await expect(page.getByRole("button", { name: "Room", exact: true })).toHaveAttribute("aria-pressed", "true");
  await dragOver(page, [174, 2], [300, 146]);
  await page.mouse.up();
  await expect(said(page)).toContainText("Draw Bedroom 1");
  await page.keyboard.press("Escape");
  await dragOver(page, [173, 100], [185, 100]);
  await expect(page.locator("#readout")).toHaveText(/^(9'-0" \| 15'-0"|15'-0" \| 9'-0")$/);
  await page.mouse.up();
  await expect(said(page)).toContainText("2 rooms follow");
  await expect(row(page, "Kitchen")).toContainText(`15'-0"`);
  await expect(row(page, "Bedroom 1")).toContainText(`9'-0"`);
  await row(page, "Kitchen").click();
  await card(page).getByText("Split, merge, cut a corner").click();
  await card(page).getByLabel("Partition on wall").selectOption("1");
  await card(page).getByLabel("At, to its middle").fill("9-0");
  await card(page).getByLabel("Used as").nth(1).selectOption("Pantry");
  await card(page).getByRole("button", { name: "Split", exact: true }).click();
  await expect(page.getByRole("heading", { name: "House · 3 rooms" })).toBeVisible();
  await card(page).getByText("Split, merge, cut a corner").click();
  await card(page).getByLabel("Take in").selectOption({ label: "Pantry" });
  await card(page).getByRole("button", { name: "Merge" }).click();
  await expect(page.getByRole("heading", { name: "House · 2 rooms" })).toBeVisible();
});

test("what is in the hand shows where it would stand: Tab and F turn it, and nothing lands under another", async ({ page }) => {
  await start(page, "Ghosts");
  const [readout, ghost] = [page.locator("#readout"), page.locator("#placing")];
  // The kitchen's inside corner lies 3-1/4 in from the center lines; its north wall runs east.
  await page.keyboard.press("o");
  const at = await spot(page, 48, 8);
  await page.mouse.move(at.x, at.y);
  await expect(readout).toContainText(/^north wall of Kitchen, 3'-\d+" from west, swings in, hinged west$/);
  await expect(ghost).toHaveAttribute("d", /A32 32/);
  await page.keyboard.press("Tab");
  await expect(readout).toContainText("swings out");
  await page.keyboard.press("f");
  await expect(readout).toContainText("hinged east");
  await page.mouse.click(at.x, at.y);
  await expect(said(page)).toContainText(`Set a door of 2'-8" into the north wall of Kitchen`);
  await expect(card(page).getByLabel("Swings out of Kitchen")).toBeChecked();
  await expect(page.locator("#placing")).toHaveCount(0);

  // A window on the door is refused, and the free stretches are told.
  await page.keyboard.press("w");
  await page.mouse.move(at.x + 3, at.y);
  await expect(readout).toContainText("north wall of Kitchen");
  await page.mouse.click(at.x + 3, at.y);
  await expect(said(page)).toContainText(/The door is there already, from 3'-\d+" to 6'-\d+"\./);
  await expect(said(page)).toContainText(/north wall of Kitchen is free 0" to 3'-\d+", 6'-\d+" to 14'-0", from its west end/);

  // A thing is as large as it is set; beyond a wall to the outside there is no room for it.
  await page.getByLabel("More to set into the house").selectOption("fixture:Range");
  const west = await spot(page, 8, 80);
  await page.mouse.move(west.x, west.y);
  await expect(readout).toContainText(/^west wall of Kitchen, /);
  await page.keyboard.press("Tab");
  await expect(ghost).toHaveCount(0);
  await page.keyboard.press("Escape");
  await page.keyboard.press("Tab");
  await expect(readout).toBeHidden();
});

test("a length that is none is told, and stays in its field", async ({ page }) => {
  await start(page, "Typing");
  await ledger(page).getByLabel("Along that wall").fill("eight");
  await ledger(page).getByLabel("Away from it").fill("9-0");
  await ledger(page).getByRole("button", { name: "Add the room" }).click();
  await expect(said(page)).toContainText("“eight” is no length; write it like");
  await expect(ledger(page).getByLabel("Along that wall")).toHaveValue("eight");
});

test("a panel before a counter is tagged the moment it is put down", async ({ page }) => {
  await start(page, "Panel");
  await plan(page).getByRole("link", { name: "Panel A" }).locator("rect").click();
  await card(page).getByLabel("On wall").selectOption("kitchen.1");
  await card(page).getByRole("button", { name: "Set", exact: true }).click();
  await expect(said(page)).toContainText("Move panel A in Kitchen");
  await row(page, "Kitchen").click();
  await card(page).getByText("Put a fixture in").click();
  await card(page).getByLabel("From the corner, or east").fill("3-0");
  await card(page).getByRole("button", { name: "Put it in" }).click();
  await plan(page).getByRole("link", { name: "Panel A" }).locator("rect").click();
  await expect(card(page).getByRole("heading", { name: /The counter stands in front of panel A/ })).toBeVisible();
});
