import { mkdir, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { build, install } from "./lib/prepare.mjs";
import { main, mustRun, quiet, root, say, tool } from "./lib/steps.mjs";

/** Makes docs/screenshots anew from the demo data, by the browser tests' own server and browser. */
await main(async () => {
  await install();
  await build();
  const home = join(tmpdir(), "seating-pictures");
  await rm(home, { recursive: true, force: true });
  await mkdir(join(root, "docs/screenshots"), { recursive: true });
  say("Taking the pictures …");
  const args = [tool("@playwright/test/cli.js"), "test", "--config", "playwright.pictures.config.ts"];
  await mustRun("Taking the pictures", process.execPath, args, { env: { ...quiet, SEATING_PICTURES: home } });
  await rm(home, { recursive: true, force: true });
});
