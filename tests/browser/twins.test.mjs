// What is worked out under the hand and on the server as well: both are held to tests/browser/twins.json, here and in LengthTests.
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
