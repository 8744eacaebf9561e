import { join } from "node:path";
import { runBundled } from "./lib/bundle.mjs";
import { build } from "./lib/prepare.mjs";
import { main, root } from "./lib/steps.mjs";

/** Kills a server again and again while it works, and looks whether all that it had answered is there: `npm run faults -- 20 7`. */
await main(async () => {
  await build();
  process.exitCode = await runBundled("faults", "faults/run.ts", process.argv.slice(2), {
    // What the browser tests start servers with asks where it stands.
    banner: { js: `const __dirname = ${JSON.stringify(join(root, "e2e"))};` },
  });
});
