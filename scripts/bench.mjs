import { build, runBundled } from "./lib/bundle.mjs";
import { main } from "./lib/steps.mjs";

/** Runs a benchmark: `node scripts/bench.mjs order`. */
await main(async () => {
  const [name, ...args] = process.argv.slice(2);
  // Some make a demo, or ask the command.
  await build();
  process.exitCode = await runBundled(`bench-${name}`, `bench/${name}.ts`, args);
});
