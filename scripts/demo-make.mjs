import { join } from "node:path";
import { build as bundle } from "./lib/bundle.mjs";
import { install } from "./lib/prepare.mjs";
import { main, mustRun, root } from "./lib/steps.mjs";

await main(async () => {
  await install();
  await bundle();
  await mustRun("The generator", process.execPath, [
    join(root, "dist/make-demo.mjs"),
    ...process.argv.slice(2),
  ]);
});
