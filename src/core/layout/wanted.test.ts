import type { GameDefinition } from "../model/game";
import type { Laying } from "../model/placement";
import type { ContentFile } from "../model/shelf";
import { testGame } from "../testing/game";
import { spelled } from "./spell";
import { wantedFiles, type LaidMod } from "./wanted";

const game: GameDefinition = { ...testGame, containers: [{ extension: ".pack", format: "zip" }] };
const hash = (letter: string) => letter.repeat(32);
const file = (path: string, part: string | null = null, letter = "a"): ContentFile => ({
  path,
  size: 3,
  hash: hash(letter),
  part,
});
const mod = (id: string, files: readonly ContentFile[], more: Partial<LaidMod> = {}): LaidMod => ({
  id,
  name: `The ${id}`,
  version: "1.0",
  folder: `${id}-1.0`,
  content: `contents of ${id}`,
  files,
  partKeys: [],
  taken: new Set(),
  leftOut: [],
  ...more,
});
const merged: Laying = { kind: "merged", folder: "data" };
const laid = (laying: Laying, ...mods: readonly LaidMod[]) =>
  wantedFiles(game, laying, mods).files.map(({ path, mod: id, hash: of }) => [path, id, of[0]]);

test("of each path the last mod’s file lies there, of a mod that of the last part that is taken; manifests are for the mod alone", () => {
  const first = mod("one", [file("a.dat"), file("Textures/sky.dat"), file("seating-mod.json")]);
  const second = mod(
    "two",
    [file("textures/SKY.dat", "late", "b"), file("textures/sky.dat", "early", "c"), file("b.dat", "off")],
    { partKeys: ["early", "late", "off"], taken: new Set(["early", "late"]) },
  );
  expect(laid(merged, first, second)).toEqual([
    ["data/a.dat", "one", "a"],
    ["data/textures/SKY.dat", "two", "b"],
  ]);
  expect(laid(merged, second, first).map(([path]) => path)).toEqual(["data/a.dat", "data/Textures/sky.dat"]);
  const leftOut = { ...second, leftOut: ["textures/"] };
  expect(laid(merged, first, leftOut).map(([path]) => path)).toEqual(["data/a.dat", "data/Textures/sky.dat"]);
});

test("packed files are numbered by their mods; what lies in them does not lie there", () => {
  const packs = (id: string, letter: string) =>
    mod(id, [
      file("sea.pack", null, letter),
      { ...file("textures/sky.dat", null, letter), container: "sea.pack" },
    ]);
  expect(laid(merged, mod("none", []), packs("one", "a"), mod("two", [file("sky.pack", null, "b")]))).toEqual(
    [
      ["data/0002-sea.pack", "one", "a"],
      ["data/0003-sky.pack", "two", "b"],
    ],
  );
  // The one that loses its path is not opened.
  expect(laid(merged, packs("one", "a"), packs("two", "b"))).toEqual([["data/0002-sea.pack", "two", "b"]]);
});

test("mods lie as folders of their own by a pattern, and some of their folders elsewhere", () => {
  const laying: Laying = {
    kind: "folders",
    folder: "packages",
    name: "{id} {version} ({name}) {folder}.",
    elsewhere: [{ from: "program/", to: "" }],
  };
  const odd = mod("one", [file("a.dat"), file("Program/tool.exe")], { name: "What: <this>?" });
  expect(laid(laying, odd).map(([path]) => path)).toEqual([
    "packages/one 1.0 (What- -this-) one-1.0/a.dat",
    "tool.exe",
  ]);
});

test("a file where another mod has a folder, and what was never read, are told", () => {
  const { flaws } = wantedFiles(game, merged, [
    mod("one", [file("menu")]),
    mod("two", [file("Menu/a.dat"), { ...file("b.dat"), hash: null }]),
  ]);
  expect(flaws).toMatchObject([
    { kind: "not-read", mod: "two", path: "b.dat" },
    { kind: "file-and-folder", file: { path: "data/menu", mod: "one" }, below: { mod: "two" } },
  ]);
});

test("what is written to is marked for a copy of its own", () => {
  const { files } = wantedFiles(game, { ...merged, written: ["Config/"] }, [
    mod("one", [file("config/a.ini"), file("a.dat")]),
  ]);
  expect(files.map(({ own, isOwnCopy }) => [own, isOwnCopy])).toEqual([
    ["a.dat", false],
    ["config/a.ini", true],
  ]);
});

test("names are those that lie there already, else folders are called as the first of their spellings", () => {
  const { files } = wantedFiles(game, merged, [
    mod("one", [file("Textures/a.dat"), file("textures/b.dat"), file("sounds/C.dat")]),
  ]);
  const there: Readonly<Record<string, readonly string[]>> = {
    "": ["DATA"],
    DATA: ["Sounds"],
    "DATA/Sounds": ["c.DAT"],
  };
  expect(spelled(game, files, (folder) => there[folder] ?? []).map(({ path }) => path)).toEqual([
    "DATA/Sounds/c.DAT",
    "DATA/Textures/a.dat",
    "DATA/Textures/b.dat",
  ]);
  const exact = { ...game, paths: { ignoreCase: false } };
  expect(
    spelled(
      exact,
      wantedFiles(exact, merged, [mod("one", [file("Textures/a.dat"), file("textures/b.dat")])]).files,
      () => ["DATA"],
    ).map(({ path }) => path),
  ).toEqual(["data/Textures/a.dat", "data/textures/b.dat"]);
});
