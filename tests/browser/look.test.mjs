import { test, expect, open, ledger, card, trace, plan } from "./bench.mjs";

test("opens the demo from the list and walks the stages", async ({ page }) => {
  await page.getByRole("link", { name: /14 Fernhollow Rise/ }).click();
  await expect(page.getByRole("heading", { name: "14 Fernhollow Rise" })).toBeVisible();
  for (const stage of ["Boxes", "Circuits", "Runs", "Panel", "House"]) {
    await page.getByRole("navigation", { name: "Stages" }).getByRole("link", { name: stage, exact: true }).click();
    await expect(page.getByRole("navigation", { name: "Stages" }).getByRole("link", { name: stage, exact: true })).toHaveAttribute(
      "aria-current",
      "page",
    );
  }
  // Prove and Site are pages of their own, Site for a phone.
  await page.getByRole("navigation", { name: "Stages" }).getByRole("link", { name: "Prove", exact: true }).click();
  await expect(page.getByRole("heading", { name: "14 Fernhollow Rise: switched on" })).toBeVisible();
  await page.goBack();
  await page.getByRole("navigation", { name: "Stages" }).getByRole("link", { name: "Site", exact: true }).click();
  await expect(page.getByRole("main")).toContainText("0 of 142 runs pulled");
});

test("shows both storeys and the greenhouse to scale", async ({ page }) => {
  await open(page, "house");
  for (const [level, room] of [
    ["Ground", "Kitchen"],
    ["Upper", "Bedroom 4"],
    ["Greenhouse", "Potting room"],
  ]) {
    await page.getByRole("navigation", { name: "Levels" }).getByRole("link", { name: level }).click();
    await expect(plan(page).getByText(room, { exact: true })).toBeVisible();
  }
});

test("a box picked in the ledger is picked on the plan, and its trace leads from the breaker", async ({ page }) => {
  await open(page, "boxes");
  await ledger(page)
    .getByRole("link", { name: /^Kitchen island/ })
    .click();
  await expect(card(page).getByRole("heading", { name: "Kitchen island" })).toBeVisible();
  await expect(page.locator("#plan .chosen[data-box=k-island]")).toBeVisible();
  const stations = await trace(page).getByRole("listitem").allTextContents();
  expect(stations[0]).toMatch(/^Panel A · \d+, 120\.0? ?V|^Panel A · \d+, 120 V left/);
  expect(stations.some((s) => /Kitchen island: \d+ ft of 12-2, [\d.]+ A, [\d.]+ V left, ground fault resets at the panel/.test(s))).toBe(
    true,
  );
  expect(stations.at(-1)).toContain("END");
});

test("a box picked on the plan is picked in the ledger of every stage", async ({ page }) => {
  await open(page, "boxes");
  await plan(page)
    .getByRole("link", { name: /^Kitchen island, circuit/ })
    .click();
  await expect(ledger(page).getByRole("link", { name: /^Kitchen island/ })).toHaveAttribute("aria-current", "true");
  await page.getByRole("navigation", { name: "Stages" }).getByRole("link", { name: "Circuits", exact: true }).click();
  await expect(ledger(page).locator(".circuit[aria-current=true]")).toContainText("Kitchen counter");
  await expect(ledger(page).getByRole("link", { name: /^Kitchen island/ })).toHaveAttribute("aria-current", "true");
  await page.getByRole("navigation", { name: "Stages" }).getByRole("link", { name: "Panel", exact: true }).click();
  await expect(page.getByRole("region", { name: "Panel schedule" }).locator("[aria-current=true]").last()).toContainText("Kitchen counter");
});

test("a touch picks a box", async ({ browser, baseURL }) => {
  const context = await browser.newContext({ hasTouch: true, baseURL, viewport: { width: 1024, height: 768 } });
  const page = await context.newPage();
  await open(page, "boxes");
  await plan(page)
    .getByRole("link", { name: /^Dining pendant, circuit/ })
    .tap();
  await expect(card(page).getByRole("heading", { name: "Dining pendant" })).toBeVisible();
  await context.close();
});

test("the keyboard alone picks, changes stage and level, and puts down", async ({ page }) => {
  await open(page, "boxes");
  const row = ledger(page).getByRole("link", { name: /^Dining pendant/ });
  await row.focus();
  await page.keyboard.press("Enter");
  await expect(card(page).getByRole("heading", { name: "Dining pendant" })).toBeVisible();
  await page.keyboard.press("3");
  await expect(page.getByRole("heading", { name: /^Circuits · / })).toBeVisible();
  await page.keyboard.press("]");
  await expect(page.getByRole("navigation", { name: "Levels" }).getByRole("link", { name: "Upper" })).toHaveAttribute(
    "aria-current",
    "true",
  );
  await page.keyboard.press("Escape");
  await expect(trace(page)).toHaveCount(0);
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeHidden();
});

