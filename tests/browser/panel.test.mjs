// The panel: breakers dragged, an outlet added later, re-landed and undone; sheets printed and held against the plan;
// a breaker found on a phone.
import { everything, faults } from "./axe.mjs";
import { test, expect, open, card, ledger, said } from "./bench.mjs";

const board = (page) => page.getByRole("region", { name: "Panel schedule" });
const breaker = (page, circuit) => page.locator(`.breaker[data-key="${circuit}"]`);
const spaceOf = (page, circuit) => breaker(page, circuit).evaluate((b) => b.closest("[data-space]").dataset.space);
const spaces = (page) =>
  page
    .locator(".breaker[data-key]")
    .evaluateAll((all) => Object.fromEntries(all.map((b) => [b.dataset.key, b.closest("[data-space]").dataset.space])));

async function drag(page, circuit, onto) {
  await expect(page.locator("html[data-ready]")).toBeAttached();
  const from = await breaker(page, circuit).boundingBox();
  const to = await onto.boundingBox();
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 8 });
}

test("a breaker is dragged onto another: the effect is shown, the two change places, no other moves, and it is undone", async ({
  page,
}) => {
  await open(page, "panel");
  const before = await spaces(page);
  await drag(page, "k-micro", breaker(page, "family-receptacles"));
  await expect(page.locator("#effect")).toContainText("no other breaker moves");
  await expect(page.locator("#effect")).toContainText("Family room");
  await page.mouse.up();
  await expect(said(page)).toContainText("Swap “k micro” with “family receptacles”");
  const after = await spaces(page);
  expect(after).toEqual({ ...before, "k-micro": before["family-receptacles"], "family-receptacles": before["k-micro"] });
  await expect(card(page).getByText("numbers written", { exact: true })).toBeVisible();
  await page.keyboard.press("z");
  await expect(said(page)).toContainText("Undo");
  expect(await spaces(page)).toEqual(before);
});

test("Escape lets a breaker go where it was", async ({ page }) => {
  await open(page, "panel");
  const before = await spaces(page);
  await drag(page, "k-micro", breaker(page, "family-receptacles"));
  await page.keyboard.press("Escape");
  await page.mouse.up();
  await expect(page.locator("#effect")).toBeHidden();
  expect(await spaces(page)).toEqual(before);
});

test("a breaker is landed by keyboard from its card", async ({ page }) => {
  await open(page, "panel", "circuit:k-micro");
  await card(page).getByText("Pins: hold your own choice").click();
  await card(page)
    .getByLabel(/^Space/)
    .selectOption("40");
  await expect(said(page)).toContainText("Land “k micro” on space 40");
  expect(await spaceOf(page, "k-micro")).toBe("40");
});

test("a welder outlet that comes later moves no written number; re-landing does, and is undone", async ({ page }) => {
  await open(page, "panel");
  await card(page).getByRole("button", { name: "Write the numbers" }).click();
  await expect(said(page)).toContainText("Write the space numbers");
  const written = await spaces(page);
  await open(page, "boxes", "room:mudroom");
  await ledger(page).getByText("Add a box", { exact: true }).click();
  await ledger(page).getByLabel("Room").selectOption("mudroom");
  await ledger(page).getByLabel("Device").selectOption({ label: "Welder, 240 V 9,600 VA" });
  await ledger(page).getByRole("button", { name: "Add", exact: true }).click();
  await expect(said(page)).toContainText("Welder");
  await open(page, "panel");
  const later = await spaces(page);
  expect(Object.keys(later).length).toBe(Object.keys(written).length + 1);
  expect(later).toMatchObject(written);
  await card(page).getByRole("button", { name: "Re-land all" }).click();
  await expect(said(page)).toContainText("Land all circuits anew");
  await expect(card(page).getByText("numbers not written")).toBeVisible();
  expect(await spaces(page)).not.toMatchObject(written);
  await page.keyboard.press("z");
  await expect(card(page).getByText("numbers written", { exact: true })).toBeVisible();
  expect(await spaces(page)).toEqual(later);
});

