import fc from "fast-check";
import type { DepotMod } from "../model/depot";
import type { ItemId } from "../model/ids";
import type { Lineup } from "../model/lineup";
import type { Entry, Order } from "../model/profile";
import { testGame } from "../testing/game";
import { hex, pluginFile, shelfMod, testRoster } from "../testing/roster";
import { changesBetween } from "./changelog";
import { instructionsOf, needsFirst } from "./instructions";
import { lineupOfListing } from "./draft";
import { knownMods } from "./known";
import { lossesOf } from "./losses";
import { makeLineup } from "./make-lineup";
import { foundText } from "../messages/matching";
import { basesOf, matchLines } from "./match-lines";
import { planImport } from "./plan";
import { lineupOfShare, shareSetup } from "./share";
import { takeInState } from "../compare/states";
import { nothingDecided } from "../state/facets";
import { joinOrders } from "../state/order-facet";
import { aMod, aPlugin, aSection } from "../testing/ids";

const roster = testRoster([
  { name: "Core.keel" },
  { name: "b.plank", masters: ["core.keel"] },
  { name: "a.plank", on: false },
]);
const facts = { title: "Pond", author: "", note: "", listVersion: "1", date: "2026-11-01" };
const lineup = makeLineup(roster, {
  ...facts,
  roles: { a: "once" },
  terms: { b: { kind: "paid", where: "two reeds" } },
});
const page = (mod: ReturnType<typeof shelfMod>, terms: DepotMod["terms"] = null): DepotMod => ({
  mod,
  terms,
  about: "",
  issues: [],
  keys: [],
});

test("a plan tells what is here, what is another version, what can be got and what only by hand", () => {
  const wanted: Lineup = {
    ...lineup,
    mods: [
      ...lineup.mods,
      ...["far", "near", "sold", "lost"].map((id) => ({
        ...lineup.mods[0]!,
        id: aMod(id),
        name: id,
        content: hex(`${id}1.0.0`),
        requires: id === "far" ? ["near"] : [],
      })),
    ],
  };
  const shelf = roster.stock.shelf.map((mod) => (mod.id === "b" ? shelfMod("b", mod.plugins, "2.0.0") : mod));
  const depot = [
    page(shelfMod("far")),
    page(shelfMod("near")),
    page(shelfMod("sold"), { kind: "paid", where: "there" }),
    page(shelfMod("b", [pluginFile("b.plank")])),
  ];
  const plan = planImport(testGame, wanted, { ...roster.stock, shelf }, depot);
  expect(plan.mods.map(({ wanted: { id }, status }) => [id, status])).toEqual([
    ["core", "found"],
    ["b", "other"],
    ["a", "found"],
    ["far", "to-get"],
    ["near", "to-get"],
    ["sold", "by-hand"],
    ["lost", "not-to-be-had"],
  ]);
  expect(plan.toGet.map(({ wanted: { id } }) => id)).toEqual(["b", "near", "far"]);
  expect(plan.mods.find(({ wanted: { id } }) => id === "near")!.neededBy).toEqual(["far"]);
});

test("of a list of names it is told on what each mod was found, and another version than it says is no find", () => {
  const known = knownMods(roster.stock.shelf, []);
  const line = (name: string, more: object = {}) => ({
    text: name,
    list: "mods" as const,
    name,
    on: true,
    ...more,
  });
  const lines = [
    line("core", { content: hex("core1.0.0") }),
    line("b", { version: "1.0" }),
    line("a", { version: "9.9" }),
  ];
  const matches = matchLines(testGame, lines, known);
  const listing = { title: "", game: null, lines };
  const drafted = lineupOfListing(testGame, listing, matches, roster.stock, "List");
  const plan = planImport(testGame, drafted, roster.stock, [], [], basesOf(matches));
  expect(plan.mods.map(({ wanted: { id, version }, status, basis }) => [id, version, status, basis])).toEqual(
    [
      ["core", "1.0.0", "found", "contents"],
      ["b", "1.0.0", "found", "name-version"],
      ["a", "9.9", "other", "name-version"],
    ],
  );
  expect(foundText(plan.mods.map(({ basis }) => basis))).toBe(
    "1 with the same contents, 2 by name and version",
  );
  expect(foundText(["name"])).toBe("by name");
});

test("what is on here and not in the list is told as extra, and nothing else", () => {
  const here = testRoster([
    { name: "Core.keel" },
    { name: "mine.plank" },
    { name: "idle.plank", modOn: false },
  ]);
  const extra = (present: typeof here.mods) => planImport(testGame, lineup, here.stock, [], present).extra;
  expect(extra(here.mods).map(({ id }) => id)).toEqual(["mine"]);
  expect(extra(roster.mods)).toEqual([]);
  expect(planImport(testGame, lineup, here.stock, []).extra).toEqual([]);
});

