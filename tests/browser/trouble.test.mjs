// What a person sees when the server is gone or cannot save: said, nothing typed is lost, and the same thing can be sent again.
import { served, expect, open, card, reset, said } from "./bench.mjs";

// Without the law about the console: a connection that is refused stands there, and belongs there.
const test = served;

test.beforeEach(async ({ page, demo }) => {
  demo.isFresh = false;
  await reset(page);
  await open(page, "boxes", "box:f-r2");
});

const saved = (page) => page.locator("[data-saved]");

test("an edit that did not arrive is said, stays in its field, and is saved when it is sent again", async ({ page, context }) => {
  const offset = card(page).getByLabel("Offset on wall");
  await expect(saved(page)).toHaveText("saved");
  await context.setOffline(true);
  await offset.fill('44"');
  await offset.press("Enter");
  await expect(said(page)).toContainText("Not saved: the server does not answer.");
  await expect(saved(page)).toHaveText("not saved");
  await expect(offset).toHaveValue('44"');

  // The line says the same as before: that it failed again is heard from the network.
  const failed = page.waitForEvent("requestfailed");
  await page.getByRole("button", { name: "Send it again" }).click();
  await failed;
  await expect(said(page)).toContainText("Not saved: the server does not answer.");
  await expect(offset).toHaveValue('44"');

  await context.setOffline(false);
  await page.getByRole("button", { name: "Send it again" }).click();
  await expect(said(page)).toContainText("Move");
  await expect(saved(page)).toHaveText("saved");
  await expect(page.getByRole("button", { name: "Send it again" })).toHaveCount(0);
  await expect(offset).toHaveValue("3'-8\"");
});

test("a box dragged while the server is gone goes back, and the line says why", async ({ page, context }) => {
  await page.waitForSelector("html[data-ready]");
  await context.setOffline(true);
  await page.keyboard.press("ArrowRight");
  await expect(said(page)).toContainText("Not saved: the server does not answer.");
  await context.setOffline(false);
  await page.getByRole("button", { name: "Send it again" }).click();
  await expect(saved(page)).toHaveText("saved");
});

test("an error of the server is a line on the bench, never a page in its place", async ({ page }) => {
  await page.route("**/job/demo/boxes?**", (route) =>
    route.request().method() === "POST"
      ? route.fulfill({
          status: 503,
          headers: { "content-type": "text/plain", "hx-reswap": "none", "x-said": "line" },
          body: "Not saved. The disk is full. Free some space, then try again.",
        })
      : route.fallback(),
  );
  const offset = card(page).getByLabel("Offset on wall");
  await offset.fill('46"');
  await offset.press("Enter");
  await expect(said(page)).toContainText("The disk is full.");
  await expect(offset).toHaveValue('46"');
  await expect(page.getByRole("region", { name: "Plan" })).toBeVisible();

  await page.unroute("**/job/demo/boxes?**");
  await page.getByRole("button", { name: "Send it again" }).click();
  await expect(offset).toHaveValue("3'-10\"");
});

test("another view that the server did not send is said and can be asked for again", async ({ page, context }) => {
  await context.setOffline(true);
  await page.getByRole("navigation", { name: "Stages" }).getByRole("link", { name: "Circuits", exact: true }).click();
  await expect(said(page)).toContainText("The server does not answer.");
  await context.setOffline(false);
  await page.getByRole("button", { name: "Ask again" }).click();
  await expect(page.getByRole("region", { name: "Ledger" })).toContainText("Circuits");
});
