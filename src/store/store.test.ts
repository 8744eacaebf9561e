import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import { listTransfers } from "./transfers";
import fc from "fast-check";
import type { Rulebook } from "@/core/model/rulebook";
import { makeRandom } from "@/core/random";
import { saveEntries } from "./entries";
import { listCounts, listLastCounts, listSeen, noteFindings } from "./health";
import {
  beginTrial,
  confirmWay,
  endTrial,
  findTrial,
  forgetConfirmed,
  getTrial,
  judgeTrial,
  lastWay,
  listConfirmed,
  listOwnWays,
  listUnderWay,
  removeOwnWay,
  saveOwnWay,
  setLastWay,
} from "./trials";
import { listRulebooks, saveRulebook } from "./rulebooks";
import { cp, mkdtemp, readdir, rm, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ShelfMod, type ContentFile } from "@/core/model/shelf";
import { Entry, ProfileState } from "@/core/model/profile";
import { Section } from "@/core/model/game";
import { anyState } from "@/core/testing/facets";
import { testGame } from "@/core/testing/game";
import { shelfMod, pluginFile, testRoster } from "@/core/testing/roster";
import { applySteps, label } from "@/core/edit/steps";
import { chooseGame, chooseProfile, findCurrentGame, listGames, saveGame } from "./games";
import { findNext, readHistory, record, setUndone, trimJournal } from "./journal";
import { listLooseContents, saveLooseFiles } from "./loose-files";
import { addImport, dropLookedAt, findImport, listImports, markImported } from "./lineup-imports";
import { migrate } from "./migrate";
import { openHere } from "./pglite";
import { filesOfContent, listContaining, listContents, listPaths } from "./contents";
import { dropUnpinned } from "./kept";
import { openUpToDate } from "./testing/up-to-date";
import {
  findProfile,
  insertProfile,
  isNameTaken,
  listProfiles,
  listUsage,
  saveState,
  setDeleted,
} from "./profiles";
import { addRestorePoint, findRestorePoint, listRestorePoints } from "./restore-points";
import { forgetShelfPaths, keepShelfPaths, listShelf, listStamps, saveShelfMods } from "./shelf";
import type { Db, Tx } from "./sql";
import { aMod, aPlugin, aProfile, aRule, aSection } from "@/core/testing/ids";

const folders = { game: "/game", order: "/game", shelves: ["/shelf"] };
const migrations = join(process.cwd(), "src/store/migrations");
class Rollback extends Error {}

let db: Db;
beforeAll(async () => {
  db = await openUpToDate();
  await saveGame(db, { id: "pond", definition: testGame, folders });
  await chooseGame(db, "pond");
}, 60_000);
afterAll(() => db.close());

/** Runs in a transaction that is rolled back, so that every test begins with the same database. */
async function tried(work: (tx: Tx) => Promise<void>): Promise<void> {
  const outcome = db.transaction(async (tx) => {
    await work(tx);
    throw new Rollback();
  });
  await outcome.catch((error: unknown) => {
    if (!(error instanceof Rollback)) throw error;
  });
}

const { profile } = testRoster(
  [
    { name: "Core.keel" },
    { name: "a.plank", on: false },
    { name: "p.plank", section: "patches", home: "world", fresh: true },
  ],
  [{ kind: "after", item: "p.plank", other: "a.plank", strength: "must" }],
);

const contentFile = (path: string, more: Partial<ContentFile> = {}): ContentFile => ({
  path,
  size: 1,
  hash: "a1".repeat(16),
  part: null,
  ...more,
});

async function storeProfile(tx: Tx): Promise<void> {
  await insertProfile(tx, profile);
  await saveState(tx, profile.id, profile.version, profile.state, null);
}

test("columns carry the fields of the schemas", async () => {
  const rows = await db.query<{ table: string; column: string }>(
    `select table_name as "table", column_name as "column" from information_schema.columns
     where table_schema = 'public' order by 1, 2`,
  );
  const camel = (name: string) =>
    name
      .replace(/^is_/, "")
      .replace(/_(\w)/g, (_, letter: string) => letter.toUpperCase())
      .replace("256", "256");
  const columns = (table: string, ...own: string[]) =>
    rows
      .filter((row) => row.table === table)
      .map((row) => camel(row.column))
      .filter((name) => !own.includes(name))
      .sort();
  const ofMods = Object.keys(ShelfMod.shape)
    .filter((name) => !["contentFiles", "ownTags"].includes(name))
    .sort();
  expect(columns("shelf_mod", "gameId")).toEqual(ofMods);
  expect(columns("profile_entry", "profileId", "list", "position")).toEqual(Object.keys(Entry.shape).sort());
  expect(columns("profile_section", "profileId", "list", "position")).toEqual(
    Object.keys(Section.shape).sort(),
  );
  for (const owner of ["profile", "game"])
    expect(columns(`${owner}_decision`, `${owner}Id`)).toEqual(["facet", "item", "key", "position"]);
});

