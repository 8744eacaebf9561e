import { mkdtemp, readdir, readFile, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { deleteBinned, isInBin, moveOnce, placeInBin } from "./bin";

let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), "seating-bin-"));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

const write = (name: string, text: string) => writeFile(join(folder, name), text);

const toBin = async (path: string) => {
  const place = await placeInBin(path);
  expect(await moveOnce(path, place)).toBe(true);
  return place;
};

test("what is moved into the bin lies beside the shelf, hidden, and two of one name stay apart", async () => {
  await write("A-1.0.zip", "first");
  const first = await toBin(join(folder, "A-1.0.zip"));
  await write("A-1.0.zip", "second");
  const second = await toBin(join(folder, "A-1.0.zip"));
  expect([first, second]).toEqual([
    join(folder, ".seating-bin/A-1.0.zip"),
    join(folder, ".seating-bin/A-1.0 (2).zip"),
  ]);
  expect(await readdir(folder)).toEqual([".seating-bin"]);
  expect(await moveOnce(second, join(folder, "A-1.0.zip"))).toBe(true);
  expect(await readFile(join(folder, "A-1.0.zip"), "utf8")).toBe("second");
  expect(await moveOnce(first, join(folder, "A-1.0.zip"))).toBe(false);
  expect(await readFile(first, "utf8")).toBe("first");
  await deleteBinned(first);
  expect(await readdir(join(folder, ".seating-bin"))).toEqual([]);
});

test("only what lies right in the bin of a shelf folder counts as binned", () => {
  const shelves = [folder, "/other"];
  expect(isInBin(shelves, join(folder, ".seating-bin/a.zip"))).toBe(true);
  expect(isInBin(shelves, "/other/.seating-bin/a")).toBe(true);
  for (const path of [
    folder,
    join(folder, ".seating-bin"),
    join(folder, "a.zip"),
    "/elsewhere/.seating-bin/a",
  ])
    expect(isInBin(shelves, path)).toBe(false);
});

test("what is not there cannot be moved, and nothing is made of it", async () => {
  await expect(moveOnce(join(folder, "gone.zip"), join(folder, "here.zip"))).rejects.toThrow(/ENOENT/);
  expect(await readdir(folder)).toEqual([]);
});

test("a move that was made before counts as made", async () => {
  await write("here.zip", "x");
  expect(await moveOnce(join(folder, "gone.zip"), join(folder, "here.zip"))).toBe(true);
});
