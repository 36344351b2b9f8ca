// A stranger's first screens, the list and card folded away, what lies under something else, and help.
import { test, expect, open, ledger, card, plan } from "./bench.mjs";

async function begin(page) {
  await page.goto("/new");
  await page.getByLabel("Name", { exact: true }).fill("Just begun");
  await page.getByRole("button", { name: /Start/ }).click();
  await expect(ledger(page).getByRole("heading", { name: "From here to a printed panel" })).toBeVisible();
}

test("five lines say what to do, and go as it is done; each stage says what it waits for", async ({ page }) => {
  await begin(page);
  const steps = ledger(page).getByRole("listitem").filter({ hasText: /^(Draw the rooms|Set doors|On Boxes|Go through|On Panel)/ });
  await expect(steps).toHaveCount(5);
  const stages = page.getByRole("navigation", { name: "Stages" });
  for (const [stage, waits] of [
    ["Circuits", "No boxes yet, so no circuits: they follow as boxes are set"],
    ["Runs", "No boxes yet, so nothing to pull: runs follow as boxes are set"],
    ["Panel", "No boxes yet, so nothing to land: breakers follow as boxes are set"],
  ]) {
    await stages.getByRole("link", { name: stage, exact: true }).click();
    await expect(page.getByRole("list", { name: `What ${stage.toLowerCase()} waits for` })).toContainText(waits);
  }
  // Nothing is called clear that is only empty.
  await expect(stages).toContainText("nothing yet");
  await page.getByRole("link", { name: "Go to Boxes" }).click();
  await page.getByRole("button", { name: "Lay out the whole job by rule" }).click();
  await expect(stages).not.toContainText("nothing yet");
  await stages.getByRole("link", { name: "House", exact: true }).click();
  await expect(ledger(page).getByRole("heading", { name: "From here to a printed panel" })).toHaveCount(0);
});

test("the list and the card fold away and stay folded, by button and by key", async ({ page }) => {
  await open(page, "circuits");
  const wide = async () => (await plan(page).boundingBox()).width;
  const before = await wide();
  await page.getByRole("button", { name: "List", exact: true }).click();
  await expect(ledger(page)).toBeHidden();
  expect(await wide()).toBeCloseTo(before + 330, 0);
  await page.keyboard.press(".");
  await expect(card(page)).toBeHidden();
  expect(await wide()).toBeCloseTo(1280, 0);
  await page.getByRole("navigation", { name: "Stages" }).getByRole("link", { name: "Runs", exact: true }).click();
  await expect(page.getByRole("button", { name: "Card", exact: true })).toHaveAttribute("aria-pressed", "false");
  await expect(card(page)).toBeHidden();
  await page.reload();
  await expect(ledger(page)).toBeHidden();
  await page.keyboard.press(",");
  await page.keyboard.press(".");
  await expect(ledger(page)).toBeVisible();
  expect(await wide()).toBeCloseTo(before, 0);
});

test("pressing what is selected again takes what lies under it", async ({ page }) => {
  await open(page, "house", "room:kitchen");
  const island = plan(page).locator('a[href*="on=fixture%3Akitchen"]').first();
  const box = await island.boundingBox();
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const selected = () => page.locator("#bench").getAttribute("data-selected");
  await page.mouse.click(x, y);
  await expect.poll(selected).not.toBe("room:kitchen");
  const first = await selected();
  await page.mouse.click(x, y);
  await expect.poll(selected).not.toBe(first);
  // Round the whole stack, and back: the sink, and the counter that it is set in.
  const seen = [first, await selected()];
  for (let press = 0; press < 8 && seen.at(-1) !== first; press++) {
    await page.mouse.click(x, y);
    await expect.poll(selected).not.toBe(seen.at(-1));
    seen.push(await selected());
  }
  expect(seen.at(-1)).toBe(first);
  expect(new Set(seen.filter((s) => s.startsWith("fixture:kitchen"))).size).toBe(2);
});

test("help has a page a stage with its picture, and finds a word", async ({ page }) => {
  await open(page, "house");
  await page.keyboard.press("?");
  await page.getByRole("link", { name: "Help, one page a stage" }).click();
  for (const stage of ["House", "Boxes", "Circuits", "Runs", "Panel"]) {
    await page.getByRole("navigation", { name: "Help pages" }).getByRole("link", { name: stage, exact: true }).click();
    await expect(page.getByRole("heading", { name: stage, exact: true })).toBeVisible();
    const picture = page.getByRole("img", { name: new RegExp(`^${stage}, with the first demo house`) });
    await picture.scrollIntoViewIfNeeded();
    await expect.poll(() => picture.evaluate((i) => i.naturalWidth)).toBe(1280);
  }
  await page.getByRole("searchbox", { name: "Look for" }).fill("home run");
  await page.getByRole("button", { name: "Look" }).click();
  await expect(page.getByRole("main")).toContainText("the cable from the panel to the first box of a circuit");
});
