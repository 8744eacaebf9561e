import { run, tool } from "./lib/steps.mjs";

/** What Next.js, the test runners and the settings of tools import is seen by none of our own files. */
const asked = [
  "\\.next",
  "src/app",
  "src/proxy",
  "src/instrumentation",
  "e2e",
  "bench",
  "faults",
  "\\.test\\.ts",
  "\\.config\\.ts",
];

process.exitCode = await run(process.execPath, [
  tool("ts-unused-exports/bin/ts-unused-exports"),
  "tsconfig.json",
  "--silent",
  `--excludePathsFromReport=${asked.join(";")}`,
]);
