// A crew on one server: each with a browser of their own, over HTTPS.
import { test as base, expect } from "@playwright/test";
import { execFileSync, spawn } from "node:child_process";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { faults } from "./axe.mjs";
import { configuration, workers } from "./playwright.config.mjs";

const address = `https://127.0.0.1:${Number(process.env.BROWSER_TEST_PORT) + workers}`;
const phone = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true };
const words = "crate lantern seven moss";

// One server for all of them: one after the other.
base.describe.configure({ mode: "serial" });

const test = base.extend({
  comes: async ({ browser }, use) => {
    const all = [];
    await use(async (options = {}) => {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, ...options, ignoreHTTPSErrors: true });
      all.push(context);
      return context.newPage();
    });
    for (const context of all) await context.close();
  },
});

const here = (link) => address + new URL(link).pathname;

async function makeAccount(page, link, name, password = words) {
  await page.goto(here(link));
  await page.getByLabel("The name that the others know you by").fill(name);
  await page.getByLabel(/^Password/).fill(password);
  await page.getByRole("button", { name: "Make the account" }).click();
  await expect(page.getByRole("link", { name: new RegExp(`^${name}, `) })).toBeVisible();
}

async function signIn(page, name, password = words) {
  await page.goto(`${address}/sign-in`);
  await page.getByLabel("Name").fill(name);
  await page.getByLabel("Password").fill(password);
  await page.getByRole("button", { name: "Sign in" }).click();
}

async function invite(owner, name, role) {
  await owner.goto(`${address}/people`);
  await owner.getByLabel("Name, if you like").fill(name);
  await owner.getByLabel("As").selectOption(role);
  await owner.getByRole("button", { name: "Make a link" }).click();
  return owner.getByLabel("The link").inputValue();
}

async function sound(page) {
  expect(await faults(page)).toEqual([]);
}

test("the owner comes in by the address that was printed, invites a crew, and a phone takes the link", async ({ comes }) => {
  const log = readFileSync(join(process.env.BROWSER_TEST_FILES, "shared.log"), "utf8");
  const [first] = log.match(/https:\S+\/invitation\/\S+/);
  const owner = await comes();
  await owner.goto(`${address}/job/demo/house`);
  await expect(owner).toHaveURL(/\/sign-in\?back=/);
  await sound(owner);
  await makeAccount(owner, first, "Odile");
  await sound(owner);

  const link = await invite(owner, "Cora", "Crew");
  await expect(owner.getByRole("img", { name: "The same link as a code for a phone" })).toBeVisible();
  await sound(owner);
  const crew = await comes(phone);
  await makeAccount(crew, link, "Cora");
  await crew.goto(`${address}/job/demo/site`);
  await crew.getByRole("button", { name: /^pulled, / }).first().click();
  await expect(crew.getByText("Everything is sent.")).toBeVisible();
  await crew.reload();
  await expect(crew.getByRole("button", { name: /^pulled, /, pressed: true })).toHaveAttribute("title", "Cora");

  // What is planned is shown to her, and nothing to change it with.
  await crew.goto(`${address}/job/demo/house`);
  await expect(crew.getByText("to read", { exact: true })).toBeVisible();
  await expect(crew.getByRole("button", { name: "Draw it" })).toBeHidden();
  // The same link makes nobody else an account.
  const late = await comes();
  await late.goto(here(link));
  await expect(late.getByRole("alert")).toContainText("was used");
});

test("sign in on a phone, sign out, and what was kept for no signal is put away", async ({ comes }) => {
  const crew = await comes(phone);
  await crew.goto(`${address}/job/demo/site`);
  await expect(crew).toHaveURL(/sign-in/);
  await crew.getByLabel("Name").fill("cora");
  await crew.getByLabel("Password").fill("no such words at all");
  await crew.getByRole("button", { name: "Sign in" }).click();
  await expect(crew.getByRole("alert")).toContainText("do not go together");
  await crew.getByLabel("Password").fill(words);
  // What is typed with a thumb is looked at, and hidden again.
  await crew.getByLabel("Show what I type").check();
  await expect(crew.getByRole("textbox", { name: "Password" })).toHaveValue(words);
  await expect(crew.getByRole("textbox", { name: "Password" })).toHaveAttribute("type", "text");
  await sound(crew);
  await crew.getByLabel("Show what I type").uncheck();
  await expect(crew.getByLabel("Password")).toHaveAttribute("type", "password");
  await crew.getByLabel("Show what I type").check();
  await crew.getByRole("button", { name: "Sign in" }).click();
  await expect(crew).toHaveURL(/\/job\/demo\/site$/);
  await expect(crew.getByRole("heading", { name: "14 Fernhollow Rise" })).toBeVisible();
  await crew.goto(`${address}/account`);
  await sound(crew);
  await crew.getByRole("button", { name: "Sign out here" }).click();
  await expect(crew).toHaveURL(/sign-in/);
  expect(await crew.evaluate(() => caches.keys())).toEqual([]);
  await crew.goto(`${address}/job/demo/site`);
  await expect(crew).toHaveURL(/sign-in/);
});

