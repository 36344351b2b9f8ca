import { defineConfig } from "@playwright/test";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { browser } from "./browser.mjs";

// Which build is served: what was built by hand last unless the test command says.
export const configuration = process.env.CONFIGURATION ?? "Debug";
// Two workers, each with a server and a file of its own, so that no test meets the jobs of another.
export const workers = Number(process.env.BROWSER_TEST_WORKERS ?? 2);
const port = Number(process.env.BROWSER_TEST_PORT ?? 5191);
// The configuration is read by each worker too; only the first reading makes the folder.
process.env.BROWSER_TEST_PORT = String(port);
process.env.BROWSER_TEST_FILES ??= mkdtempSync(join(tmpdir(), "circuitum-browser-"));

// How long a slow machine may take for one answer.
const patience = Number(process.env.BROWSER_TEST_PATIENCE ?? 20_000);

export default defineConfig({
  testDir: ".",
  testMatch: "*.test.mjs",
  // A folder of its own, for it is emptied at the start: the logs of the tests before these lie beside it.
  outputDir: "../../test-results/browser",
  workers,
  timeout: 6 * patience,
  expect: { timeout: patience },
  reporter: [["list"], ["json", { outputFile: "../../test-results/browser.json" }]],
  use: {
    actionTimeout: patience,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: browser,
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
      ],
    },
  },
  webServer: [
    ...Array.from({ length: workers }, (_, worker) => ({
    command: `dotnet bin/${configuration}/net10.0/Circuitum.Web.dll --urls http://127.0.0.1:${port + worker}` +
      ` --Database ${join(process.env.BROWSER_TEST_FILES, `jobs-${worker}.db`)} --Logging:LogLevel:Default Warning`,
    cwd: "../../src/Circuitum.Web",
    url: `http://127.0.0.1:${port + worker}/`,
    timeout: 90_000,
    reuseExistingServer: false,
  })),
    // One that is shared; what it says at the start is read by its test.
    {
      command: `dotnet bin/${configuration}/net10.0/Circuitum.Web.dll --Share lan --Port ${port + workers}` +
        ` --Database ${join(process.env.BROWSER_TEST_FILES, "shared.db")} --Logging:LogLevel:Default Warning` +
        ` > ${join(process.env.BROWSER_TEST_FILES, "shared.log")}`,
      cwd: "../../src/Circuitum.Web",
      url: `https://127.0.0.1:${port + workers}/sign-in`,
      ignoreHTTPSErrors: true,
      timeout: 90_000,
      reuseExistingServer: false,
    },
  ],
});
