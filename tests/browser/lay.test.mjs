// Boxes on the bench: placed by key and click, picked together, coverage that follows the hand, the meter, and how smooth a drag is.
import { test, expect, open, ledger, card, said, plan } from "./bench.mjs";

const boxOf = (page, id) => page.locator(`#plan [data-box="${id}"]`);

async function centre(locator) {
  const at = await locator.boundingBox();
  return { x: at.x + at.width / 2, y: at.y + at.height / 2 };
}

/** Where a place of the house, in inches, is on the screen. */
const spot = (page, x, y) =>
  page.locator("#plan").evaluate(
    (svg, [px, py]) => {
      const at = new DOMPoint(px, py).matrixTransform(svg.getScreenCTM());
      return { x: at.x, y: at.y };
    },
    [x, y],
  );

test("a receptacle is set by its key and a click on a wall, a lamp by its key and a click in a room", async ({ page }) => {
  await open(page, "boxes", "room:study");
  await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
  await page.keyboard.press("r");
  const wall = page.locator('#plan .side[data-room="study"][data-wall="3"]');
  const side = await wall.evaluate((s) => ({ x1: +s.dataset.x1, y1: +s.dataset.y1, x2: +s.dataset.x2, y2: +s.dataset.y2 }));
  const at = await spot(page, side.x1 + (side.x2 - side.x1) * 0.8, side.y1 + (side.y2 - side.y1) * 0.8 - 6);
  await page.mouse.click(at.x, at.y);
  await expect(page.getByRole("heading", { name: "Boxes · 141" })).toBeVisible();
  await expect(said(page)).toContainText("Add Study receptacle");
  await page.keyboard.press("Escape");
  await page.keyboard.press("l");
  const room = await page.locator('#plan .room[data-room="study"]').evaluate((r) => {
    const b = r.getBBox();
    return [b.x + b.width * 0.3, b.y + b.height * 0.3];
  });
  const middle = await spot(page, ...room);
  await page.mouse.click(middle.x, middle.y);
  await expect(said(page)).toContainText("Add Study lamp");
  await page.keyboard.press("Escape");
  await page.keyboard.press("Delete");
  await expect(said(page)).toContainText("Delete Study lamp");
});

test("several boxes are picked, moved a stud bay together, and put down", async ({ page }) => {
  await open(page, "boxes", "room:family");
  await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
  await ledger(page)
    .locator("[data-row=f-r5]")
    .click({ modifiers: ["Shift"] });
  await ledger(page)
    .locator("[data-row=f-r6]")
    .click({ modifiers: ["Shift"] });
  await expect(page.getByText("2 picked")).toBeVisible();
  await page.keyboard.press("Shift+ArrowRight");
  await expect(said(page)).toContainText(`Move 2 boxes 1'-4"`);
  await expect(ledger(page).locator("[data-row=f-r5]")).toContainText(`wall 4 at 3'-0"`);
  await expect(ledger(page).locator("[data-row=f-r6]")).toContainText(`wall 4 at 11'-2"`);
  await page.keyboard.press("z");
  await expect(ledger(page).locator("[data-row=f-r6]")).toContainText(`wall 4 at 9'-10"`);
  await page.keyboard.press("Escape");
  await expect(page.getByText("2 picked")).toBeHidden();
});

test("the stretch that no receptacle serves is lit with its distance, and follows the box while it is dragged", async ({ page }) => {
  await open(page, "boxes");
  await expect(plan(page).locator(".unserved-far")).toHaveText([`6'-10"`]);
  const unserved = () =>
    plan(page)
      .locator(".unserved")
      .evaluateAll((lines) =>
        lines.reduce((sum, l) => sum + Math.hypot(l.x2.baseVal.value - l.x1.baseVal.value, l.y2.baseVal.value - l.y1.baseVal.value), 0),
      );
  const before = await unserved();
  expect(before).toBeGreaterThan(10);
  const at = await centre(boxOf(page, "f-r5").locator(".hit"));
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.mouse.move(at.x, at.y + 8, { steps: 4 });
  await page.mouse.move(at.x, at.y + 14, { steps: 4 });
  await expect.poll(unserved).toBeLessThan(before - 3);
  await page.mouse.move(at.x, at.y - 40, { steps: 4 });
  await expect.poll(unserved).toBeGreaterThan(before + 20);
  await page.mouse.up();
  await expect(said(page)).toContainText("Move Family room receptacle");
});

