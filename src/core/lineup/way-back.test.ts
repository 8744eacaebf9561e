import fc from "fast-check";
import { takeOver } from "../compare/rosters";
import { applySteps } from "../edit/steps";
import type { ProfileState } from "../model/profile";
import { aMod, aSection } from "../testing/ids";
import { testRoster, withState } from "../testing/roster";
import { differenceElsewhere } from "../messages/differences";
import { compareFacts } from "./compare";
import { factsOfRoster } from "./fingerprint";
import { wayBack } from "./way-back";

const names = ["a.plank", "b.plank", "c.plank", "d.plank"];
const pure = testRoster(names.map((name) => ({ name })));

const anyState = fc
  .record({
    order: fc.shuffledSubarray(names, { minLength: names.length }),
    off: fc.subarray(names),
    modsOff: fc.subarray(pure.mods.map(({ id }) => id)),
    out: fc.subarray(["textures/"]),
    launch: fc.constantFrom<ProfileState["launch"]>({}, { draw: 3 }),
  })
  .map(({ order, off, modsOff, out, launch }) => {
    const { state } = pure.profile;
    const [game] = state.plugins.entries;
    const entries = order.map((name) => state.plugins.entries.find(({ id }) => id === name)!);
    return withState(pure, {
      ...state,
      launch,
      leftOut: out.map((path) => ({ mod: aMod("a"), path })),
      mods: {
        ...state.mods,
        entries: state.mods.entries.map((each) => ({ ...each, on: !modsOff.includes(each.id) })),
      },
      plugins: {
        ...state.plugins,
        entries: [game!, ...entries.map((each) => ({ ...each, on: !off.includes(each.id) }))],
      },
    });
  });

test("each difference from a list has a way out that takes it away, and one by one all are gone", () => {
  fc.assert(
    fc.property(anyState, (start) => {
      let here = start;
      for (let left = 20; left > 0; left--) {
        const differences = compareFacts(factsOfRoster(pure), factsOfRoster(here));
        const [first] = differences;
        if (!first) return;
        const edit = takeOver(here, pure, wayBack(here, pure.profile.state, first), "List");
        if (!edit) throw new Error(`nothing leads back from ${first.facet} ${first.kind} ${first.key}`);
        const applied = applySteps(here.profile.state, edit.steps);
        if (!applied.ok) throw new Error(applied.refusal.code);
        here = withState(pure, applied.value.state);
        expect(compareFacts(factsOfRoster(pure), factsOfRoster(here))).not.toContainEqual(first);
      }
      throw new Error("it does not end");
    }),
  );
});

test("what no edit can mend says who can", () => {
  const game = { facet: "game", kind: "changed", key: "pond" } as const;
  expect(wayBack(pure, pure.profile.state, game)).toEqual([]);
  expect(differenceElsewhere(game)).toContain("version of the game");
  expect(differenceElsewhere({ facet: "choices", kind: "changed", key: "a" })).toContain("curator");
});

