import type { Claim, UnsaidPart } from "../model/claim";
import { makeRoster, type Roster, type Stock } from "../roster/roster";
import { testGame } from "../testing/game";
import { aMod, aPlugin } from "../testing/ids";
import { hex, testRoster } from "../testing/roster";
import { claimOfLineup } from "./claim";
import type { FingerprintFacts } from "./fingerprint";
import { makeLineup } from "./make-lineup";
import { missingMods, saidDifferences, verdictOf } from "./verdict";

const withStock = (roster: Roster, change: Partial<Stock>): Roster =>
  makeRoster(roster.game, roster.profile, { ...roster.stock, ...change });

const mod = (id: string, more: Partial<FingerprintFacts["mods"][number]> = {}) => ({
  id: aMod(id),
  version: "1.0",
  content: hex(id),
  options: {},
  components: [],
  hidden: [],
  ...more,
});
const wanted: FingerprintFacts = {
  game: { id: "pond", version: "1" },
  expansions: [],
  baseOff: [],
  mods: [mod("a"), mod("b"), mod("c")],
  plugins: [
    { name: aPlugin("a.plank"), sha256: hex("a") },
    { name: aPlugin("b.plank"), sha256: hex("b") },
  ],
  launch: {},
  settings: [],
};
const said = (
  here: Partial<FingerprintFacts>,
  unsaid: readonly UnsaidPart[] = [],
  implied: readonly string[] = [],
) =>
  saidDifferences(wanted, { ...wanted, ...here }, { unsaid: [...unsaid], implied: [...implied] }).map(
    ({ facet, kind }) => `${facet} ${kind}`,
  );

const everything: UnsaidPart[] = [
  "game",
  "parts",
  "left-out",
  "settings",
  "plugins",
  "mods",
  "hashes",
  "versions",
];

/** What differs, the part of a list that says it, and what is told of it. */
test.each<[string, Partial<FingerprintFacts>, UnsaidPart[], RegExp]>([
  ["the game", { game: { id: "pond", version: "2" } }, ["game"], /^game /],
  ["an expansion", { expansions: ["city"] }, ["settings"], /^expansions /],
  ["a part of the game", { baseOff: ["lamps"] }, ["settings"], /^baseOff /],
  ["a launch setting", { launch: { draw: 3 } }, ["settings"], /^launch /],
  [
    "a part that is taken",
    { mods: [mod("a", { components: ["x"] }), mod("b"), mod("c")] },
    ["parts"],
    /^choices /,
  ],
  [
    "a file that is left out",
    { mods: [mod("a", { hidden: ["x"] }), mod("b"), mod("c")] },
    ["left-out"],
    /^leftOut /,
  ],
  ["the order of plugins", { plugins: [...wanted.plugins].reverse() }, ["plugins"], /^plugins /],
  ["the order of mods", { mods: [mod("b"), mod("a"), mod("c")] }, ["mods"], /^mods place/],
  ["contents", { mods: [mod("a", { content: hex("z") }), mod("b"), mod("c")] }, ["hashes"], /^mods content/],
  ["a version", { mods: [mod("a", { version: "2.0" }), mod("b"), mod("c")] }, ["versions"], /^mods content/],
])("%s counts where the list says it, and only there", (_, here, parts, told) => {
  const [difference, ...more] = said(here);
  expect(difference).toMatch(told);
  expect(more).toEqual([]);
  expect(said(here, parts)).toEqual([]);
  expect(
    said(
      here,
      everything.filter((part) => !parts.includes(part)),
    ),
  ).toEqual([difference]);
});

test("a mod that is missing counts whatever a list leaves unsaid", () => {
  const missing = { mods: [mod("a"), mod("b")] };
  const [difference] = said(missing);
  expect(difference).toMatch(/^mods /);
  expect(said(missing, everything)).toEqual([difference]);
});

