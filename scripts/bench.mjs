import { join } from "node:path";
import { main, root, run } from "./lib/steps.mjs";

/** Bundles a benchmark and runs it in a process of its own: `node scripts/bench.mjs order`. */
await main(async () => {
  const [name] = process.argv.slice(2);
  const esbuild = await import("esbuild");
  const outfile = join(root, "dist", `bench-${name}.mjs`);
  await esbuild.build({
    absWorkingDir: root,
    entryPoints: [join(root, "bench", `${name}.ts`)],
    outfile,
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    packages: "external",
  });
  process.exitCode = await run(process.execPath, [outfile]);
});