test("two leads in two windows: what one does the other hears by name, and a clash is asked", async ({ comes }) => {
  const owner = await comes();
  await signIn(owner, "Odile");
  const lead = await comes();
  await makeAccount(lead, await invite(owner, "Lew", "Lead"), "Lew");
  await owner.goto(`${address}/job/demo/boxes?on=box:f-r2`);
  await lead.goto(`${address}/job/demo/boxes?on=box:f-r2`);
  await expect(lead.getByText("with Odile")).toBeVisible();
  const height = (page) =>
    page
      .getByRole("complementary", { name: "Card" })
      .getByLabel(/Bottom above the floor/)
      .first();
  // He is in the middle of it when hers comes in; both set the same: that is asked, and what he typed stays.
  await height(lead).fill('30"');
  await height(owner).fill('20"');
  await height(owner).press("Enter");
  await expect(lead.getByText(/^Odile: /)).toBeVisible();
  await height(lead).press("Enter");
  await expect(lead.getByRole("status")).toContainText("Odile");
  await expect(lead.getByText("revision 2")).toBeVisible();
  await lead.goto(`${address}/job/demo/history`);
  await expect(lead.getByRole("listitem").filter({ hasText: "Odile, 20" })).toHaveCount(1);
});

test("a backup is put in an empty place, and everybody signs in there as before", async ({ comes }) => {
  const owner = await comes();
  await signIn(owner, "Odile");
  const download = owner.waitForEvent("download");
  await owner.getByRole("button", { name: "Download a backup" }).click();
  const [backup, restored] = ["backup.db", "restored.db"].map((n) => join(process.env.BROWSER_TEST_FILES, n));
  await (await download).saveAs(backup);
  execFileSync("dotnet", [`src/Circuitum.Cli/bin/${configuration}/net10.0/circuitum.dll`, "restore", backup, "-o", restored]);
  const port = Number(process.env.BROWSER_TEST_PORT) + workers + 1;
  const server = spawn(
    "dotnet",
    [`bin/${configuration}/net10.0/Circuitum.Web.dll`, "--Share", "lan", "--Port", String(port), "--Database", restored],
    { cwd: "src/Circuitum.Web", stdio: "ignore" },
  );
  try {
    const crew = await comes(phone);
    const there = `https://127.0.0.1:${port}`;
    await expect(async () => crew.goto(`${there}/job/demo/site`)).toPass();
    await crew.getByLabel("Name").fill("Cora");
    await crew.getByLabel("Password").fill(words);
    await crew.getByRole("button", { name: "Sign in" }).click();
    await expect(crew.getByRole("button", { name: /^pulled, /, pressed: true })).toHaveAttribute("title", "Cora");
  } finally {
    server.kill();
  }
});

test("a guest reads one job until the link is ended", async ({ comes }) => {
  const lead = await comes();
  await signIn(lead, "Lew");
  await lead.goto(`${address}/job/demo/house`);
  await lead.getByRole("link", { name: "share" }).click();
  await lead.getByLabel("Who").fill("inspector");
  await lead.getByRole("button", { name: "Make a link" }).click();
  const link = await lead.getByLabel("The link").inputValue();
  await sound(lead);

  const guest = await comes();
  await guest.goto(here(link));
  await sound(guest);
  await guest.getByRole("button", { name: "Open it" }).click();
  await expect(guest.getByRole("link", { name: "14 Fernhollow Rise" })).toBeVisible();
  await sound(guest);
  await expect(guest.getByRole("link", { name: "all jobs" })).toHaveCount(0);
  await guest.goto(`${address}/job/demo/panel`);
  await expect(guest.getByRole("region", { name: "Panel schedule" })).toBeVisible();
  await guest.goto(`${address}/job/demo-crawl/house`);
  await expect(guest.getByRole("alert")).toContainText("none of them");

  await lead.getByRole("button", { name: /^End it/ }).click();
  await expect(lead.getByRole("status")).toContainText("reads no more");
  await guest.goto(`${address}/job/demo/panel`);
  await expect(guest).toHaveURL(/sign-in/);
  await guest.goto(here(link));
  await expect(guest.getByRole("alert")).toContainText("has ended");
});
