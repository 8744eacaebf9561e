import type { Lineup } from "../model/lineup";
import type { GameDefinition } from "../model/game";
import { emptyStock, type Stock } from "../roster/roster";
import { testGame } from "../testing/game";
import { aMod, aPlugin, aSection } from "../testing/ids";
import { hex, pluginFile, shelfMod, testRoster } from "../testing/roster";
import { makeLineup } from "./make-lineup";
import { matchLineup, stateFromLineup } from "./match";
import { stateOfLineup } from "./state-of-lineup";

const roster = testRoster([{ name: "a.plank" }, { name: "b.plank" }, { name: "c.plank" }]);
const game: GameDefinition = {
  ...testGame,
  expansions: [
    { id: "city", name: "The City", folder: "city", plugins: [aPlugin("City.keel")] },
    { id: "ice", name: "The Ice", folder: "ice", plugins: [aPlugin("Ice.keel")] },
  ],
};
const lineup: Lineup = {
  ...makeLineup(roster, { title: "Pond", author: "reed", note: "", listVersion: "1", date: "2026-11-02" }),
  game: { id: game.id, version: game.version },
};
const [a, b, c] = roster.stock.shelf;
const stock = (change: Partial<Stock>): Stock => ({ ...emptyStock, base: roster.stock.base, ...change });
const statuses = (shelf: Stock["shelf"], list = lineup) =>
  matchLineup(game, list, stock({ shelf })).mods.map(({ status, here }) => [status, here?.path ?? null]);

describe("what of a list is here", () => {
  test("by content, also under another id; by id in another version; or not", () => {
    const renamed = { ...b!, id: aMod("other"), path: "other.zip" };
    const newer = shelfMod("c", [], "2.0.0");
    expect(statuses([a!, renamed, newer])).toEqual([
      ["found", a!.path],
      ["found", "other.zip"],
      ["different", newer.path],
    ]);
    expect(statuses([a!])).toEqual([
      ["found", a!.path],
      ["missing", null],
      ["missing", null],
    ]);
  });

  test("of two of the same contents the one of the same id, in whichever order they lie", () => {
    const twin = { ...a!, id: aMod("twin"), path: "twin.zip" };
    expect(statuses([a!, twin])[0]).toEqual(["found", a!.path]);
    expect(statuses([twin, a!])[0]).toEqual(["found", a!.path]);
  });

  test("nothing that is unsound or has no contents", () => {
    const broken = { ...a!, problem: { code: "no-content" as const, data: {} } };
    const unread = { ...b!, content: null };
    expect(statuses([broken, unread]).map(([status]) => status)).toEqual(["missing", "different", "missing"]);
  });

  test("expansions by their names, the game's own plugins where they differ, the version of the game", () => {
    const base = [...roster.stock.base, pluginFile("Extra.keel")];
    const own = (name: string, sha256: string | null) => ({
      ...lineup.plugins[0]!,
      name: aPlugin(name),
      mod: null,
      sha256,
    });
    const list: Lineup = {
      ...lineup,
      expansions: ["city", "ice", "lost"],
      plugins: [
        own("Extra.keel", hex("another")),
        own("EXTRA.KEEL", hex("Extra.keel")),
        own("Unread.keel", null),
        own("Absent.keel", hex("x")),
        { ...lineup.plugins.at(-1)!, name: aPlugin("Extra.keel"), mod: aMod("a"), sha256: hex("mine") },
      ],
    };
    const found = matchLineup(game, list, stock({ base, owned: ["ice"] }));
    expect(found.expansionsMissing).toEqual(["The City", "lost"]);
    expect(found.baseDifferent).toEqual(["Extra.keel"]);
    expect(found.gameVersionDiffers).toBe(false);
    expect(
      matchLineup(game, { ...list, game: { ...list.game, version: "0" } }, stock({})).gameVersionDiffers,
    ).toBe(true);
  });
});

describe("the profile that it makes here", () => {
  const withParts = (path: string) => ({
    ...b!,
    manifest: {
      format: "seating-mod/1" as const,
      id: "b",
      name: "b",
      version: "1",
      components: [{ id: "x", label: "X", paths: [path], on: true }],
    },
  });

  test("says of packages that nothing of them is taken where the list takes nothing, by their id here", () => {
    const renamed = { ...withParts("x/"), id: aMod("other"), path: "other.zip" };
    const list = { ...lineup, mods: [{ ...lineup.mods[0]!, components: ["z"] }, ...lineup.mods.slice(1)] };
    const { choices } = stateFromLineup(game, list, stock({ shelf: [a!, renamed, c!] }));
    expect(choices).toEqual([
      { mod: "a", options: {}, components: ["z"] },
      { mod: "other", options: {}, components: [] },
    ]);
    const taken = { ...list, mods: [list.mods[0]!, { ...list.mods[1]!, components: ["x"] }, list.mods[2]!] };
    expect(stateFromLineup(game, taken, stock({ shelf: [a!, renamed, c!] })).choices).toEqual([
      { mod: "a", options: {}, components: ["z"] },
      { mod: "other", options: {}, components: ["x"] },
    ]);
  });

  test("has what is owned of its expansions, and no plugin of those that are not", () => {
    const entry = (name: string) => ({ ...lineup.plugins[0]!, name: aPlugin(name), mod: null });
    const list = {
      ...lineup,
      expansions: ["city", "ice"],
      plugins: [entry("City.keel"), entry("Ice.keel"), ...lineup.plugins],
    };
    const state = stateFromLineup(game, list, stock({ owned: ["city"], shelf: roster.stock.shelf }));
    expect(state.expansions).toEqual(["city"]);
    const ids = state.plugins.entries.map(({ id }) => id as string);
    expect(ids).toContain("City.keel");
    expect(ids).not.toContain("Ice.keel");
  });

  test("keeps the list's contents, and mine only where that is wanted", () => {
    const newer = shelfMod("c", [], "2.0.0");
    const contentOf = (mine: readonly string[]) =>
      stateFromLineup(game, lineup, stock({ shelf: [a!, b!, newer] }), new Set(mine)).mods.entries.at(-1)!
        .content;
    expect(contentOf([])).toBe(lineup.mods[2]!.content);
    expect(contentOf(["c"])).toBe(newer.content);
    expect(contentOf(["a"])).toBe(lineup.mods[2]!.content);
  });
});

