import fc from "fast-check";
import type { ContentFile } from "../model/shelf";
import type { Profile } from "../model/profile";
import { makeRoster, type Roster } from "../roster/roster";
import { aMod } from "../testing/ids";
import { hex, shelfMod, testRoster, withState } from "../testing/roster";
import { Chains } from "./chains";
import { aFile, testConflicts } from "../testing/contested";
import { blockedIn } from "./blocked";
import { ContentLibrary } from "./content-library";
import { Conflicts, contentsNeeded } from "./conflicts";
import { summaryOf } from "./hand-summary";
import { overlapsOf } from "../order/overlap";
import { overlapsIn } from "./overlaps";

const file = (path: string, hash = "1", part: string | null = null): ContentFile => ({
  path,
  size: 1,
  hash: hash.padStart(32, "0"),
  part,
});

/** Three mods with a plugin each; the files and records of each by its letter. */
const roster = testRoster([
  { name: "a.plank" },
  { name: "b.plank", masters: ["a.plank"] },
  { name: "c.plank" },
]);
const files: Record<string, ContentFile[]> = {
  a: [file("textures/Sky.tex", "1"), file("textures/reef.tex", "1"), file("seating-mod.json")],
  b: [file("textures/sky.tex", "2"), file("textures/reef.tex", "1"), file("seating-mod.json")],
  c: [file("textures/sky.tex", "3"), file("textures/own.tex")],
};
const records: Record<string, string[]> = { a: ["tide", "reef", "lamp"], b: ["tide"], c: ["tide", "reef"] };

function libraryOf(of: Roster): ContentLibrary {
  const library = new ContentLibrary(of.game);
  for (const { id, mod } of of.mods)
    library.learn(
      {
        content: mod!.content!,
        files: files[id]!,
        records: [{ plugin: `${id.toUpperCase()}.plank`, records: records[id]! }],
      },
      null,
    );
  library.learnOwn(
    [
      { expansion: null, files: [file("textures/reef.tex", "9")] },
      { expansion: "island", files: [file("textures/own.tex", "9")] },
    ],
    [{ plugin: "Pond.keel", records: ["lamp"] }],
  );
  return library;
}

const shown = (of: Roster, library = libraryOf(of)): Conflicts => {
  const conflicts = new Conflicts(library);
  conflicts.show(of);
  return conflicts;
};

/** Who provides each path and record, first to last, by their names. */
const saidBy = (conflicts: Conflicts): Record<string, string[]> =>
  Object.fromEntries([
    ...[...conflicts.files.provided()].map((key) => [
      conflicts.path(key),
      conflicts.files.providersOf(key).map(conflicts.modId),
    ]),
    ...[...conflicts.records.provided()].map((key) => [
      conflicts.record(key),
      conflicts.records.providersOf(key).map(conflicts.pluginId),
    ]),
  ]) as Record<string, string[]>;

type State = Profile["state"];
const changed = (of: Roster, change: (state: State) => Partial<State>): Roster =>
  withState(of, { ...of.profile.state, ...change(of.profile.state) });
const withMods = (
  of: Roster,
  change: (entries: State["mods"]["entries"]) => State["mods"]["entries"],
): Roster => changed(of, ({ mods }) => ({ mods: { ...mods, entries: change(mods.entries) } }));
const off = (of: Roster, id: string): Roster =>
  withMods(of, (entries) => entries.map((entry) => (entry.id === id ? { ...entry, on: false } : entry)));
const first = (of: Roster, id: string): Roster =>
  withMods(of, (entries) => [...entries].sort((a, b) => Number(b.id === id) - Number(a.id === id)));

const lastPlugin = (of: Roster, id: string): Roster =>
  changed(of, ({ plugins }) => ({
    plugins: {
      ...plugins,
      entries: [...plugins.entries].sort((a, b) => Number(a.id === id) - Number(b.id === id)),
    },
  }));

test("files go by the mods that are on, records by the plugins that load, the game’s own first; a manifest is no file", () => {
  expect(saidBy(shown(roster))).toEqual({
    "textures/sky.tex": ["a", "b", "c"],
    "textures/reef.tex": ["", "a", "b"],
    "textures/own.tex": ["c"],
    tide: ["a.plank", "b.plank", "c.plank"],
    reef: ["a.plank", "c.plank"],
    lamp: ["Pond.keel", "a.plank"],
  });
  // With its mod off a plugin does not load.
  expect(saidBy(shown(off(roster, "a")))).toMatchObject({
    "textures/sky.tex": ["b", "c"],
    reef: ["c.plank"],
  });
  const island = changed(roster, () => ({ expansions: ["island"] }));
  expect(saidBy(shown(island))["textures/own.tex"]).toEqual(["", "c"]);
});