describe("it takes over what the difference is about, and nothing else", () => {
  const { state } = pure.profile;
  const plugins = (...ids: string[]) => ({
    ...state.plugins,
    entries: ["Pond.keel", ...ids].map((id) => state.plugins.entries.find((entry) => entry.id === id)!),
  });
  const turnedOff = <T extends { readonly id: string; readonly on: boolean }>(
    entries: readonly T[],
    id: string,
  ) => entries.map((entry) => (entry.id === id ? { ...entry, on: false } : entry));
  const back = (part: Partial<ProfileState>, wanted: { facet: string; kind?: string; key: string }) => {
    const here = withState(pure, { ...state, ...part });
    const all = compareFacts(factsOfRoster(pure), factsOfRoster(here));
    const difference = all.find(
      (each) =>
        each.facet === wanted.facet && each.key === wanted.key && (wanted.kind ?? each.kind) === each.kind,
    )!;
    return wayBack(here, state, difference).map(({ facet, kind, key }) => `${facet} ${kind} ${key}`);
  };
  const much: Partial<ProfileState> = {
    launch: { draw: 3, sound: true },
    leftOut: [{ mod: aMod("a"), path: "textures/" }],
    mods: { ...state.mods, entries: turnedOff(state.mods.entries, "c") },
    plugins: {
      ...plugins("a.plank", "b.plank", "c.plank", "d.plank"),
      entries: turnedOff(state.plugins.entries, "b.plank"),
    },
  };

  test("a setting, a file, a plugin that is off", () => {
    expect(back(much, { facet: "launch", key: "sound" })).toEqual(["launch only-here sound"]);
    expect(back(much, { facet: "leftOut", key: "a textures/" })).toEqual(["leftOut only-here a textures/"]);
    expect(back(much, { facet: "plugins", key: "b.plank" })).toEqual(["plugins on b.plank"]);
  });

  test("of a plugin whose mod is off, the mod", () => {
    expect(back(much, { facet: "plugins", key: "c.plank" })).toEqual(["mods on c"]);
    expect(back(much, { facet: "mods", key: "c" })).toEqual(["mods on c"]);
  });

  test("of one that moved, its move; of one that seems to have moved for another one did, all moves of its order", () => {
    const moved = { ...much, plugins: plugins("d.plank", "a.plank", "b.plank", "c.plank") };
    expect(back(moved, { facet: "plugins", kind: "place", key: "d.plank" })).toEqual([
      "plugins place d.plank",
    ]);
    // Among all plugins b moves alone; of a, b and d, which load, it is a that stands elsewhere.
    const here = withState(pure, {
      ...state,
      launch: { draw: 3 },
      plugins: plugins("a.plank", "c.plank", "d.plank", "b.plank"),
    });
    const place = (key: string) => ({ facet: "plugins", kind: "place", key }) as const;
    const told = (key: string) =>
      wayBack(here, state, place(key)).map(({ kind, key: id }) => `${kind} ${id}`);
    expect(told("b.plank")).toEqual(["place b.plank"]);
    expect(told("a.plank")).toEqual(["place b.plank"]);
  });

  test("of one that moved beside others, its own move alone", () => {
    const moved = { plugins: plugins("d.plank", "a.plank", "c.plank", "b.plank") };
    expect(back(moved, { facet: "plugins", kind: "place", key: "d.plank" })).toEqual([
      "plugins place d.plank",
    ]);
  });

  test("of one that stands elsewhere for another one has another section, or for sections stand otherwise, that", () => {
    const ofTwo = testRoster([
      { name: "a.plank" },
      { name: "b.plank" },
      { name: "c.plank", section: "patches" },
    ]);
    const own = ofTwo.profile.state.plugins;
    const told = (order: Partial<ProfileState["plugins"]>, key: string) => {
      const here = withState(ofTwo, { ...ofTwo.profile.state, plugins: { ...own, ...order } });
      const place = { facet: "plugins", kind: "place", key } as const;
      return wayBack(here, ofTwo.profile.state, place).map(({ kind, key: id }) => `${kind} ${id}`);
    };
    const [game, a, b, c] = own.entries;
    const patched = [game!, b!, { ...a!, section: aSection("patches") }, c!];
    expect(told({ entries: patched }, "b.plank")).toEqual(["section a.plank"]);
    const [first, ...others] = own.sections;
    const turned = { sections: [first!, ...others.reverse()], entries: [game!, c!, a!, b!] };
    const sections = told(turned, "c.plank");
    expect(sections.length).toBeGreaterThan(0);
    expect(sections.every((each) => each.startsWith("section-place"))).toBe(true);
    // What else became of it leads no item to its place.
    const off = own.entries.map((entry) => (entry.id === "a.plank" ? { ...entry, on: false } : entry));
    expect(told({ entries: off }, "a.plank")).toEqual([]);
  });

  test("one that stands elsewhere and is off comes on and goes back", () => {
    const here = { ...much, plugins: plugins("d.plank", "a.plank", "b.plank", "c.plank") };
    const off = {
      ...here,
      plugins: { ...here.plugins, entries: turnedOff(here.plugins.entries, "d.plank") },
    };
    expect(back(off, { facet: "plugins", key: "d.plank" }).sort()).toEqual([
      "plugins on d.plank",
      "plugins place d.plank",
    ]);
  });
});