test("whatever a profile decides is read back as it was stored, and so is what it becomes", () =>
  tried(async (tx) => {
    await insertProfile(tx, profile);
    let before: ProfileState | null = null;
    let version = 1;
    await fc.assert(
      fc.asyncProperty(anyState, async (state) => {
        await saveState(tx, profile.id, version++, state, before);
        before = state;
        expect((await findProfile(tx, profile.id))!.state).toEqual(state);
      }),
      { numRuns: 60 },
    );
  }));

test("notes, rules of mods and what sections demand are read back as they were stored", () =>
  tried(async (tx) => {
    await storeProfile(tx);
    const { plugins, rules } = profile.state;
    const state = {
      ...profile.state,
      plugins: {
        ...plugins,
        sections: plugins.sections.map((section, at) => ({
          ...section,
          ...(at === 2 ? { block: "top" as const, closed: true as const } : {}),
          ...(at === 3 ? { unseated: true as const } : {}),
        })),
      },
      rules: [{ ...rules[0]!, list: "mods" as const }],
      notes: [{ list: "mods" as const, item: aMod("a"), text: "why\nhere", author: "", at: "2026-11-02" }],
      choices: [
        {
          mod: aMod("a"),
          options: { hud: ["wide"] } as Record<string, string[]>,
          components: ["oars"],
          reasons: { oars: "looks right" },
        },
        { mod: aMod("b"), options: {} as Record<string, string[]>, components: [] },
      ],
      baseOff: ["lamps"],
      launch: { windowed: true, world: "one.wld", speed: 2 },
    };
    await saveState(tx, profile.id, 2, state, profile.state);
    expect((await findProfile(tx, profile.id))!.state).toEqual(state);
  }));

/** The migrations up to one of a number, in a folder of their own. */
async function migrationsUpTo(number: number): Promise<string> {
  const folder = await mkdtemp(join(tmpdir(), "seating-migrations-"));
  for (const name of (await readdir(migrations)).filter((each) => Number(each.slice(0, 4)) <= number))
    await cp(join(migrations, name), join(folder, name));
  return folder;
}

test("a profile of the first schema, its history and its restore points come into sections of mods", async () => {
  const folder = await migrationsUpTo(1);
  const own = await openHere("memory://");
  try {
    await migrate(own, folder);
    await own.query(
      "insert into game (id, definition, game_folder, shelf_folder) values ('pond', $1, '/game', '/shelf')",
      [JSON.stringify(testGame)],
    );
    const old = { id: "a", on: true, section: null };
    const { plugins } = profile.state;
    await own.query(
      "insert into profile (id, game_id, name, purpose, version, expansions) values ('p', 'pond', 'Old', 'play', 1, '{}')",
    );
    await own.query(
      "insert into profile_entry (profile_id, list, position, id, is_on) values ('p', 'mods', 1, 'a', true)",
    );
    await own.query(
      `insert into profile_section (profile_id, list, position, id, name, rank, guidance)
       select 'p', 'plugins', s.position, s.id, s.name, s.rank, s.guidance
       from rows from (jsonb_to_recordset($1::jsonb) as (id text, name text, rank text, guidance text))
         with ordinality as s (id, name, rank, guidance, position)`,
      [JSON.stringify(plugins.sections)],
    );
    await own.query(
      "insert into journal (profile_id, number, label, steps, inverse) values ('p', 1, $1, $2, $3)",
      [
        JSON.stringify({ id: "drop", data: {} }),
        JSON.stringify([{ kind: "drop", list: "mods", ids: ["b"] }]),
        JSON.stringify([{ kind: "put", list: "mods", entries: [{ ...old, id: "b" }], before: "a" }]),
      ],
    );
    const then = {
      mods: { sections: [], entries: [old] },
      plugins: { ...plugins, entries: [] },
      rules: [],
      expansions: [],
    };
    await own.query("insert into restore_point (id, profile_id, name, state) values ('r', 'p', 'Then', $1)", [
      JSON.stringify(then),
    ]);
    await migrate(own, migrations);
    expect((await listGames(own))[0]!.folders).toEqual(folders);
    const now = (await own.transaction((tx) => findProfile(tx, aProfile("p"))))!;
    expect(now.state.mods).toEqual({
      sections: [{ id: "mods", name: "Mods", rank: "mods", guidance: "" }],
      entries: [{ id: "a", on: true, section: "mods" }],
    });
    const undone = applySteps(now.state, (await findNext(own, aProfile("p"), "undo"))!.inverse);
    expect(undone.ok && undone.value.state.mods.entries.map(({ id, section }) => [id, section])).toEqual([
      ["b", "mods"],
      ["a", "mods"],
    ]);
    expect(ProfileState.parse((await findRestorePoint(own, "r"))!.state).mods).toEqual(now.state.mods);
  } finally {
    await own.close();
    await rm(folder, { recursive: true });
  }
}, 60_000);

