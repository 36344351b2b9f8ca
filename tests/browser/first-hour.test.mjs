// A stranger's first hour, counted: a house of fourteen rooms from blank to the printed door schedule, by what is on the screen. The time
// is that of a model: 1.1 s a click or key command, 0.28 s a character, 1.35 s of thought an act.
import { test, expect, ledger, card, said } from "./bench.mjs";

const ready = (page) => expect(page.locator("html")).toHaveAttribute("data-ready", "true");

const sizes = {
  Garage: [`20'-0" × 22'-0"`],
  Mudroom: [`8'-0" × 7'-6"`, "mudroom 8x7-6 e garage at 4-6"],
  Kitchen: [`13'-0" × 12'-0"`, "kitchen 13x12 e mudroom s"],
  Dining: [`11'-0" × 12'-0"`, "dining 11x12 e kitchen"],
  Hall: [`3'-6" × 20'-0"`, "hall 3-6x20 s kitchen at 5-3"],
  Living: [`18'-0" × 15'-0"`, "living 18x15 e hall"],
  "Bedroom 3": [`11'-0" × 10'-6"`, "bed 3 11x10-6 w hall"],
  "Hall bath": [`8'-0" × 5'-0"`, "hall bath 8x5 w hall at 11"],
  "Bedroom 2": [`11'-0" × 11'-0"`, "bed 2 11x11 s hall bath e"],
  "Main bedroom": [`14'-0" × 15'-0"`, "main bedroom 14x15 s living w"],
  "Main bath": [`10'-0" × 9'-0"`, "main bath 10x9 e main bedroom"],
  "Walk-in": [`6'-0" × 8'-0"`, "walk-in 6x8 s main bath w"],
  "Bedroom 3 closet": [`2'-0" × 5'-0"`, "bed 3 closet 2x5 w bed 3"],
  "Bedroom 2 closet": [`2'-0" × 5'-0"`, "bed 2 closet 2x5 w bed 2"],
};

const lines = {
  openings: [
    "garage door 16-0 s garage",
    "door 3-0 w garage",
    "front door 3-0 e living",
    "back door 3-0 e dining",
    "doors",
    "window 4-0 n kitchen, dining",
    "window 5-0 s bed 2, main bedroom",
    "window 4-0 w bed 3",
    "window 6-0 e living",
  ],
  fixtures: [
    "furnish all",
    "island 6-0x3-0 in kitchen",
    "washer n mudroom",
    "dryer n mudroom",
    "sink n mudroom",
    "shower s main bath",
    "vanity 30 e main bath",
    "fireplace s living",
    "water heater n garage",
  ],
  equipment: [
    "heat pump 23/35 e living",
    "air handler 10 kW w mudroom",
    "charger 40 A s garage",
    "freezer n garage",
    "opener in garage",
    "microwave n kitchen",
    "disposer n kitchen",
    "2 pendants in kitchen",
    "fan in living",
  ],
  shed: ["shed 10x12, 60-0 s house", "2 lights in shed"],
};

/** Acts as a person does them, counted by stage. */
function counter(press = "click") {
  const stages = {};
  let stage;
  let seconds = 0;
  const act = (chars = 0) => {
    stages[stage] = (stages[stage] ?? 0) + 1;
    seconds += 1.35 + 1.1 + chars * 0.28;
  };
  return {
    at: (name) => (stage = name),
    click: async (target) => (act(), target[press]()),
    pick: async (target, option) => (act(), target.selectOption(option)),
    type: async (target, text) => (act(text.length), target.fill(text)),
    sum: () => ({ ...stages, acts: Object.values(stages).reduce((a, b) => a + b, 0), minutes: Math.round(seconds / 6) / 10 }),
    line: async (page, text) => {
      act(text.length);
      await page.keyboard.type(text);
      await page.keyboard.press("Enter");
    },
  };
}

async function drawn(page, person) {
  await page.goto("/new");
  person.at("start");
  await person.type(page.getByLabel("Name", { exact: true }), "First hour");
  await person.pick(page.getByLabel("First room used as"), "garage");
  await person.type(page.getByLabel("Inside, east to west"), "20-0");
  await person.type(page.getByLabel("Inside, north to south"), "22-0");
  await person.pick(page.getByLabel("Panel on its"), "east wall");
  await person.click(page.getByRole("button", { name: "Start the job" }));
  await ready(page);
  person.at("rooms");
  await person.click(page.getByLabel("Say it in a line"));
  // Not waited for: lines are drawn in their turn while the next is typed.
  for (const [, line] of Object.values(sizes)) if (line) await person.line(page, line);
  for (const [stage, said] of Object.entries(lines)) {
    person.at(stage);
    for (const line of said) await person.line(page, line);
  }
  await expect(said(page)).toContainText("Set 2 × lamp on the ceiling of Shed");
  await expect(ledger(page)).toContainText("House · 15 rooms");
}

