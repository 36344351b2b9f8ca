// Practice: a box made up by touch, one by keyboard alone, one by dragging, and a nail found.
import { test, expect } from "./bench.mjs";

const lead = (page, name) => page.getByRole("group", { name: /, open$/ }).getByRole("link", { name: new RegExp(`^${name},`) });

test.describe("on a phone", () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test("a protective receptacle is made up by touch, wrong at first", async ({ page }) => {
    await page.goto("/learn/gfci");
    const join = async (one, other) => {
      await lead(page, one).tap();
      await expect(lead(page, one)).toHaveAttribute("aria-label", /in the hand/);
      await lead(page, other).tap();
      await expect(lead(page, one)).toHaveAttribute("aria-label", /joined with/);
    };
    const box = await lead(page, "black of cable A").boundingBox();
    expect(box.height).toBeGreaterThanOrEqual(24);
    await join("black of cable A", "the LINE brass of the duplex");
    await join("black of cable B", "the LINE brass of the duplex");
    await join("white of cable A", "the LINE silver of the duplex");
    await join("white of cable B", "the LOAD silver of the duplex");
    await join("bare of cable A", "the green screw of the duplex");
    await join("bare of cable B", "the green screw of the duplex");
    await page.getByRole("link", { name: "Switch on" }).tap();
    await expect(page.getByText("In a house somebody would have been hurt", { exact: false })).toBeVisible();
    await page.getByRole("link", { name: "Open the breaker and go on" }).tap();
    await lead(page, "black of cable B").tap();
    await page.getByRole("link", { name: "Take it out of its joint" }).tap();
    await join("black of cable B", "the LOAD brass of the duplex");
    await page.getByRole("link", { name: "Switch on" }).tap();
    await expect(page.getByRole("status")).toContainText("It works");
    await page.getByRole("button", { name: "Keep it in the record" }).tap();
    await expect(page.getByRole("status")).toContainText("Make up a protective receptacle with its load");
  });
});

test("a receptacle is made up by keyboard alone", async ({ page }) => {
  await page.goto("/learn/receptacle-end");
  const press = async (name) => {
    await expect(async () => {
      await page.keyboard.press("Tab");
      const at = await page.evaluate(() => [document.activeElement.getAttribute("aria-label"), document.activeElement.textContent]);
      expect(at[0] ?? at[1]).toMatch(name);
    }).toPass({ intervals: [0], timeout: 10_000 });
    const before = page.url();
    await page.keyboard.press("Enter");
    await expect(page).not.toHaveURL(before);
    await page.waitForLoadState();
  };
  for (const [conductor, screw] of [
    [/^black of cable A/, /^the brass screw/],
    [/^white of cable A/, /^the silver screw/],
    [/^bare of cable A/, /^the green screw/],
  ]) {
    await press(conductor);
    await press(screw);
  }
  await press(/^Switch on/);
  await expect(page.getByRole("status")).toContainText("It works");
  await expect(page.getByText("So far: 3 steps, 1 try, no harm.")).toBeVisible();
});

test("a conductor is dragged onto a screw", async ({ page }) => {
  await page.goto("/learn/receptacle-end");
  await lead(page, "black of cable A").hover();
  await page.mouse.down();
  await lead(page, "the silver screw of the duplex").hover();
  await page.mouse.up();
  await expect(lead(page, "black of cable A")).toHaveAttribute("aria-label", /joined with the silver screw of the duplex/);
});

test("a nail is found in three looks", async ({ page }) => {
  await page.goto("/learn/find-3?seed=5");
  const plan = page.getByRole("group", { name: /switched on/ });
  let [well, wrong] = [0, 9];
  let looks = 0;
  while (wrong - well > 1) {
    const middle = Math.floor((well + wrong) / 2);
    await plan.getByRole("link", { name: new RegExp(`^Outlet ${middle},`) }).click();
    looks += 1;
    await expect(page.getByRole("heading", { name: `${looks} look${looks === 1 ? "" : "s"} of 3` })).toBeVisible();
    const found = await page.getByRole("listitem").filter({ hasText: `Outlet ${middle}` }).locator("b").first().textContent();
    if (found === "works") well = middle;
    else wrong = middle;
  }
  expect(looks).toBeLessThanOrEqual(3);
  await page.getByRole("link", { name: `${well === 0 ? "Panel A" : `Outlet ${well}`} → Outlet ${wrong}`, exact: true }).click();
  await expect(page.getByRole("status")).toContainText("That is it.");
});
