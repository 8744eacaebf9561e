/**
 * Mutation testing: which changes of the code no test notices. By area, with the tests that stand beside it, for a mutant runs
 * all tests that reach it. An area takes the better part of an hour, so this is no part of verify.
 *
 *     npm run mutate                                              all areas
 *     npm run mutate -- lineup                                    one of them
 *     npm run mutate -- state --mutate src/core/state/facet.ts    a file of it
 *
 * Fails where less than 85 of 100 are killed; what lived is listed, and kept in .cache/mutation-AREA.json.
 */
import { rmSync, writeFileSync, mkdirSync } from "node:fs";
import { quiet, run, tool } from "./lib/steps.mjs";
import { mutationOf, mutationAreas } from "./lib/mutation.mjs";

const [first, ...more] = process.argv.slice(2);
const areas = first in mutationAreas ? [first] : Object.keys(mutationAreas);
const options = first in mutationAreas ? more : process.argv.slice(2);
mkdirSync(".cache", { recursive: true });
for (const area of areas) {
  const config = `.cache/mutate-${area}.json`;
  writeFileSync(config, JSON.stringify(mutationOf(area)));
  const status = await run(
    process.execPath,
    [tool("@stryker-mutator/core/bin/stryker.js"), "run", config, ...options],
    { env: { ...quiet, SEATING_MUTATION_RUNS: String(mutationAreas[area].runs) } },
  );
  rmSync(config);
  if (status !== 0) process.exitCode = status;
}
