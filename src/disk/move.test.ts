import { mkdir, mkdtemp, readdir, readFile, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { freeName, isHalfCopy, moveTo } from "./move";

let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), "seating-move-"));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

const at = (name: string) => join(folder, name);

test("of twenty files that are moved to one place at once, one gets there, and none is lost", async () => {
  const names = Array.from({ length: 20 }, (_, n) => `from-${n}`);
  for (const name of names) await writeFile(at(name), name);
  const moved = await Promise.all(names.map((name) => moveTo(at(name), at("to.zip"))));
  expect(moved.filter(Boolean)).toHaveLength(1);
  const left = await readdir(folder);
  expect(left).toHaveLength(20);
  const contents = await Promise.all(left.map((name) => readFile(at(name), "utf8")));
  expect(new Set(contents)).toEqual(new Set(names));
});

test("of folders too, with all that is in them; one that is empty is not replaced either", async () => {
  for (const name of ["a", "b", "empty"]) await mkdir(at(name));
  await writeFile(at("a/file"), "a");
  await writeFile(at("b/file"), "b");
  const moved = await Promise.all([moveTo(at("a"), at("to")), moveTo(at("b"), at("to"))]);
  expect(moved.filter(Boolean)).toHaveLength(1);
  expect((await readdir(folder)).sort()).toEqual(moved[0] ? ["b", "empty", "to"] : ["a", "empty", "to"]);
  expect(await readFile(at("to/file"), "utf8")).toBe(moved[0] ? "a" : "b");
  expect(await moveTo(at("to"), at("empty"))).toBe(false);
});

test("between disks a file is copied under a hidden name first, and is whole when it has its own", async () => {
  // Another file system, where this machine has one that can be written.
  const elsewhere = await mkdtemp("/dev/shm/seating-move-").catch(() => null);
  if (!elsewhere) return;
  await writeFile(join(elsewhere, "big"), "x".repeat(1_000_000));
  expect(await moveTo(join(elsewhere, "big"), at("big"))).toBe(true);
  expect((await readFile(at("big"), "utf8")).length).toBe(1_000_000);
  expect([await readdir(elsewhere), await readdir(folder)]).toEqual([[], ["big"]]);
  await writeFile(join(elsewhere, "big"), "second");
  expect(await moveTo(join(elsewhere, "big"), at("big"))).toBe(false);
  expect([await readdir(elsewhere), await readdir(folder)]).toEqual([["big"], ["big"]]);
  await rm(elsewhere, { recursive: true });
});

test("a free name has the first number that nothing bears, before its extension", async () => {
  expect(await freeName(at("a.b.zip"))).toBe(at("a.b.zip"));
  await writeFile(at("a.b.zip"), "");
  await writeFile(at("a.b (2).zip"), "");
  expect(await freeName(at("a.b.zip"))).toBe(at("a.b (3).zip"));
});

test("halves of copies are known by their names", () => {
  expect(isHalfCopy(".seating-123e4567-e89b-12d3-a456-426614174000.part")).toBe(true);
  for (const name of [".seating-bin", ".seating-x.part", "a.zip", "a.part"])
    expect(isHalfCopy(name)).toBe(false);
});
