import { join } from "node:path";
import { build } from "./lib/prepare.mjs";
import { main, root, run } from "./lib/steps.mjs";

/** Kills a server again and again while it works, and looks whether all that it had answered is there: `npm run faults -- 20 7`. */
await main(async () => {
  await build();
  const esbuild = await import("esbuild");
  const outfile = join(root, "dist", "faults.mjs");
  await esbuild.build({
    absWorkingDir: root,
    entryPoints: [join(root, "faults", "run.ts")],
    outfile,
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    packages: "external",
    banner: { js: `const __dirname = ${JSON.stringify(join(root, "e2e"))};` },
  });
  process.exitCode = await run(process.execPath, [outfile, ...process.argv.slice(2)]);
});
