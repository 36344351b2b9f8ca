// Low voltage: set by a click, dragged into a box of power and told, moved by the tag's own button.
import { test, expect, card, said, plan } from "./bench.mjs";

const outlet = (page, id) => page.locator(`#plan [data-drag="low"][data-key="${id}"]`);

async function middle(locator) {
  const at = await locator.boundingBox();
  return { x: at.x + at.width / 2, y: at.y + at.height / 2 };
}

test("a data outlet dragged beside power is tagged, and the tag's button moves it away", async ({ page }) => {
  await page.goto("/job/demo-basement/boxes?level=ground&on=lowvoltage:lv-4");
  await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
  await expect(card(page).getByText("1'-0\" or more where they run alike")).toBeVisible();
  const power = await middle(page.locator('#plan [data-box="bed-a-r-1"] .hit'));
  const from = await middle(outlet(page, "lv-4").locator(".hit"));
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move((from.x + power.x) / 2, from.y, { steps: 4 });
  await page.mouse.move(power.x, from.y, { steps: 4 });
  await page.mouse.up();
  await expect(said(page)).toContainText("Move Bedroom A data");
  await expect(card(page).getByRole("heading", { name: "Bedroom A data stands where Bedroom A receptacle 1 stands." })).toBeVisible();
  await expect(plan(page).getByRole("link", { name: "Bedroom A data, LV4" })).toHaveCount(1);
  await card(page)
    .getByRole("button", { name: /^Move it / })
    .click();
  await expect(card(page).getByText("1'-0\" or more where they run alike")).toBeVisible();
  await page.keyboard.press("z");
  await page.keyboard.press("z");
});

test("an outlet is chosen from the list and set by a click on a wall", async ({ page }) => {
  await page.goto("/job/demo-basement/boxes?level=ground&on=room:bed-b");
  await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
  await page.getByLabel("More devices and equipment").selectOption({ label: "coax" });
  const side = await page
    .locator('#plan .side[data-room="bed-b"][data-wall="1"]')
    .evaluate((s) => ({ x1: +s.dataset.x1, y1: +s.dataset.y1, x2: +s.dataset.x2, y2: +s.dataset.y2 }));
  const at = await page.locator("#plan").evaluate(
    (svg, [x, y]) => {
      const p = new DOMPoint(x, y).matrixTransform(svg.getScreenCTM());
      return { x: p.x, y: p.y };
    },
    [side.x1 + (side.x2 - side.x1) * 0.2, side.y1 + 5],
  );
  await page.mouse.click(at.x, at.y);
  await expect(said(page)).toContainText("Set Bedroom B coax");
  await expect(card(page).getByRole("heading", { name: "LV13 · Bedroom B coax" })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.keyboard.press("Delete");
  await expect(said(page)).toContainText("Delete Bedroom B coax");
});
