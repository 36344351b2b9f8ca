// What is worked out under the hand and on the server as well: both are held to tests/browser/twins.json, here and in the core’s tests.
import { readFileSync } from "node:fs";
import { test, expect, open } from "./bench.mjs";

const twins = JSON.parse(readFileSync(new URL("twins.json", import.meta.url), "utf8"));

test("lengths are written under the hand as the server writes them", async ({ page }) => {
  await open(page, "house");
  const written = await page.evaluate(
    async (all) => {
      const { feet } = await import("/js/lengths.js");
      return all.map(({ inches }) => feet(inches));
    },
    twins.feet,
  );
  expect(written).toEqual(twins.feet.map(({ text }) => text));
});

test("lengths in meters are written under the hand as the server writes them", async ({ page }) => {
  await open(page, "house");
  const written = await page.evaluate(
    async (all) => {
      const { metres } = await import("/js/lengths.js");
      return all.map(({ inches }) => metres(inches));
    },
    twins.metres,
  );
  expect(written).toEqual(twins.metres.map(({ text }) => text));
});

test("in a house drawn in meters an arrow moves a box by a centimeter, and by ten", async ({ page }) => {
  await page.goto("/job/demo-villa/boxes");
  await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
  await page.getByRole("link", { name: "Kitchen counter 1 twin socket" }).click();
  const offset = page.getByRole("textbox", { name: /^Offset on wall/ });
  const inMetres = async () => {
    const [, number, unit] = (await offset.inputValue()).match(/^([\d.]+) (m|mm)$/);
    return Number(number) / (unit === "mm" ? 1000 : 1);
  };
  const drawn = await offset.inputValue();
  // The first lands on a whole centimeter.
  await page.keyboard.press("ArrowRight");
  await expect(offset).not.toHaveValue(drawn);
  const before = await inMetres();
  expect(Math.round(before * 1000) % 10).toBe(0);
  await page.keyboard.press("ArrowRight");
  await expect.poll(async () => Math.round((Math.abs((await inMetres()) - before)) * 1000)).toBe(10);
  const moved = await inMetres();
  await page.keyboard.press("Shift+ArrowRight");
  await expect.poll(async () => Math.round((Math.abs((await inMetres()) - moved)) * 1000)).toBe(100);
});

test("a wall is cut under the hand into what each receptacle serves as the server cuts it", async ({ page }) => {
  await open(page, "boxes");
  const cut = await page.evaluate(
    async (all) => {
      const { stretches } = await import("/js/coverage.js");
      return all.map(({ at, ...wall }) => stretches({ ...wall, at: at.map((along, i) => [`r${i}`, along]) }));
    },
    twins.coverage,
  );
  expect(cut).toEqual(twins.coverage.map(({ cut }) => cut));
});

test("an opened breaker leaves dark what the server says", async ({ page }) => {
  await open(page, "circuits");
  await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
  for (const { circuit, level, note } of twins.darkness) {
    await page.goto(`/job/demo/circuits?level=${level}&on=circuit:${circuit}`);
    await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
    await page.keyboard.press("Space");
    await expect(page.locator("#lit-note")).toHaveText(new RegExp(`open: ${note}$`));
  }
});
