// The same by touch, at the size of a tablet.
import { test, expect, ledger, said } from "./bench.mjs";

test.use({ hasTouch: true, viewport: { width: 820, height: 1180 } });

/** A finger put down, moved and lifted, in inches of the house. */
async function swipe(page, from, to) {
  const [a, b] = await page.locator("#plan").evaluate(
    (svg, places) =>
      places.map(([x, y]) => {
        const at = new DOMPoint(x, y).matrixTransform(svg.getScreenCTM());
        return { x: at.x, y: at.y };
      }),
    [from, to],
  );
  const cdp = await page.context().newCDPSession(page);
  const touch = (type, points) => cdp.send("Input.dispatchTouchEvent", { type, touchPoints: points });
  await touch("touchStart", [a]);
  for (let i = 1; i <= 8; i++) await touch("touchMove", [{ x: a.x + ((b.x - a.x) * i) / 8, y: a.y + ((b.y - a.y) * i) / 8 }]);
  await touch("touchEnd", []);
}

/** Takes a tool into the hand. A tap that follows a swipe at once is taken by the browser as the swipe’s end, so it is tried again. */
async function arm(page, name) {
  const tool = page.getByRole("button", { name, exact: true });
  await expect(async () => {
    await tool.tap();
    await expect(tool).toHaveAttribute("aria-pressed", "true", { timeout: 1500 });
  }).toPass();
}

async function tapAt(page, x, y) {
  const at = await page.locator("#plan").evaluate(
    (svg, [px, py]) => {
      const p = new DOMPoint(px, py).matrixTransform(svg.getScreenCTM());
      return { x: p.x, y: p.y };
    },
    [x, y],
  );
  await page.touchscreen.tap(at.x, at.y);
}

test("a cottage of three rooms is drawn by touch, laid out, and its schedule read", async ({ page }) => {
  await page.goto("/new");
  await page.getByLabel("Name", { exact: true }).fill("Touched cottage");
  await page.getByLabel("First room used as").selectOption("Kitchen");
  await page.getByLabel("Called").fill("Kitchen");
  await page.getByLabel("Inside, east to west").fill("14-0");
  await page.getByLabel("Inside, north to south").fill("12-0");
  await page.getByLabel("Panel on its").selectOption("4");
  await page.getByRole("button", { name: "Start the job" }).tap();
  await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
  await arm(page, "Room");
  await swipe(page, [174, 2], [300, 146]);
  await expect(said(page)).toContainText("Draw Bedroom 1, 10'-0\" × 12'-0\" inside");
  await page.getByLabel("Use of the room drawn").selectOption("Bath");
  await swipe(page, [2, 150], [105, 240]);
  await expect(said(page)).toContainText("Draw Bath");
  await arm(page, "Door");
  await tapAt(page, 174, 40);
  await expect(said(page)).toContainText("Set a door of 2'-8\"");
  await tapAt(page, 60, 150);
  await expect(said(page)).toContainText(/into the north wall of Bath|into the south wall of Kitchen/);
  await tapAt(page, 110, 0);
  await expect(said(page)).toContainText("into the north wall of Kitchen");
  await page.getByRole("button", { name: "Door", exact: true }).tap();
  await page.getByRole("link", { name: "Boxes", exact: true }).tap();
  await ledger(page).getByRole("button", { name: "Lay out the whole job by rule" }).tap();
  await expect(said(page)).toContainText(/Lay out the job by rule: \d+ boxes/);
  await page.getByRole("link", { name: "Panel", exact: true }).tap();
  const schedule = page.getByRole("region", { name: "Panel schedule" });
  await expect(schedule.getByRole("link", { name: /Lights:/ })).toBeVisible();
  await expect(schedule.getByRole("link", { name: /Bedroom 1/ }).first()).toBeVisible();
});
