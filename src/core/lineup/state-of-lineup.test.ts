import type { Lineup } from "../model/lineup";
import { testGame } from "../testing/game";
import { aMod, aRule, aSection } from "../testing/ids";
import { testRoster } from "../testing/roster";
import { makeLineup } from "./make-lineup";
import { stateOfLineup } from "./state-of-lineup";

const roster = testRoster([
  { name: "a.plank" },
  { name: "b.plank", on: false },
  { name: "c.plank", modOn: false },
]);
const bare = makeLineup(roster, {
  title: "Pond",
  author: "reed",
  note: "",
  listVersion: "1",
  date: "2026-11-02",
});
const [a, b, c] = bare.mods;
const stateOf = (change: Partial<Lineup>) => stateOfLineup(testGame, { ...bare, ...change });

test("a whole list decides its orders, and nothing of what it does not name", () => {
  expect(stateOf({})).toMatchObject({
    mods: roster.profile.state.mods,
    plugins: roster.profile.state.plugins,
    rules: [],
    books: [],
    notes: [],
    numbers: [],
    choices: [],
    leftOut: [],
    broaderFirst: true,
    expansions: [],
    baseOff: [],
    launch: {},
  });
});

test("what it names is decided; what its author shares between profiles is its own here", () => {
  const rule = {
    id: aRule("r"),
    rule: { kind: "first", item: "a.plank", within: "list", strength: "must" },
    note: "n",
    made: "2026-11-01",
  } as const;
  const books = [{ id: "one" }] as unknown as NonNullable<Lineup["books"]>;
  const state = stateOf({
    rules: [{ ...rule, shared: true }],
    books,
    broaderFirst: false,
    expansions: ["island"],
    baseOff: ["sheep"],
    launch: { draw: 2 },
  });
  expect(state).toMatchObject({
    books,
    broaderFirst: false,
    expansions: ["island"],
    baseOff: ["sheep"],
    launch: { draw: 2 },
  });
  expect(state.rules).toEqual([rule]);
});

test("mods stand in the sections that it names for them; where one has none of these, all in the game's first", () => {
  const sections = [...bare.sections, { id: aSection("late"), name: "Late", rank: "mods", guidance: "" }];
  const late = { ...b!, section: aSection("late"), home: aSection("mods") };
  const told = stateOf({ sections, mods: [a!, late, c!] }).mods;
  expect(told.sections.map(({ id }) => id)).toEqual(["mods", "late"]);
  expect(told.entries.map(({ id, section, home, on, content }) => [id, section, home, on, content])).toEqual([
    ["a", "mods", undefined, true, a!.content],
    ["b", "late", "mods", true, b!.content],
    ["c", "mods", undefined, false, c!.content],
  ]);
  for (const lost of [null, aSection("nowhere"), aSection("world")]) {
    const { mods } = stateOf({ sections, mods: [a!, late, { ...c!, section: lost }] });
    expect(mods.sections.map(({ rank }) => rank)).toEqual(["mods"]);
    expect(
      mods.entries.every(({ section, home }) => section === mods.sections[0]!.id && home === undefined),
    ).toBe(true);
  }
});

test("a plugin of which no section is told joins the one before it, the first the first section", () => {
  const plugins = bare.plugins.map((each, at) => ({
    ...each,
    section: at === 2 ? aSection("patches") : null,
    ...(at === 2 ? { home: aSection("world") } : {}),
  }));
  const told = stateOf({ plugins }).plugins;
  expect(told.sections).toEqual(bare.sections.filter(({ rank }) => rank !== "mods"));
  expect(told.entries.map(({ id, on, section, home }) => [id, on, section, home])).toEqual([
    ["Pond.keel", true, "game", undefined],
    ["a.plank", true, "game", undefined],
    ["b.plank", false, "patches", "world"],
    ["c.plank", plugins[3]!.on, "patches", undefined],
  ]);
  expect(stateOf({ plugins, sections: [] }).plugins.entries[0]!.section).toBe("");
});

test("what is taken and left out of packages is decided mod by mod", () => {
  const mods = [
    { ...a!, options: { look: ["tall"] }, hidden: ["x/", "y.txt"] },
    { ...b!, components: ["lamps"] },
    c!,
  ];
  const state = stateOf({ mods });
  expect(state.choices).toEqual([
    { mod: "a", options: { look: ["tall"] }, components: [] },
    { mod: "b", options: {}, components: ["lamps"] },
  ]);
  expect(state.leftOut).toEqual([
    { mod: "a", path: "x/" },
    { mod: "a", path: "y.txt" },
  ]);
});

describe("notes", () => {
  const words = `  ${"w".repeat(3000)} `;
  test("are those that it keeps; else the words at its mods, its author's, of its date", () => {
    const mods = [
      { ...a!, note: words },
      { ...b!, note: "  " },
      { ...c!, note: "dark" },
    ];
    expect(stateOf({ mods, author: "r".repeat(200) }).notes).toEqual([
      { list: "mods", item: "a", text: "w".repeat(2000), author: "r".repeat(120), at: "2026-11-02" },
      { list: "mods", item: "c", text: "dark", author: "r".repeat(120), at: "2026-11-02" },
    ]);
    const notes = [{ list: "mods" as const, item: aMod("b"), text: "t", author: "x", at: "2026-11-01" }];
    expect(stateOf({ mods, notes }).notes).toEqual(notes);
    expect(stateOf({ mods, notes: [] }).notes).toEqual([]);
  });
});

test("mods that are called otherwise here are called so in all that is decided of them", () => {
  const lineup: Lineup = {
    ...bare,
    mods: [{ ...a!, note: "dark", components: ["x"], hidden: ["y"] }, b!],
    numbers: [
      { list: "mods", of: "item", id: "a", number: 1 },
      { list: "mods", of: "item", id: "unknown", number: 2 },
      { list: "plugins", of: "item", id: "a", number: 3 },
      { list: "mods", of: "section", id: "a", number: 4 },
    ],
  };
  const idOf = ({ id }: { readonly id: string }) => aMod(id === "a" ? "alpha" : id);
  const state = stateOfLineup(testGame, lineup, idOf);
  expect(state.mods.entries.map(({ id }) => id)).toEqual(["alpha", "b"]);
  expect(state.choices.map(({ mod }) => mod)).toEqual(["alpha"]);
  expect(state.leftOut).toEqual([{ mod: "alpha", path: "y" }]);
  expect(state.notes.map(({ item }) => item)).toEqual(["alpha"]);
  expect(state.numbers.map(({ id }) => id)).toEqual(["alpha", "unknown", "a", "a"]);
  const notes = [
    { list: "mods" as const, item: "a", text: "t", author: "", at: "2026-11-01" },
    { list: "mods" as const, item: "unknown", text: "t", author: "", at: "2026-11-01" },
    { list: "plugins" as const, item: "a", text: "t", author: "", at: "2026-11-01" },
  ] as NonNullable<Lineup["notes"]>;
  expect(stateOfLineup(testGame, { ...lineup, notes }, idOf).notes.map(({ item }) => item)).toEqual([
    "alpha",
    "unknown",
    "a",
  ]);
});
