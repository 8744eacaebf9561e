import fc from "fast-check";
import type { ProfileState, Rule } from "../model/profile";
import type { Advice } from "../model/advice";
import type { Reminder } from "../model/reminder";
import type { ShelfMod } from "../model/shelf";
import { noOverlaps, type Overlaps } from "../roster/overlaps";
import { withOverlaps } from "../testing/overlaps";
import { makeRoster, type Roster, type Stock } from "../roster/roster";
import { allTies } from "../roster/ties";
import { runToEnd } from "../run-to-end";
import { aMod, aRule } from "../testing/ids";
import { pluginFile, shelfMod, testRoster } from "../testing/roster";
import { asideOf } from "./set-aside";
import type { OnDisk } from "./check";
import { checking, runChecks, type Checked } from "./run-checks";

const letters = ["a", "b", "c", "d", "e"];
const start = testRoster([
  { name: "a.plank" },
  { name: "b.plank", masters: ["a.plank", "Island.keel"] },
  { name: "c.plank", masters: ["b.plank"] },
  { name: "d.skiff", masters: ["gone.plank"] },
  { name: "e.plank", masters: ["a.plank"], fresh: true },
]);
const facts: Readonly<Record<string, object>> = {
  b: { requires: [{ mod: "a" }, { mod: "x" }], expansions: ["island"] },
  c: { clashes: [{ mod: "d" }], gameVersions: ">=2" },
  d: {
    options: [
      {
        id: "size",
        label: "Size",
        choose: "one",
        parts: [
          { id: "big", label: "Big", paths: ["big/"] },
          { id: "far", label: "Far", paths: ["far/"], when: { mod: "e" } },
        ],
      },
    ],
  },
};
const shelf = start.stock.shelf.map((mod): ShelfMod => ({
  ...mod,
  manifest: { format: "seating-mod/1", id: mod.id, name: mod.id, version: "1", ...facts[mod.id] },
}));
const rich: Stock = {
  ...start.stock,
  shelf,
  owned: ["island"],
};
/** What may come and go: a mod that is asked for, another version, one that is unsound. */
const others: readonly ShelfMod[] = [
  shelfMod("x", [pluginFile("gone.plank")]),
  shelfMod("a", [pluginFile("a.plank")], "2.0.0"),
  { ...shelfMod("w"), problem: { code: "path-unsafe", data: { entry: "../x" } } },
];
const rule: Rule = {
  id: aRule("r"),
  rule: { kind: "before", item: "e.plank", other: "a.plank", strength: "must" },
  note: "",
  made: "2026-01-01",
};

const told: readonly Advice[] = [
  { kind: "needs", on: { plugin: "a.plank" }, other: { mod: "x" } },
  { kind: "known-bad", on: { mod: "c" } },
  { kind: "outdated", on: { plugin: "e.plank" }, other: { mod: "x" } },
];
const reminder: Reminder = { id: "m", text: "Look again", when: { kind: "arrives", mod: "x" } };
const meetings: readonly Overlaps[] = [
  {},
  { mods: [{ broader: "a", narrower: "b", shared: 2 }] },
  { plugins: [{ broader: "c.plank", narrower: "b.plank", shared: 3 }] },
  { standing: { copies: [{ id: "c", of: "a" }], covered: { mods: ["b"], plugins: ["e.plank"] } } },
].map((meeting) => withOverlaps(start, meeting).overlaps);

interface Scene {
  readonly state: ProfileState;
  readonly stock: Stock;
  readonly onDisk: OnDisk;
  readonly overlaps: Overlaps;
}

type Change = (scene: Scene, at: number) => Scene;

const ofState =
  (change: (state: ProfileState, at: number) => Partial<ProfileState>): Change =>
  (scene, at) => ({ ...scene, state: { ...scene.state, ...change(scene.state, at) } });

const switched = <Entry extends { on: boolean }>(entries: readonly Entry[], at: number): Entry[] =>
  entries.map((entry, place) => (place === at % entries.length ? { ...entry, on: !entry.on } : entry));

/** The first of all stays. */
function swapped<Entry>(entries: readonly Entry[], at: number): Entry[] {
  const place = 1 + (at % (entries.length - 2));
  return entries.map((entry, each) =>
    each === place ? entries[place + 1]! : each === place + 1 ? entries[place]! : entry,
  );
}

const toggled = <T>(all: readonly T[], one: T, isSame: (each: T) => boolean): T[] =>
  all.some(isSame) ? all.filter((each) => !isSame(each)) : [...all, one];