test("why a transfer was not taken in is told after an update as before", async () => {
  const folder = await migrationsUpTo(13);
  const own = await openHere("memory://");
  try {
    await migrate(own, folder);
    await own.query(
      "insert into game (id, definition, game_folder, order_folder, shelf_folders) values ('pond', $1, '/game', '/game', '{/shelf}')",
      [JSON.stringify(testGame)],
    );
    const old = { code: "mod-unsound", data: { name: "Reeds.zip", problem: "zip-corrupt", entry: "x" } };
    await own.query(
      `insert into transfer (game_id, file, mod_id, name, version, size, sha256, state, received, tries, problem)
       values ('pond', 'Reeds.zip', 'reeds', 'Reeds', '1', 1, 'a', 'failed', 1, 1, $1),
         ('pond', 'Lamps.zip', 'lamps', 'Lamps', '1', 1, 'b', 'failed', 1, 1, $2)`,
      [JSON.stringify(old), JSON.stringify({ code: "damaged", data: { name: "Lamps" } })],
    );
    await migrate(own, migrations);
    const said = (await listTransfers(own, "pond")).map(({ problem }) => plainText(sayRefusal(problem!)));
    expect(said.sort()).toEqual([
      "Lamps came with another hash than the depot names. It was thrown away; get it again.",
      "Reeds.zip is damaged or unusable: “x” does not match its checksum or cannot be unpacked. It was not added.",
    ]);
  } finally {
    await own.close();
    await rm(folder, { recursive: true });
  }
}, 60_000);

test("migrations are applied once, and a changed one is refused", async () => {
  const folder = await mkdtemp(join(tmpdir(), "seating-migrations-"));
  const own = await openHere("memory://");
  try {
    await writeFile(join(folder, "1.sql"), "create table one (id integer);");
    await migrate(own, folder);
    await migrate(own, folder);
    await writeFile(join(folder, "2.sql"), "create table two (id integer); create table broken (");
    await expect(migrate(own, folder)).rejects.toThrow();
    expect(await own.query("select to_regclass('two') as two")).toEqual([{ two: null }]);
    await writeFile(join(folder, "1.sql"), "create table other (id integer);");
    await expect(migrate(own, folder)).rejects.toThrow(/1\.sql was changed/);
  } finally {
    await own.close();
    await rm(folder, { recursive: true });
  }
}, 60_000);

test("the shelf is read back as it was stored, changed mods replace, gone ones go", () =>
  tried(async (tx) => {
    const mods = [
      {
        ...shelfMod("a", [pluginFile("a.plank", ["Pond.keel"])]),
        tags: ["x", "y"],
        manifest: { format: "seating-mod/1" as const, id: "a", name: "A", version: "1", more: [1] },
      },
      {
        ...shelfMod("b"),
        content: null,
        problem: { code: "path-unsafe" as const, data: { entry: "../x" } },
      },
    ];
    await saveShelfMods(tx, "pond", [
      { ...mods[0]!, contentFiles: [contentFile("a.plank")] },
      { ...mods[1]!, contentFiles: [] },
    ]);
    expect((await listShelf(tx, "pond")).map(({ added: _, ...mod }) => mod)).toEqual(mods);
    expect((await listShelf(tx, "pond"))[0]!.added).toMatch(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\dZ$/);
    await saveShelfMods(tx, "pond", [{ ...mods[0]!, size: 2 ** 40 }]);
    expect((await listShelf(tx, "pond"))[0]!.size).toBe(2 ** 40);
    await keepShelfPaths(tx, "pond", [mods[1]!.path]);
    expect((await listShelf(tx, "pond")).map((mod) => mod.path)).toEqual([mods[1]!.path]);
  }));

test("the files of contents are read back as they were stored, and go when neither the shelf nor anything kept has them", () =>
  tried(async (tx) => {
    const [one, other] = ["1", "2"].map((digit) => digit.repeat(64)) as [string, string];
    const files = [
      contentFile("a.plank", { size: 2 ** 40, hash: "0123456789abcdef".repeat(2) }),
      contentFile("Sea/É 1.dat", { part: "size/large" }),
      contentFile("Sea/É 1.dat", { part: "size/small", size: 0 }),
    ];
    const mods = [
      { ...shelfMod("a"), content: one, contentFiles: files },
      // Another archive of the same files.
      { ...shelfMod("a"), path: "again.zip", content: one, contentFiles: files },
      { ...shelfMod("b"), content: other, contentFiles: [contentFile("sea/Á.dat")] },
      { ...shelfMod("c"), content: "3".repeat(64), contentFiles: [] },
    ];
    await saveShelfMods(tx, "pond", mods);
    expect(await filesOfContent(tx, "pond", one)).toEqual(files);
    expect(await filesOfContent(tx, "pond", other)).toEqual([contentFile("sea/Á.dat")]);
    expect(await filesOfContent(tx, "pond", "3".repeat(64))).toEqual([]);
    expect(await filesOfContent(tx, "pond", "4".repeat(64))).toEqual([]);
    expect((await listPaths(tx, "pond")).get(one)).toEqual(["a.plank", "Sea/É 1.dat", "Sea/É 1.dat"]);
    expect([...(await listContaining(tx, "pond", "sEA/")).keys()]).toEqual([one, other]);
    expect(await listContaining(tx, "pond", "A.PLANK")).toEqual(new Map([[one, files]]));
    await forgetShelfPaths(tx, "pond", ["again.zip"]);
    await dropUnpinned(tx, "pond");
    expect((await listPaths(tx, "pond")).size).toBe(3);
    await keepShelfPaths(tx, "pond", [mods[2]!.path]);
    await dropUnpinned(tx, "pond");
    expect(await filesOfContent(tx, "pond", one)).toEqual([]);
    expect(await filesOfContent(tx, "pond", other)).toHaveLength(1);
  }));