test("a room is laid out by its button, and one undo takes all of it back", async ({ page }) => {
  await open(page, "boxes", "room:family");
  await card(page).getByRole("button", { name: "Lay out Family room by rule" }).click();
  await expect(said(page)).toContainText("Lay out Family room by rule: 2 boxes");
  await expect(plan(page).locator(".unserved")).toHaveCount(0);
  await page.getByRole("button", { name: /^Undo “Lay out Family room/ }).click();
  await expect(plan(page).locator(".unserved")).toHaveCount(1);
});

test("readings of the meter drop into the field that has focus, one after the other", async ({ page, context }) => {
  await open(page, "house", "room:family");
  await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
  await page.getByRole("button", { name: "Meter" }).click();
  await expect(page.getByText("Meter: ready")).toBeVisible();
  await card(page).getByText("Put a fixture in").click();
  await card(page).getByLabel("Width").focus();
  const meter = await context.newPage();
  await meter.goto("/meter");
  for (const distance of ["5-6", "2' 1 1/2\""]) {
    await meter.getByLabel("Distance").fill(distance);
    await meter.getByRole("button", { name: "Take the reading" }).click();
    await expect(meter.getByRole("status")).toContainText("Reading");
  }
  await expect(card(page).getByLabel("Width")).toHaveValue(`5'-6"`);
  await expect(card(page).getByLabel("Depth")).toHaveValue(`2'-1 1/2"`);
});

test("a drag on the demo keeps up with the screen", async ({ page }) => {
  await open(page, "boxes");
  const at = await centre(boxOf(page, "f-r5").locator(".hit"));
  // What the page itself takes is the time its thread was running, not the time between two frames: on a machine that is taken away
  // for a while the second tells of the machine. Thirty frames a second leave 33 ms for each,
  // also where another test shares the core.
  const browser = await page.context().newCDPSession(page);
  await browser.send("Performance.enable", { timeDomain: "threadTicks" });
  const worked = async () => {
    const { metrics } = await browser.send("Performance.getMetrics");
    return 1000 * metrics.find((m) => m.name === "TaskDuration").value;
  };
  const shown = () => page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => setTimeout(drawn))));
  const sway = async () => {
    const frames = [];
    for (let i = 0; i < 90; i++) {
      const before = await worked();
      await page.mouse.move(at.x, at.y + 10 + 30 * Math.sin(i / 8));
      await shown();
      frames.push((await worked()) - before);
    }
    frames.sort((a, b) => a - b);
    return { median: frames[45], most: frames[85] };
  };
  const rounds = [];
  const keepsUp = ({ idle, held }) => held.median - idle.median < 33.3;
  for (let round = 0; round < 4 && !rounds.some(keepsUp); round++) {
    await page.mouse.move(at.x, at.y + 10);
    const idle = await sway();
    await page.mouse.move(at.x, at.y);
    await page.mouse.down();
    await page.mouse.move(at.x, at.y + 10, { steps: 3 });
    rounds.push({ idle, held: await sway() });
    await page.mouse.move(at.x, at.y, { steps: 2 });
    await page.mouse.up();
    await page.keyboard.press("Escape");
  }
  const told = (f) => `median ${f.median.toFixed(1)} ms, 85 of 90 within ${f.most.toFixed(1)} ms`;
  console.log(`work for a frame: ${rounds.map(({ idle, held }) => `${told(idle)} with nothing held, ${told(held)} held`).join(" · ")}`);
  // The same movement costs more with a box in the hand, or nothing was held.
  expect(rounds[0].held.median).toBeGreaterThan(rounds[0].idle.median);
  expect(rounds.some(keepsUp)).toBe(true);
});
