import type { Lineup } from "../model/lineup";
import { testGame } from "../testing/game";
import { aMod, aRule } from "../testing/ids";
import { testRoster } from "../testing/roster";
import { aspects, lossesOf, type Aspect } from "./losses";
import { makeLineup } from "./make-lineup";

const bare = makeLineup(testRoster([{ name: "a.plank" }, { name: "b.plank" }]), {
  title: "Pond",
  author: "",
  note: "",
  listVersion: "",
  date: "2026-11-02",
});
const game = { ...testGame, expansions: [{ id: "city", name: "City", folder: "city", plugins: [] }] };
const [a, b] = bare.mods;
const lostOf = (lineup: Partial<Lineup>, carries: readonly Aspect[] = [], of = game) =>
  Object.fromEntries(
    lossesOf({ ...bare, sections: [], expansions: ["city"], ...lineup }, of, carries).map(
      ({ aspect, count }) => [aspect, count],
    ),
  );
/** What any list of two mods loses with a format that carries nothing. */
const always = { versions: 2, hashes: 2, mods: 2, plugins: 2 };

test("of a plain list nothing is lost that it does not have", () => {
  expect(lostOf({})).toEqual(always);
  expect(lostOf({}, aspects)).toEqual({});
  expect(lostOf({}, ["mods"])).toEqual({ versions: 2, hashes: 2, plugins: 2 });
});

test.each<[string, Partial<Lineup>, Partial<Record<Aspect, number>>]>([
  [
    "what is off, of both orders",
    { mods: [{ ...a!, on: false }, b!], plugins: bare.plugins.map((each) => ({ ...each, on: false })) },
    { off: 1 + bare.plugins.length },
  ],
  ["sections", { sections: bare.sections }, { sections: bare.sections.length }],
  ["numbers", { numbers: [{ list: "mods", of: "item", id: "a", number: 3 }] as never }, { numbers: 1 }],
  ["parts chosen by questions", { mods: [{ ...a!, options: { look: ["tall"] } }, b!] }, { parts: 1 }],
  [
    "parts chosen directly",
    {
      mods: [
        { ...a!, components: ["x"] },
        { ...b!, components: ["y"] },
      ],
    },
    { parts: 2 },
  ],
  [
    "files that are left out",
    {
      mods: [
        { ...a!, hidden: ["x", "y"] },
        { ...b!, hidden: ["z"] },
      ],
    },
    { "left-out": 3 },
  ],
  ["an expansion that is off", { expansions: [] }, { settings: 1 }],
  [
    "parts of the game and settings",
    { baseOff: ["lamps"], launch: { draw: 3, windowed: true } },
    { settings: 3 },
  ],
  ["rules", { rules: [{ id: aRule("r") } as never] }, { rules: 1 }],
  ["a note", { mods: [{ ...a!, note: "x" }, b!] }, { notes: 1 }],
  ["a role", { mods: [{ ...a!, role: "once" }, b!] }, { notes: 1 }],
  ["terms", { mods: [a!, { ...b!, terms: { kind: "paid", where: "" } as never }] }, { notes: 1 }],
  ["who made it", { author: "reed" }, { facts: 1 }],
  [
    "words, keys, pictures and changes",
    {
      note: "x",
      readMe: "y",
      keys: [{ key: "k", does: "d" }],
      pictures: [{} as never],
      changelog: [{} as never],
    },
    { facts: 5 },
  ],
  ["what is empty", { readMe: "", keys: [], pictures: [], changelog: [] }, {}],
])("%s", (_, lineup, lost) => expect(lostOf(lineup)).toEqual({ ...always, ...lost }));

test("plugins of the game itself are no loss, nor mods of a game that has none in order", () => {
  const own = { ...bare.plugins.find(({ mod }) => mod !== null)!, mod: null };
  expect(lostOf({ plugins: [own] })).toEqual({ versions: 2, hashes: 2, mods: 2 });
  expect(lostOf({}, [], { ...game, lists: ["plugins"] })).toEqual({ versions: 2, hashes: 2, plugins: 2 });
  expect(lostOf({ mods: [{ ...a!, id: aMod("c") }] })).toMatchObject({ mods: 1, versions: 1 });
});