test("what lies loose in the game is kept by folder, found beside the mods, and forgotten with its folder", () =>
  tried(async (tx) => {
    const own = [contentFile("textures/Sea.tex"), contentFile("textures/large.tex", { hash: null })];
    const island = [contentFile("textures/palm.tex")];
    const found = new Map([
      ["base", { content: "b1", files: own }],
      ["expansions/island", { content: "i1", files: island }],
    ]);
    await saveLooseFiles(tx, "pond", found);
    await saveShelfMods(tx, "pond", [
      { ...shelfMod("a"), content: "1".repeat(64), contentFiles: [contentFile("textures/sea.tex")] },
    ]);
    const contents = async () => [...(await listContaining(tx, "pond", "textures/")).keys()].sort();
    expect(await contents()).toEqual(["1".repeat(64), "b1", "i1"]);
    expect(await filesOfContent(tx, "pond", "b1")).toEqual(own);
    // No mod of the shelf.
    expect([...(await listPaths(tx, "pond")).keys()]).toEqual(["1".repeat(64)]);
    await saveLooseFiles(tx, "pond", new Map([["base", { content: "b1", files: null }]]));
    expect([...(await listLooseContents(tx, "pond"))]).toEqual([["base", "b1"]]);
    await dropUnpinned(tx, "pond");
    expect(await contents()).toEqual(["1".repeat(64), "b1"]);
    await saveLooseFiles(tx, "pond", new Map([["base", { content: "b2", files: [] }]]));
    await dropUnpinned(tx, "pond");
    expect(await contents()).toEqual(["1".repeat(64)]);
  }));

test("what an earlier version kept of files, by places of the shelf, comes to the contents there", async () => {
  const folder = await migrationsUpTo(21);
  const own = await openHere("memory://");
  try {
    await migrate(own, folder);
    await saveGame(own, { id: "pond", definition: testGame, folders });
    const [shelf, kept, bare] = ["1", "2", "3"].map((digit) => digit.repeat(64)) as [string, string, string];
    const hashes = ["0a".repeat(16), "ff".repeat(16)];
    await own.query(
      `insert into shelf_mod (game_id, path, kind, size, stamp, id, name, version, tags, files, content, plugins)
       values ('pond', 'a.zip', 'archive', 1, 's', 'a', 'A', '1', '{}', 2, $1, '[]'),
         ('pond', 'twin.zip', 'archive', 1, 's', 'a', 'A', '1', '{}', 2, $1, '[]'),
         ('pond', 'bare.zip', 'archive', 1, 's', 'b', 'B', '1', '{}', 1, $2, '[]'),
         ('pond', 'unsound.zip', 'archive', 1, 's', 'c', 'C', '1', '{}', 0, null, '[]')`,
      [shelf, bare],
    );
    await own.query(
      `insert into mod_files (game_id, path, files, hashes) values
         ('pond', 'a.zip', '{a.plank,"sea, deep/b.dat"}', $1), ('pond', 'twin.zip', '{a.plank,"sea, deep/b.dat"}', $1),
         ('pond', 'bare.zip', '{c.dat}', null), ('pond', 'unsound.zip', '{}', null)`,
      [hashes],
    );
    await own.query(
      `insert into plugin_records (game_id, path, plugin, records) values
         ('pond', 'a.zip', 'b.plank', '{}'), ('pond', 'a.zip', 'a.plank', '{reef,tide}'),
         ('pond', 'twin.zip', 'b.plank', '{}'), ('pond', 'twin.zip', 'a.plank', '{reef,tide}')`,
    );
    await own.query(
      `insert into kept_mod (game_id, id, content, mod, files, hashes, records)
       values ('pond', 'a', $1, '{}', '{old.dat}', $2, '{"old.plank": ["reef"]}')`,
      [kept, hashes.slice(1)],
    );
    await migrate(own, migrations);
    const file = (path: string, hash: string | null) => ({ path, size: null, hash, part: null });
    expect(await filesOfContent(own, "pond", shelf)).toEqual([
      file("a.plank", hashes[0]!),
      file("sea, deep/b.dat", hashes[1]!),
    ]);
    expect(await filesOfContent(own, "pond", kept)).toEqual([file("old.dat", hashes[1]!)]);
    expect(await filesOfContent(own, "pond", bare)).toEqual([file("c.dat", null)]);
    const records = (await listContents(own, "pond", [shelf, bare])).map(
      (each) => [each.content, each.records] as const,
    );
    expect(records).toEqual([
      [
        shelf,
        [
          { plugin: "a.plank", records: ["reef", "tide"] },
          { plugin: "b.plank", records: [] },
        ],
      ],
      [bare, []],
    ]);
    const [row] = await own.query<{ records: unknown }>("select records from contents where content = $1", [
      kept,
    ]);
    expect(row!.records).toEqual([{ plugin: "old.plank", records: ["reef"] }]);
    expect((await listStamps(own, "pond")).map(({ stamp }) => stamp)).toEqual(["", "", "", ""]);
  } finally {
    await own.close();
    await rm(folder, { recursive: true });
  }
}, 60_000);

