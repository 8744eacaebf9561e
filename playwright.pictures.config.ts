import base from "./playwright.config";

/** Not a test run: takes the pictures of docs/screenshots. */
const config = {
  ...base,
  testDir: "scripts/pictures",
  testMatch: "*.pictures.ts",
  globalSetup: undefined,
  workers: 1,
  fullyParallel: false,
};

export default config;
