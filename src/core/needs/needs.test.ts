import { makeRandom } from "../random";
import { makeRoster, type Roster } from "../roster/roster";
import { stateAfter } from "../edit/steps";
import { pluginFile, shelfMod, testRoster, withState, type TestPlugin } from "../testing/roster";
import type { ModManifest, ShelfMod } from "../model/shelf";
import { keyOfItem, needGraph, needsIn, nodeKey } from "./need-graph";
import { surroundingsOf } from "./surroundings";
import { ifItComes, ifItGoes, type WhatIf } from "./what-if";

const manifest = (id: string, rest: Partial<ModManifest> = {}): ModManifest => ({
  format: "seating-mod/1",
  id,
  name: id,
  version: "1.0.0",
  ...rest,
});

const withShelf = ({ game, profile, stock }: Roster, shelf: readonly ShelfMod[]): Roster =>
  makeRoster(game, profile, { ...stock, shelf });

/** With what the manifests of some of its mods say. */
const saying = (roster: Roster, said: Readonly<Record<string, Partial<ModManifest>>>): Roster =>
  withShelf(
    roster,
    roster.stock.shelf.map((mod) => ({ ...mod, manifest: manifest(mod.id, said[mod.id]) })),
  );

const after = (roster: Roster, { edit }: WhatIf): Roster =>
  withState(roster, stateAfter(roster.profile.state, edit!)!);

const pond = saying(
  testRoster([
    { name: "core.keel" },
    { name: "reef.plank", masters: ["Pond.keel", "core.keel"] },
    { name: "fish.plank", masters: ["reef.plank"] },
    { name: "lamp.plank", masters: ["gone.plank"] },
    { name: "boat.plank", on: false, masters: ["lamp.plank"] },
  ]),
  { fish: { requires: [{ mod: "lamp" }, { mod: "core", versions: ">=2" }] } },
);

const edgesOf = (roster: Roster, key: string) =>
  needsIn(needGraph(roster), key).map(({ to, why, isMet }) => `${why} ${to}${isMet ? "" : " !"}`);

test("who needs whom is read from headers and manifests, and whether it is met", () => {
  expect(edgesOf(pond, "plugin:reef.plank")).toEqual([
    "master plugin:Pond.keel",
    "master plugin:core.keel",
    "brings mod:reef",
  ]);
  expect(edgesOf(pond, "mod:fish")).toEqual(["requires mod:lamp", "requires mod:core !"]);
  expect(edgesOf(pond, "plugin:lamp.plank")).toEqual(["master plugin:gone.plank !", "brings mod:lamp"]);
  expect(needGraph(pond).nodes.get("plugin:gone.plank")).toMatchObject({ standing: "missing" });
  expect(needGraph(pond).nodes.get("plugin:boat.plank")).toMatchObject({ standing: "off" });
});

test("advice says needs too, on whatever it is, and a master leads on to the mod of the shelf that brings it", () => {
  const told = withState(pond, {
    ...pond.profile.state,
    advice: [
      { kind: "needs", on: { mod: "reef" }, other: { plugin: "lamp.plank" } },
      { kind: "needs", on: { plugin: "fish.plank" }, other: { mod: "deep" } },
    ],
  });
  const deep = shelfMod("deep", [pluginFile("gone.plank", ["core.keel", "gone.plank"])]);
  const roster = withShelf(told, [...told.stock.shelf, deep]);
  expect(edgesOf(roster, "mod:reef")).toEqual(["advice plugin:lamp.plank"]);
  expect(edgesOf(roster, "plugin:fish.plank")).toContain("advice mod:deep !");
  expect(edgesOf(roster, "plugin:gone.plank")).toEqual(["brings mod:deep !"]);
  expect(edgesOf(roster, "mod:deep")).toEqual(["master plugin:core.keel"]);
  expect(needGraph(roster).nodes.get("mod:deep")).toMatchObject({ standing: "shelf" });
});

