// A fresh demo for each test, and two laws for all of them: no console error, and no request that leaves the machine.
import { test as base, expect } from "@playwright/test";

export { expect };

export const served = base.extend({
  // The server of this worker.
  baseURL: async ({}, use, info) => use(`http://127.0.0.1:${Number(process.env.BROWSER_TEST_PORT) + info.parallelIndex}`),

  // What its worker knows of the demo: whether anything was sent since it was laid out afresh.
  demo: [async ({}, use) => use({ isFresh: false }), { scope: "worker" }],

  // A test that only looks takes the demo as the last one that only looked has left it: a whole house need not be planned again.
  looksOnly: [false, { option: true }],
});

/** Lays the demo out afresh. */
export async function reset(page) {
  await page.goto("/");
  await page.getByRole("button", { name: "Reset the demo" }).click();
  await page.waitForURL("/");
}

export const test = served.extend({
  page: async ({ page, context, baseURL, demo, looksOnly }, use) => {
    const errors = [];
    const strangers = [];
    page.on("console", (m) => m.type() === "error" && !/status of 4(09|13|22)/.test(m.text()) && errors.push(m.text()));
    page.on("pageerror", (e) => errors.push(String(e)));
    page.on("request", (r) => !r.url().startsWith(baseURL) && !r.url().startsWith("data:") && strangers.push(r.url()));
    if (!looksOnly || !demo.isFresh) await reset(page);
    // What another browser does is not seen from here.
    demo.isFresh = looksOnly;
    context.on("request", (r) => (demo.isFresh &&= r.method() === "GET"));
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