test("zoom, fit and dimensions stay as they were set while the bench changes around them", async ({ page }) => {
  await open(page, "boxes", "box:f-r2");
  const view = () => page.locator("#plan").getAttribute("viewBox");
  const whole = await view();
  await page.getByRole("button", { name: "Zoom in" }).click();
  const near = await view();
  expect(Number(near.split(" ")[2])).toBeLessThan(Number(whole.split(" ")[2]));
  await page.getByRole("button", { name: "Dimensions" }).click();
  await expect(plan(page).locator(".dimension").first()).toBeVisible();
  await card(page)
    .getByLabel(/^Offset/)
    .fill("3-0");
  await card(page).getByRole("button", { name: "Move" }).click();
  await expect(page.getByRole("status")).toContainText("Move");
  expect(await view()).toBe(near);
  await expect(page.getByRole("button", { name: "Dimensions" })).toHaveAttribute("aria-pressed", "true");
  // With its dimensions the drawing is the whole sheet; without them Fit leaves no margin for them.
  await page.getByRole("button", { name: "Fit" }).click();
  expect(await view()).toBe(whole);
  await page.getByRole("button", { name: "Dimensions" }).click();
  await page.getByRole("button", { name: "Fit" }).click();
  const filled = await page.evaluate(() => {
    const sheet = document.getElementById("plan").getBoundingClientRect();
    const drawn = [...document.querySelectorAll("#plan .box, #plan .wall-edge")].map((e) => e.getBoundingClientRect());
    const [left, right] = [Math.min(...drawn.map((r) => r.left)), Math.max(...drawn.map((r) => r.right))];
    const [top, bottom] = [Math.min(...drawn.map((r) => r.top)), Math.max(...drawn.map((r) => r.bottom))];
    const inside = left >= sheet.left && right <= sheet.right && top >= sheet.top && bottom <= sheet.bottom;
    return inside ? Math.max((right - left) / sheet.width, (bottom - top) / sheet.height) : 0;
  });
  expect(filled).toBeGreaterThan(0.93);
});

test("every figure of a circuit answers why", async ({ page }) => {
  await open(page, "circuits", "circuit:k-range");
  await expect(card(page).getByText("50 A, two poles, GF")).toBeVisible();
  for (const [question, answer] of [
    ["Why 6 AWG", "Table 310.16"],
    ["Why GF", "210.8"],
    ["Why 50 A", "Table 220.55"],
    ["Why these boxes together", "240 V equipment"],
    ["Why space", "240.15(B)"],
  ]) {
    const why = card(page).getByRole("group").filter({ hasText: question }).first();
    if (!(await why.getAttribute("open").then((o) => o !== null))) await why.getByText(question).first().click();
    await expect(why).toContainText(answer);
  }
  await open(page, "runs", "circuit:k-range");
  await ledger(page)
    .getByRole("link", { name: /^Panel A → Induction range/ })
    .click();
  await expect(card(page).getByText(/^Why \d+ ft/)).toBeVisible();
  await expect(card(page)).toContainText("house rules: make-up, slack");
});

for (const [width, height] of [
  [1280, 800],
  [1024, 768],
  [390, 844],
]) {
  test(`nothing lies over a control of the head or the plan, none is cut off: ${width} × ${height}`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    for (const key of ["demo", "demo-crawl", "demo-basement"])
      for (const stage of ["house", "boxes", "circuits", "runs"]) {
        await page.goto(`/job/${key}/${stage}`);
        await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
        const hidden = await page.evaluate(() =>
          [...document.querySelectorAll(".strip a, .plan-side .bar :is(a, button), .say :is(textarea, button), .tools :is(button, select)")]
            .filter((e) => e.checkVisibility())
            .filter((e) => {
              e.scrollIntoView({ block: "center" });
              const r = e.getBoundingClientRect();
              const at = document.elementFromPoint(r.x + r.width / 2, r.y + r.height / 2);
              return r.left < -1 || r.right > innerWidth + 1 || !(at === e || e.contains(at));
            })
            .map((e) => e.textContent.trim() || e.ariaLabel),
        );
        expect(hidden, `${key} ${stage}`).toEqual([]);
      }
  });
}

test("words on the plan are 9 px at least and lie on no other word, on four floors at three zooms", async ({ page }) => {
  for (const at of ["demo/circuits", "demo/runs?level=upper", "demo-crawl/circuits", "demo-basement/boxes"]) {
    await page.goto(`/job/${at}`);
    await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
    for (const [button, times] of [
      ["Fit", 1],
      ["Zoom out", 2],
      ["Zoom in", 4],
    ]) {
      for (let i = 0; i < times; i++) await page.getByRole("button", { name: button }).click();
      const found = await page.evaluate(async () => {
        await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
        const kinds = ["room-name", "room-size", "panel-name", "number", "fixture-name", "unserved-far"];
        const words = [...document.querySelectorAll("#plan text")]
          .filter((t) => kinds.some((k) => t.classList.contains(k)) && t.checkVisibility({ visibilityProperty: true }))
          .map((t) => {
            const r = t.getBoundingClientRect();
            // Of a line's height the letters take the middle.
            return { text: t.textContent, size: parseFloat(getComputedStyle(t).fontSize) * t.getScreenCTM().a, left: r.left, right: r.right,
              top: r.top + r.height * 0.25, bottom: r.bottom - r.height * 0.25 };
          });
        const meets = (a, b) => a.left < b.right - 0.5 && b.left < a.right - 0.5 && a.top < b.bottom - 0.5 && b.top < a.bottom - 0.5;
        return {
          words: words.length,
          names: words.filter((w) => /^[A-Z]/.test(w.text)).length,
          small: words.filter((w) => w.size < 8.95).map((w) => `${w.text} ${w.size}`),
          over: words.flatMap((a, i) => words.slice(i + 1).filter((b) => meets(a, b)).map((b) => `${a.text} on ${b.text}`)),
        };
      });
      expect(found, `${at}, ${button}`).toMatchObject({ small: [], over: [] });
      expect(found.names, at).toBeGreaterThan(3);
    }
  }
});
