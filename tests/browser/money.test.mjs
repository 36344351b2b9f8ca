// An estimate, a larger appliance, and the change order for it, as a person does it.
import { test, expect, open, card } from "./bench.mjs";

test("a range that arrives larger is a change order in three acts", async ({ page }) => {
  await page.goto("/job/demo/money");
  await expect(page.getByText("These prices and hours are made up.")).toBeVisible();
  await page.getByLabel("Sales tax on material, %").fill("8");
  await page.getByRole("button", { name: "Work it out on these terms" }).click();
  await page.getByRole("button", { name: "Write it down as an estimate" }).click();
  await expect(page.getByRole("status")).toContainText("Estimate 1 is written");

  // One: the plate says 60 A.
  await open(page, "boxes", "box:k-range");
  const breaker = card(page).getByLabel(/breaker/i).first();
  await breaker.fill("60");
  await breaker.press("Enter");
  await expect(page.getByRole("status")).toContainText("60 A");
  // Two and three: what it costs, and down on paper.
  await page.goto("/job/demo/money");
  await page.getByLabel("Asked for, by whom and why").fill("The range that came is a 60 A one");
  await page.getByRole("button", { name: "What the change costs" }).click();
  await expect(page.getByRole("heading", { name: /^From revision \d+ to revision \d+$/ })).toBeVisible();
  await page.getByRole("button", { name: "Write it down as a change order" }).click();
  await expect(page.getByRole("status")).toContainText("Change order 2 is written");
  const row = page.getByRole("row", { name: /Change order 2/ });
  await expect(row).toContainText("The range that came is a 60 A one");
  // The tax that was written last is the tax of the next.
  await expect(page.getByLabel("Sales tax on material, %")).toHaveValue("8");
  const [pdf] = await Promise.all([page.waitForEvent("popup"), row.getByRole("link", { name: "PDF of paper 2" }).click()]);
  await pdf.close();
});
