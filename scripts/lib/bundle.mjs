import { rm } from "node:fs/promises";
import { join } from "node:path";
import { hashOf, root, run, unlessUnchanged } from "./steps.mjs";

/** Programs that run beside the server, each as one file of plain JavaScript under dist/. */
const programs = {
  "database-worker": "src/store/database-worker.ts",
  "layout-worker": "src/disk/layout/layout-worker.ts",
  "list-writer-worker": "src/server/list-writer-worker.ts",
  "shelf-reader-worker": "src/disk/shelf-reader-worker.ts",
  "unpack-worker": "src/disk/packed/unpack-worker.ts",
  "standin-game": "src/standin/game/main.ts",
  "make-demo": "src/standin/demo/main.ts",
  seating: "src/cli/main.ts",
  server: "src/server/main.ts",
};

/** `files`: by the name that each has under dist/, paths from the root. */
async function bundle(files, more = {}) {
  const esbuild = await import("esbuild");
  await esbuild.build({
    absWorkingDir: root,
    entryPoints: Object.fromEntries(Object.entries(files).map(([name, path]) => [name, join(root, path)])),
    outdir: join(root, "dist"),
    outExtension: { ".js": ".mjs" },
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    packages: "external",
    // What a program imports only when it comes to it is loaded then.
    splitting: true,
    logLevel: "warning",
    ...more,
  });
}

export const build = () =>
  unlessUnchanged(
    "dist/made",
    hashOf(["src", "scripts/lib/bundle.mjs", "package-lock.json"]),
    "The programs beside the server are current",
    async () => {
      await rm(join(root, "dist"), { recursive: true, force: true });
      await bundle(programs, { minifySyntax: true });
    },
  );

/** Bundles a program that is not shipped and runs it in a process of its own; answers its exit code. */
export async function runBundled(name, path, args = [], more = {}) {
  await bundle({ [name]: path }, more);
  return run(process.execPath, [join(root, "dist", `${name}.mjs`), ...args]);
}
