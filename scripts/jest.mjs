import { quiet, run, tool } from "./lib/steps.mjs";

const env = { ...quiet, NODE_OPTIONS: "--experimental-vm-modules --no-warnings" };
process.exitCode = await run(process.execPath, [tool("jest/bin/jest.js"), ...process.argv.slice(2)], { env });