test("whatever is shown one after the other, all is as in an index that is made for it; a preview leaves no trace", () => {
  const library = libraryOf(roster);
  const kept = shown(roster, library);
  let now = roster;
  const edit = fc.constantFrom<(of: Roster) => Roster>(
    (of) => off(of, "a"),
    (of) => off(of, "c"),
    (of) => first(of, "b"),
    (of) => first(of, "c"),
    (of) => withMods(of, () => roster.profile.state.mods.entries),
    (of) => changed(of, () => ({ leftOut: [{ mod: aMod("b"), path: "textures/" }] })),
    (of) => changed(of, () => ({ leftOut: [] })),
    (of) => lastPlugin(of, "a.plank"),
    (of) => lastPlugin(of, "b.plank"),
    (of) => changed(of, ({ expansions }) => ({ expansions: expansions.length > 0 ? [] : ["island"] })),
    (of) => withMods(of, (entries) => entries.filter(({ id }) => id !== "a")),
  );
  fc.assert(
    fc.property(edit, (change) => {
      const then = change(now);
      const [before, after] = [saidBy(shown(now, library)), saidBy(shown(then, library))];
      const { files: ofFiles, records: ofRecords } = kept.preview(now, then);
      expect(saidBy(kept)).toEqual(before);
      const told = Object.fromEntries(
        [...ofFiles, ...ofRecords].map(({ key, from, to }) => [key, [from, to]]),
      );
      const winners = (said: Record<string, string[]>, key: string) => said[key]?.at(-1) ?? null;
      const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
      expect(told).toEqual(
        Object.fromEntries(
          keys
            .map((key) => [key, [winners(before, key), winners(after, key)]] as const)
            .filter(([, [from, to]]) => from !== to),
        ),
      );
      kept.show(then);
      expect(saidBy(kept)).toEqual(after);
      now = then;
    }),
    { numRuns: 150 },
  );
});

test("two meet where their contents differ; the game meets nobody", () => {
  const { mods, plugins, blocked } = overlapsIn(shown(roster), roster);
  expect({ mods: [...overlapsOf(mods)], plugins: [...overlapsOf(plugins)], blocked }).toEqual({
    blocked: [],
    mods: [
      { broader: "a", narrower: "b", shared: 1, equal: true },
      { broader: "a", narrower: "c", shared: 1, equal: true },
      { broader: "b", narrower: "c", shared: 1, equal: true },
    ],
    plugins: [
      { broader: "a.plank", narrower: "b.plank", shared: 1 },
      { broader: "a.plank", narrower: "c.plank", shared: 2 },
      { broader: "c.plank", narrower: "b.plank", shared: 1 },
    ].map((each): unknown => expect.objectContaining(each)),
  });
});

test("a file of one where others have a folder blocks, unless it lies packed or is left out", () => {
  const files = {
    a: [aFile("Menus/Dials"), aFile("menus/deep/er/one.tex"), aFile("sky/clouds")],
    b: [aFile("menus/dials/face.tex"), aFile("menus/deep"), aFile("all.spool")],
    c: [
      aFile("menus/dials/back.tex"),
      aFile("pack.spool"),
      aFile("sky/clouds/one.tex", "1", { container: "pack.spool" }),
    ],
  };
  const { conflicts } = testConflicts(roster, files, {}, [aFile("menus")]);
  const dials = { path: "menus/dials", file: "a", folders: ["b", "c"] };
  const deep = { path: "menus/deep", file: "b", folders: ["a"] };
  const menus = { path: "menus", file: "", folders: ["a", "b", "c"] };
  const blocked = () => [...blockedIn(conflicts)].sort((one, other) => (one.path < other.path ? 1 : -1));
  expect(blocked().map((each) => ({ ...each, folders: [...each.folders].sort() }))).toEqual([
    dials,
    deep,
    menus,
  ]);
  conflicts.show(changed(roster, () => ({ leftOut: [{ mod: aMod("a"), path: "menus/" }] })));
  expect(blocked().map(({ path }) => path)).toEqual(["menus"]);
});

test("forty mods that bring one file make every pair of them", () => {
  const many = Array.from({ length: 40 }, (_, at) => ({ name: `m${at}.plank` }));
  const crowd = testRoster(many);
  const library = new ContentLibrary(crowd.game);
  for (const [at, { mod }] of crowd.mods.entries())
    library.learn(
      { content: mod!.content!, files: [file("textures/sky.tex", String(at + 1))], records: [] },
      null,
    );
  expect(overlapsIn(shown(crowd, library), crowd).mods.shared).toHaveLength((40 * 39) / 2);
});

