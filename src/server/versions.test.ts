import { copyFile, mkdir, rename, rm, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { zipSync, strToU8 } from "fflate";
import { factsOfRoster, fingerprintOf } from "@/core/lineup/fingerprint";
import { newerVersions, versionEdit } from "@/core/edit/versions";
import { dropMods } from "@/core/edit/edits";
import { versionLines } from "@/core/messages/versions";
import { runChecks } from "@/core/check/run-checks";
import { allTies } from "@/core/roster/ties";
import { chooseGame, findCurrentGame } from "@/store/games";
import { dropUnpinned, listKept } from "@/store/kept";
import { listShelf } from "@/store/shelf";
import type { Context } from "./context";
import { storeEdit } from "./operations/edit-profile";
import { step } from "./operations/history";
import { readShelfOfGame } from "./operations/read-shelf";
import { readSituation } from "./operations/situation";
import { compareContents, identify, markOwnWork } from "./operations/versions";
import { makeDemoContext, value, type DemoContext } from "./testing/demo-context";
import { aMod } from "@/core/testing/ids";

const game = "kitefall-cup";
const id = "seam-repair";

let demo: DemoContext;
let context: Context;
let shelf: string;
beforeAll(async () => {
  demo = await makeDemoContext(14);
  context = demo.context;
  shelf = join(demo.folder, game, "shelf");
  await chooseGame(context.db, game);
}, 120_000);
afterAll(() => demo.end());

const present = async () => {
  const current = (await findCurrentGame(context.db))!;
  return value(await readSituation(context, current.profileId!));
};
const scan = async () => value(await readShelfOfGame(context, () => undefined));
const print = async () => fingerprintOf(factsOfRoster((await present()).roster));
const held = async () => (await present()).roster.modOf.get(id)!;
const findings = async () => {
  const { roster } = await present();
  return runChecks({ roster, ties: allTies(roster), onDisk: { order: null, holds: null } });
};

/** A version of the mod with files of its own, as an archive. */
const archive = (version: string, files: Record<string, string>) =>
  zipSync({
    "seating-mod.json": strToU8(
      JSON.stringify({ format: "seating-mod/1", id, name: "Seam Repair", version }),
    ),
    ...Object.fromEntries(Object.entries(files).map(([path, text]) => [path, strToU8(text)])),
  });

test("a newer archive on the shelf changes no profile; what it changes is shown, and taken with a way back", async () => {
  const before = await print();
  expect((await held()).mod!.version).toBe("1.1.0");
  await writeFile(
    join(shelf, "Seam Repair-2.0.0.zip"),
    archive("2.0.0", { "kites/plain-3.dat": "x", "kites/new.dat": "y" }),
  );
  const { version } = (await present()).profile;
  await scan();
  expect([(await held()).mod!.version, await print()]).toEqual(["1.1.0", before]);
  expect((await present()).profile.version).toBe(version);
  expect((await findings()).find(({ id: code }) => code === "newer-here")).toMatchObject({
    level: "hint",
    data: { count: 1, first: id },
  });
  const { roster, profile } = await present();
  const [change] = newerVersions(roster);
  const [difference] = value(
    await compareContents(context, [{ id, from: change!.item.mod!.content!, to: change!.to.content! }]),
  );
  expect(versionLines(difference!)).toEqual([
    "1 requirement gone: bridle-kit",
    "1 file new: kites/new.dat",
    "1 file gone: skies/plain-2.dat",
    "2 files changed: kites/plain-3.dat, seating-mod.json",
  ]);
  value(await storeEdit(context, profile.id, profile.version, versionEdit(roster, [change!])!));
  expect((await held()).mod!.version).toBe("2.0.0");
  value(await step(context, profile.id, profile.version + 1, "undo"));
  expect([(await held()).mod!.version, await print()]).toEqual(["1.1.0", before]);
  // The archives of all three lie beside one another.
  const versions = (await listShelf(context.db, game)).filter((mod) => mod.id === id);
  expect(versions.map((mod) => mod.version).sort()).toEqual(["1.0.0", "1.1.0", "2.0.0"]);
});

test("where the file of pinned contents goes, all that is known of them stays; back, and nothing was the matter", async () => {
  const before = await print();
  const { content, path } = (await held()).mod!;
  const away = join(demo.folder, "away.zip");
  await rename(join(shelf, path), away);
  await scan();
  expect(await held()).toMatchObject({ gone: true, mod: { version: "1.1.0", content } });
  expect(await print()).toBe(before);
  const gone = (await findings()).find(({ id: code }) => code === "contents-gone")!;
  expect(gone).toMatchObject({ level: "problem", data: { item: id, version: "1.1.0" } });
  expect(gone.fixes.map((fix) => fix.id)).toEqual(["take-version"]);
  expect(gone.wants).toEqual([{ kind: "mod", id, content, versions: null }]);
  // What it is compared with is known still, file by file.
  const to = (await listShelf(context.db, game)).find((mod) => mod.version === "2.0.0")!.content!;
  const [difference] = value(await compareContents(context, [{ id, from: content!, to }]));
  expect(difference!.filesChanged).toContain("kites/plain-3.dat");
  await copyFile(away, join(shelf, "Found again.zip"));
  await scan();
  expect(await held()).toMatchObject({ gone: false, mod: { path: "Found again.zip" } });
  expect(await print()).toBe(before);
  expect(await listKept(context.db, game)).toEqual([]);
});

test("contents are kept as long as something pins them, the history too, and no longer", async () => {
  const { roster, profile } = await present();
  const { content, path } = (await held()).mod!;
  value(await storeEdit(context, profile.id, profile.version, dropMods(roster, [id])!));
  await rm(join(shelf, path));
  await scan();
  expect((await listKept(context.db, game)).map((mod) => mod.content)).toEqual([content]);
  value(await step(context, profile.id, profile.version + 1, "undo"));
  expect(await held()).toMatchObject({ gone: true, mod: { version: "1.1.0" } });
  await context.db.query("delete from journal");
  await context.db.query("delete from restore_point");
  await dropUnpinned(context.db, game);
  expect(await listKept(context.db, game)).toHaveLength(1);
  await context.db.query("delete from profile_entry where content = $1", [content]);
  await dropUnpinned(context.db, game);
  expect(await listKept(context.db, game)).toEqual([]);
});

test("one's own work is followed, and said so; everybody else's stays", async () => {
  context.orders.clear();
  const folder = join(shelf, "Own Kite");
  await mkdir(join(folder, "kites"), { recursive: true });
  await writeFile(join(folder, "kites/own.dat"), "one");
  await scan();
  const { roster, profile } = await present();
  const { switchMods } = await import("@/core/edit/edits");
  const mod = roster.stock.shelf.find((each) => each.id === "own-kite")!;
  value(await storeEdit(context, profile.id, profile.version, switchMods(roster, [mod], true)!));
  const item = async () => (await present()).roster.modOf.get("own-kite")!;
  expect((await item()).gone).toBe(false);
  await writeFile(join(folder, "kites/own.dat"), "two, and longer");
  await scan();
  expect((await item()).gone).toBe(true);
  value(await markOwnWork(context, "own-kite", true));
  expect((await item()).gone).toBe(false);
  const pinned = (await item()).entry.content;
  await writeFile(join(folder, "kites/own.dat"), "three, and longer still");
  await scan();
  expect((await item()).gone).toBe(false);
  expect((await item()).entry.content).not.toBe(pinned);
  const { readHistory } = await import("@/store/journal");
  expect((await readHistory(context.db, profile.id)).undo).toMatchObject({ id: "own-work" });
});

test("archives that differ by a number in their names are mods of their own; what a profile holds keeps its name", async () => {
  const bytes = (text: string) => zipSync({ "kites/model.dat": strToU8(text) });
  for (const [name, text] of [
    ["Bog Model 1.zip", "1"],
    ["Bog Model 2.zip", "2"],
    ["Bog Model 3.zip", "3"],
  ] as const)
    await writeFile(join(shelf, name), bytes(text));
  await scan();
  const ids = async () =>
    (await listShelf(context.db, game)).filter(({ path }) => path.startsWith("Bog")).map((mod) => mod.id);
  expect(await ids()).toEqual(["bog-model-1", "bog-model-2", "bog-model-3"]);
  // As an earlier version had read them, and a profile holds the last.
  const { profile } = await present();
  await context.db.query(
    "update shelf_mod set id = 'bog-model', name = 'Bog Model', version = right(path, 5)::char(1), stamp = '' where path like 'Bog%'",
  );
  const third = (await listShelf(context.db, game)).find(({ path }) => path === "Bog Model 3.zip")!;
  await context.db.query(
    `insert into profile_entry (profile_id, list, position, id, is_on, section, content)
     values ($1, 'mods', 1e9, 'bog-model', true, 'mods', $2)`,
    [profile.id, third.content],
  );
  context.orders.clear();
  await scan();
  expect(await ids()).toEqual(["bog-model-1", "bog-model-2", "bog-model"]);
  expect((await present()).roster.modOf.get("bog-model")).toMatchObject({
    gone: false,
    mod: { path: "Bog Model 3.zip" },
  });
});

test("what entries are is remembered over readings; what a profile holds, or a manifest says, is not changed", async () => {
  const mods = async () => (await listShelf(context.db, game)).filter(({ path }) => path.startsWith("Bog"));
  const [first, second, third] = await mods();
  value(
    await identify(context, [
      { path: first!.path, id: aMod("bog"), name: "Bog" },
      { path: second!.path, id: aMod("bog"), name: "Bog" },
    ]),
  );
  await context.db.query("update shelf_mod set stamp = '' where path like 'Bog%'");
  await scan();
  expect((await mods()).map((mod) => [mod.id, mod.name])).toEqual([
    ["bog", "Bog"],
    ["bog", "Bog"],
    ["bog-model", "Bog Model"],
  ]);
  expect((await present()).stock.identified).toEqual([first!.path, second!.path]);
  expect(await identify(context, [{ path: third!.path, id: aMod("bog"), name: "Bog" }])).toMatchObject({
    refusal: { code: "held-by-profile" },
  });
  // Its name alone can be changed.
  value(await identify(context, [{ path: third!.path, id: aMod("bog-model"), name: "The Third Bog" }]));
  expect((await mods())[2]!.name).toBe("The Third Bog");
  const told = (await listShelf(context.db, game)).find((mod) => mod.manifest)!;
  expect(await identify(context, [{ path: told.path, id: aMod("x"), name: "X" }])).toMatchObject({
    refusal: { code: "named-by-manifest" },
  });
  expect(await identify(context, [{ path: "nothing.zip", id: aMod("x"), name: "X" }])).toMatchObject({
    refusal: { code: "not-on-shelf" },
  });
});