const changes: readonly Change[] = [
  ofState(({ plugins }, at) => ({ plugins: { ...plugins, entries: switched(plugins.entries, at) } })),
  ofState(({ plugins }, at) => ({ plugins: { ...plugins, entries: swapped(plugins.entries, at) } })),
  ofState(({ mods }, at) => ({ mods: { ...mods, entries: switched(mods.entries, at) } })),
  ofState(({ mods }, at) => ({ mods: { ...mods, entries: swapped(mods.entries, at) } })),
  ofState(({ expansions }) => ({
    expansions: toggled(expansions, "island", (each) => each === "island"),
  })),
  ofState(({ leftOut }, at) => {
    const mod = aMod(letters[at % 5]!);
    return { leftOut: toggled(leftOut, { mod, path: `${mod}.plank` }, (each) => each.mod === mod) };
  }),
  ofState(({ choices }, at) => ({
    choices: toggled(
      choices,
      { mod: aMod("d"), options: { size: [at % 2 ? "far" : "big"] }, components: [] },
      () => true,
    ),
  })),
  ofState(({ rules }) => ({ rules: toggled(rules, rule, () => true) })),
  ({ stock, ...scene }, at) => ({
    ...scene,
    stock: { ...stock, shelf: toggled(stock.shelf, others[at % 3]!, (each) => each === others[at % 3]) },
  }),
  ({ stock, ...scene }, at) => ({
    ...scene,
    stock: { ...stock, shelf: toggled(stock.shelf, shelf[at % 5]!, (each) => each === shelf[at % 5]) },
  }),
  ({ stock, ...scene }) => ({ ...scene, stock: { ...stock, owned: stock.owned.length ? [] : ["island"] } }),
  (scene, at) => ({ ...scene, onDisk: { order: at % 2 ? null : ["a.plank"], holds: [] } }),
  ofState(({ advice }, at) => ({
    advice: toggled(advice, told[at % told.length]!, (each) => each === told[at % told.length]),
  })),
  ofState(({ reminders }) => ({ reminders: toggled(reminders, reminder, () => true) })),
  (scene, at) => {
    const roster = rosterOf(scene);
    const found = runChecks(inputOf(roster, scene.onDisk));
    const aside = asideOf(roster, found[at % found.length]!, {
      reason: "",
      until: at % 2 ? "changed" : "never",
      at: "2026-12-01",
    });
    const { setAside } = scene.state;
    return {
      ...scene,
      state: {
        ...scene.state,
        setAside: toggled(setAside, aside, ({ finding }) => finding === aside.finding),
      },
    };
  },
  ofState(({ launch }, at) => ({ launch: { ...launch, depth: at } })),
  ofState(({ baseOff }) => ({ baseOff: toggled(baseOff, "Pond", () => true) })),
  (scene, at) => ({ ...scene, overlaps: meetings[at % meetings.length]! }),
];

const nowhere: OnDisk = { order: null, holds: null };
const rosterOf = ({ state, stock, overlaps }: Scene, before?: Roster): Roster =>
  makeRoster(start.game, { ...start.profile, state }, stock, before, overlaps);
const inputOf = (roster: Roster, onDisk: OnDisk) => ({ roster, ties: allTies(roster), onDisk });

const begin: Scene = { state: start.profile.state, stock: rich, onDisk: nowhere, overlaps: noOverlaps };
/** A hundred runs of fifty edits. */
const runs = { minLength: 50, maxLength: 50 };

test("what is checked after each of 5,000 edits is what would be found from nothing", () => {
  const found = new Set<string>();
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.nat(changes.length - 1), fc.nat(30)), runs), (done) => {
      let scene = begin;
      let roster = rosterOf(scene);
      let checked: Checked | undefined;
      for (const [kind, at] of done) {
        scene = changes[kind]!(scene, at);
        roster = rosterOf(scene, roster);
        checked = runToEnd(checking(inputOf(roster, scene.onDisk), checked));
        const whole = runToEnd(checking(inputOf(rosterOf(scene), scene.onDisk)));
        expect(checked.findings).toEqual(whole.findings);
        expect([checked.told, checked.aside]).toEqual([whole.told, whole.aside]);
        for (const { id } of checked.findings) found.add(id);
      }
    }),
    { numRuns: 100 },
  );
  // The changes lead to findings of most kinds, or this would say little.
  expect(found.size).toBeGreaterThan(30);
});

describe("of what has not changed", () => {
  const scene = begin;
  const before = rosterOf(scene);
  const first = runToEnd(checking(inputOf(before, nowhere)));
  /** The checks that are asked anew: each takes a step. */
  const stepsAfter = (change: Change, at = 0): number => {
    const next = change(scene, at);
    const steps = checking(inputOf(rosterOf(next, before), next.onDisk), first);
    let count = 0;
    while (!steps.next().done) count++;
    return count;
  };

  test("nothing is asked again", () => {
    const ties = first.input.ties;
    const again = checking({ roster: before, ties, onDisk: nowhere }, first);
    expect(again.next()).toMatchObject({ done: true, value: { findings: first.findings } });
  });

  test("a move of plugins asks nothing of the mods; what is on the disk asks one thing alone", () => {
    const whole = stepsAfter(changes[2]!);
    expect(stepsAfter(changes[1]!)).toBeLessThan(whole - 7);
    const other = { order: ["a.plank"], holds: [] };
    const steps = checking({ ...first.input, onDisk: other }, first);
    expect([steps.next().done, steps.next().done]).toEqual([false, true]);
  });

  test("the list of findings stays the same object where a change adds and takes away none", () => {
    const moved = changes[1]!(scene, 3);
    const { findings } = runToEnd(checking(inputOf(rosterOf(moved, before), nowhere), first));
    expect(findings).toEqual(first.findings);
    expect(findings).toBe(first.findings);
  });
});
