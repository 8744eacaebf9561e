import { existsSync, readFileSync } from "node:fs";
import { mkdir, rm } from "node:fs/promises";
import { join } from "node:path";
import { build, install } from "./lib/prepare.mjs";
import { main, mustRun, nextBin, quiet, root, run, say, tool } from "./lib/steps.mjs";

const reports = join(root, ".cache");
const total = { passed: 0, failed: 0 };

function count(what, passed, failed) {
  total.passed += passed;
  total.failed += failed;
  say(`${what}: ${passed} passed, ${failed} failed`);
}

async function check(what, path, args) {
  say(`${what} …`);
  const ok = (await run(process.execPath, [path, ...args])) === 0;
  count(what, ok ? 1 : 0, ok ? 0 : 1);
}

function readReport(name) {
  const path = join(reports, name);
  return existsSync(path) ? JSON.parse(readFileSync(path, "utf8")) : null;
}

async function unitTests() {
  say("Unit tests …");
  const args = [join(root, "scripts/jest.mjs"), "--json", "--outputFile", join(reports, "jest.json")];
  const code = await run(process.execPath, args);
  const report = readReport("jest.json");
  const failed = report ? report.numFailedTests + report.numRuntimeErrorTestSuites : 0;
  count("Unit tests", report?.numPassedTests ?? 0, code !== 0 ? Math.max(1, failed) : failed);
}

async function browserTests() {
  say("Browser tests against the production build …");
  const env = { ...quiet, PLAYWRIGHT_JSON_OUTPUT_NAME: join(reports, "playwright.json") };
  const code = await run(
    process.execPath,
    [tool("@playwright/test/cli.js"), "test", "--reporter=list,json"],
    { env },
  );
  const stats = readReport("playwright.json")?.stats;
  const passed = (stats?.expected ?? 0) + (stats?.flaky ?? 0);
  count("Browser tests", passed, code !== 0 ? Math.max(1, stats?.unexpected ?? 0) : 0);
}

/** Debian's packages that the tests use, through apt where they are not there and we may install them. */
async function bringPackages() {
  const programs = { chromium: process.env.SEATING_CHROMIUM ?? "/usr/bin/chromium", unzip: "/usr/bin/unzip" };
  const wanted = Object.keys(programs).filter((name) => !existsSync(programs[name]));
  if (wanted.length === 0) return say("Chromium and unzip are there");
  if (process.getuid?.() !== 0 || !existsSync("/usr/bin/apt-get"))
    throw new Error(
      `The tests need ${wanted.join(" and ")}: install them, or name a Chromium with SEATING_CHROMIUM.`,
    );
  say(`Installing ${wanted.join(" and ")} through apt …`);
  const env = { ...quiet, DEBIAN_FRONTEND: "noninteractive" };
  await run("apt-get", ["update", "-qq"], { env });
  const stdio = ["ignore", "ignore", "inherit"];
  await mustRun(
    "apt-get install",
    "apt-get",
    ["install", "-y", "-qq", "--no-install-recommends", ...wanted],
    { env, stdio },
  );
}

await main(async () => {
  await rm(reports, { recursive: true, force: true });
  await mkdir(reports, { recursive: true });
  await install();
  await bringPackages();
  await run(process.execPath, [nextBin(), "typegen"], { stdio: ["ignore", "ignore", "inherit"] });
  // Each of them uses one core.
  await Promise.all([
    check("Format", tool("prettier/bin/prettier.cjs"), ["--check", "--log-level=warn", "."]),
    check("Lint", tool("eslint/bin/eslint.js"), ["--max-warnings", "0", "."]),
    check("Types", tool("typescript/bin/tsc"), ["--noEmit"]),
    check("Unused exports", join(root, "scripts/unused.mjs"), []),
  ]);
  await build();
  await unitTests();
  await browserTests();
  process.stdout.write(`\n${total.passed} passed, ${total.failed} failed\n`);
  process.exitCode = total.failed === 0 && total.passed > 0 ? 0 : 1;
});
