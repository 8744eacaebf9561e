import type { Lineup } from "../model/lineup";
import type { ProfileState } from "../model/profile";
import { makeRoster } from "../roster/roster";
import { gameOfSettings } from "../testing/game";
import { aMod, aPlugin, aSection } from "../testing/ids";
import { pluginFile, shelfMod, testRoster } from "../testing/roster";
import { knownMods } from "./known";
import { makeLineup } from "./make-lineup";
import { lineupOfShare, shareSetup, type SharedSetup } from "./share";

const game = gameOfSettings;
const facts = { title: "Pond", author: "reed", note: "words", listVersion: "3", date: "2026-11-02" };
/** A package of three plugins, of which one comes first by its name and is listed last, and two plain mods. */
const pack = shelfMod("pack", [pluginFile("Zinc.plank"), pluginFile("ash.plank"), pluginFile("Mist.plank")]);
const reeds = shelfMod("reeds", [pluginFile("Reeds.plank")]);
const lights = shelfMod("lights");
const off = shelfMod("off", [pluginFile("Off.plank")]);
const shelf = [pack, reeds, lights, off];
const base = [pluginFile("Pond.keel", [], 1)];

const sections = {
  mods: [
    { id: aSection("first"), name: "First", rank: "mods", guidance: "g" },
    { id: aSection("mods"), name: "Mods", rank: "mods", guidance: "g" },
  ],
  plugins: [
    { id: aSection("game"), name: "Game", rank: "builtin", guidance: "" },
    { id: aSection("own"), name: "My own", rank: "foundation", guidance: "g" },
    { id: aSection("world"), name: "World", rank: "ordinary", guidance: "" },
    { id: aSection("late"), name: "Late", rank: "ordinary", guidance: "g" },
  ],
};
const plain = testRoster([]);
const state: ProfileState = {
  ...plain.profile.state,
  mods: {
    sections: sections.mods,
    entries: ["lights", "pack", "off", "reeds"].map((id, at) => ({
      id: aMod(id),
      on: id !== "off",
      section: aSection(at < 2 ? "first" : "mods"),
      content: shelf.find((mod) => mod.id === id)!.content!,
    })),
  },
  plugins: {
    sections: sections.plugins,
    entries: [
      { id: aPlugin("Pond.keel"), on: true, section: aSection("game") },
      { id: aPlugin("Mist.plank"), on: false, section: aSection("own") },
      { id: aPlugin("Zinc.plank"), on: true, section: aSection("world") },
      { id: aPlugin("Reeds.plank"), on: true, section: aSection("late") },
      { id: aPlugin("Off.plank"), on: true, section: aSection("late") },
      { id: aPlugin("ash.plank"), on: true, section: aSection("late") },
    ],
  },
  choices: [{ mod: aMod("pack"), options: { look: ["tall"] }, components: ["more"] }],
  expansions: ["island"],
  baseOff: ["sheep"],
  launch: { draw: 4 },
};
const roster = makeRoster(
  game,
  { ...plain.profile, state },
  { ...plain.stock, shelf, base, owned: ["island"] },
);
const lineup = makeLineup(roster, facts);
const share = (list: Lineup = lineup, unknown: readonly string[] = []) =>
  shareSetup(
    list,
    game,
    (mod) => shelf.find(({ id }) => id === mod.id) ?? null,
    ({ id }) => !unknown.includes(id),
  );
const known = (mods: typeof shelf) => knownMods(mods, []);
const read = (setup: SharedSetup, mods = shelf) => lineupOfShare(setup, game, known(mods), base);

test("a setup says what is on, mod by mod, and its plugins by their places among all that these bring", () => {
  const setup = share(lineup, ["reeds"]);
  expect(setup).toMatchObject({
    game: { id: game.id, version: game.version },
    title: "Pond",
    author: "reed",
    listVersion: "3",
    expansions: ["island"],
    baseOff: ["sheep"],
    launch: { draw: 4 },
    fingerprint: lineup.fingerprint,
  });
  expect(setup.mods).toEqual([
    { start: lights.content!.slice(0, 6), plugins: 0, options: {}, components: [], named: null },
    {
      start: pack.content!.slice(0, 6),
      plugins: 3,
      options: { look: ["tall"] },
      components: ["more"],
      named: null,
    },
    {
      start: reeds.content!.slice(0, 6),
      plugins: 1,
      options: {},
      components: [],
      named: { id: "reeds", name: "reeds", version: "1.0.0" },
    },
  ]);
  // ash 0, Mist 1, Zinc 2, Reeds 3; what is off brings none.
  expect(setup.order).toEqual([1, 2, 3, 0]);
  expect(setup.on).toEqual([false, true, true, true]);
  expect(setup.sections).toEqual({
    mods: [
      { id: "first", count: 2, name: "First", rank: "mods" },
      { id: "mods", count: 1 },
    ],
    plugins: [
      { id: "own", count: 1, name: "My own", rank: "foundation" },
      { id: "world", count: 1 },
      { id: "late", count: 2, name: "Late", rank: "ordinary" },
    ],
  });
});

