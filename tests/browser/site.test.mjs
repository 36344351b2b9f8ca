// Site on a phone: without signal, two at once, and the plan as it recedes behind what is pulled.
import { everything, faults } from "./axe.mjs";
import { served, expect, reset } from "./bench.mjs";

// Without the law about the console: a request that does not arrive stands there, and belongs there.
const test = served.extend({
  page: async ({ page, demo }, use) => {
    demo.isFresh = false;
    await reset(page);
    await page.setViewportSize({ width: 390, height: 844 });
    await use(page);
  },
});

const unsent = (page) => page.getByRole("status");
const ticks = (page, step) => page.getByRole("button", { name: new RegExp(`^${step}, `) });
const pressed = (page) => page.getByRole("button", { name: /^pulled, /, pressed: true });

async function openSite(page, view = "pull") {
  await page.goto(`/job/demo/site?view=${view}`);
  await page.waitForSelector("html[data-ready]");
}

// The page is kept on the phone, and the worker that gives it stands.
const kept = (page) =>
  expect
    .poll(() =>
      page.evaluate(async () => {
        const lists = [location.href, ...[...document.querySelectorAll(".site-views a")].map((a) => a.href)];
        const there = await Promise.all(lists.map((list) => caches.match(list)));
        return Boolean(navigator.serviceWorker.controller) && there.every(Boolean);
      }),
    )
    .toBe(true);

test("thirty runs written down without signal are sent when it is back, once each, and two phones meet", async ({
  page,
  context,
  browser,
  baseURL,
}) => {
  await openSite(page);
  await expect(page.getByRole("main")).toContainText("0 of 142 runs pulled");
  await kept(page);
  // The other phone has the list as it is now, with nothing done.
  const other = await browser.newContext({ baseURL, viewport: { width: 390, height: 844 } });
  const second = await other.newPage();
  await openSite(second);
  await context.setOffline(true);
  await page.reload();
  await page.waitForSelector("html[data-ready]");
  for (let i = 0; i < 30; i++) await ticks(page, "pulled").nth(i).click();
  await expect(unsent(page)).toContainText("30 not sent yet");
  await expect(page.getByRole("main")).toContainText("30 of 142 runs pulled");

  // The phone goes dark and comes back: nothing is lost, another list opens too.
  await page.reload();
  await page.waitForSelector("html[data-ready]");
  await expect(pressed(page)).toHaveCount(30);
  await expect(unsent(page)).toContainText("30 not sent yet");
  await page.getByRole("link", { name: "Land", exact: true }).click();
  await expect(page.getByRole("heading", { name: /^Panel A/ })).toBeVisible();
  await page.goBack();

  // Meanwhile the other phone writes down five that the first has too, and five more.
  for (let i = 25; i < 35; i++) await ticks(second, "pulled").nth(i).click();
  await expect(unsent(second)).toHaveText("Everything is sent.");

  await context.setOffline(false);
  await expect(unsent(page)).toHaveText("Everything is sent.");
  await openSite(second);
  await expect(second.getByRole("main")).toContainText("35 of 142 runs pulled");
  await openSite(second, "done");
  // Thirty and ten were written down; forty stand in the book, no more.
  await expect(second.getByRole("listitem").filter({ hasText: /^pulled/ })).toHaveCount(40);
  await other.close();
});

