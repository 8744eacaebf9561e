import type { ListLine } from "../model/listing";
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