test("a house of fourteen rooms is drawn, wired and printed in 64 acts and seven minutes", async ({ page }) => {
  const person = counter();
  await drawn(page, person);
  for (const [room, [size]] of Object.entries(sizes))
    await expect(ledger(page).getByRole("link").filter({ has: page.getByText(room, { exact: true }) })).toContainText(size);

  person.at("boxes");
  await person.click(page.getByRole("link", { name: "Boxes", exact: true }));
  await person.click(page.getByRole("button", { name: "Lay out the whole job by rule" }));
  await expect(said(page)).toContainText("Lay out the job by rule");

  person.at("tags");
  // Nothing is red; what is amber is said below.
  for (const stage of ["House", "Boxes", "Circuits", "Runs", "Panel"])
    await expect(page.getByRole("link", { name: new RegExp(`^Tags of ${stage}.*red`) })).toHaveCount(0);
  await person.click(page.getByRole("link", { name: "Circuits", exact: true }));
  await person.click(page.getByRole("link", { name: /^Tags of Runs/ }));
  await expect(card(page)).toContainText("More voltage is lost than the crew wants");
  await person.click(card(page).getByRole("button", { name: /^All of it in 10/ }));
  await expect(said(page)).toContainText("10 AWG");

  person.at("change");
  await person.click(page.getByRole("link", { name: "Boxes", exact: true }));
  await person.click(ledger(page).getByRole("link", { name: /^Range / }));
  await person.type(card(page).getByLabel("Breaker its plate asks for"), "60");
  await person.click(card(page).getByRole("button", { name: "Set the breaker" }));
  await expect(said(page)).toContainText("60 A");

  person.at("panel");
  await person.click(page.getByRole("link", { name: "Panel", exact: true }));
  await expect(card(page)).toContainText("By the standard method the service does not carry the load.");
  await person.click(card(page).getByRole("button", { name: "Write the numbers" }));
  await expect(said(page)).toContainText("Write the space numbers");

  person.at("printing");
  await person.click(page.getByRole("link", { name: "Print, compare, find" }));
  const form = page.locator("form", { has: page.getByRole("button", { name: "5-1/2 × 8-1/2 in, for the door", exact: true }) });
  const door = await page.request.post(new URL(await form.getAttribute("action"), page.url()).href, {
    form: Object.fromEntries(await form.evaluate((f) => [...new FormData(f)])),
  });
  expect((await door.body()).subarray(0, 5).toString()).toBe("%PDF-");
  const runs = page.getByRole("link", { name: "home runs on Letter" });
  expect((await (await page.request.get(new URL(await runs.getAttribute("href"), page.url()).href)).body()).subarray(0, 5).toString()).toBe(
    "%PDF-",
  );
  await person.click(page.getByRole("link", { name: "Material", exact: true }));
  await expect(page.getByRole("heading", { name: /material/i }).first()).toBeVisible();

  const sum = person.sum();
  console.log("first hour:", JSON.stringify(sum));
  // The two sheets are a press each.
  expect(sum.acts + 2).toBeLessThanOrEqual(80);
  expect(sum.minutes).toBeLessThanOrEqual(10);
});

test.describe("on a tablet", () => {
  test.use({ viewport: { width: 1024, height: 768 }, hasTouch: true });

  test("the same house is drawn and laid out by touch", async ({ page }) => {
    const person = counter("tap");
    await drawn(page, person);
    person.at("boxes");
    await person.click(page.getByRole("link", { name: "Boxes", exact: true }));
    await person.click(page.getByRole("button", { name: "Lay out the whole job by rule" }));
    await expect(said(page)).toContainText("Lay out the job by rule");
    for (const stage of ["House", "Boxes", "Circuits", "Runs", "Panel"])
      await expect(page.getByRole("link", { name: new RegExp(`^Tags of ${stage}.*red`) })).toHaveCount(0);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1024);
  });
});