test("a step is taken back by pressing it again, a group goes in one act, and what was used is compared", async ({ page }) => {
  await openSite(page);
  await ticks(page, "pulled").first().click();
  await ticks(page, "labeled").first().click();
  await ticks(page, "labeled").first().click();
  await expect(ticks(page, "labeled").first()).toHaveAttribute("aria-pressed", "false");
  await page.getByRole("button", { name: "All of these pulled" }).first().click();
  await expect(page.getByText("6 of 6 pulled")).toBeVisible();
  // A trench is written down apart: the runs are counted alone.
  await ticks(page, "dug").click();
  await expect(ticks(page, "dug")).toHaveAttribute("aria-pressed", "true");
  await expect(page.locator("[data-count]")).toHaveText("6");
  await page.getByText("Used", { exact: true }).first().click();
  await page.getByRole("textbox", { name: /^Really used for A23/ }).fill("47-0");
  await page.getByRole("button", { name: /^Keep what was used for A23/ }).click();
  await expect(unsent(page)).toHaveText("Everything is sent.");
  await openSite(page, "done");
  await expect(page.getByRole("row", { name: /home run/i })).toContainText("+3 ft");
  await expect(page.getByRole("row", { name: /^House, ground/ })).toContainText("6 of 76");
});

test("the bench counts what is pulled, and the plan lets it recede", async ({ page }) => {
  await openSite(page);
  await page.getByRole("button", { name: "All of these pulled" }).first().click();
  await expect(unsent(page)).toHaveText("Everything is sent.");
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto("/job/demo/runs");
  await expect(page.getByRole("navigation", { name: "Stages" })).toContainText("6 of 142 pulled");
  await expect(page.locator("#plan .cable.pulled")).toHaveCount(6);
  await page.waitForSelector("html[data-ready]");
  await page.keyboard.press("6");
  await page.waitForURL("**/site");
});

// A picture that the browser itself makes, with a place hung to it as a camera would.
async function picture(page, color) {
  const url = await page.evaluate((fill) => {
    const canvas = Object.assign(document.createElement("canvas"), { width: 2400, height: 1200 });
    const pen = canvas.getContext("2d");
    pen.fillStyle = fill;
    pen.fillRect(0, 0, 2400, 1200);
    return canvas.toDataURL("image/jpeg");
  }, color);
  const jpeg = Buffer.from(url.split(",")[1], "base64");
  const place = Buffer.from("Exif\0\0GPS of this very house");
  const exif = Buffer.concat([Buffer.from([0xff, 0xe1, 0, place.length + 2]), place]);
  return { name: "open.jpg", mimeType: "image/jpeg", buffer: Buffer.concat([jpeg.subarray(0, 2), exif, jpeg.subarray(2)]) };
}

test("two photographs taken without signal come to their wall, small and without a place", async ({ page, context }) => {
  await openSite(page, "walk");
  await kept(page);
  await context.setOffline(true);
  for (const [color, word] of [
    ["#a33", "before the foam"],
    ["#3a3", "after the foam"],
  ]) {
    await page.getByLabel("Photograph of, in Kitchen").selectOption("wall:kitchen.1");
    await page.getByRole("textbox", { name: "A word about the photograph in Kitchen" }).fill(word);
    await page.getByLabel("Take a photograph in Kitchen").setInputFiles(await picture(page, color));
    await expect(page.getByRole("img", { name: word })).toBeVisible();
  }
  await expect(unsent(page)).toContainText("2 not sent yet");
  await page.reload();
  await page.waitForSelector("html[data-ready]");
  await expect(page.getByRole("img", { name: "after the foam" })).toBeVisible();
  await expect(unsent(page)).toContainText("2 not sent yet");

  await context.setOffline(false);
  await expect(unsent(page)).toHaveText("Everything is sent.");
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto("/job/demo/house?on=wall:kitchen.1");
  const shots = page.getByRole("list", { name: "This wall while it was open" }).getByRole("img");
  await expect(shots).toHaveCount(2);
  await expect.poll(() => shots.first().evaluate((i) => [i.naturalWidth, i.naturalHeight])).toEqual([1600, 800]);
  const sent = await page.request.get(await shots.first().getAttribute("src"));
  expect(sent.headers()["content-type"]).toBe("image/jpeg");
  expect((await sent.body()).includes("GPS of this very house")).toBe(false);

  // A circle and a word, touched where it is; then moved a little by the keys.
  await openSite(page, "walk");
  await page.getByRole("button", { name: /^Circle something on .*after the foam/ }).click();
  const picture2 = page.getByRole("listitem").filter({ hasText: "after the foam" }).getByRole("link");
  await picture2.click({ position: { x: 30, y: 20 } });
  await picture2.press("ArrowRight");
  await page.getByRole("textbox", { name: "What is circled" }).last().fill("gap at the top plate");
  await page.getByRole("button", { name: "Keep it" }).last().click();
  await expect(unsent(page)).toHaveText("Everything is sent.");
  await page.reload();
  await expect(page.getByText("gap at the top plate")).toBeVisible();

  await openSite(page, "walk");
  await page.getByRole("button", { name: /^Put away the photograph of .*before the foam/ }).click();
  await expect(unsent(page)).toHaveText("Everything is sent.");
  await page.goto("/job/demo/house?on=wall:kitchen.1");
  await expect(shots).toHaveCount(1);
});

