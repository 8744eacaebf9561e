import { spawn } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from "node:fs";
import { dirname, join, relative, resolve } from "node:path";
import { fileURLToPath } from "node:url";

export const root = resolve(dirname(fileURLToPath(import.meta.url)), "../..");
export const home = resolve(root, process.env.SEATING_HOME ?? ".seating");

/** Nothing that we start may report home, and Next's lockfile patching would write registry addresses. */
export const quiet = {
  ...process.env,
  NEXT_TELEMETRY_DISABLED: "1",
  NEXT_IGNORE_INCORRECT_LOCKFILE: "1",
};
delete quiet.NODE_ENV;

export const say = (text) => process.stdout.write(`• ${text}\n`);

/** Runs a program to its end in the repository's folder; answers its exit code. */
export function run(command, args, { env = quiet, stdio = "inherit" } = {}) {
  return new Promise((done, fail) => {
    const child = spawn(command, args, { cwd: root, env, stdio });
    child.once("error", fail);
    child.once("exit", (code, signal) => done(code ?? (signal ? 1 : 0)));
  });
}

export async function mustRun(what, command, args, options) {
  const code = await run(command, args, options);
  if (code !== 0) throw new Error(`${what} stopped with code ${code}; the lines above say why`);
}

export const tool = (path) => join(root, "node_modules", path);
export const nextBin = () => tool("next/dist/bin/next");

function listFiles(path) {
  if (!existsSync(path)) return [];
  if (!statSync(path).isDirectory()) return [path];
  return readdirSync(path)
    .sort()
    .flatMap((name) => listFiles(join(path, name)));
}

/** One hash over the names and contents of all files at or below the paths. */
export function hashOf(paths) {
  const hash = createHash("sha256");
  for (const file of paths.flatMap((path) => listFiles(join(root, path)))) {
    hash.update(relative(root, file)).update("\0").update(readFileSync(file)).update("\0");
  }
  return hash.digest("hex");
}

/** Does `work` unless the stamp shows that it was done for the same hash. */
export async function unlessUnchanged(stamp, hash, unchanged, work) {
  const path = join(root, stamp);
  if (existsSync(path) && readFileSync(path, "utf8") === hash) return say(unchanged);
  await work();
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(path, hash);
}

/** Runs a script's main function and turns a failure into one plain line and exit code 1. */
export async function main(work) {
  try {
    await work();
  } catch (error) {
    process.stderr.write(`\n${error instanceof Error ? error.message : String(error)}\n`);
    process.exit(1);
  }
}
