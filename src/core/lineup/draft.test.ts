import type { Lineup } from "../model/lineup";
import type { ListLine, Listing } from "../model/listing";
import { aMod } from "../testing/ids";
import { testGame } from "../testing/game";
import { pluginFile, shelfMod } from "../testing/roster";
import { lineupOfListing } from "./draft";
import { knownMods } from "./known";
import { matchLines } from "./match-lines";
import { lineOfRow } from "./rows";

const shelf = [
  { ...shelfMod("core", [pluginFile("Core.keel", [], 1)]), name: "Core" },
  { ...shelfMod("reeds", [pluginFile("Reeds.plank"), pluginFile("Reeds - More.skiff")]), name: "Reeds" },
  { ...shelfMod("fix", [pluginFile("Fix.plank")]), name: "Fix", tags: ["patch"] },
];
const here = { base: [pluginFile("Pond.keel", [], 1)], owned: ["island"] };
const line = (name: string, more: Partial<ListLine> = {}): ListLine => ({
  text: name,
  list: null,
  name,
  on: true,
  ...more,
});
const draft = (...lines: ListLine[]) => {
  const matches = matchLines(testGame, lines, knownMods(shelf, []));
  const lineup = lineupOfListing(testGame, { title: "", game: null, lines }, matches, here, "Given");
  const seat = (items: readonly { name: string; section: string | null; on: boolean }[]) =>
    items.map(({ name, section, on }) => `${name} ${section}${on ? "" : " off"}`);
  return { title: lineup.title, mods: seat(lineup.mods), plugins: seat(lineup.plugins), lineup };
};

test("names of mods alone: their plugins take the seats of arrivals, and the game's own stand first", () => {
  expect(draft(line("fix"), line("Reeds"), line("core", { on: false }))).toMatchObject({
    title: "Given",
    mods: ["Fix mods", "Reeds mods", "Core mods off"],
    plugins: [
      "Pond.keel game",
      "Island.keel game",
      "Core.keel base",
      "Reeds.plank world",
      "Reeds - More.skiff world",
      "Fix.plank patches",
    ],
  });
});

test("names of plugins alone: their order holds, and the mods that bring them are on", () => {
  const { mods, plugins } = draft(line("Core.keel"), line("Fix.plank"), line("reeds.PLANK", { on: false }));
  expect(mods).toEqual(["Core mods", "Fix mods", "Reeds mods"]);
  // A patch before another one: the section that takes patches would turn the order round.
  expect(plugins).toEqual([
    "Pond.keel game",
    "Island.keel game",
    "Core.keel base",
    "Fix.plank world",
    "Reeds.plank world off",
  ]);
});

test("sections that the list names are kept, the game's own ones by their names", () => {
  const of = (section: string) => ({ list: "plugins" as const, section });
  const { plugins, lineup } = draft(
    line("Core.keel", of("Foundations")),
    line("Reeds.plank", of("Water")),
    line("Fix.plank", of("Patches")),
  );
  expect(plugins.slice(2)).toEqual(["Core.keel base", "Reeds.plank list-2", "Fix.plank patches"]);
  expect(lineup.sections.filter(({ rank }) => rank === "ordinary").map(({ name }) => name)).toEqual([
    "Water",
    "World",
    "Patches",
  ]);
});

test("a section that comes twice in a list is none: the order holds without", () => {
  const of = (section: string) => ({ list: "plugins" as const, section });
  const { plugins } = draft(
    line("Fix.plank", of("X")),
    line("Reeds.plank", of("Y")),
    line("Reeds - More.skiff", of("X")),
  );
  expect(plugins.slice(2)).toEqual(["Fix.plank world", "Reeds.plank world", "Reeds - More.skiff world"]);
});

test("a mod that is named twice takes one seat; what is known nowhere takes none", () => {
  expect(draft(line("Reeds"), line("Quartz Orchard"), line("reeds", { on: false })).mods).toEqual([
    "Reeds mods",
  ]);
});

