import { mkdir, mkdtemp, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { strToU8, zipSync } from "fflate";
import { testGame } from "@/core/testing/game";
import { readShelf } from "./read-shelf";
import type { ShelfReader } from "./shelf-reader";
import { readInThreads } from "./shelf-reader-pool";

let folder: string;
let reader: ShelfReader;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), "seating-pool-"));
  reader = readInThreads(join(process.cwd(), "dist", "shelf-reader-worker.mjs"));
});
afterEach(async () => {
  await rm(folder, { recursive: true });
});

async function fill(count: number): Promise<void> {
  for (let at = 0; at < count; at++) {
    const files = { [`textures/${at}.tex`]: strToU8(`bytes of ${at}`.repeat(at + 1)) };
    await writeFile(join(folder, `Mod ${at}-1.0.zip`), zipSync(files));
  }
  await mkdir(join(folder, "Loose-2.0/textures"), { recursive: true });
  await writeFile(join(folder, "Loose-2.0/textures/a.tex"), "a");
  await writeFile(join(folder, "Broken-1.0.zip"), "no zip");
  await writeFile(join(folder, "Packed-1.0.7z"), "no archive either");
}

test("what workers read is what this thread reads, broken archives told, in the same order", async () => {
  await fill(40);
  const here = await readShelf(testGame, [folder], []);
  expect(await readShelf(testGame, [folder], [], { reader })).toEqual(here);
  expect(here.mods.filter(({ problem }) => problem).map(({ path }) => path)).toEqual([
    "Broken-1.0.zip",
    "Packed-1.0.7z",
  ]);
  expect(await readShelf(testGame, [folder], here.mods, { reader })).toMatchObject({ read: 0 });
});

test("a thread that ends over a mod takes nothing else with it: that one is told, the others are read", async () => {
  const program = join(folder, "worker.mjs");
  await writeFile(
    program,
    `import { parentPort } from "node:worker_threads";
     parentPort.on("message", ({ name, what }) => {
       if (name === "readMod" && what[2].path.startsWith("Mod 3")) process.exit(1);
       if (name === "readMod" && what[2].path.startsWith("Mod 4")) throw new Error("out of its depth");
       if (name === "readMod") return parentPort.postMessage({ value: { ...what[2], files: 0, problem: null } });
       parentPort.postMessage({ value: what[1].map((each) => ({ path: each.name, kind: "archive", stamp: "1", size: 1 })) });
     });`,
  );
  await fill(8);
  const pool = readInThreads(program);
  const { mods } = await readShelf(testGame, [folder], [], { reader: pool });
  const told = mods.filter(({ problem }) => problem).map(({ path, problem }) => [path, problem!.data]);
  expect(told).toEqual([
    ["Mod 3-1.0.zip", { detail: "the thread that was at it has ended" }],
    ["Mod 4-1.0.zip", { detail: "out of its depth" }],
  ]);
  expect(mods.length).toBeGreaterThan(9);
});
