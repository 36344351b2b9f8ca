import { readFileSync } from "node:fs";
import { test, expect, open, ledger, card, said, footage, plan } from "./bench.mjs";

test("a box is moved by keyboard, footage and ledger follow, undo takes it back", async ({ page }) => {
  await open(page, "circuits");
  const before = await footage(page);
  await open(page, "boxes", "box:f-r3");
  await expect(ledger(page).locator("[data-row=f-r3]")).toContainText(`wall 2 at 7'-8"`);
  await page.keyboard.press("Shift+ArrowRight");
  await expect(ledger(page).locator("[data-row=f-r3]")).toContainText(`wall 2 at 9'-0"`);
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowRight");
  await expect(ledger(page).locator("[data-row=f-r3]")).toContainText(`wall 2 at 9'-3"`);
  await expect(said(page)).toContainText("Move Family room receptacle");
  await page.keyboard.press("3");
  await expect(page.getByRole("heading", { name: /^Circuits · / })).toBeVisible();
  expect(await footage(page)).not.toBe(before);
  while (await page.getByRole("button", { name: /^Undo “Move/ }).isVisible()) {
    const revision = Number(await page.locator("#bench").getAttribute("data-revision"));
    await page.keyboard.press("z");
    await expect(page.locator("#bench")).toHaveAttribute("data-revision", String(revision + 1));
  }
  expect(await footage(page)).toBe(before);
  await page.keyboard.press("2");
  await expect(ledger(page).locator("[data-row=f-r3]")).toContainText(`wall 2 at 7'-8"`);
});