test.each<[Record<string, string>, Partial<ListLine> | null]>([
  [
    { name: "Core", on: "off", version: "1" },
    { name: "Core", on: false, version: "1" },
  ],
  [{ name: "Core", on: "No" }, { on: false }],
  [{ name: "Core", on: "yes" }, { on: true }],
  [{ name: "Core" }, { on: true, list: null }],
  [{ name: "Core", list: "PLUGINS" }, { list: "plugins" }],
  [{ name: "Core", list: "constructor" }, { list: null }],
  [{ id: "core" }, { name: "core", id: "core" }],
  [{ name: "Core", content: "ABC" }, { name: "Core" }],
  [{ name: "Core", sha256: "A".repeat(64) }, { sha256: "a".repeat(64) }],
  [{ name: "Core", size: "12" }, { size: 12 }],
  [{ name: "  " }, null],
  [{}, null],
])("the row %j", (row, wanted) => {
  const found = lineOfRow(row);
  if (wanted === null) expect(found).toBeNull();
  else expect(found).toMatchObject(wanted);
  if (row.size === undefined) expect(found ?? {}).not.toHaveProperty("size");
  if (row.content !== undefined) expect(found).not.toHaveProperty("content");
});

test("a plugin that the list names brings the part of the package that it comes with, and what its author proposes stays", () => {
  const manifest = {
    format: "seating-mod/1" as const,
    id: aMod("pack"),
    name: "Pack",
    version: "1.0.0",
    options: [
      {
        id: "look",
        label: "Look",
        choose: "one" as const,
        parts: ["wide", "narrow"].map((id) => ({ id, label: id, paths: [`${id}/`] })),
      },
    ],
    components: [
      { id: "lamps", label: "Lamps", paths: ["lamps/"], on: true },
      { id: "oars", label: "Oars", paths: ["oars/"] },
    ],
  };
  const parts = { "Wide.skiff": "look/wide", "Narrow.skiff": "look/narrow", "Oars.skiff": "oars" };
  const plugins = Object.entries(parts).map(([name, part]) => ({ ...pluginFile(name), part }));
  const pack = { ...shelfMod("pack", plugins), name: "Pack", manifest };
  const choice = (...lines: ListLine[]) => {
    const matches = matchLines(testGame, lines, knownMods([pack], []));
    const [mod] = lineupOfListing(testGame, { title: "", game: null, lines }, matches, here, "Given").mods;
    return [mod!.options, mod!.components];
  };
  expect(choice(line("Pack"))).toEqual([{}, ["lamps"]]);
  expect(choice(line("Pack"), line("narrow.skiff"), line("Oars.skiff"))).toEqual([
    { look: ["narrow"] },
    ["lamps", "oars"],
  ]);
  expect(choice(line("Pack"), line("Narrow.skiff", { on: false }))).toEqual([{}, ["lamps"]]);
  // One question takes one answer: the other plugin stays a difference that is told.
  expect(choice(line("Narrow.skiff"), line("Wide.skiff"))).toEqual([{ look: ["wide"] }, ["lamps"]]);
  const told = { parts: { options: {}, components: [] } };
  expect(choice(line("Pack", told), line("Narrow.skiff"))).toEqual([{}, []]);
});

describe("what a line says of a mod stands in the lineup, also where another one is known here", () => {
  const modOf = (more: Partial<ListLine>, name = "Reeds") => draft(line(name, more)).lineup.mods[0]!;
  const plain = modOf({});
  const other = "b".repeat(64);

  test("nothing: all is as it lies here", () => {
    expect(plain).toMatchObject({
      content: shelf[1]!.content,
      version: "1.0.0",
      size: 100,
      archive: shelf[1]!.archiveSha256,
    });
    expect(plain.hidden).toEqual([]);
  });
  test("contents: then size and archive are those that it says, or none", () => {
    expect(modOf({ id: "reeds", content: other, size: 7, sha256: "c".repeat(64) })).toMatchObject({
      content: other,
      size: 7,
      archive: "c".repeat(64),
    });
    expect(modOf({ id: "reeds", content: other })).toMatchObject({ content: other, size: 0, archive: null });
    expect(modOf({ id: "reeds", content: shelf[1]!.content!, size: 7 })).toMatchObject({ size: 100 });
  });
  test("a version: as it is written beside contents, and where it is another one", () => {
    expect(modOf({ version: "2.0" }).version).toBe("2.0");
    expect(modOf({ version: "1.0" }).version).toBe("1.0.0");
    expect(modOf({ version: "1.0", content: shelf[1]!.content! }).version).toBe("1.0");
    expect(modOf({ id: "reeds", version: "9".repeat(200) }).version).toHaveLength(100);
  });
  test("files that are left out", () => {
    expect(modOf({ leftOut: ["textures/", "x.txt"] }).hidden).toEqual(["textures/", "x.txt"]);
    expect(modOf({ leftOut: [] }).hidden).toEqual([]);
  });
});

