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
