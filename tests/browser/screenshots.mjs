// Takes the pictures in docs/screenshots from a running server: node tests/browser/screenshots.mjs http://127.0.0.1:5080
import { chromium } from "@playwright/test";
import { browser as installed } from "./browser.mjs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

const base = process.argv[2] ?? "http://127.0.0.1:5080";
const folder = join(dirname(fileURLToPath(import.meta.url)), "..", "..", "docs", "screenshots");
const views = [
  ["metric-board", "/metric-board"],
  ["new-job", "/new"],
  ["house", "/job/demo/house"],
  ["metric-house", "/job/demo-villa/metric"],
  ["house-rules", "/job/demo/rules"],
  ["boxes", "/job/demo/boxes?on=box:f-r2"],
  [
    "practice",
    "/learn/gfci?joints=A.BK~0.Hot,A.WH~0.Neutral,B.BK~0.LoadHot,B.WH~A.G~B.G~0.Ground&on=true&steps=8&tries=1&hints=1",
  ],
  ["circuits", "/job/demo/circuits?level=ground&on=circuit:laundry"],
  [
    "circuits-dark",
    "/job/demo/circuits?level=ground&on=circuit:kitchen-lights",
    {},
    (page) => page.getByRole("button", { name: /Open its breaker/ }).click(),
  ],
  [
    "prove",
    "/job/demo/prove?circuit=kitchen-lights",
    {},
    async (page) => {
      await page.getByRole("link", { name: "All lamps on" }).click();
      await page.getByRole("link", { name: /^Dining receptacle 3/ }).click();
    },
  ],
  ["low-voltage", "/job/demo-basement/runs?level=ground&on=lowvoltage:lv-1"],
  ["runs", "/job/demo/runs?level=ground&on=run:@A~k-island"],
  ["panel", "/job/demo/panel?on=circuit:laundry"],
  ["box-card-phone", "/job/demo/box/k-sw-hall", { width: 390, height: 844 }],
  ["find-phone", "/job/demo/find/A?room=kitchen", { width: 390, height: 844 }],
  [
    "site-phone",
    "/job/demo/site",
    { width: 390, height: 844 },
    async (page) => {
      for (const step of ["dug", "laid", "pulled", "labeled"])
        await page.getByRole("button", { name: new RegExp(`^${step}, `) }).first().click();
      await page.getByText("Everything is sent.").waitFor();
    },
  ],
  [
    "walk-phone",
    "/job/demo/site?view=walk",
    { width: 390, height: 844 },
    async (page) => {
      await page.locator(".tick-step").first().click();
      await page.getByText("Wrong", { exact: true }).nth(1).click();
      await page.locator("[data-wrong]").nth(1).fill("Stands 3/8 in proud at the window; Bo mends it");
      await page.locator("[data-fails]").nth(1).click();
      await page.getByText("Everything is sent.").waitFor();
      await page.evaluate(() => window.scrollTo(0, 0));
    },
  ],
  ["load", "/job/demo/load"],
  [
    "divisions",
    "/job/demo/divisions",
    {},
    async (page) => {
      await page.getByLabel("Look for").selectOption("10");
      await page.getByRole("button", { name: "Find a better division" }).click();
      await page.getByRole("button", { name: "Keep it to compare" }).click();
      await page.locator("#manners").scrollIntoViewIfNeeded();
      await page.evaluate(() => window.scrollTo(0, document.getElementById("manners").offsetTop - 20));
    },
  ],
];

const browser = await chromium.launch({
  executablePath: installed,
  args: ["--no-sandbox", "--disable-gpu"],
});
for (const [name, address, size, act] of views) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800, ...size } });
  await page.goto(base + address);
  if (act) {
    await page.locator("html[data-ready]").waitFor();
    await act(page);
  }
  await page.evaluate(() => document.fonts.ready);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  await page.close();
}
await browser.close();