describe("what a list says of the game", () => {
  const of = (more: Partial<Listing>, ...lines: ListLine[]) => {
    const matches = matchLines(testGame, lines, knownMods(shelf, []));
    return lineupOfListing(testGame, { title: "", game: null, lines, ...more }, matches, here, "Given");
  };
  test("comes along; where it says nothing, all expansions that are here are on", () => {
    const settings = { expansions: [], baseOff: ["sheep"], launch: { draw: 3 } };
    const told = of(
      {
        settings,
        game: { id: "pond", version: "0.9" },
        title: "  Said  ".repeat(40),
        fingerprint: "f".repeat(64),
      },
      line("Reeds"),
    );
    expect(told).toMatchObject({ ...settings, game: { version: "0.9" }, fingerprint: "f".repeat(64) });
    expect(told.title).toHaveLength(200);
    expect(told.plugins.map(({ name }) => name)).not.toContain("Island.keel");
    const silent = of({}, line("Reeds"));
    expect(silent).toMatchObject({
      expansions: ["island"],
      baseOff: [],
      launch: {},
      game: { version: "1.0.0" },
      author: "",
      note: "",
      date: "",
      listVersion: "",
      rules: [],
      followUps: [],
    });
    expect([silent.fingerprint, silent.numbers]).toEqual([undefined, undefined]);
  });
  test("a hash of one of its own plugins counts", () => {
    const hash = "e".repeat(64);
    const hashes = (lineup: Lineup) => lineup.plugins.slice(0, 2).map(({ sha256 }) => sha256);
    expect(hashes(of({}, line("pond.KEEL", { list: "plugins", sha256: hash })))).toEqual([hash, null]);
    expect(hashes(of({}, line("Pond.keel", { list: "plugins" })))).toEqual([here.base[0]!.sha256, null]);
  });
  test("a plugin's own hash counts, else that of the one here", () => {
    const hash = "e".repeat(64);
    const plugins = of(
      {},
      line("Fix.plank", { list: "plugins", sha256: hash }),
      line("Reeds.plank", { list: "plugins" }),
    ).plugins;
    expect(plugins.slice(2).map(({ sha256 }) => sha256)).toEqual([hash, shelf[1]!.plugins[0]!.sha256]);
  });
  test("of a sheet, the numbers of its sections and items", () => {
    const lines = [
      line("Fix", { list: "mods", section: "Late", tier: 4, weight: 2.5 }),
      line("Reeds.plank", { list: "plugins", section: "World", tier: 7 }),
    ];
    expect(of({ numbered: true }, ...lines).numbers).toEqual(
      expect.arrayContaining([
        expect.objectContaining({ list: "mods", of: "item", id: "fix", number: 2.5 }),
        expect.objectContaining({ list: "plugins", of: "section", id: "world", number: 7 }),
      ]),
    );
  });
});

test("names of mods without their plugins bring those that the chosen parts have, and of plugins no others", () => {
  const pack = {
    ...shelfMod("pack", [pluginFile("Pack.plank"), { ...pluginFile("Oars.plank"), part: "oars" }]),
    name: "Pack",
  };
  const of = (more: Partial<ListLine>) => {
    const lines = [line("Pack", more)];
    const matches = matchLines(testGame, lines, knownMods([pack], []));
    return lineupOfListing(testGame, { title: "", game: null, lines }, matches, here, "Given")
      .plugins.slice(2)
      .map(({ name }) => name);
  };
  expect(of({})).toEqual(["Pack.plank"]);
  expect(of({ parts: { options: {}, components: ["oars"] } })).toEqual(["Pack.plank", "Oars.plank"]);
  // A name that is known nowhere says nothing of plugins, either.
  const lines = [line("Pack"), line("Nobody.plank", { list: "plugins" })];
  const matches = matchLines(testGame, lines, knownMods([pack], []));
  const { plugins } = lineupOfListing(testGame, { title: "", game: null, lines }, matches, here, "Given");
  expect(plugins.slice(2).map(({ name }) => name)).toEqual(["Pack.plank"]);
});

test("a game without plugins has none", () => {
  const game = { ...testGame, lists: ["mods" as const] };
  const lines = [line("Reeds")];
  const lineup = lineupOfListing(
    game,
    { title: "", game: null, lines },
    matchLines(game, lines, knownMods(shelf, [])),
    here,
    "Given",
  );
  expect(lineup.plugins).toEqual([]);
});