test("the walk is passed and corrected without signal, and mended", async ({ page, context }) => {
  await openSite(page, "walk");
  await kept(page);
  await context.setOffline(true);
  await page.getByRole("button", { name: /^seen, Grandmother's room: 8 boxes/ }).click();
  await expect(page.getByText("1 of 8 seen")).toBeVisible();
  await page.getByText("Wrong", { exact: true }).nth(1).click();
  await page.getByRole("textbox", { name: /^What is wrong: Boxes square/ }).first().fill("Stands 3/8 in proud; Bo mends it");
  await page.getByRole("button", { name: /^Write down: Boxes square/ }).first().click();
  await expect(page.getByRole("button", { name: "Mended: Stands 3/8 in proud; Bo mends it" })).toBeVisible();
  await expect(unsent(page)).toContainText("2 not sent yet");
  await context.setOffline(false);
  await expect(unsent(page)).toHaveText("Everything is sent.");
  await openSite(page, "walk");
  await expect(page.getByText("1 of 8 seen")).toBeVisible();
  await page.getByRole("button", { name: /^Mended: Stands/ }).click();
  await expect(unsent(page)).toHaveText("Everything is sent.");
  await page.getByLabel("Before").selectOption("the trench is filled");
  await expect(page.getByRole("heading", { name: /^Trench to Greenhouse/ })).toBeVisible();
});

test("a device that would not latch is first on the list until it is replaced and tested", async ({ page }) => {
  await openSite(page, "test");
  const last = page.getByRole("listitem").filter({ hasText: "goes dead:" }).last();
  const name = (await last.locator("b").first().textContent()).trim();
  await last.getByRole("button", { name: /^would not latch/ }).click();
  await expect(last).toContainText("would not latch: replace it, just now");
  await expect(unsent(page)).toHaveText("Everything is sent.");
  await openSite(page, "test");
  const first = page.getByRole("listitem").filter({ hasText: /goes dead:|protects no outlet/ }).first();
  await expect(first).toContainText(name);
  await expect(first).toContainText("would not latch, crew");
  await first.getByRole("button", { name: /^replaced/ }).click();
  await first.getByRole("button", { name: /^tested/ }).click();
  await expect(unsent(page)).toHaveText("Everything is sent.");
  await openSite(page, "test");
  await expect(page.getByRole("main")).not.toContainText("would not latch, crew");
  await expect(page.getByRole("main")).toContainText(/tested [A-Z][a-z]+ \d+ \d\d:\d\d UTC by crew/);
});

test("what the server can never keep is shown to be placed by hand", async ({ page }) => {
  await openSite(page);
  await page.evaluate(() =>
    localStorage.setItem(
      "site-unsent:demo",
      JSON.stringify([
        { id: crypto.randomUUID(), subject: "run:@A~torn-out", step: "Pulled", at: new Date().toISOString(), revision: 1 },
      ]),
    ),
  );
  await page.reload();
  await expect(page.getByRole("region", { name: "To be placed by hand" })).toContainText("@A~torn-out");
  await expect(unsent(page)).toHaveText("Everything is sent.");
  await page.getByRole("button", { name: "Put them away" }).click();
  await expect(page.getByRole("region", { name: "To be placed by hand" })).toHaveCount(0);
});

test("what is cut of the runs that are pulled is counted on the phone as the server counts it", async ({ page }) => {
  await openSite(page);
  const pulled = page.locator("[data-pulled]");
  await expect(pulled).toHaveText("0 ft");
  for (let i = 0; i < 60; i++) await ticks(page, "pulled").nth(i).click();
  await expect(unsent(page)).toHaveText("Everything is sent.");
  const counted = await pulled.innerText();
  expect(counted).toMatch(/^\d,?\d\d\d ft$/);
  await page.reload();
  await expect(pulled).toHaveText(counted);
});

for (const view of ["pull", "make-up", "land", "walk", "test", "reels", "done"]) {
  test(`axe finds nothing on the list ${view}, and a thumb hits everything`, async ({ page }) => {
    await openSite(page, view);
    // A group that is done, and one that is not.
    if (view === "pull") await page.getByRole("button", { name: "All of these pulled" }).first().click();
    expect(await faults(page, everything)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
    const small = await page
      .locator("button, .chip, select")
      .evaluateAll((all) => all.filter((e) => e.offsetParent && e.getBoundingClientRect().height < 44).map((e) => e.outerHTML));
    expect(small).toEqual([]);
  });
}

test("the day that board goes on is set, a line of the crew's own is seen in every room", async ({ page }) => {
  await page.goto("/job/demo/site?view=walk");
  await page.getByText("What is covered, and when").click();
  const row = page.getByRole("listitem").filter({ hasText: "Insulation and board" });
  const soon = new Date(Date.now() + 3 * 24 * 3600 * 1000).toISOString().slice(0, 10);
  await row.getByLabel("Day", { exact: true }).fill(soon);
  await row.getByRole("button", { name: "Set the day: Insulation and board" }).click();
  await expect(page.getByRole("status").first()).toContainText("Everything is sent.");
  await expect(page.getByText(`Insulation and board: ${soon}.`, { exact: true })).toBeVisible();
  // Amber on every list while it is not ready.
  await page.getByRole("link", { name: "Pull", exact: true }).click();
  const late = page.getByRole("note");
  await expect(late).toContainText(`${soon}, in`);
  await late.getByRole("link", { name: "Insulation and board" }).click();

  await page.getByText(/^Lines of your own before/).click();
  await page.getByLabel("What must be so").fill("Backing for the towel bars");
  await page.getByLabel("In every room").check();
  await page.getByRole("button", { name: "Put it on the walk" }).click();
  const lines = page.locator(".walk").filter({ hasText: "Backing for the towel bars" });
  await expect.poll(() => lines.count()).toBeGreaterThan(10);
  await openSite(page, "walk");
  await lines.first().getByRole("button", { name: /^seen, / }).click();
  await expect(lines.first().getByRole("button", { name: /^seen, / })).toHaveAttribute("aria-pressed", "true");
  await expect(page.locator("#unsent")).toHaveText("Everything is sent.");
});

test("reels are set down without signal, a pull comes off its reel, and one that it cannot make is told before", async ({
  page,
  context,
}) => {
  await openSite(page, "reels");
  await kept(page);
  await context.setOffline(true);
  const down = async (name, cable, feet) => {
    await page.getByLabel("Reel", { exact: true }).fill(name);
    await page.getByLabel("Cable on the reel").selectOption(cable);
    await page.getByLabel("On it", { exact: true }).fill(feet);
    await page.getByRole("button", { name: "Set it down" }).click();
  };
  await down("R1", "12-2", "100");
  await down("R2", "12-2", "40-0");
  await expect(page.getByRole("heading", { name: /^In the van/ })).toContainText("2 reels");
  await context.setOffline(false);
  await expect(unsent(page)).toHaveText("Everything is sent.");

  // 44 ft to the disposer: R1 makes it, and has 56 left; R2 could not.
  await openSite(page);
  const van = page.getByRole("group", { name: "In the van" });
  await expect(van).toContainText("R1 12-2 100 ft");
  const disposer = page.getByRole("listitem").filter({ hasText: "Panel A → Disposer" });
  await expect(disposer).toContainText("12-2 · 44 ft");
  await disposer.getByText("Used", { exact: true }).click();
  const from = disposer.getByLabel(/^From which reel/);
  await from.selectOption("R2");
  await expect(disposer).toContainText("R2 has not so much left: take another");
  await from.selectOption("R1");
  await expect(disposer).not.toContainText("take another");
  await disposer.getByRole("button", { name: /^pulled, / }).click();
  await expect(van).toContainText("R1 12-2 56 ft");
  await expect(unsent(page)).toHaveText("Everything is sent.");
  await openSite(page, "reels");
  await expect(page.getByRole("listitem").filter({ hasText: /^R1/ })).toContainText("12-2, 56 ft left");
  await openSite(page, "done");
  await expect(page.getByRole("row", { name: "R1" })).toContainText("1 of 1");
  await openSite(page, "reels");
  await page.getByRole("button", { name: "Empty, R1" }).click();
  await expect(page.getByRole("heading", { name: /^In the van/ })).toContainText("1 reel");
});

test("a tester's lamps and volts are kept, what is not right is told with where to look, and a torque as read", async ({ page }) => {
  await openSite(page, "test");
  const row = page.getByRole("listitem").filter({ hasText: "Family room receptacle 2" }).last();
  await row.getByText("Read", { exact: true }).click();
  await row.getByLabel(/^Lamps at/).selectOption("open ground");
  await row.getByLabel(/^Volts at/).fill("119");
  await row.getByRole("button", { name: /^Keep what was read/ }).click();
  await expect(row).toContainText("open ground, 119 V, just now");
  await expect(unsent(page)).toHaveText("Everything is sent.");
  await openSite(page, "test");
  await expect(page.getByRole("heading", { name: "Read, and not right: 1" })).toBeVisible();
  await expect(page.getByText("open ground: the grounds in this box, then in the box that feeds it")).toBeVisible();
  await page.getByRole("button", { name: "Wired right, Family room receptacle 2" }).click();
  await expect(unsent(page)).toHaveText("Everything is sent.");
  await openSite(page, "test");
  await expect(page.getByRole("heading", { name: /not right/ })).toHaveCount(0);
  expect(await faults(page, ["wcag2a", "wcag2aa", "wcag22aa"])).toEqual([]);

  await openSite(page, "land");
  const range = page.getByRole("listitem").filter({ hasText: "Induction range" });
  await range.getByText("Torque", { exact: true }).click();
  await range.getByLabel(/^Torque of/).fill("45 lb-in");
  await range.getByRole("button", { name: /^Keep the torque/ }).click();
  await expect(range.getByRole("button", { name: /^torqued/ })).toHaveAttribute("aria-pressed", "true");
  await expect(unsent(page)).toHaveText("Everything is sent.");
  await openSite(page, "land");
  await expect(range).toContainText("45 lb-in");
});

test("boards are written down without signal, a reading is taken back, and the rest is sent once", async ({ page, context }) => {
  const here = "/job/demo-villa/metric/site";
  await page.goto(here);
  await page.waitForSelector("html[data-ready]");
  await kept(page);
  await context.setOffline(true);
  await page.reload();
  await page.waitForSelector("html[data-ready]");
  const laid = (way) => page.getByRole("button", { name: `conduit laid, Board A way ${way}`, exact: true });
  for (const way of [1, 2, 3]) await laid(way).click();
  await expect(unsent(page)).toContainText("3 not sent yet");
  await expect(page.getByText("✓ conduit laid, Board A way 2, kept on this phone")).toBeVisible();

  // The phone goes dark and comes back; what was pressed by mistake is taken back before anybody has it.
  await page.reload();
  await page.waitForSelector("html[data-ready]");
  await expect(laid(2)).toBeHidden();
  await page.getByRole("button", { name: "Take back: conduit laid, Board A way 3", exact: true }).click();
  await expect(laid(3)).toBeVisible();
  await expect(unsent(page)).toContainText("2 not sent yet");

  // What cannot be written down is told, and the rest is sent all the same.
  const reading = page.getByRole("textbox", { name: /^earth read, Board A way 1,/ });
  await reading.fill("quite good");
  await page.getByRole("button", { name: "earth read, Board A way 1", exact: true }).click();
  await context.setOffline(false);
  await expect(unsent(page)).toHaveText("Everything is sent.");
  await expect(page.getByRole("region", { name: "To be placed by hand" })).toContainText("earth read, Board A way 1: quite good");
  await page.getByRole("button", { name: "Put them away" }).click();
  await page.goto(here);
  const back = (way) => page.getByRole("button", { name: `Take back: conduit laid, Board A way ${way}`, exact: true });
  for (const way of [1, 2]) await expect(back(way)).toHaveCount(1);
  await expect(laid(3)).toBeVisible();
  expect(await faults(page)).toEqual([]);
  for (const way of [1, 2]) {
    await back(way).click();
    await expect(laid(way)).toBeVisible();
  }

  // A server that answers and cannot: what was pressed is shown once, however often it is tried again.
  let tried = 0;
  const cannot = (route) => (route.request().method() === "POST" ? (tried++, route.fulfill({ status: 503 })) : route.continue());
  await page.route(`**${here}`, cannot);
  await laid(1).click();
  await expect(unsent(page)).toContainText("1 not sent yet: the server answered 503");
  const again = () => page.evaluate(() => window.dispatchEvent(new Event("online")));
  await expect.poll(() => again().then(() => tried)).toBeGreaterThan(2);
  await expect(page.getByText("✓ conduit laid, Board A way 1, kept on this phone")).toHaveCount(1);
  await page.unroute(`**${here}`, cannot);
  await again();
  await expect(unsent(page)).toHaveText("Everything is sent.");
  await back(1).click();
  await expect(laid(1)).toBeVisible();
});

test("a room of a house of boards is photographed without signal, and its wall shows it", async ({ page, context }) => {
  await page.goto("/job/demo-villa/metric/site");
  await page.getByRole("link", { name: "Photographs" }).click();
  await page.waitForSelector("html[data-ready]");
  await kept(page);
  await context.setOffline(true);
  await page.getByLabel("Photograph of, in Kitchen").selectOption("wall:kitchen.1");
  await page.getByRole("textbox", { name: "A word about the photograph in Kitchen" }).fill("before the plaster");
  await page.getByLabel("Take a photograph in Kitchen").setInputFiles(await picture(page, "#33a"));
  await expect(unsent(page)).toContainText("1 not sent yet");
  await page.reload();
  await page.waitForSelector("html[data-ready]");
  await expect(page.getByRole("img", { name: "before the plaster" })).toBeVisible();
  await context.setOffline(false);
  await expect(unsent(page)).toHaveText("Everything is sent.");
  await page.goto("/job/demo-villa/house?on=wall:kitchen.1");
  const shot = page.getByRole("list", { name: "This wall while it was open" }).getByRole("img");
  await expect(shot).toHaveCount(1);
  await expect.poll(() => shot.evaluate((i) => i.naturalWidth)).toBe(1600);
  await page.goto("/job/demo-villa/metric/photographs");
  await page.waitForSelector("html[data-ready]");
  expect(await faults(page)).toEqual([]);
  await page.getByRole("button", { name: /^Put away the photograph of .*before the plaster/ }).click();
  await expect(unsent(page)).toHaveText("Everything is sent.");
});