test("without the mod at hand, its plugins are those that the lineup lists; without a fingerprint, none is said", () => {
  const { fingerprint: _, ...bald } = lineup;
  const setup = shareSetup(
    { ...bald, plugins: lineup.plugins.filter(({ name }) => name !== aPlugin("Mist.plank")) },
    game,
    () => null,
    () => true,
  );
  expect(setup.mods.map(({ plugins }) => plugins)).toEqual([0, 2, 1]);
  expect(setup.order).toEqual([1, 2, 0]);
  expect(setup.fingerprint).toBe("");
  // A plugin of a mod that is not on, or of none, has no place.
  expect(setup.on).toHaveLength(3);
});

test("read where all is known, it is the lineup again, without what is off and what is only words", () => {
  const { lineup: again, unknown, fits } = read(share());
  expect([unknown, fits]).toEqual([[], true]);
  expect(again.fingerprint).toBe(lineup.fingerprint);
  expect(again).toMatchObject({
    format: "seating-lineup/2",
    title: "Pond",
    author: "reed",
    listVersion: "3",
    note: "",
    date: "",
    rules: [],
    followUps: [],
    expansions: ["island"],
    baseOff: ["sheep"],
    launch: { draw: 4 },
  });
  expect(
    again.mods.map(({ id, on, section, options, components }) => [id, on, section, options, components]),
  ).toEqual([
    ["lights", true, "first", {}, []],
    ["pack", true, "first", { look: ["tall"] }, ["more"]],
    ["reeds", true, "mods", {}, []],
  ]);
  expect(again.plugins.map(({ name, on, section, mod }) => [name, on, section, mod])).toEqual([
    ["Pond.keel", true, "game", null],
    ["Island.keel", true, "game", null],
    ["Mist.plank", false, "own", "pack"],
    ["Zinc.plank", true, "world", "pack"],
    ["Reeds.plank", true, "late", "reeds"],
    ["ash.plank", true, "late", "pack"],
  ]);
  // The sender's own sections stand where they stood among the game's.
  expect(again.sections.map(({ id, name, rank, guidance }) => [id, name, rank, guidance])).toEqual([
    ["game", "Game", "builtin", ""],
    ["own", "My own", "foundation", ""],
    ["base", "Foundations", "foundation", ""],
    ["world", "World", "ordinary", ""],
    ["late", "Late", "ordinary", ""],
    ["patches", "Patches", "ordinary", ""],
    ["first", "First", "mods", ""],
    ...again.sections.slice(7).map(({ id, name, rank, guidance }) => [id, name, rank, guidance]),
  ]);
  expect(again.sections.some(({ id }) => id === "mods")).toBe(true);
});

test("what nothing here knows is told, and all else keeps its place and its section", () => {
  const { lineup: part, unknown, fits } = read(share(lineup, ["pack"]), [lights, reeds]);
  expect(fits).toBe(false);
  expect(unknown.map(({ named }) => named?.name)).toEqual(["pack"]);
  expect(part.mods.map(({ id, section }) => [id, section])).toEqual([
    ["lights", "first"],
    ["reeds", "mods"],
  ]);
  expect(part.plugins.map(({ name, section }) => [name, section])).toEqual([
    ["Pond.keel", "game"],
    ["Island.keel", "game"],
    ["Reeds.plank", "late"],
  ]);
});

test("a mod of other contents that brings another number of plugins says nothing of their order", () => {
  const less = { ...pack, plugins: pack.plugins.slice(0, 2) };
  const { lineup: part } = read(share(), [lights, reeds, less]);
  expect(part.plugins.map(({ name }) => name)).toEqual(["Pond.keel", "Island.keel", "Reeds.plank"]);
});

test("where a start fits several mods, the fingerprint says which is meant; else it is the first", () => {
  const like = { ...shelfMod("like", []), content: lights.content!.slice(0, 6) + "9".repeat(58) };
  const other = { ...shelfMod("other", []), content: reeds.content!.slice(0, 6) + "8".repeat(58) };
  const all = [like, other, pack, reeds, lights, off];
  expect(read(share(), all).lineup.mods.map(({ id }) => id)).toEqual(["lights", "pack", "reeds"]);
  const doubt = read({ ...share(), fingerprint: "0".repeat(64) }, all);
  expect(doubt.fits).toBe(false);
  expect(doubt.lineup.mods.map(({ id }) => id)).toEqual(["like", "pack", "other"]);
  // The same contents twice are one.
  const twice = [...shelf, { ...lights, path: "again.zip" }];
  expect(read({ ...share(), fingerprint: "0".repeat(64) }, twice).lineup.mods.map(({ id }) => id)).toEqual([
    "lights",
    "pack",
    "reeds",
  ]);
});

test("the first form's sixteen digits prove nothing, and fit where they are those of its beginning", () => {
  const short = read({ ...share(), fingerprint: lineup.fingerprint!.slice(0, 16) });
  expect(short.fits).toBe(true);
  expect(short.lineup.fingerprint).toBeUndefined();
  const end = read({ ...share(), fingerprint: lineup.fingerprint!.slice(-16) });
  expect(end.fits).toBe(false);
});

test("where it says no sections, all stand in the game's", () => {
  const { lineup: again } = read({ ...share(), sections: null });
  expect(new Set(again.mods.map(({ section }) => section)).size).toBe(1);
  expect(again.plugins.slice(2).map(({ section }) => section)).toEqual([
    "patches",
    "patches",
    "patches",
    "patches",
  ]);
});
