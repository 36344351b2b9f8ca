import { everything, faults } from "./axe.mjs";
import { test, expect, open, plan } from "./bench.mjs";

// The longest file: its tests are dealt to both workers.
test.describe.configure({ mode: "parallel" });

const views = [
  ["the job list", (page) => page.goto("/")],
  ["a page that is not there", (page) => page.goto("/job/nothing/house")],
  ["House, job sheet", (page) => open(page, "house")],
  ["House, a room", (page) => open(page, "house", "room:kitchen")],
  ["House, a wall", (page) => open(page, "house", "wall:kitchen.1")],
  ["House, a level", (page) => open(page, "house", "level:ground")],
  ["House, a building", (page) => open(page, "house", "structure:house")],
  ["House, a door", (page) => open(page, "house", "opening:front-door")],
  ["House, a panel’s place", (page) => open(page, "house", "panel:A")],
  ["Boxes, a switch", (page) => open(page, "boxes", "box:e-sw")],
  ["a new job", (page) => page.goto("/new")],
  ["the house rules", (page) => page.goto("/job/demo/rules")],
  ["the meter", (page) => page.goto("/meter")],
  ["Boxes, tags", (page) => open(page, "boxes")],
  ["Boxes, a box", (page) => open(page, "boxes", "box:heat-pump")],
  ["Circuits, a circuit", (page) => open(page, "circuits", "circuit:laundry")],
  [
    "Circuits, a box with everything open",
    async (page) => {
      await open(page, "circuits", "box:k-counter-r1");
      await page.locator(".card details").evaluateAll((all) => all.forEach((d) => (d.open = true)));
      await page.getByRole("checkbox", { name: /kettle/ }).check();
      await page.getByText(/through 20 A/).waitFor();
    },
  ],
  [
    "Circuits, an opened breaker",
    async (page) => {
      await open(page, "circuits", "circuit:kitchen-lights");
      await page.getByRole("button", { name: /Open its breaker/ }).click();
      await page.getByText("dark", { exact: true }).first().waitFor();
    },
  ],
  [
    "the divisions",
    async (page) => {
      await page.goto("/job/demo/divisions");
      await page.getByLabel("Look for").selectOption("5");
      await page.getByRole("button", { name: "Find a better division" }).click();
      await page.getByRole("button", { name: "Keep it to compare" }).click();
      await page.getByRole("columnheader", { name: "Better division" }).waitFor();
    },
  ],
  ["the editions", (page) => page.goto("/job/demo/editions")],
  ["Runs, a run", (page) => open(page, "runs", "run:@A~k-range")],
  ["Panel", (page) => open(page, "panel")],
  ["Panel, a circuit", (page) => open(page, "panel", "circuit:car")],
  ["the page money", (page) => page.goto("/job/demo/money")],
  ["the history", (page) => page.goto("/job/demo/history?from=1")],
  ["practice", (page) => page.goto("/learn")],
  ["a box made up by hand", (page) => page.goto("/learn/gfci?joints=A.BK~0.Hot,B.BK~A.WH&held=A.G")],
  ["a breaker landed by hand", (page) => page.goto("/learn/subpanel?on=true&Black=Breaker&screw=in")],
  ["a nail looked for", (page) => page.goto("/learn/find-3?looks=3,5&said=x")],
  ["a question", (page) => page.goto("/learn/tester?seed=3&said=1&hints=2")],
  ["readings on Site", (page) => page.goto("/job/demo/site?view=readings")],
  ["Prove, everything tried", (page) => page.goto("/job/demo/prove?view=all")],
  ["Prove, measured", (page) => page.goto("/job/demo/prove?circuit=laundry&on=b-r&instrument=Ohms&one=A.BK&other=A.WH")],
  ["Prove, switched on", (page) => page.goto("/job/demo/prove?circuit=laundry&level=ground&on=b-r&plug=b-r.Kettle")],
  ["Prove, before board", (page) => page.goto("/job/demo/prove?view=board")],
  ["Prove, looked for", (page) => page.goto("/job/demo/prove?circuit=laundry&view=find&seen=0.Works,1.Dead")],
  ...["prints/A", "find/A", "find/A?room=kitchen", "load", "material", "walls", "marks", "places/A", "make-up/A", "box/k-island"].map(
    (at) => [`the page ${at}`, (page) => page.goto(`/job/demo/${at}`)],
  ),
  ...["help", "help/lines", "help/words", "help?q=reset", "help?q=nothing-says-this", "bench", "bench/drop"].map((at) => [
    `/${at}`,
    (page) => page.goto(`/${at}`),
  ]),
  ...["house", "boxes", "circuits", "runs", "panel"].map((stage) => [
    `${stage} of a job just begun`,
    async (page) => {
      await page.goto("/new");
      await page.getByLabel("Name", { exact: true }).fill("Just begun");
      await page.getByRole("button", { name: /Start/ }).click();
      await page.getByRole("navigation", { name: "Stages" }).waitFor();
      await page.goto(page.url().replace("/house", `/${stage}`));
    },
  ]),
];

test.describe(() => {
  test.use({ looksOnly: true });
  for (const [name, go] of views) {
    test(`axe finds nothing on ${name}`, async ({ page }) => {
      if (name.includes("not there")) page.removeAllListeners("console");
      await go(page);
      await expect(page.locator("main")).toBeVisible();
      expect(await faults(page, everything)).toEqual([]);
    });
  }
});

for (const [device, width, height] of [
  ["a phone", 390, 844],
  ["a tablet", 820, 1180],
]) {
  test(`nothing runs off the side of ${device}`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    for (const stage of ["panel", "circuits", "boxes"]) {
      await open(page, stage, "box:k-island");
      expect(await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth), stage).toBeLessThanOrEqual(0);
      expect(
        await page
          .locator("a.row, .chip, .act")
          .evaluateAll((all) => all.filter((e) => e.offsetParent && e.getBoundingClientRect().height < 44).length),
        stage,
      ).toBe(0);
    }
  });
}

test("on the drawing no name covers another", async ({ page }) => {
  await open(page, "circuits");
  for (const level of ["Ground", "Upper", "Greenhouse"]) {
    await page.getByRole("navigation", { name: "Levels" }).getByRole("link", { name: level }).click();
    await expect(page.getByRole("navigation", { name: "Levels" }).getByRole("link", { name: level })).toHaveAttribute(
      "aria-current",
      "true",
    );
    const rects = await plan(page)
      .locator(".room-name, .number")
      .evaluateAll((all) =>
        all
          .filter((t) => t.checkVisibility({ visibilityProperty: true }))
          .map((t) => ({ text: t.textContent, ...t.getBoundingClientRect().toJSON() })),
      );
    // What gives way is little: nine of ten words stand.
    expect(rects.length, level).toBeGreaterThan((await plan(page).locator(".room-name, .number").count()) * 0.9);
    const clashes = rects.flatMap((a, i) =>
      rects
        .slice(0, i)
        .filter((b) => a.left + 1 < b.right && b.left + 1 < a.right && a.top + 3 < b.bottom && b.top + 3 < a.bottom)
        .map((b) => `${a.text} / ${b.text}`),
    );
    expect(clashes, level).toEqual([]);
  }
});
