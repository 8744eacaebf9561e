import { mkdir, mkdtemp, readdir, readFile, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { deleteBinned, freeName, moveBack, moveToBin } from "./bin";
import { watchFolders } from "./watch-folders";

let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), "seating-bin-"));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

const write = (name: string, text: string) => writeFile(join(folder, name), text);

test("what is moved into the bin lies beside the shelf, hidden, and two of one name stay apart", async () => {
  await write("A-1.0.zip", "first");
  const first = await moveToBin(join(folder, "A-1.0.zip"));
  await write("A-1.0.zip", "second");
  const second = await moveToBin(join(folder, "A-1.0.zip"));
  expect([first, second]).toEqual([
    join(folder, ".seating-bin/A-1.0.zip"),
    join(folder, ".seating-bin/A-1.0 (2).zip"),
  ]);
  expect(await readdir(folder)).toEqual([".seating-bin"]);
  expect(await moveBack(second, join(folder, "A-1.0.zip"))).toBe(true);
  expect(await readFile(join(folder, "A-1.0.zip"), "utf8")).toBe("second");
  expect(await moveBack(first, join(folder, "A-1.0.zip"))).toBe(false);
  expect(await readFile(first, "utf8")).toBe("first");
  await deleteBinned(first);
  expect(await readdir(join(folder, ".seating-bin"))).toEqual([]);
});

test("a folder goes as a whole, with all that is in it", async () => {
  await mkdir(join(folder, "Mod-1.0/textures"), { recursive: true });
  await write("Mod-1.0/textures/a.tex", "a");
  const there = await moveToBin(join(folder, "Mod-1.0"));
  expect(await readFile(join(there, "textures/a.tex"), "utf8")).toBe("a");
  await deleteBinned(there);
  expect(await readdir(join(folder, ".seating-bin"))).toEqual([]);
});

test("what is not there cannot be moved, and nothing is made of it", async () => {
  await expect(moveToBin(join(folder, "gone.zip"))).rejects.toThrow(/ENOENT/);
  await expect(moveBack(join(folder, "gone.zip"), join(folder, "here.zip"))).rejects.toThrow(/ENOENT/);
  expect((await readdir(folder)).filter((name) => !name.startsWith("."))).toEqual([]);
});

test("a free name has the first number that nothing bears, before its extension", async () => {
  expect(await freeName(join(folder, "a.b.zip"))).toBe(join(folder, "a.b.zip"));
  await write("a.b.zip", "");
  await write("a.b (2).zip", "");
  expect(await freeName(join(folder, "a.b.zip"))).toBe(join(folder, "a.b (3).zip"));
});

describe("watching", () => {
  const heard = async (count: () => number, wanted: number) => {
    for (let tries = 0; tries < 200 && count() < wanted; tries++)
      await new Promise((done) => setTimeout(done, 20));
    return count();
  };

  test("many changes at once are one stir; after the end none is heard", async () => {
    const end = new AbortController();
    let stirs = 0;
    watchFolders([folder], () => stirs++, end.signal);
    for (let n = 0; n < 20; n++) await write(`${n}.zip`, "x");
    expect(await heard(() => stirs, 1)).toBe(1);
    end.abort();
    await write("later.zip", "x");
    await new Promise((done) => setTimeout(done, 800));
    expect(stirs).toBe(1);
  });

  test("a folder that cannot be watched is no fault", () => {
    const end = new AbortController();
    expect(() => watchFolders([join(folder, "nowhere")], () => undefined, end.signal)).not.toThrow();
    end.abort();
  });
});