test("the place of a mod counts nothing where the list names it by its plugins alone; all else of it does", () => {
  const moved = { mods: [mod("b"), mod("a"), mod("c")] };
  expect(said(moved, [], ["a", "b", "c"])).toEqual([]);
  expect(said(moved, [], ["c"])).toEqual(["mods place"]);
  expect(said({ mods: [mod("a", { content: hex("z") }), mod("b"), mod("c")] }, [], ["a"])).toEqual([
    "mods content",
  ]);
  expect(said({ plugins: [...wanted.plugins].reverse() }, [], ["a.plank", "b.plank"])).toEqual([
    "plugins place",
  ]);
});

describe("what is not here", () => {
  const roster = testRoster([{ name: "a.plank" }, { name: "b.plank" }]);
  const lineup = makeLineup(roster, { title: "Pond", author: "", note: "", listVersion: "", date: "" });
  const claim: Claim = claimOfLineup(lineup, "JSON");
  const missing = (shelf: typeof roster.stock.shelf, unsaid: UnsaidPart[] = []) =>
    missingMods(lineup, { unsaid }, { ...roster.stock, shelf }).map(({ id }) => id);
  const [first, second] = roster.stock.shelf;

  test("counts by contents, and by the version where the list names no contents", () => {
    expect(missing(roster.stock.shelf)).toEqual([]);
    const rebuilt = { ...first!, content: hex("other") };
    expect(missing([rebuilt, second!])).toEqual(["a"]);
    expect(missing([rebuilt, second!], ["hashes"])).toEqual([]);
    const newer = { ...first!, path: "newer.zip", version: "2.0.0", content: hex("newer") };
    expect(missing([newer, second!], ["hashes"])).toEqual(["a"]);
    // One of several versions is enough.
    expect(missing([newer, first!, second!], ["hashes"])).toEqual([]);
    expect(missing([], ["hashes"])).toEqual(["a", "b"]);
  });

  test("what is unsound is not here", () => {
    const broken = { ...first!, problem: { code: "not-a-zip" as const, data: { detail: "" } } };
    expect(missing([broken, second!])).toEqual(["a"]);
  });

  test("is told with version and name, expansions by theirs, plugins that no mod brings", () => {
    const game = {
      ...testGame,
      expansions: [
        { id: "city", name: "The City", folder: "city", plugins: [] },
        { id: "x", name: "X", folder: "x", plugins: [] },
      ],
    };
    const here = withStock(roster, { shelf: [second!], owned: [] });
    const lost = {
      ...lineup,
      mods: lineup.mods.map((each) => ({ ...each, version: each.id === "a" ? "" : each.version })),
      expansions: ["city", "unknown"],
      plugins: [
        ...lineup.plugins,
        { ...lineup.plugins.at(-1)!, name: aPlugin("Loose.plank"), mod: null, sha256: hex("l") },
        { ...lineup.plugins.at(-1)!, name: aPlugin("Own.plank"), mod: null, sha256: null },
      ],
    };
    const open = { ...claim, fingerprint: null, unmatched: ["who is this"], unsure: ["perhaps that"] };
    const verdict = verdictOf(lost, open, { ...here, game });
    expect(verdict).toEqual({
      kind: "not-yet",
      lacks: [
        { what: "missing", item: "a" },
        { what: "missing", item: "The City" },
        { what: "missing", item: "unknown" },
        { what: "missing", item: "Loose.plank" },
        { what: "unmatched", item: "who is this" },
        { what: "unsure", item: "perhaps that" },
      ],
    });
  });

  test("a list that proves what its own words deny was altered, in the places where they do", () => {
    const denied = { ...lineup, launch: { draw: 9 }, expansions: ["city"] };
    expect(verdictOf(denied, claim, roster)).toEqual({ kind: "altered", places: ["expansions", "launch"] });
    expect(
      verdictOf(denied, { ...claim, fingerprint: null }, withStock(roster, { owned: ["city"] })),
    ).toMatchObject({
      kind: "differs",
    });
  });
});