test("a box is dragged along its wall with its offset read out, and only along it", async ({ page }) => {
  await open(page, "boxes");
  const box = plan(page).getByRole("link", { name: /^Family room receptacle 5, circuit/ });
  const at = await box.locator(".hit").boundingBox();
  const [x, y] = [at.x + at.width / 2, at.y + at.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 30, y - 40, { steps: 4 });
  await page.mouse.move(x + 60, y - 60, { steps: 4 });
  await expect(page.locator("#readout")).toHaveText(/^\d+'-\d+"$/);
  const read = await page.locator("#readout").textContent();
  await page.mouse.up();
  await expect(ledger(page).locator("[data-row=f-r5]")).toContainText(`wall 4 at ${read}`);
  await expect(said(page)).toContainText("Move Family room receptacle");
  await expect(card(page).getByLabel(/^Offset/)).toHaveValue(read);
});

test("another edition changes protection in place", async ({ page }) => {
  await open(page, "house");
  await card(page).getByLabel("Code book").selectOption("2017");
  await expect(said(page)).toContainText("Plan by the 2017 edition");
  await expect(said(page)).toContainText(/protection of \d+ circuits changed/);
  await page.keyboard.press("3");
  await expect(ledger(page).locator("[data-circuit=l-dryer]")).toHaveText(/10-3 · 27 ft\s/);
  await page.getByRole("button", { name: /^Undo “Plan by the 2017 edition”/ }).click();
  await expect(ledger(page).locator("[data-circuit=l-dryer]")).toContainText("10-3 · 27 ft · GF");
});

test("a school changes the circuits", async ({ page }) => {
  await open(page, "house");
  await card(page).getByLabel("Bedrooms").selectOption({ label: "one circuit each" });
  await expect(said(page)).toContainText(/\+\d+ breakers?/);
});

test("a larger range is one field, and its breaker and cable follow", async ({ page }) => {
  await open(page, "house");
  await card(page).getByLabel("Range").selectOption({ label: "the smallest that carries it" });
  await expect(said(page)).toContainText("Induction range, kitchen now 40 A on 8-3");
  await open(page, "boxes", "box:k-range");
  await card(page)
    .getByLabel(/^Nameplate load/)
    .fill("18 kW");
  await card(page)
    .getByRole("group", { name: /^Device 1/ })
    .getByRole("button", { name: "Set the load" })
    .click();
  await expect(said(page)).toContainText("Induction range, kitchen now 45 A on 6-3");
});

test("a pinned breaker is kept, tagged, and freed by the tag's own button", async ({ page }) => {
  await open(page, "circuits", "circuit:laundry");
  await card(page).getByText("Pins: hold your own choice").click();
  await card(page)
    .getByLabel(/^Breaker/)
    .selectOption("30 A");
  await expect(card(page).getByRole("heading", { name: /15 and 20 A receptacles are behind a 30 A breaker/ })).toBeVisible();
  await expect(ledger(page).locator(".circuit[data-circuit=laundry]")).toContainText("30A");
  await card(page).getByRole("button", { name: "Free the breaker" }).first().click();
  await expect(card(page).getByRole("heading", { name: /receptacles are behind/ })).toHaveCount(0);
});

test("a tag's fix puts the bath back on its own circuit", async ({ page }) => {
  await open(page, "circuits", "circuit:laundry");
  await card(page).getByRole("button", { name: "Unpin Bath basin receptacle" }).first().click();
  await expect(said(page)).toContainText("2 red tags fewer");
});

test("a box is added, changed and deleted", async ({ page }) => {
  await open(page, "boxes", "room:study");
  await page.getByText("Add a box").click();
  await ledger(page)
    .getByLabel(/^Offset/)
    .fill("1-6");
  await ledger(page).getByLabel(/^Wall/).selectOption("2");
  await ledger(page).getByRole("button", { name: "Add" }).click();
  await expect(page.getByRole("heading", { name: "Boxes · 141" })).toBeVisible();
  await card(page).getByLabel("Kind").selectOption("GFCI receptacle");
  await expect(said(page)).toContainText("a GFCI receptacle");
  await card(page).getByRole("button", { name: "Delete this box" }).click();
  await expect(page.getByRole("heading", { name: "Boxes · 140" })).toBeVisible();
});

test("what cannot be read is said in one line and stays in its field", async ({ page }) => {
  await open(page, "boxes", "box:f-r2");
  await card(page)
    .getByLabel(/^Offset/)
    .fill("three feet");
  await card(page).getByRole("button", { name: "Move" }).click();
  await expect(said(page)).toContainText("“three feet” is no length; write it like");
  await expect(card(page).getByLabel(/^Offset/)).toHaveValue("three feet");
});

test("of two people at one job the second is told, and can go on top", async ({ page, context }) => {
  // A window that hears nothing of the others.
  await page.route("**/events", (route) => route.fulfill({ status: 204 }));
  await open(page, "boxes", "box:f-r1");
  const other = await context.newPage();
  await open(other, "boxes", "box:f-r2");
  await card(other)
    .getByLabel(/^Offset/)
    .fill("3-0");
  await card(other).getByRole("button", { name: "Move" }).click();
  await expect(said(other)).toContainText("Move Family room receptacle");
  await card(page)
    .getByLabel(/^Offset/)
    .fill("2-0");
  await card(page).getByRole("button", { name: "Move" }).click();
  await expect(said(page)).toContainText(/Not saved: crew was first with revision \d+/);
  await page.getByRole("button", { name: "Apply mine on top" }).click();
  await expect(ledger(page).locator("[data-row=f-r1]")).toContainText(`at 2'-0"`);
  await expect(ledger(page).locator("[data-row=f-r2]")).toContainText(`at 3'-0"`);
});

test("the schedule as CSV is the schedule on the page", async ({ page }) => {
  await open(page, "panel");
  const download = page.waitForEvent("download");
  await page.getByRole("link", { name: "CSV" }).click();
  const lines = readFileSync(await (await download).path(), "utf8")
    .trim()
    .split("\n")
    .slice(1)
    .map((l) => [...l.matchAll(/("([^"]*)"|[^,]*)(,|$)/g)].map((m) => m[2] ?? m[1]));
  const schedule = page.getByRole("region", { name: "Panel schedule" });
  const onPage = await schedule.getByRole("link").evaluateAll((links) =>
    links
      .filter((a) => a.dataset.circuit)
      .map((a) => ({
        circuit: a.dataset.circuit,
        description: a.querySelector("b").textContent,
        amps: a.closest("tr").querySelectorAll(".breaker")[
          a.closest("td").previousElementSibling?.classList.contains("handle") ? a.closest("tr").querySelectorAll(".breaker").length - 1 : 0
        ].textContent,
        mark: a.querySelector("i").textContent,
      })),
  );
  const inFile = lines.filter((l) => l[0] === "A");
  expect(onPage.length).toBe(inFile.length);
  for (const row of onPage) {
    const line = inFile.find((l) => l[3] === row.circuit);
    expect([line[4], line[5], line[6]]).toEqual([row.description, row.amps, row.mark]);
  }
});

test("the door schedule prints as a PDF of two Letter pages", async ({ page }) => {
  const pdf = await page.request.get("/job/demo/file/schedule.pdf");
  expect(pdf.headers()["content-type"]).toBe("application/pdf");
  expect((await pdf.body()).subarray(0, 5).toString()).toBe("%PDF-");
});

test("a bad file is refused with one message and the list is unharmed", async ({ page }) => {
  await page.goto("/");
  await page
    .getByLabel(/circuitum.json/)
    .setInputFiles({ name: "broken.json", mimeType: "application/json", buffer: Buffer.from('{"format":"circuitum-job","version":1') });
  await page.getByRole("button", { name: "Bring it in" }).click();
  await expect(page.getByRole("alert")).toContainText("“broken.json” was not taken. Line 1");
  await expect(page.getByRole("link", { name: /14 Fernhollow Rise/ })).toBeVisible();
});