test("a profile is read back as it was stored, and so is what an edit changed", () =>
  tried(async (tx) => {
    await storeProfile(tx);
    expect(await findProfile(tx, profile.id)).toEqual(profile);
    const entry = profile.state.plugins.entries[2]!;
    const edited = applySteps(profile.state, [
      { kind: "switch", list: "plugins", ids: [aPlugin("a.plank")], on: true },
      { kind: "put", list: "plugins", entries: [{ ...entry, section: aSection("patches") }], before: null },
      { kind: "drop", list: "mods", ids: [aMod("core")] },
    ]);
    if (!edited.ok) throw new Error(edited.refusal.code);
    await saveState(tx, profile.id, 2, edited.value.state, profile.state);
    expect(await findProfile(tx, profile.id)).toEqual({ ...profile, version: 2, state: edited.value.state });
    expect(await listProfiles(tx, "pond")).toMatchObject([{ name: "Test", deletedAt: null }]);
  }));

test("the profiles of a game are listed with what is on in each and how large that is; unsound and absent mods count for nothing", () =>
  tried(async (tx) => {
    await storeProfile(tx);
    const [first, second, third] = profile.state.mods.entries.map(({ id }) => id);
    const lying = (id: string, path: string, size: number) => ({ ...shelfMod(id), path, size });
    await saveShelfMods(tx, "pond", [
      lying(first!, "old.zip", 5),
      lying(first!, "new.zip", 70),
      lying(second!, "second.zip", 900),
      { ...lying(third!, "third.zip", 4000), problem: { code: "no-content", data: {} } },
      lying("nobody’s", "other.zip", 60_000),
    ]);
    const onEntries = profile.state.mods.entries.filter(({ on }) => on);
    const modsOn = onEntries.filter(({ id }) => id === first || id === second).length;
    expect(onEntries.length).toBeGreaterThan(modsOn);
    const whole = { mods: profile.state.mods.entries.length, modsOn, size: 970 };
    expect(await listProfiles(tx, "pond")).toMatchObject([whole]);
    const off = applySteps(profile.state, [{ kind: "switch", list: "mods", ids: [second!], on: false }]);
    if (!off.ok) throw new Error(off.refusal.code);
    await saveState(tx, profile.id, 2, off.value.state, profile.state);
    const bare = { ...profile, id: aProfile("p2"), name: "Bare" };
    await insertProfile(tx, bare);
    const listed = await listProfiles(tx, "pond");
    expect(listed).toMatchObject([
      { ...whole, modsOn: modsOn - 1, size: 70 },
      { mods: 0, modsOn: 0, size: 0 },
    ]);
  }));

test("it is told which profiles hold a mod in which contents; those in the bin hold nothing", () =>
  tried(async (tx) => {
    await storeProfile(tx);
    const { entries, sections } = profile.state.mods;
    const [first, second] = entries;
    const other = { ...profile, id: aProfile("p2"), name: "Other" };
    const pinned = entries
      .slice(0, 2)
      .map((entry, at) => (at === 0 ? { ...entry, content: "c".repeat(64) } : entry));
    await insertProfile(tx, other);
    await saveState(tx, other.id, 1, { ...profile.state, mods: { sections, entries: pinned } }, null);
    const held = async (id: string) => (await listUsage(tx, "pond")).filter((each) => each.id === id);
    const { id, content } = first!;
    // Both were made in the same moment: then it goes by their ids.
    const both = [profile.id, other.id].sort();
    const inContents = [
      { id, content, profiles: [profile.id] },
      { id, content: "c".repeat(64), profiles: [other.id] },
    ];
    const told = await held(id);
    expect(told).toHaveLength(2);
    expect(told).toEqual(expect.arrayContaining(inContents));
    expect(await held(second!.id)).toEqual([{ id: second!.id, content: second!.content, profiles: both }]);
    await setDeleted(tx, other.id, true);
    expect((await listUsage(tx, "pond")).flatMap(({ profiles }) => profiles)).not.toContain(other.id);
  }));

