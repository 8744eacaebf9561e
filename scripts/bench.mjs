import { runBundled } from "./lib/bundle.mjs";
import { main } from "./lib/steps.mjs";

/** Runs a benchmark: `node scripts/bench.mjs order`. */
await main(async () => {
  const [name, ...args] = process.argv.slice(2);
  process.exitCode = await runBundled(`bench-${name}`, `bench/${name}.ts`, args);
});