test("another version is another mod’s contents, which have to be learnt first", () => {
  const next = { ...shelfMod("c", [], "2.0.0"), plugins: roster.mods[2]!.mod!.plugins };
  const stock = { ...roster.stock, shelf: [...roster.stock.shelf, next] };
  const here = makeRoster(roster.game, roster.profile, stock);
  const then = withMods(here, (entries) =>
    entries.map((entry) => (entry.id === "c" ? { ...entry, content: hex("c2.0.0") } : entry)),
  );
  const library = libraryOf(roster);
  expect(contentsNeeded(then).filter((content) => !library.has(content))).toEqual([next.content]);
  library.learn({ content: next.content!, files: [file("textures/own.tex")], records: [] }, null);
  const { files: changes, records: none } = shown(here, library).preview(here, then);
  expect(changes).toEqual([{ key: "textures/sky.tex", from: "c", to: "b" }]);
  expect(none.map(({ key, to }) => [key, to])).toEqual([
    ["tide", "b.plank"],
    ["reef", "a.plank"],
  ]);
});

test("a part that is chosen is taken at once, and not while its condition does not hold", () => {
  const manifest = {
    format: "seating-mod/1" as const,
    id: "c",
    name: "c",
    version: "1",
    components: [{ id: "wide", label: "Wide", paths: ["wide/"], when: { mod: "b" } }],
  };
  const shelf = roster.stock.shelf.map((mod) => (mod.id === "c" ? { ...mod, manifest } : mod));
  const here = makeRoster(roster.game, roster.profile, { ...roster.stock, shelf });
  const library = libraryOf(roster);
  const content = here.modOf.get(aMod("c"))!.mod!.content!;
  library.learn({ content, files: [file("textures/sky.tex", "3", "wide")], records: [] }, manifest);
  const conflicts = shown(here, library);
  const providers = () => saidBy(conflicts)["textures/sky.tex"];
  expect(providers()).toEqual(["a", "b"]);
  const chosen = changed(here, () => ({ choices: [{ mod: aMod("c"), options: {}, components: ["wide"] }] }));
  conflicts.show(chosen);
  expect(providers()).toEqual(["a", "b", "c"]);
  conflicts.show(off(chosen, "b"));
  expect(providers()).toEqual(["a"]);
});

test("what changes hands is summed up by who gains most, and the first of it listed", () => {
  const changes = shown(roster).preview(roster, off(roster, "c"));
  expect(summaryOf(changes)).toEqual({
    files: 2,
    records: 2,
    takers: [
      { id: "b", count: 1 },
      { id: null, count: 1 },
      { id: "b.plank", count: 1 },
      { id: "a.plank", count: 1 },
    ].map((each): unknown => expect.objectContaining(each)),
    first: [
      { kind: "file", key: "textures/own.tex", from: "c", to: null },
      { kind: "file", key: "textures/sky.tex", from: "c", to: "b" },
      { kind: "record", key: "reef", from: "c.plank", to: "a.plank" },
      { kind: "record", key: "tide", from: "c.plank", to: "b.plank" },
    ],
  });
});

test("a chain of needs and rules decides, either way and through what is on; a circle decides too; neither seats nor what is off do", () => {
  const rules = [
    { kind: "after", item: "c.plank", other: "b.plank", strength: "prefer" },
    { kind: "first", item: "c.plank", within: "list", strength: "must" },
  ] as const;
  const tied = testRoster(
    [{ name: "a.plank" }, { name: "b.plank", masters: ["a.plank"] }, { name: "c.plank" }],
    rules,
  );
  const chains = new Chains(tied, "plugins");
  expect(chains.isDecided("a.plank", "c.plank")).toBe(true);
  expect(chains.isDecided("c.plank", "a.plank")).toBe(true);
  expect(chains.isDecided("Pond.keel", "c.plank")).toBe(true);
  const broken = new Chains(off(tied, "b"), "plugins");
  expect(broken.isDecided("a.plank", "c.plank")).toBe(false);
  expect(new Chains(tied, "mods").isDecided("a", "b")).toBe(false);
  expect(new Chains(tied, "mods").isDecided("", "b")).toBe(true);
  const before = { kind: "before", item: "c.plank", other: "a.plank", strength: "prefer" } as const;
  const free = testRoster([{ name: "a.plank" }, { name: "c.plank" }]);
  expect(new Chains(free, "plugins").isDecided("a.plank", "c.plank")).toBe(false);
  const ruled = testRoster([{ name: "a.plank" }, { name: "c.plank" }], [before]);
  expect(new Chains(ruled, "plugins").isDecided("a.plank", "c.plank")).toBe(true);
});