test("what is around an item is told by role and distance, and no more is listed than is asked for", () => {
  const around = surroundingsOf(needGraph(pond), "plugin:reef.plank")!;
  expect(around.nodes.map(({ key, role, steps }) => `${steps} ${role} ${key}`)).toEqual([
    "0 itself plugin:reef.plank",
    "1 needed plugin:Pond.keel",
    "1 needed plugin:core.keel",
    "1 needed mod:reef",
    "1 needing plugin:fish.plank",
    "2 needed mod:core",
  ]);
  expect([around.needed, around.needing]).toEqual([4, 1]);
  const few = surroundingsOf(needGraph(pond), "plugin:reef.plank", 3)!;
  expect(few.nodes.map(({ key }) => key)).toEqual([
    "plugin:reef.plank",
    "plugin:Pond.keel",
    "plugin:core.keel",
  ]);
  expect([few.needed, few.needing, few.edges.length]).toEqual([4, 1, 2]);
  expect(surroundingsOf(needGraph(pond), "plugin:nobody.plank")).toBeNull();
});

test("two that need each other are both needed and needing", () => {
  const roster = saying(testRoster([{ name: "a.plank" }, { name: "b.plank" }]), {
    a: { requires: [{ mod: "b" }] },
    b: { requires: [{ mod: "a" }] },
  });
  const around = surroundingsOf(needGraph(roster), "mod:a")!;
  expect(around.nodes.filter(({ kind }) => kind === "mod").map(({ role }) => role)).toEqual([
    "itself",
    "both",
  ]);
  expect(ifItGoes(roster, roster.modOf.get("a")!)!.mods).toEqual(["b"]);
});

describe("if it goes", () => {
  test("all that stands without it falls, through others, of both orders", () => {
    const roster = saying(pond, {
      lamp: {},
      fish: {},
      core: {},
      reef: {},
      boat: { requires: [{ mod: "fish" }] },
    });
    const fall = ifItGoes(roster, roster.pluginOf.get("core.keel")!)!;
    expect([fall.mods, fall.plugins]).toEqual([[], ["reef.plank", "fish.plank"]]);
    const ofMod = ifItGoes(roster, roster.modOf.get("fish")!)!;
    expect([ofMod.mods, ofMod.plugins]).toEqual([["boat"], ["fish.plank"]]);
    expect(ofMod.edit!.label).toMatchObject({ id: "switch-off" });
  });

  test("a plugin that another mod brings as well does not fall", () => {
    const twin = shelfMod("twin", [pluginFile("core.keel")]);
    const plain = withShelf(pond, [...pond.stock.shelf, twin]);
    const { mods } = plain.profile.state;
    const roster = withState(plain, {
      ...plain.profile.state,
      mods: {
        ...mods,
        entries: [...mods.entries, { ...mods.entries[0]!, id: twin.id, content: twin.content! }],
      },
    });
    expect(roster.pluginOf.get("core.keel")!.mod!.id).toBe("twin");
    expect(ifItGoes(roster, roster.modOf.get("twin")!)!.plugins).toEqual([]);
  });

  test("what is built in, or off, does not go", () => {
    expect(ifItGoes(pond, pond.pluginOf.get("Pond.keel")!)).toBeNull();
    expect(ifItGoes(pond, pond.pluginOf.get("boat.plank")!)).toBeNull();
  });
});