// Six machines on a panel of eight spaces whose label lists tandem breakers in the lower four; a generator's inlet, meant for an interlock.
const workshop = () => {
  const corners = [
    ["0", "0"],
    ["40-0", "0"],
    ["40-0", "12-0"],
    ["0", "12-0"],
  ];
  const machine = (id, wall, offset, plate, outside) => ({
    id,
    room: "shop",
    wall,
    offset,
    outside,
    devices: [{ kind: "equipment", plate: { name: id, individual: true, ...plate } }],
  });
  return {
    format: "circuitum-job",
    version: 1,
    job: {
      name: "Workshop",
      edition: 2020,
      structures: [
        {
          id: "house",
          name: "House",
          origin: ["0", "0"],
          underfloor: "slab",
          levels: [
            {
              id: "ground",
              name: "Ground",
              ceilingHeight: "8-0",
              atticAbove: true,
              ceilingJoists: { run: "north-south", spacing: "2-0", depth: '5.5"' },
              rooms: [{ id: "shop", name: "Shop", use: "utility", corners }],
            },
          ],
        },
      ],
      service: { generator: "interlock" },
      panels: [
        { id: "A", room: "shop", wall: 4, offset: "5-0", rating: 200, spaces: 8, listing: { circuits: 12, tandemSpaces: [5, 6, 7, 8] } },
      ],
      boxes: [...Array(6).keys()]
        .map((i) => machine(`m${i}`, 1, `${4 + i * 4}-0`, { appliance: "other", volts: 120, load: 700 + i * 50 }))
        .concat(machine("inlet", 3, "10-0", { appliance: "generator-inlet", volts: 240, load: 7200, neutral: true }, true)),
    },
  };
};