test("rules that are shared hold in every profile of the game; a new profile takes none of them away", () =>
  tried(async (tx) => {
    await storeProfile(tx);
    const rule = profile.state.rules[0]!;
    const shared = { ...rule, id: aRule("all"), note: "for all", off: true as const, shared: true as const };
    const edited = applySteps(profile.state, [
      { kind: "decide", facet: "rules", key: shared.id, item: shared, before: null },
      { kind: "decide", facet: "broaderFirst", key: "off", item: false },
    ]);
    if (!edited.ok) throw new Error(edited.refusal.code);
    await saveState(tx, profile.id, 2, edited.value.state, profile.state);
    expect((await findProfile(tx, profile.id))!.state).toEqual(edited.value.state);
    const other = { ...profile, id: aProfile("p2"), name: "Other", state: { ...profile.state, rules: [] } };
    await insertProfile(tx, other);
    await saveState(tx, other.id, 1, other.state, null);
    expect((await findProfile(tx, other.id))!.state.rules).toEqual([shared]);
    // One that comes from a list which names the rule as its own has it once.
    const { shared: _, ...own } = shared;
    const third = {
      ...other,
      id: aProfile("p3"),
      name: "Third",
      state: { ...profile.state, rules: [rule, own] },
    };
    await insertProfile(tx, third);
    await saveState(tx, third.id, 1, third.state, null);
    expect((await findProfile(tx, third.id))!.state.rules).toEqual([rule, shared]);
    expect((await findProfile(tx, profile.id))!.state.rules).toEqual([rule, shared]);
  }));

test("an order is read back as it was stored, whatever came, went, moved or changed before", () =>
  tried(async (tx) => {
    await storeProfile(tx);
    const random = makeRandom(5);
    const names = Array.from({ length: 12 }, (_, at) => aMod(`n${at}`));
    let before = profile.state.mods.entries;
    for (let round = 0; round < 120; round++) {
      let next = before.filter(() => !random.chance(0.1));
      for (let n = random.below(4); n > 0 && next.length > 0; n--) {
        const [entry] = next.splice(random.below(next.length), 1);
        next.splice(
          random.below(next.length + 1),
          0,
          random.chance(0.5) ? { ...entry!, on: !entry!.on } : entry!,
        );
      }
      const added = names.filter((id) => random.chance(0.2) && !next.some((entry) => entry.id === id));
      for (const id of added)
        next.splice(random.below(next.length + 1), 0, { id, on: true, section: aSection("mods") });
      next = next.map((entry) => (random.chance(0.1) ? { ...entry, content: "c" } : entry));
      await saveEntries(tx, profile.id, "mods", next, before);
      expect((await findProfile(tx, profile.id))!.state.mods.entries).toEqual(next);
      before = next;
    }
  }));

test("there is always room between two neighbours, if need be by numbering all anew", () =>
  tried(async (tx) => {
    await storeProfile(tx);
    let before = profile.state.mods.entries;
    for (let n = 0; n < 70; n++) {
      const next = [
        before[0]!,
        { id: aMod(`n${n}`), on: true, section: aSection("mods") },
        ...before.slice(1),
      ];
      await saveEntries(tx, profile.id, "mods", next, before);
      before = next;
    }
    expect((await findProfile(tx, profile.id))!.state.mods.entries).toEqual(before);
  }));

test("rulebooks are kept by version, and a profile says by which it goes", () =>
  tried(async (tx) => {
    await storeProfile(tx);
    const book: Rulebook = {
      format: "seating-rulebook/2",
      id: "soundings",
      game: "pond",
      name: "Soundings",
      version: "1",
      changelog: [],
      sections: [],
      rules: [],
      advice: [],
    };
    await saveRulebook(tx, "pond", book);
    await saveRulebook(tx, "pond", { ...book, version: "2" });
    await saveRulebook(tx, "pond", { ...book, name: "Soundings anew" });
    expect(
      (await listRulebooks(tx, "pond", "Blend it.")).map(({ name, version }) => `${name} ${version}`),
    ).toEqual(["Soundings anew 1", "Soundings 2"]);
    const books = [{ id: "soundings", version: "2", off: ["one"] }];
    await saveState(tx, profile.id, 2, { ...profile.state, books }, profile.state);
    expect((await findProfile(tx, profile.id))!.state.books).toEqual(books);
  }));

test("of what is found it is kept since when; what is gone is forgotten, and each day has its counts", () =>
  tried(async (tx) => {
    await storeProfile(tx);
    const [one, two] = ["1".repeat(16), "2".repeat(16)];
    const counts = { blocker: 1, problem: 0, hint: 1 };
    await noteFindings(tx, profile.id, [one], counts);
    await tx.query("update finding_seen set since = '2026-01-01T00:00:00Z' where finding = $1", [one]);
    await tx.query("update finding_count set day = '2026-01-01' where profile_id = $1", [profile.id]);
    await noteFindings(tx, profile.id, [one, two], { ...counts, hint: 2 });
    const seen = await listSeen(tx, profile.id);
    expect(seen.map(({ finding }) => finding)).toEqual([one, two]);
    expect(seen[0]!.since.toISOString()).toBe("2026-01-01T00:00:00.000Z");
    expect(seen[1]!.since.getTime()).toBeGreaterThan(seen[0]!.since.getTime());
    await noteFindings(tx, profile.id, [two], { ...counts, hint: 1 });
    expect((await listSeen(tx, profile.id)).map(({ finding }) => finding)).toEqual([two]);
    // Found again it is new.
    await noteFindings(tx, profile.id, [one, two], { ...counts, hint: 2 });
    expect((await listSeen(tx, profile.id))[0]!.since.getFullYear()).toBeGreaterThanOrEqual(2026);
    expect(
      (await listCounts(tx, profile.id, 9)).map(({ day, hint }) => [day === "2026-01-01", hint]),
    ).toEqual([
      [true, 1],
      [false, 2],
    ]);
    expect(await listCounts(tx, profile.id, 1)).toHaveLength(1);
    const last = { profileId: profile.id, ...counts, hint: 2 };
    expect(await listLastCounts(tx, profile.game)).toEqual([last]);
    expect(await listLastCounts(tx, "another")).toEqual([]);
  }));

