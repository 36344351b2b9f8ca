// A house said line by line, by the keyboard alone, on a new job.
import { test, expect, card, ledger, said } from "./bench.mjs";

const lines = [
  ["mudroom 8 x 7-6 east of garage, south end", `Add Mudroom, 8'-0" × 7'-6" inside`],
  ["kitchen 13 x 12 east of mudroom, south end", `Add Kitchen, 13'-0" × 12'-0" inside`],
  ["hall 5 x 3-6 north of kitchen", `Add Hall, 5'-0" × 3'-6" inside`],
  ["door 2-8 garage to mudroom", "Set a door of 2'-8\""],
  ["range 30 east of kitchen", "Put a range into Kitchen with its outlet"],
];

test("a house is said line by line: a ghost while it is typed, sizes as they were said", async ({ page }) => {
  await page.goto("/new");
  await page.getByLabel("Name", { exact: true }).fill("Said house");
  await page.locator("[name=use]").selectOption("Garage");
  await page.locator("[name=first]").fill("Garage");
  await page.locator("[name=width]").fill("20-0");
  await page.locator("[name=depth]").fill("22-0");
  await page.getByRole("button", { name: "Start the job" }).click();
  await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
  const field = page.getByLabel("Say it in a line");
  await field.focus();
  for (const [line, says] of lines) {
    await page.keyboard.type(line);
    await expect(page.locator("#ghost")).toHaveCount(1);
    await page.keyboard.press("Enter");
    await expect(said(page)).toContainText(says);
    await expect(field).toHaveValue("");
    await expect(field).toBeFocused();
  }
  await expect(ledger(page)).toContainText("House · 4 rooms");
  for (const [room, size] of [
    ["Mudroom", `8'-0" × 7'-6"`],
    ["Kitchen", `13'-0" × 12'-0"`],
    ["Hall", `5'-0" × 3'-6"`],
    ["Garage", `20'-0" × 22'-0"`],
  ])
    await expect(ledger(page).getByRole("link", { name: new RegExp(`^${room}`) })).toContainText(size);
  await expect(card(page).getByRole("heading", { name: "range" })).toBeVisible();
});

test("what is typed before the page is ready is heard when it is", async ({ page }) => {
  let go;
  const typed = new Promise((r) => (go = r));
  await page.route("**/js/say.*", async (route) => {
    await typed;
    await route.continue();
  });
  await page.goto("/job/demo/house", { waitUntil: "commit" });
  await page.getByLabel("Say it in a line").fill("door 2-8 nowhere to mudroom");
  go();
  await expect(page.locator("#heard")).toContainText("nowhere");
});

test("what is not understood stays in the field and is said; Escape lets go; the arrow brings the last line back", async ({ page }) => {
  await page.goto("/job/demo/house?level=ground");
  await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
  const field = page.getByLabel("Say it in a line");
  await field.fill("window 3-0 south of the moon");
  await expect(page.locator("#heard")).toContainText("No room is called “moon”");
  await field.press("Enter");
  await expect(said(page)).toContainText("No room is called “moon”");
  await expect(field).toHaveValue("window 3-0 south of the moon");
  await field.fill("window 2-0 east of dining");
  await expect(page.locator("#ghost")).toHaveCount(1);
  await field.press("Enter");
  await expect(said(page)).toContainText("Set a window of 2'-0\"");
  await field.press("ArrowUp");
  await expect(field).toHaveValue("window 2-0 east of dining");
  await field.press("Escape");
  await expect(field).toHaveValue("");
  await expect(page.locator("#ghost")).toHaveCount(0);
  await page.keyboard.press("z");
  await expect(said(page)).toContainText("Undo");
});

test("Esc lets go of the tool from a list, and counts on the strip open the list of tags", async ({ page }) => {
  await page.goto("/job/demo/house?level=ground&on=room:kitchen");
  await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
  await page.getByLabel("More to set into the house").selectOption({ label: "sofa" });
  await expect(page.locator("#tool-says")).toHaveText(/^Sofa: /);
  await page.getByLabel("More to set into the house").focus();
  await page.keyboard.press("Escape");
  await expect(page.locator("#tool-says")).toHaveText("");
  await expect(page.getByRole("button", { name: "Select", exact: true })).toHaveAttribute("aria-pressed", "true");
  await page.keyboard.press("Escape");
  await expect(card(page).getByRole("heading", { name: "Kitchen" })).toHaveCount(0);
  await page.getByRole("link", { name: /^Tags of Boxes/ }).click();
  await expect(card(page).getByRole("heading", { name: "Boxes, tags" })).toBeVisible();
});

test("a room is furnished in one act and emptied by one undo", async ({ page }) => {
  await page.goto("/job/demo-crawl/house?on=room:closet-2");
  await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
  await card(page).getByRole("button", { name: "Furnish it: shelf" }).click();
  await expect(said(page)).toContainText(/Furnish .* with shelf/);
  await expect(page.getByRole("link", { name: /shelf/ })).not.toHaveCount(0);
  await page.keyboard.press("z");
  await expect(said(page)).toContainText("Undo");
});

test("lines typed faster than they are drawn are all drawn, in turn; what is refused comes back", async ({ page }) => {
  await page.goto("/new");
  await page.getByLabel("Name", { exact: true }).fill("Fast");
  await page.locator("[name=use]").selectOption("Garage");
  await page.getByRole("button", { name: "Start the job" }).click();
  await expect(page.locator("html")).toHaveAttribute("data-ready", "true");
  await page.route("**/job/**", async (route) => {
    if (route.request().method() === "POST") await new Promise((arrived) => setTimeout(arrived, 600));
    return route.fallback();
  });
  await page.getByLabel("Say it in a line").focus();
  for (const line of ["mudroom 8x7-6 e garage", "kitchen 13x12 e mudroom", "doors", "garage opener in garage", "sofa in the moon"]) {
    await page.keyboard.type(line);
    await page.keyboard.press("Enter");
  }
  await expect(said(page)).toContainText("No room is called “moon”");
  await expect(page.getByLabel("Say it in a line")).toHaveValue("sofa in the moon");
  await expect(ledger(page)).toContainText("House · 3 rooms");
  await expect(ledger(page).getByRole("link", { name: /^Kitchen/ })).toContainText("13'-0\" × 12'-0\"");
  await expect(page.getByText("no door")).toHaveCount(0);
});
