// A fresh demo for each test, and two laws for all of them: no console error, and no request that leaves the machine.
import { test as base, expect } from "@playwright/test";

export { expect };

// The server of this worker.
export const served = base.extend({
  baseURL: async ({}, use, info) => use(`http://127.0.0.1:${Number(process.env.BROWSER_TEST_PORT) + info.parallelIndex}`),
});

export const test = served.extend({
  page: async ({ page, baseURL }, use) => {
    const errors = [];
    const strangers = [];
    page.on("console", (m) => m.type() === "error" && !/status of 4(09|13|22)/.test(m.text()) && errors.push(m.text()));
    page.on("pageerror", (e) => errors.push(String(e)));
    page.on("request", (r) => !r.url().startsWith(baseURL) && !r.url().startsWith("data:") && strangers.push(r.url()));
    await page.goto("/");
    await page.getByRole("button", { name: "Reset the demo" }).click();
    await use(page);
    expect(errors, "console errors").toEqual([]);
    expect(strangers, "requests that leave the machine").toEqual([]);
  },
});

/** Opens a stage of the demo, with something selected. */
export async function open(page, stage, on) {
  await page.goto(`/job/demo/${stage}${on ? `?on=${encodeURIComponent(on)}` : ""}`);
}

export const ledger = (page) => page.getByRole("region", { name: "Ledger" });
export const card = (page) => page.getByRole("complementary", { name: "Card" });
export const trace = (page) => page.getByRole("region", { name: "Trace" });
export const said = (page) => page.getByRole("status");
export const plan = (page) => page.getByRole("region", { name: "Plan" });

/** Whole feet of all cable, as the ledger's head says. */
export async function footage(page) {
  const words = await ledger(page)
    .getByText(/^[\d,]+ ft$/)
    .first()
    .textContent();
  return Number(words.replace(/[^\d]/g, ""));
}