test("each trial of a profile is kept with its log and what is said of it; one that goes on is known by its process", () =>
  tried(async (tx) => {
    await storeProfile(tx);
    expect(await findTrial(tx, profile.id)).toBeNull();
    const process = { pid: 7, started: "then" };
    for (const id of ["one", "two"])
      await beginTrial(tx, { id, profile: profile.id, way: "Play", fingerprint: "a", process });
    expect((await listUnderWay(tx)).map(({ id, game }) => [id, game])).toEqual([
      ["one", profile.game],
      ["two", profile.game],
    ]);
    await endTrial(tx, "one", { code: 0, log: ["one", "two"], fileLog: ["sunk"] });
    await endTrial(tx, "two", { code: null, log: ["stopped: <x>"], fileLog: [] });
    // It has one end.
    await endTrial(tx, "one", { code: 3, log: [], fileLog: [] });
    expect(await listUnderWay(tx)).toEqual([]);
    await judgeTrial(tx, "one", "faulty", "no water");
    expect(await getTrial(tx, "one")).toMatchObject({
      way: "Play",
      code: 0,
      verdict: "faulty",
      note: "no water",
      log: ["one", "two"],
    });
    expect(await getTrial(tx, "two")).toMatchObject({ code: null, verdict: null, log: ["stopped: <x>"] });
    expect((await getTrial(tx, "two"))!.ended).not.toBeNull();
  }));

test("ways that an owner names and confirms are kept by game, and confirmed by nobody in what is brought in", () =>
  tried(async (tx) => {
    await storeProfile(tx);
    const way = { id: "own-1", name: "Mine", starts: "profile" as const, program: "/opt/a b" };
    await saveOwnWay(tx, profile.game, way);
    await saveOwnWay(tx, profile.game, { ...way, name: "Yours" });
    await confirmWay(tx, profile.game, "digest");
    await confirmWay(tx, profile.game, "digest");
    expect(await listOwnWays(tx, profile.game)).toEqual([{ ...way, name: "Yours" }]);
    expect([...(await listConfirmed(tx, profile.game))]).toEqual(["digest"]);
    await setLastWay(tx, profile.id, "own-1");
    expect(await lastWay(tx, profile.id)).toBe("own-1");
    await forgetConfirmed(tx);
    expect((await listConfirmed(tx, profile.game)).size).toBe(0);
    await removeOwnWay(tx, profile.game, "own-1");
    expect(await listOwnWays(tx, profile.game)).toEqual([]);
  }));

test("the names of records and additive lists are kept beside the shelf and go with their contents", () =>
  tried(async (tx) => {
    const lists = [{ record: "bed@Pond.keel", entries: [{ name: "crab", depth: 1, share: 2 }] }];
    const file = {
      ...pluginFile("a.plank"),
      recordNames: ["reef@Pond.keel", "tide@Pond.keel"],
      additiveLists: lists,
    };
    const mod = { ...shelfMod("a", [file]), contentFiles: [contentFile("a.plank")] };
    await saveShelfMods(tx, "pond", [mod]);
    expect((await listShelf(tx, "pond"))[0]!.plugins).toEqual([pluginFile("a.plank")]);
    const known = async () =>
      (await listContents(tx, "pond", [mod.content!])).map(({ content, records }) => [content, records]);
    expect(await known()).toEqual([[mod.content, [{ plugin: "a.plank", records: file.recordNames, lists }]]]);
    // As other laws read the same bytes.
    await saveShelfMods(tx, "pond", [{ ...mod, plugins: [{ ...file, recordNames: ["reef@Pond.keel"] }] }]);
    expect(await known()).toEqual([
      [mod.content, [{ plugin: "a.plank", records: ["reef@Pond.keel"], lists }]],
    ]);
    // An archive whose bytes have not changed is not read again.
    await saveShelfMods(tx, "pond", [{ ...mod, contentFiles: undefined }]);
    expect(await known()).toHaveLength(1);
    await keepShelfPaths(tx, "pond", []);
    await dropUnpinned(tx, "pond");
    expect(await known()).toEqual([]);
  }));

test("a profile in the bin is not found, and gives its name free", () =>
  tried(async (tx) => {
    await storeProfile(tx);
    await chooseProfile(tx, "pond", profile.id);
    expect((await findCurrentGame(tx))?.profileId).toBe(profile.id);
    expect(await isNameTaken(tx, "pond", "TEST", null)).toBe(true);
    expect(await isNameTaken(tx, "pond", "test", profile.id)).toBe(false);
    await setDeleted(tx, profile.id, true);
    expect(await findProfile(tx, profile.id)).toBeNull();
    expect(await isNameTaken(tx, "pond", "test", null)).toBe(false);
  }));

