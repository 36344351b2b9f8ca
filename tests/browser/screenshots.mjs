// Takes the pictures in docs/screenshots from a running server: node tests/browser/screenshots.mjs http://127.0.0.1:5080
import { chromium } from "@playwright/test";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

const base = process.argv[2] ?? "http://127.0.0.1:5080";
const folder = join(dirname(fileURLToPath(import.meta.url)), "..", "..", "docs", "screenshots");
const views = [
  ["jobs", "/"],
  ["house", "/job/demo/house"],
  ["boxes", "/job/demo/boxes?on=box:f-r2"],
  ["circuits", "/job/demo/circuits?level=ground&on=circuit:laundry"],
  ["runs", "/job/demo/runs?level=ground&on=run:family-lights:panel-A%3Ee-sw"],
  ["panel", "/job/demo/panel?on=circuit:laundry"],
  ["panel-greenhouse", "/job/demo/panel?on=circuit:potting-receptacles"],
  ["panel-phone", "/job/demo/panel?on=circuit:laundry", { width: 390, height: 844 }],
];

const browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium", args: ["--no-sandbox", "--disable-gpu"] });
for (const [name, address, size] of views) {
  const page = await browser.newPage({ viewport: size ?? { width: 1280, height: 800 } });
  await page.goto(base + address);
  await page.evaluate(() => document.fonts.ready);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  await page.close();
}
await browser.close();
