// Puts everything a page loads under wwwroot, so that nothing is fetched from elsewhere at run time.
import { execFileSync } from "node:child_process";
import { copyFileSync, mkdirSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

const assets = dirname(fileURLToPath(import.meta.url));
const root = join(assets, "..", "..", "..");
const wwwroot = join(assets, "..", "wwwroot");
const from = (...parts) => join(root, "node_modules", ...parts);

mkdirSync(join(wwwroot, "css"), { recursive: true });
mkdirSync(join(wwwroot, "lib"), { recursive: true });
execFileSync(
  process.execPath,
  [
    from("@tailwindcss", "cli", "dist", "index.mjs"),
    "--input",
    join(assets, "site.css"),
    "--output",
    join(wwwroot, "css", "site.css"),
    "--minify",
  ],
  { stdio: ["ignore", "ignore", "inherit"], cwd: join(assets, "..") },
);
copyFileSync(from("htmx.org", "dist", "htmx.min.js"), join(wwwroot, "lib", "htmx.min.js"));
for (const weight of [400, 500, 600]) {
  const name = `atkinson-hyperlegible-next-latin-${weight}-normal.woff2`;
  copyFileSync(from("@fontsource", "atkinson-hyperlegible-next", "files", name), join(wwwroot, "lib", name));
}
// Help shows the same pictures as the README.
mkdirSync(join(wwwroot, "pictures"), { recursive: true });
for (const stage of ["house", "boxes", "circuits", "runs", "panel", "site-phone"]) {
  copyFileSync(join(root, "docs", "screenshots", `${stage}.png`), join(wwwroot, "pictures", `${stage}.png`));
}