test("two breakers share a space where the label lists it, by card and by hand, and neutral and ground are drawn bonded", async ({
  page,
}) => {
  await page.goto("/");
  await page
    .getByLabel(/A \*\.circuitum\.json/)
    .setInputFiles({ name: "workshop.circuitum.json", mimeType: "application/json", buffer: Buffer.from(JSON.stringify(workshop())) });
  await page.getByRole("button", { name: "Bring it in" }).click();
  await page.waitForURL(/\/job\//);
  const at = (on) => page.goto(`${new URL(page.url()).pathname.replace(/\/[a-z]+$/, "")}/panel${on ? `?on=${on}` : ""}`);
  await at("circuit:m0");
  expect(await spaceOf(page, "inlet")).toBe("2");
  await expect(
    board(page).getByRole("img", { name: "Bars of panel A: neutral and ground bonded here, 3 wires from the service" }),
  ).toBeVisible();
  for (const [circuit, space] of [
    ["m0", "8a"],
    ["m1", "8b"],
  ]) {
    await at(`circuit:${circuit}`);
    await card(page).getByText("Pins: hold your own choice").click();
    await card(page)
      .getByLabel(/^Space/)
      .selectOption(space);
    await expect(said(page)).toContainText(new RegExp(`(Land|Swap) “${circuit}” `));
    expect(await spaceOf(page, circuit)).toBe(space);
  }
  await expect(board(page)).toContainText("8a m0, shop");
  expect(await faults(page, ["wcag2a", "wcag2aa", "wcag21aa"])).toEqual([]);
  // Dragged onto the other half the two change places; onto a space where none is listed, what stands there stays.
  await drag(page, "m0", breaker(page, "m1"));
  await expect(page.locator("#effect")).toContainText("8a → 8b");
  await page.mouse.up();
  await expect(said(page)).toContainText("Swap “m0” with “m1”");
  expect([await spaceOf(page, "m0"), await spaceOf(page, "m1")]).toEqual(["8b", "8a"]);
});

test("the service is read line by line, sized the other way, and the tag's button mends it", async ({ page }) => {
  await open(page, "panel");
  await card(page).getByRole("link", { name: "Both, line by line" }).click();
  await expect(page.getByRole("region", { name: "Standard method, Part III" })).toContainText("264.1 A");
  await expect(page.getByRole("region", { name: "Optional method (220.82)" })).toContainText("169.7 A");
  await page.getByLabel("Sized by").selectOption("Standard");
  await page.getByRole("button", { name: "Set the service" }).click();
  await expect(page.getByRole("status")).toContainText("Change the service");
  await open(page, "panel");
  await expect(card(page).getByText("By the standard method the service does not carry the load.").first()).toBeVisible();
  await expect(card(page).getByRole("button", { name: "Size it by the optional method" }).first()).toBeVisible();
  await card(page).getByRole("button", { name: "A 300 A panel" }).first().click();
  await expect(board(page)).toContainText("300 A main");
});

test("the schedule prints on three sizes, and a sheet that hangs there is told what changed", async ({ page }) => {
  await open(page, "panel", "circuit:k-micro");
  await card(page).getByText("Pins: hold your own choice").click();
  await card(page)
    .getByLabel(/^Space/)
    .selectOption("40");
  await expect(said(page)).toContainText("Land “k micro” on space 40");
  await board(page).getByRole("link", { name: "Print, compare, find" }).click();
  for (const name of ["Letter", "A4", "5-1/2 × 8-1/2 in, for the door"]) {
    // Printing is kept, so it is posted: what the button's form would send.
    const form = page.locator("form", { has: page.getByRole("button", { name, exact: true }) });
    const pdf = await page.request.post(new URL(await form.getAttribute("action"), page.url()).href, {
      form: Object.fromEntries(await form.evaluate((f) => [...new FormData(f)])),
    });
    expect((await pdf.body()).subarray(0, 5).toString()).toBe("%PDF-");
  }
  const homeRuns = await page.request.get(
    new URL(await page.getByRole("link", { name: "home runs on A4" }).getAttribute("href"), page.url()).href,
  );
  expect((await homeRuns.body()).subarray(0, 5).toString()).toBe("%PDF-");
  await page.reload();
  const newest = page
    .getByRole("listitem")
    .filter({ hasText: /^\s*Revision \d+, Door/ })
    .first();
  await expect(newest).toContainText("as it is now");
  await expect(page.getByLabel("Revision on the printed sheet")).toHaveValue((await newest.textContent()).match(/\d+/)[0]);
  await page.getByLabel("Revision on the printed sheet").fill("1");
  await page.getByRole("button", { name: "What changed since" }).click();
  await expect(page.getByRole("row", { name: /A40 moved/ })).toContainText("Microwave, kitchen");
});

test("a schedule typed by others is held against the plan; a wrong one is told in one sentence", async ({ page }) => {
  await page.goto("/job/demo/prints/A");
  const give = async (text, name = "typed.csv") => {
    await page.getByLabel(/CSV with the columns/).setInputFiles({ name, mimeType: "text/csv", buffer: Buffer.from(text) });
    await page.getByRole("button", { name: "Compare" }).click();
  };
  await give("slot,what\n1,range\n");
  await expect(page.getByRole("alert")).toContainText("Line 1 names no column “space”");
  await give("space,description\n3,a\n3,b\n");
  await expect(page.getByRole("alert")).toContainText("Line 3: space 3 of panel A stands in line 2 already");
  await give(Buffer.alloc(2 * 1024 * 1024, 65));
  await expect(page.getByRole("alert")).toContainText("larger than 512 KB");
  await give(Buffer.alloc(10 * 1024 * 1024, 65));
  await expect(page.getByRole("alert")).toContainText("What was sent is too large");
  await page.goto("/job/demo/prints/A");
  await give('space,description\n17,=HYPERLINK("http://x")\n5,Induction range kitchen\n');
  await expect(page.getByRole("row", { name: /A17 renamed/ })).toContainText("=HYPERLINK");
  await expect(page.getByRole("row", { name: /A6 missing/ })).toContainText("Sauna heater");
  await expect(page.getByRole("row", { name: /A5 / })).toHaveCount(0);
});

test.describe("on a phone", () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test("the breaker of a room is found in two taps", async ({ page }) => {
    await page.goto("/job/demo/find");
    await page.getByRole("link", { name: "Laundry", exact: true }).tap();
    await expect(page.getByRole("heading", { name: "Laundry" })).toBeVisible();
    await expect(page.getByRole("listitem").filter({ hasText: "Dryer" })).toContainText("A13/15");
    await expect(page.getByText("Off is not dead.")).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth)).toBeLessThanOrEqual(0);
  });
});

test.describe(() => {
  test.use({ looksOnly: true });
  for (const [name, address] of [
    ["the service load", "/job/demo/load"],
    ["the make-up guide", "/job/demo/make-up/A"],
    ["places for the panel", "/job/demo/places/A"],
    ["prints", "/job/demo/prints/A?since=1"],
    ["finding a room", "/job/demo/find"],
    ["a room's breakers", "/job/demo/find/A?room=kitchen"],
  ]) {
    test(`axe finds nothing on ${name}`, async ({ page }) => {
      await page.goto(address);
      expect(await faults(page, everything)).toEqual([]);
    });
  }
});
