import type { GameDefinition } from "../model/game";
import { emptyLedger, type Accepted } from "../model/ledger";
import type { Laying } from "../model/placement";
import { testGame } from "../testing/game";
import { driftOf, gatheredAs, ownPlaceOf } from "./drift";
import { dateOf, setAsidePlan, type Lying } from "./plan";
import { wantedFiles, type LaidMod } from "./wanted";

const merged: Laying = {
  kind: "merged",
  folder: "data",
  elsewhere: [
    { from: "menus/", to: "panels" },
    { from: "tools/", to: "" },
  ],
};
const folders: Laying = { kind: "folders", folder: "packages", name: "{id}-{version}" };
const game: GameDefinition = { ...testGame, placement: merged };
const hash = "a".repeat(32);
const file = (size: number, changed = dateOf(hash)): Lying => ({ kind: "file", size, changed });
const none: Accepted = { format: "seating-accepted/1", bareAt: null, files: [] };
const ledger = (...paths: readonly string[]) => ({
  ...emptyLedger("/game"),
  entries: paths.map((path) => ({ path, mod: "m", size: 3, hash, aside: null, isOwnCopy: false })),
});
const present = (files: Readonly<Record<string, Lying>>) => ({
  look: (path: string) => files[path] ?? null,
  filesBelow: (folder: string) => Object.keys(files).filter((path) => path.startsWith(`${folder}/`)),
});

test("a file of settings is nobody's change, whoever brings it", () => {
  const own = { ...game, settings: [{ id: "s", label: "S", path: "data/View.ini", format: "ini" as const }] };
  const files = present({ "data/view.ini": file(9, 7), "data/a.dat": file(9, 7) });
  const told = (of: GameDefinition, laid: readonly string[]) =>
    driftOf(of, merged, ledger(...laid), none, files);
  expect(told(game, ["data/view.ini", "data/a.dat"]).changed.map(({ path }) => path)).toEqual([
    "data/view.ini",
    "data/a.dat",
  ]);
  expect(told(own, ["data/view.ini", "data/a.dat"]).changed.map(({ path }) => path)).toEqual(["data/a.dat"]);
  expect(told(game, []).added.map(({ path }) => path)).toEqual(["data/a.dat", "data/view.ini"]);
  expect(told(own, []).added.map(({ path }) => path)).toEqual(["data/a.dat"]);
});

test("what is laid out comes from a path of its mod, and gathered would come from there again", () => {
  const paths = ["a.dat", "Skies/b.dat", "menus/c/d.txt", "kites/menus/e.dat"];
  const mod: LaidMod = {
    id: "one",
    name: "One",
    version: "1",
    folder: "one-1",
    content: "c",
    files: paths.map((path) => ({ path, size: 3, hash, part: null })),
    partKeys: [],
    taken: new Set(),
    leftOut: [],
  };
  for (const { path, own } of wantedFiles(game, merged, [mod]).files)
    expect([path, ownPlaceOf(merged, path)]).toEqual([path, { own, folder: null }]);
  for (const { path, own } of wantedFiles(game, folders, [mod]).files)
    expect([path, ownPlaceOf(folders, path)?.own]).toEqual([path, own]);
  for (const path of ["readme.txt", "database/a.dat", "panels"]) expect(ownPlaceOf(merged, path)).toBeNull();
  for (const path of ["packages/a.dat", "packages", "a.dat"]) expect(ownPlaceOf(folders, path)).toBeNull();
});

test("of a game whose mods have a folder each those of one folder are gathered, and none of a mod that is laid out", () => {
  const laid = ledger("packages/one-1/a.dat");
  const found = gatheredAs(folders, laid, ["packages/baked/b.dat", "packages/baked/c/d.dat"]);
  expect(found).toEqual({
    ok: true,
    value: new Map([
      ["packages/baked/b.dat", "b.dat"],
      ["packages/baked/c/d.dat", "c/d.dat"],
    ]),
  });
  const codes = [
    ["packages/one-1/e.dat"],
    ["packages/f.dat"],
    ["packages/baked/b.dat", "packages/other/g.dat"],
  ];
  expect(
    codes.map((paths) => gatheredAs(folders, laid, paths)).map((each) => each.ok || each.refusal.code),
  ).toEqual(["cannot-gather", "cannot-gather", "gather-several"]);
});

test("changed, gone and unknown are told apart; names are one as the game compares them, and what was accepted is not told until it changes again", () => {
  const files = {
    "data/as-put.dat": file(3),
    "data/longer.dat": file(4),
    "data/later.dat": file(3, dateOf(hash) + 1),
    "data/Skies/NEW.dat": file(9),
    "panels/note.txt": file(2),
    "elsewhere/not-looked-at.dat": file(1),
  };
  const own = ledger(
    "data/as-put.dat",
    "data/longer.dat",
    "data/later.dat",
    "data/gone.dat",
    "DATA/skies/new.dat",
  );
  const drift = driftOf(game, merged, own, none, present(files));
  expect(drift.changed.map(({ path }) => path)).toEqual(["data/longer.dat", "data/later.dat"]);
  expect(drift.gone.map(({ path }) => path)).toEqual(["data/gone.dat", "DATA/skies/new.dat"]);
  expect(drift.added).toEqual([{ path: "panels/note.txt", size: 2 }]);

  const accepted: Accepted = {
    ...none,
    bareAt: "2026-12-01T00:00:00Z",
    files: [
      ["data/longer.dat", 4, dateOf(hash)],
      ["panels/note.txt", 2, dateOf(hash)],
    ],
  };
  const later = driftOf(game, merged, own, accepted, present({ ...files, "panels/note.txt": file(5) }));
  expect(later.changed.map(({ path }) => path)).toEqual(["data/later.dat"]);
  expect(later.added.map(({ path }) => path)).toEqual(["panels/note.txt"]);
  expect(later.bareAt).toBe(accepted.bareAt);
});

test("Seating’s own files and what is no file are not set aside", () => {
  const files = {
    "data/own.dat": file(3),
    "data/theirs.dat": file(3),
    data: { ...file(0), kind: "folder" as const },
  };
  const { acts, after } = setAsidePlan(
    ["data/own.dat", "data/theirs.dat", "data", "data/nothing.dat"],
    ledger("data/own.dat"),
    present(files).look,
  );
  expect(acts).toEqual([{ does: "set-aside", path: "data/theirs.dat", number: 1 }]);
  expect(after).toMatchObject({ others: [["data/theirs.dat", 1]], next: 2, times: [["data", dateOf(hash)]] });
});
