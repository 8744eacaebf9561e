import { availableParallelism } from "node:os";
import { defineConfig } from "@playwright/test";

export default defineConfig({
  testDir: "e2e",
  globalSetup: "./e2e/prepare.ts",
  // Every worker has a server, and every test a fresh data folder; a server and a browser fill about one core.
  workers: Math.min(2, availableParallelism()),
  fullyParallel: true,
  timeout: 180_000,
  expect: { timeout: 20_000 },
  outputDir: "test-results",
  reporter: "list",
  use: {
    viewport: { width: 1280, height: 800 },
    reducedMotion: "reduce",
    acceptDownloads: true,
    launchOptions: {
      executablePath: process.env.SEATING_CHROMIUM ?? "/usr/bin/chromium",
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        "--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1",
      ],
    },
  },
});