test("what others need comes first, each once, and a circle ends", () => {
  const mods = fc.array(
    fc.record({ id: fc.constantFrom(..."abcdefg"), requires: fc.subarray([..."abcdefgz"]) }),
    { maxLength: 7 },
  );
  fc.assert(
    fc.property(mods, (all) => {
      const distinct = [...new Map(all.map((mod) => [mod.id, mod])).values()];
      const order = needsFirst(distinct).map(({ id }) => id);
      expect([...order].sort()).toEqual(distinct.map(({ id }) => id).sort());
    }),
  );
  const ordered = needsFirst([{ id: "a", requires: ["b"] }, { id: "b", requires: ["c"] }, { id: "c" }]);
  expect(ordered.map(({ id }) => id)).toEqual(["c", "b", "a"]);
});

test("the instructions name everything that one does by hand, with prices and what may go afterwards", () => {
  const texts = instructionsOf(lineup, testGame).flatMap(({ steps }) =>
    steps.map(({ text, detail }) => `${text} ${detail}`.trim()),
  );
  expect(texts).toContain("You need Pond 1.0.0.");
  expect(texts).toContain(
    "Get b 1.0.0 from local. It has to be paid for: two reeds".replace("from local", "from its author"),
  );
  expect(texts).toContain("b.plank after Core.keel");
  expect(texts).toContain("Start the game once; then a can be removed. It is needed once only.");
  expect(texts.at(-1)).toContain(lineup.fingerprint);
});

test("changes between two versions are told by kind, and there are none between equals", () => {
  expect(changesBetween(testGame, lineup, lineup)).toEqual([]);
  const [core, b, a] = lineup.mods;
  const next: Lineup = {
    ...lineup,
    mods: [
      { ...b!, version: "1.1.0", content: "b".repeat(64) },
      { ...core!, on: false },
      { ...a!, id: aMod("new"), name: "new" },
    ],
    expansions: ["island"],
    game: { ...lineup.game, version: "1.1.0" },
  };
  expect(changesBetween(testGame, lineup, next)).toEqual([
    "Added: new 1.0.0",
    "Removed: a 1.0.0",
    "Other contents: b 1.0.0 → 1.1.0",
    "Switched off: core",
    "Moved: 1 mod",
    "Changed: 1 expansion",
    "Game version: 1.0.0 → 1.1.0",
  ]);
});

test("a loss is told only of what the lineup has", () => {
  const of = (...carries: Parameters<typeof lossesOf>[2][number][]) =>
    lossesOf(lineup, testGame, carries).map(({ aspect, count }) => [aspect, count]);
  expect(of("versions", "hashes", "mods", "plugins", "sections")).toEqual([
    ["off", 1],
    ["settings", 1],
    ["notes", 2],
  ]);
});

test("two known mods with the same first digits are told apart by the fingerprint of the code", () => {
  const twin = { ...shelfMod("twin"), content: roster.stock.shelf[0]!.content!.slice(0, 6) + "f".repeat(58) };
  const setup = shareSetup(
    lineup,
    testGame,
    ({ id }) => roster.modOf.get(id)!.mod,
    () => true,
  );
  for (const shelf of [
    [twin, ...roster.stock.shelf],
    [...roster.stock.shelf, twin],
  ]) {
    const read = lineupOfShare(setup, testGame, knownMods(shelf, []), roster.stock.base);
    expect([read.fits, read.unknown, read.lineup.mods.map(({ id }) => id)]).toEqual([
      true,
      [],
      ["core", "b", "a"],
    ]);
  }
  const less = lineupOfShare(setup, testGame, knownMods(roster.stock.shelf.slice(1), []), roster.stock.base);
  expect([less.fits, less.unknown.length]).toEqual([false, 1]);
});

const section = (id: string) => ({ id: aSection(id), name: id, rank: "mods", guidance: "" });
const orderOf = <Id extends ItemId>(idOf: (name: string) => Id, entries: readonly string[]): Order<Id> => ({
  sections: [section("s"), section("t")],
  entries: entries.map((word): Entry<Id> => ({
    id: idOf(word[0]!),
    section: aSection(word[1]!),
    on: word[2] !== "-",
  })),
});
const order = (...entries: string[]) => orderOf(aMod, entries);
const told = ({ entries }: Order) => entries.map(({ id, section: at, on }) => `${id}${at}${on ? "" : "-"}`);

test("what only mine has keeps its neighbour; their order and sections hold for what both have", () => {
  expect(told(joinOrders(order("bs", "as", "ct"), order("as", "xs", "bs", "yt", "ct")))).toEqual([
    "bs",
    "as",
    "xs",
    "yt",
    "ct",
  ]);
  const mine = {
    ...nothingDecided,
    mods: order("as", "xs", "bs-"),
    plugins: orderOf(aPlugin, []),
    expansions: ["mine"],
  };
  const theirs = {
    ...nothingDecided,
    mods: order("bs", "at", "zt"),
    plugins: orderOf(aPlugin, []),
    expansions: ["theirs"],
  };
  const into = takeInState(mine, theirs, "into");
  expect([told(into.mods), into.expansions]).toEqual([["xs", "bs", "at", "zt"], ["theirs"]]);
  const only = takeInState(mine, theirs, "order");
  expect([told(only.mods), only.expansions]).toEqual([["xs", "bs-", "at"], ["mine"]]);
});