describe("if it comes", () => {
  const node = (roster: Roster, key: string) => needGraph(roster).nodes.get(key)!;

  test("what it needs comes along, and what nothing here brings is named", () => {
    const roster = testRoster([
      { name: "core.keel", modOn: false },
      { name: "reef.plank", masters: ["core.keel", "gone.plank"], on: false },
    ]);
    const coming = ifItComes(roster, node(roster, "plugin:reef.plank"))!;
    expect([coming.mods, coming.plugins, coming.missing]).toEqual([["core"], ["core.keel"], ["gone.plank"]]);
    expect(after(roster, coming).pluginOf.get("reef.plank")!.loads).toBe(true);
  });

  test("a mod of the shelf comes into the profile with its plugins, by its own name or by a plugin that it brings", () => {
    const deep = shelfMod("deep", [pluginFile("gone.plank", ["boat.plank"])]);
    const roster = withShelf(pond, [...pond.stock.shelf, deep]);
    for (const key of ["mod:deep", "plugin:gone.plank"]) {
      const coming = ifItComes(roster, node(roster, key))!;
      expect([coming.mods, coming.plugins]).toEqual([[], ["boat.plank", "gone.plank"]]);
      expect(after(roster, coming).pluginOf.get("gone.plank")!.loads).toBe(true);
    }
  });

  test("what is on, or nowhere, does not come", () => {
    expect(ifItComes(pond, node(pond, "plugin:core.keel"))).toBeNull();
    expect(ifItComes(pond, node(pond, "plugin:gone.plank"))).toBeNull();
  });
});

/** Plugins and mods that need one another at random, some off, some missing. */
function drawn(seed: number): Roster {
  const random = makeRandom(seed);
  const name = () => `${"abcdefgh"[random.below(8)]}.plank`;
  const plugins = [..."abcdefg"].map((letter): TestPlugin => ({
    name: `${letter}.plank`,
    masters: Array.from({ length: random.below(3) }, name),
    on: random.below(5) > 0,
    modOn: random.below(6) > 0,
  }));
  const said = Object.fromEntries(
    [..."abcdefg"].map((letter) => [
      letter,
      { requires: Array.from({ length: random.below(2) }, () => ({ mod: "abcdefgh"[random.below(8)]! })) },
    ]),
  );
  return saying(testRoster(plugins), said);
}

/** Whether an item has everything now that it had before. */
const keepsAll = (before: Roster, now: Roster, key: string): boolean =>
  needsIn(needGraph(before), key)
    .filter(({ isMet }) => isMet)
    .every(({ to }) => needGraph(now).nodes.get(to)!.standing === "on");

test("after it went with all that falls nothing stands without what it had; each that fell would", () => {
  for (let seed = 0; seed < 150; seed++) {
    const roster = drawn(seed);
    for (const item of [...roster.mods, ...roster.plugins]) {
      const fall = ifItGoes(roster, item);
      if (!fall) continue;
      const now = after(roster, fall);
      for (const each of [...now.mods, ...now.plugins])
        if (each.loads)
          expect([seed, each.id, keepsAll(roster, now, keyOfItem(each))]).toEqual([seed, each.id, true]);
      const key = keyOfItem(item);
      const needing = surroundingsOf(needGraph(roster), key)!.nodes;
      // By another road: what fell needs it, by ways of which all were met.
      const fallen = [
        ...fall.mods.map((id) => nodeKey("mod", id)),
        ...fall.plugins.map((id) => nodeKey("plugin", id)),
      ];
      expect(needing.map((each) => each.key)).toEqual(expect.arrayContaining(fallen));
      for (const each of fallen)
        expect([seed, each, keepsAll(roster, now, each)]).toEqual([seed, each, false]);
    }
  }
});

test("after it came with what comes along it has all that is here to be had", () => {
  for (let seed = 0; seed < 150; seed++) {
    const roster = drawn(seed);
    for (const node of needGraph(roster).nodes.values()) {
      const coming = ifItComes(roster, node);
      if (!coming || coming.missing.length > 0) continue;
      const now = needGraph(after(roster, coming));
      const unmet = surroundingsOf(now, node.key)!
        .edges.filter(({ from, isMet }) => !isMet && now.nodes.get(from)!.standing === "on")
        .filter(({ from }) => needGraph(roster).nodes.get(from)!.standing !== "on" || from === node.key)
        .filter(({ from }) =>
          surroundingsOf(now, node.key)!.nodes.some(({ key, role }) => key === from && role !== "needing"),
        );
      expect([seed, node.key, unmet]).toEqual([seed, node.key, []]);
    }
  }
});
