import { spawn, spawnSync } from "node:child_process";
import { once } from "node:events";
import { existsSync, mkdirSync, readdirSync, writeFileSync } from "node:fs";
import { mkdtemp, rm } from "node:fs/promises";
import { createServer } from "node:http";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { buildSync } from "esbuild";
import { FolderInUse, takeFolder } from "./lock";

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), "seating-lock-"));
});
afterAll(() => rm(folder, { recursive: true, force: true }));

const dead = (): number => spawnSync(process.execPath, ["-e", ""]).pid;
const me = { pid: process.pid, address: "http://127.0.0.1:1" };

/** A folder with a lock as a process has left it. */
function leave(name: string, lock: object | string): string {
  const home = join(folder, name);
  mkdirSync(home);
  writeFileSync(join(home, "server.lock"), typeof lock === "string" ? lock : JSON.stringify(lock));
  return home;
}

test("a second one is told where the first is and what to do, and whoever holds a folder gives it back", async () => {
  const home = join(folder, "held");
  const giveBack = await takeFolder(home, { pid: process.ppid, address: "http://127.0.0.1:4321" });
  const second = takeFolder(home, me);
  await expect(second).rejects.toThrow(FolderInUse);
  await expect(second).rejects.toThrow(/127\.0\.0\.1:4321 \(process \d+\).*delete .*server\.lock/);
  giveBack();
  expect(readdirSync(home)).toEqual([]);
});

test.each([
  ["a dead process", () => ({ pid: dead(), address: "gone" })],
  [
    "another process that was given its number",
    () => ({ pid: process.ppid, address: "gone", started: "before" }),
  ],
  [
    "an earlier version, whose number something else has",
    () => ({ pid: process.ppid, address: "http://127.0.0.1:9" }),
  ],
  ["half a writing", () => '{"pid":'],
])("a lock of %s is taken over", async (name, lock) => {
  const home = leave(name, lock());
  const giveBack = await takeFolder(home, me);
  giveBack();
  expect(existsSync(join(home, "server.lock"))).toBe(false);
});

test("a lock of an earlier version that answers is respected", async () => {
  const server = createServer((_, answer) => answer.end('{"alive":true}')).listen(0, "127.0.0.1");
  await once(server, "listening");
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const home = leave("earlier", { pid: process.ppid, address });
  await expect(takeFolder(home, me)).rejects.toThrow(FolderInUse);
  server.close();
});

test("who comes late gives nothing back that another one holds", async () => {
  const home = join(folder, "late");
  const giveBack = await takeFolder(home, me);
  writeFileSync(
    join(home, "server.lock"),
    JSON.stringify({ pid: process.ppid, address: "x", started: "now" }),
  );
  giveBack();
  expect(existsSync(join(home, "server.lock"))).toBe(true);
});

/** Takes one folder after the other, each when its turn has come, and keeps them until its input ends. */
const contender = `
  import { takeFolder } from "./lock";
  const { folders, start, apart } = JSON.parse(process.argv[2]!);
  const run = async () => {
    const got = [];
    for (const [at, folder] of folders.entries()) {
      while (Date.now() < start + at * apart) await new Promise((done) => setImmediate(done));
      got.push(await takeFolder(folder, { pid: process.pid, address: "x" }).then(() => 1, () => 0));
    }
    process.stdout.write(JSON.stringify(got) + "\\n");
    process.stdin.resume();
  };
  void run();
`;

test("of six that find a stale lock at once exactly one takes the folder, 20 times", async () => {
  // Something else that takes its time: all six have found the lock stale before the first one removes it.
  const slow = createServer((_, answer) => void setTimeout(() => answer.end("{}"), 5 + 40 * Math.random()));
  await once(slow.listen(0, "127.0.0.1"), "listening");
  const address = `http://127.0.0.1:${(slow.address() as AddressInfo).port}`;
  const program = join(folder, "contender.mjs");
  buildSync({
    stdin: { contents: contender, resolveDir: __dirname, loader: "ts" },
    outfile: program,
    bundle: true,
    platform: "node",
    format: "esm",
  });
  const folders = Array.from({ length: 20 }, (_, at) => leave(`round ${at}`, { pid: process.pid, address }));
  const plan = JSON.stringify({ folders, start: Date.now() + 1500, apart: 400 });
  const contenders = Array.from({ length: 6 }, () => spawn(process.execPath, [program, plan]));
  const got = await Promise.all(
    contenders.map(
      async ({ stdout }) => JSON.parse(String(((await once(stdout, "data")) as [Buffer])[0])) as number[],
    ),
  );
  for (const { stdin } of contenders) stdin.end();
  slow.close();
  const takers = folders.map((_, at) => got.reduce((sum, of) => sum + of[at]!, 0));
  expect(takers).toEqual(folders.map(() => 1));
}, 60_000);
