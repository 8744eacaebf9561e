import { join } from "node:path";
import { root } from "./steps.mjs";

/** Programs that run beside the server, each as one file of plain JavaScript under dist/. */
const programs = {
  "database-worker": "src/store/database-worker.ts",
  "standin-game": "src/standin/game/main.ts",
  "make-demo": "src/standin/demo/main.ts",
  seating: "src/cli/main.ts",
  server: "src/server/main.ts",
};

export async function build() {
  const esbuild = await import("esbuild");
  await esbuild.build({
    absWorkingDir: root,
    entryPoints: Object.fromEntries(Object.entries(programs).map(([name, path]) => [name, join(root, path)])),
    outdir: join(root, "dist"),
    outExtension: { ".js": ".mjs" },
    minifySyntax: true,
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    packages: "external",
    logLevel: "warning",
  });
}