test("the journal walks back and forth, and a new edit forgets what was undone", () =>
  tried(async (tx) => {
    await storeProfile(tx);
    const edit = (item: string) => ({
      label: { id: "move" as const, data: { item } },
      steps: [],
      inverse: [],
      followed: null,
    });
    for (const item of ["a", "b"]) await record(tx, profile.id, edit(item));
    const newest = (await findNext(tx, profile.id, "undo"))!;
    expect(newest.label.data.item).toBe("b");
    await setUndone(tx, profile.id, newest.number, true);
    expect(await readHistory(tx, profile.id)).toMatchObject({
      undo: { data: { item: "a" } },
      redo: { data: { item: "b" } },
    });
    await record(tx, profile.id, edit("c"));
    expect(await readHistory(tx, profile.id)).toMatchObject({ undo: { data: { item: "c" } }, redo: null });
  }));

test("restore points keep whole states", () =>
  tried(async (tx) => {
    await storeProfile(tx);
    await addRestorePoint(tx, "rp", profile.id, "Before", profile.state);
    expect(await listRestorePoints(tx, profile.id)).toMatchObject([{ id: "rp", name: "Before" }]);
    expect(await findRestorePoint(tx, "rp")).toEqual({
      profileId: profile.id,
      name: "Before",
      state: profile.state,
      followed: { list: null },
    });
    expect(await findRestorePoint(tx, "none")).toBeNull();
  }));

test("the journal is trimmed to its newest edits, whose numbers stay, and older ones cannot be undone", () =>
  tried(async (tx) => {
    await storeProfile(tx);
    const edit = (item: string, followed: boolean) => ({
      label: label("move", { item, count: 1 }),
      steps: [],
      inverse: [],
      followed: followed ? { before: null, after: "list" } : null,
    });
    for (const item of ["a", "b", "c", "d"]) await record(tx, profile.id, edit(item, item === "a"));
    expect(await trimJournal(tx, profile.id, 4)).toBe(false);
    expect(await trimJournal(tx, profile.id, 2)).toBe(true);
    expect(await readHistory(tx, profile.id)).toMatchObject({ undo: { data: { item: "d" } }, edits: 4 });
    for (const number of [4, 3]) await setUndone(tx, profile.id, number, true);
    expect(await readHistory(tx, profile.id)).toMatchObject({ undo: null, redo: { data: { item: "c" } } });
  }));

test("what a newer Seating has kept, or what is not sound, is told and never taken for something else", () =>
  tried(async (tx) => {
    await storeProfile(tx);
    await addRestorePoint(tx, "r1", profile.id, "Point", profile.state);
    await tx.query("update restore_point set format = 2", []);
    await expect(findRestorePoint(tx, "r1")).rejects.toThrow(
      "a newer Seating has kept the state of a restore point",
    );
    await tx.query(`update restore_point set format = 1, state = '{"mods": 1}'`, []);
    await expect(findRestorePoint(tx, "r1")).rejects.toThrow(
      "the state of a restore point in the database is not sound",
    );
    await record(tx, profile.id, {
      label: label("move", { item: "a", count: 1 }),
      steps: [],
      inverse: [],
      followed: null,
    });
    await tx.query(`update journal set inverse = '[{"kind": "explode"}]'`, []);
    await expect(findNext(tx, profile.id, "undo")).rejects.toThrow();
    expect((await readHistory(tx, profile.id)).edits).toBe(1);
  }));

test("imports that were only looked at are forgotten after a day, accepted ones stay", () =>
  tried(async (tx) => {
    await storeProfile(tx);
    const list = { lineup: { title: "T", fingerprint: "f" }, claim: { fingerprint: "f" } } as never;
    await addImport(tx, "i1", "pond", "one.json", list);
    await addImport(tx, "i2", "pond", "two.json", list);
    await markImported(tx, "i2", profile.id);
    await dropLookedAt(tx, "pond");
    expect(await tx.query("select 1 from lineup_import where id = 'i1'", [])).toHaveLength(1);
    await tx.query("update lineup_import set at = at - interval '25 hours'", []);
    await dropLookedAt(tx, "pond");
    expect(await findImport(tx, "i1")).toBeNull();
    expect(await listImports(tx, "pond")).toMatchObject([
      { id: "i2", title: "T", fingerprint: "f", profileName: "Test" },
    ]);
  }));

test("statements of others wait while a transaction is open, and a failed one leaves nothing", async () => {
  await db.exec("create table if not exists turn (who text)");
  const slow = db.transaction(async (tx) => {
    await tx.query("insert into turn values ('inside')");
    await new Promise((done) => setTimeout(done, 30));
    throw new Error("no");
  });
  const seen = db.query("select who from turn order by who");
  await expect(slow).rejects.toThrow("no");
  expect(await seen).toEqual([]);
});
