import { spawn, spawnSync, type ChildProcess } from "node:child_process";
import { once } from "node:events";
import { existsSync, readFileSync } from "node:fs";
import { readdir, stat } from "node:fs/promises";
import { createServer } from "node:net";
import { join } from "node:path";
import { chromium, type Browser } from "@playwright/test";
import config from "../../playwright.config";

export function median(values: readonly number[]): number {
  // A figure that is not one would go unnoticed among many.
  if (values.length === 0) throw new Error("nothing was measured");
  return [...values].sort((a, b) => a - b)[values.length >> 1]!;
}

/** Writes a demo of this size below a data folder, unless it is there. */
export function makeDemo(home: string, mods: number, files = 0): void {
  const out = join(home, "demo");
  if (existsSync(join(out, "demo.json"))) return;
  const args = [
    "dist/make-demo.mjs",
    "--seed",
    "7",
    "--mods",
    String(mods),
    "--files",
    String(files),
    "--out",
    out,
  ];
  const { status } = spawnSync(process.execPath, args, { stdio: "inherit" });
  if (status !== 0) throw new Error(`no demo was made in ${out}`);
}

/** Bytes of all files in a folder. */
export async function sizeOfFolder(folder: string): Promise<number> {
  const entries = await readdir(folder, { withFileTypes: true, recursive: true });
  const files = entries.filter((entry) => entry.isFile());
  const sizes = await Promise.all(
    files.map(async (file) => (await stat(join(file.parentPath, file.name))).size),
  );
  return sizes.reduce((sum, size) => sum + size, 0);
}

export interface Application {
  readonly url: string;
  /** Of the server itself. */
  readonly pid: () => number;
  readonly stop: () => Promise<void>;
}

async function freePort(): Promise<number> {
  const server = createServer().listen(0, "127.0.0.1");
  await once(server, "listening");
  const { port } = server.address() as { port: number };
  server.close();
  await once(server, "close");
  return port;
}

/** The application on a data folder with a demo, which its first start takes in. */
export const startWithDemo = (home: string): Promise<Application> => start("demo.mjs", home);

/** The same, without taking the demo in. */
export const startBare = (home: string): Promise<Application> => start("start.mjs", home);

async function start(script: string, home: string): Promise<Application> {
  const port = await freePort();
  const env = {
    ...process.env,
    SEATING_HOME: home,
    SEATING_PORT: String(port),
    SEATING_DEMO: join(home, "demo"),
  };
  const child: ChildProcess = spawn(process.execPath, [join("scripts", script)], {
    env,
    stdio: ["ignore", "pipe", "inherit"],
  });
  await new Promise<void>((done, fail) => {
    child.stdout!.on("data", (part) => String(part).includes("Seating is ready") && done());
    child.once("exit", (code) => fail(new Error(`the server ended with ${code}`)));
  });
  return {
    url: `http://127.0.0.1:${port}`,
    pid: () => (JSON.parse(readFileSync(join(home, "server.lock"), "utf8")) as { pid: number }).pid,
    stop: async () => {
      const ended = once(child, "exit");
      child.kill("SIGTERM");
      await ended;
    },
  };
}

/** The browser of the browser tests, with the same switches. */
export const launchBrowser = (): Promise<Browser> => chromium.launch(config.use?.launchOptions);

export function writeTable(value: string, rows: readonly (readonly [string, string])[]): void {
  const lines = rows.map((row) => `| ${row.join(" | ")} |`).join("\n");
  process.stdout.write(`\n| what | ${value} |\n| --- | --- |\n${lines}\n\n`);
}
