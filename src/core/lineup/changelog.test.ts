import type { Lineup } from "../model/lineup";
import { testGame } from "../testing/game";
import { aMod, aRule, aSection } from "../testing/ids";
import { testRoster } from "../testing/roster";
import { changesBetween } from "./changelog";
import { makeLineup } from "./make-lineup";

const lineup = makeLineup(testRoster(["a", "b", "c", "d"].map((name) => ({ name: `${name}.plank` }))), {
  title: "Pond",
  author: "",
  note: "",
  listVersion: "1",
  date: "2026-11-02",
});
const [a, b, c, d] = lineup.mods;
const [own, ...plugins] = lineup.plugins;
const changes = (after: Partial<Lineup>, before: Partial<Lineup> = {}) =>
  changesBetween(testGame, { ...lineup, ...before }, { ...lineup, ...after });
const rule = (id: string, note = "") => ({
  id: aRule(id),
  rule: { kind: "first", item: "a.plank", within: "list", strength: "must" } as const,
  note,
  made: "2026-11-01",
});

test.each<[string, Partial<Lineup>, string[]]>([
  ["nothing", {}, []],
  [
    "mods that came",
    {
      mods: [
        ...lineup.mods,
        { ...a!, id: aMod("x"), name: "X", version: "2" },
        { ...a!, id: aMod("y"), name: "Y" },
      ],
    },
    ["Added: X 2, Y 1.0.0"],
  ],
  ["mods that went", { mods: [a!, d!] }, ["Removed: b 1.0.0, c 1.0.0"]],
  [
    "a newer version",
    { mods: [{ ...a!, version: "2", content: "2".repeat(64) }, b!, c!, d!] },
    ["Other contents: a 1.0.0 → 2"],
  ],
  [
    "other contents under the same version",
    { mods: [{ ...a!, content: "2".repeat(64) }, b!, c!, d!] },
    ["Other contents: a 1.0.0, under the same version"],
  ],
  [
    "mods switched off",
    { mods: [{ ...a!, on: false }, b!, { ...c!, on: false }, d!] },
    ["Switched off: a, c"],
  ],
  ["a mod moved", { mods: [b!, c!, d!, a!] }, ["Moved: 1 mod"]],
  [
    "two plugins moved",
    { plugins: [own!, plugins[3]!, plugins[2]!, plugins[0]!, plugins[1]!] },
    ["Moved: 2 plugins"],
  ],
  [
    "a plugin in another section",
    { plugins: [own!, ...plugins.slice(0, 3), { ...plugins[3]!, section: aSection("patches") }] },
    ["Moved: 1 plugin"],
  ],
  [
    "a section more",
    { sections: [...lineup.sections, { id: aSection("new"), name: "New", rank: "mods", guidance: "" }] },
    ["Sections changed: 1 section"],
  ],
  [
    "a section called otherwise",
    { sections: lineup.sections.map((each) => (each.id === "world" ? { ...each, name: "Lands" } : each)) },
    ["Sections changed: 1 section"],
  ],
  [
    "parts",
    { mods: [{ ...a!, components: ["x"] }, { ...b!, options: { q: ["x"] } }, c!, d!] },
    ["Other parts chosen: 2 mods"],
  ],
  [
    "files left out",
    { mods: [{ ...a!, hidden: ["x", "y"] }, b!, c!, d!] },
    ["Left out or brought back: 2 files"],
  ],
  ["breadth", { broaderFirst: false }, ["Changed: 1 setting"]],
  ["expansions", { expansions: ["island"] }, ["Changed: 1 expansion"]],
  ["the game's own parts", { baseOff: ["sheep", "carts"] }, ["Changed: 2 parts of the game"]],
  ["launch settings", { launch: { draw: 3 } }, ["Changed: 1 launch setting"]],
  ["rules", { rules: [rule("r"), rule("s")] }, ["Changed: 2 rules"]],
  ["the game's version", { game: { ...lineup.game, version: "1.1" } }, ["Game version: 1.0.0 → 1.1"]],
])("%s", (_, after, told) => expect(changes(after)).toEqual(told));

test("what was off and is on again", () => {
  expect(changes({}, { mods: [{ ...a!, on: false }, b!, c!, d!] })).toEqual(["Switched on: a"]);
});

test("each kind has its line, in this order", () => {
  const after: Partial<Lineup> = {
    mods: [
      { ...c!, on: false },
      { ...a!, version: "2", content: "2".repeat(64) },
      { ...a!, id: aMod("x"), name: "X" },
      d!,
    ],
    launch: { draw: 3 },
    game: { ...lineup.game, version: "1.1" },
  };
  expect(changes(after)).toEqual([
    "Added: X 1.0.0",
    "Removed: b 1.0.0",
    "Other contents: a 1.0.0 → 2",
    "Switched off: c",
    "Moved: 1 mod",
    "Changed: 1 launch setting",
    "Game version: 1.0.0 → 1.1",
  ]);
});

test("a mod without a name is called by its id", () => {
  expect(changes({ mods: [{ ...a!, name: "", on: false }, b!, c!, d!] })).toEqual(["Switched off: a"]);
});