describe("what a list decides, whatever lies here", () => {
  const idOf = ({ id }: { id: string }) => aMod(id === "a" ? "mine" : id);

  test("its numbers and notes are of the mods as they are called here", () => {
    const state = stateOfLineup(
      game,
      {
        ...lineup,
        numbers: [
          { list: "mods", of: "item", id: "a", number: 1 },
          { list: "mods", of: "item", id: "gone", number: 2 },
          { list: "mods", of: "section", id: "a", number: 3 },
          { list: "plugins", of: "item", id: "a", number: 4 },
        ] as never,
        notes: [
          { list: "mods", item: aMod("a"), text: "x", author: "y", at: "z" },
          { list: "mods", item: aMod("gone"), text: "x", author: "y", at: "z" },
          { list: "plugins", item: aPlugin("a"), text: "x", author: "y", at: "z" },
        ],
      },
      idOf,
    );
    expect(state.numbers.map(({ list, of, id }) => `${list} ${of} ${id}`)).toEqual([
      "mods item mine",
      "mods item gone",
      "mods section a",
      "plugins item a",
    ]);
    expect(state.notes.map(({ list, item }) => `${list} ${item}`)).toEqual([
      "mods mine",
      "mods gone",
      "plugins a",
    ]);
  });

  test("where it keeps no notes, what it says beside its mods becomes theirs, cut to what a note may hold", () => {
    const { notes: _, ...old } = lineup;
    const list = {
      ...old,
      author: "r".repeat(200),
      mods: old.mods.map((mod, at) => ({ ...mod, note: [`  ${"n".repeat(2500)} `, "  ", ""][at]! })),
    };
    expect(stateOfLineup(game, list, idOf).notes).toEqual([
      { list: "mods", item: "mine", text: "n".repeat(2000), author: "r".repeat(120), at: "2026-11-02" },
    ]);
  });

  test("sections of mods hold all of them, or count for none", () => {
    const sections = [
      ...lineup.sections.filter(({ rank }) => rank !== "mods"),
      { id: aSection("one"), name: "One", rank: "mods", guidance: "" },
      { id: aSection("two"), name: "Two", rank: "mods", guidance: "" },
    ];
    const seated = lineup.mods.map((mod, at) => ({
      ...mod,
      section: aSection(at === 0 ? "one" : "two"),
      ...(at === 1 && { home: aSection("one") }),
    }));
    const told = stateOfLineup(game, { ...lineup, sections, mods: seated }).mods;
    expect(told.sections.map(({ id }) => id)).toEqual(["one", "two"]);
    expect(told.entries.map((entry) => [entry.section, "home" in entry ? entry.home : null])).toEqual([
      ["one", null],
      ["two", "one"],
      ["two", null],
    ]);
    const astray = seated.map((mod, at) => ({
      ...mod,
      section: at === 2 ? aSection("nowhere") : mod.section,
    }));
    const untold = stateOfLineup(game, { ...lineup, sections, mods: astray }).mods;
    expect(untold.sections).toHaveLength(1);
    expect(untold.sections[0]!.rank).toBe("mods");
    expect(untold.entries.map((entry) => [entry.section, "home" in entry])).toEqual(
      astray.map(() => [untold.sections[0]!.id, false]),
    );
  });

  test("a plugin of no section joins the one before it, the first ones the first section", () => {
    const [one, two] = lineup.sections.filter(({ rank }) => rank !== "mods");
    const plugin = lineup.plugins.at(-1)!;
    const list = {
      ...lineup,
      sections: [one!, two!],
      plugins: [
        { ...plugin, name: aPlugin("x"), section: null },
        { ...plugin, name: aPlugin("y"), section: two!.id, home: one!.id },
        { ...plugin, name: aPlugin("z"), section: null },
      ],
    };
    const { entries } = stateOfLineup(game, list).plugins;
    expect(entries.map(({ id, section }) => `${id} ${section}`)).toEqual([
      `x ${one!.id}`,
      `y ${two!.id}`,
      `z ${two!.id}`,
    ]);
    expect(entries.map((entry) => ("home" in entry ? entry.home : null))).toEqual([null, one!.id, null]);
    expect(stateOfLineup(game, { ...list, sections: [] }).plugins.entries[0]!.section).toBe("");
  });
});
