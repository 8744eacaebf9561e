import { execFile, spawn, type ChildProcess } from "node:child_process";
import { once } from "node:events";
import { createServer } from "node:net";
import { join, resolve } from "node:path";
import { promisify } from "node:util";

export const root = resolve(__dirname, "..");
/** A folder that only the tests of one worker use. */
export const folderOf = (name: string, worker = process.env.TEST_PARALLEL_INDEX ?? "0") =>
  join(root, ".cache", "e2e", worker, name);
/** The data folder of the tests; it stays at one path, for the database names the folders of the game by theirs. */
export const home = folderOf("home");
export const pristine = folderOf("pristine");

/** Copies a folder with its stamps. The one of Node.js takes five times as long for the thousands of small files. */
export const copyFolder = (from: string, to: string) => promisify(execFile)("cp", ["-a", from, to]);

export interface Server {
  readonly url: string;
  readonly process: ChildProcess;
  readonly stop: () => Promise<void>;
  /** Everything that it has printed. */
  readonly said: () => string;
}

export async function freePort(): Promise<number> {
  const server = createServer().listen(0, "127.0.0.1");
  await once(server, "listening");
  const address = server.address();
  server.close();
  await once(server, "close");
  return typeof address === "object" && address ? address.port : 0;
}

/** Small, so that every test can have a copy of it. */
const demoSize = ["--mods", "60"];

export function run(
  script: string,
  port: number,
  dataFolder = home,
  args: readonly string[] = demoSize,
): ChildProcess & { said: () => string } {
  const env: NodeJS.ProcessEnv = {
    ...process.env,
    SEATING_HOME: dataFolder,
    SEATING_PORT: String(port),
    NODE_OPTIONS: `--require ${JSON.stringify(join(__dirname, "open-anew.cjs"))}`,
  };
  const child = spawn(process.execPath, [join(root, "scripts", script), ...args], { cwd: root, env });
  let text = "";
  child.stdout.on("data", (part) => (text += String(part)));
  child.stderr.on("data", (part) => (text += String(part)));
  return Object.assign(child, { said: () => text });
}

/** Starts a script of the repository and waits until it says that Seating is ready. */
export async function startSeating(
  script: "demo.mjs" | "start.mjs",
  dataFolder = home,
  args?: readonly string[],
  fixedPort?: number,
): Promise<Server> {
  const port = fixedPort ?? (await freePort());
  const child = run(script, port, dataFolder, args);
  const ended = once(child, "exit");
  const deadline = Date.now() + 240_000;
  while (!child.said().includes("Seating is ready")) {
    if (child.exitCode !== null || Date.now() > deadline) {
      child.kill("SIGTERM");
      throw new Error(`the server did not start:\n${child.said()}`);
    }
    await new Promise((done) => setTimeout(done, 50));
  }
  return {
    url: `http://127.0.0.1:${port}`,
    process: child,
    said: child.said,
    stop: async () => {
      child.kill("SIGTERM");
      await ended;
    },
  };
}
