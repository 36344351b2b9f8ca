// The browser that the tests and the pictures are made with.
import { existsSync } from "node:fs";

/** Without its windows where there is one, for it is quicker. */
export const browser =
  process.env.CHROMIUM ?? ["/usr/bin/chromium-headless-shell", "/usr/bin/chromium"].find(existsSync) ?? "/usr/bin/chromium";
