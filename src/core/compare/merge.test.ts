import type { ModId } from "../model/ids";
import fc from "fast-check";
import { diff3Merge } from "node-diff3";
import type { Entry, Order, ProfileState } from "../model/profile";
import type { Decide } from "../state/facet";
import { facets, nothingDecided } from "../state/facets";
import { clashKey, mergeStates, takeInState } from "./states";
import { aMod, aPlugin, aRule, aSection } from "../testing/ids";

const section = { id: aSection("s"), name: "S", rank: "mods", guidance: "" };
const other = { id: aSection("t"), name: "T", rank: "mods", guidance: "" };
const entry = (id: string, more: Partial<Entry> = {}): Entry<ModId> => ({
  on: true,
  section: section.id,
  ...more,
  id: aMod(id),
});
const order = (ids: string): Order<ModId> => ({
  sections: [section],
  entries: [...ids].map((id) => entry(id)),
});
const idsOf = ({ entries }: Order) => entries.map(({ id }) => id).join("");
const mine: Decide = () => "mine";
const theirs: Decide = () => "theirs";
const merge = (base: string, own: string, their: string, decide = mine) => {
  const merged = facets.mods.merge([order(base), order(own), order(their)], decide);
  return [idsOf(merged.value), ...merged.clashes.map(({ what, key }) => `${what} ${key}`)];
};

test.each([
  ["what they add comes behind its neighbour of theirs", "abc", "abc", "abxc", ["abxc"]],
  ["what both add, each in its own place", "abc", "aybc", "abxc", ["aybxc"]],
  ["what they take away goes", "abc", "aybc", "ac", ["ayc"]],
  ["what I took away stays away", "abc", "ac", "abxc", ["axc"]],
  [
    "what they move goes where they put it, what I add stays by its neighbours",
    "abcd",
    "abycd",
    "bcda",
    ["bycda"],
  ],
  ["what I moved stays where I put it, whatever they add", "abcd", "dabc", "abxcd", ["dabxc"]],
  ["both moved the same thing to the same place", "abcd", "bcda", "bcda", ["bcda"]],
])("%s", (_, base, own, their, wanted) => {
  expect(merge(base, own, their)).toEqual(wanted);
});

test("moves of the two that contradict are told, and the side that is chosen holds", () => {
  const [kept, ...clashes] = merge("abcde", "eabcd", "abecd");
  expect(kept).toBe("eabcd");
  expect(clashes).toEqual(["place e"]);
  expect(merge("abcde", "eabcd", "abecd", theirs)[0]).toBe("abecd");
});

/**
 * The example of Khanna, Kunal and Pierce, "A Formal Investigation of Diff3" (2007), from memory: diff3 has a conflict here.
 * As moves there is none: A moves 4 and 5 up, B moves 3 down behind 5, and A's order has that already.
 */
test("the published example of diff3, as moves", () => {
  const [o, a, b] = ["123456", "145236", "124536"];
  expect(diff3Merge([...a], [...o], [...b]).some((part) => part.conflict)).toBe(true);
  expect(merge(o, a, b)).toEqual(["145236"]);
  expect(merge(o, b, a)).toEqual(["145236"]);
});

test("where things only come and go, and diff3 sees no conflict, both give the same", () => {
  const base = fc.constantFrom("abcdefgh");
  const edits = (letters: string) =>
    fc.record({
      drop: fc.subarray([..."abcdefgh"], { maxLength: 2 }),
      add: fc.array(fc.tuple(fc.constantFrom(...letters), fc.nat(8)), { maxLength: 2 }),
    });
  const apply = (ids: string, { drop, add }: { drop: string[]; add: [string, number][] }) => {
    const kept = [...ids].filter((id) => !drop.includes(id));
    for (const [id, at] of add) if (!kept.includes(id)) kept.splice(Math.min(at, kept.length), 0, id);
    return kept.join("");
  };
  let compared = 0;
  fc.assert(
    fc.property(base, edits("uv"), edits("xy"), (o, one, two) => {
      const [a, b] = [apply(o, one), apply(o, two)];
      const parts = diff3Merge([...a], [...o], [...b], { excludeFalseConflicts: true });
      if (parts.some(({ conflict }) => conflict)) return;
      compared++;
      expect(merge(o, a, b)).toEqual([parts.flatMap(({ ok }) => ok ?? []).join("")]);
    }),
    { numRuns: 500, seed: 5 },
  );
  expect(compared).toBeGreaterThan(100);
});

const states = fc
  .record({
    ids: fc.shuffledSubarray([..."abcdef"]),
    late: fc.subarray([..."abcdef"]),
    off: fc.subarray([..."abcdef"]),
    expansions: fc.subarray(["x", "y"]),
    launch: fc.constantFrom<NonNullable<ProfileState["launch"]>>({ draw: 1 }, { draw: 2, sound: true }),
    choices: fc.constantFrom<NonNullable<ProfileState["choices"]>>(
      [{ mod: aMod("a"), options: { look: ["tall"] }, components: [] }],
      [{ mod: aMod("a"), options: {}, components: ["c"] }],
    ),
  })
  .map(({ ids, late, off, expansions, launch, choices }): ProfileState => {
    const seated = ids.map((id) =>
      entry(id, { on: !off.includes(id), section: late.includes(id) ? other.id : section.id }),
    );
    const entries = [
      ...seated.filter((each) => each.section === "s"),
      ...seated.filter((each) => each.section === "t"),
    ];
    return {
      mods: { sections: [section, other], entries },
      plugins: { sections: [section], entries: [] },
      ...nothingDecided,
      expansions,
      launch,
      choices,
    };
  });

test("merge(a, a, b) is b, merge(a, b, a) is b, and merge(a, b, b) is b", () => {
  fc.assert(
    fc.property(states, states, (a, b) => {
      expect(mergeStates([a, a, b])).toEqual({ state: b, clashes: [] });
      expect(mergeStates([a, b, a])).toEqual({ state: b, clashes: [] });
      expect(mergeStates([a, b, b])).toEqual({ state: b, clashes: [] });
    }),
    { numRuns: 300 },
  );
});

test("whatever is merged is a sound state: each item once, sections together, and of the side that is chosen", () => {
  fc.assert(
    fc.property(states, states, states, (base, own, their) => {
      for (const side of ["mine", "theirs"] as const) {
        const first = mergeStates([base, own, their]);
        const decisions = Object.fromEntries(first.clashes.map((clash) => [clashKey(clash), side]));
        const { state } = mergeStates([base, own, their], decisions);
        const ids = state.mods.entries.map(({ id }) => id);
        expect(new Set(ids).size).toBe(ids.length);
        const runs = state.mods.entries
          .map(({ section: at }) => at)
          .filter((at, place, all) => at !== all[place - 1]);
        expect(runs).toEqual([...new Set(runs)]);
        for (const id of ids)
          expect(
            own.mods.entries.some((each) => each.id === id) ||
              their.mods.entries.some((each) => each.id === id),
          ).toBe(true);
        const clash = first.clashes.find(({ what }) => what === "on");
        if (clash) {
          const from = side === "mine" ? own : their;
          const seat = (whole: ProfileState) => whole.mods.entries.find(({ id }) => id === clash.key)?.on;
          expect(seat(state)).toBe(seat(from));
        }
      }
    }),
    { numRuns: 200 },
  );
});

test("each kind of clash names both sides", () => {
  const bare = (entries: Entry<ModId>[], more: Partial<ProfileState> = {}): ProfileState => ({
    mods: { sections: [section, other], entries },
    plugins: { sections: [section], entries: [] },
    ...nothingDecided,
    ...more,
  });
  const base = bare([entry("a"), entry("b", { content: "1" }), entry("c")], { launch: { draw: 1 } });
  const own = bare(
    [entry("a", { section: section.id, on: false }), entry("b", { content: "2" }), entry("c", { on: false })],
    { launch: { draw: 2 } },
  );
  const their = bare([entry("b", { content: "3" }), entry("c", { on: true, section: other.id })], {
    launch: { draw: 3 },
  });
  const { clashes, state } = mergeStates([base, own, their]);
  expect(
    clashes.map(({ facet, what, key, mine: a, theirs: b }) => [facet, what, key, a.value, b.value]),
  ).toEqual([
    ["mods", "removed", "a", "off", "removed"],
    ["mods", "content", "b", "2", "3"],
    ["launch", "changed", "draw", ["draw", 2], ["draw", 3]],
  ]);
  expect(state.mods.entries).toEqual([
    entry("a", { on: false }),
    entry("b", { content: "2" }),
    entry("c", { on: false, section: other.id }),
  ]);
});

describe("the plugins of a mod that one side took out", () => {
  const three = (
    mods: readonly string[],
    plugins: readonly string[],
    off: readonly string[] = [],
  ): ProfileState => ({
    mods: { sections: [section], entries: mods.map((id) => entry(id, { on: !off.includes(id) })) },
    plugins: { sections: [section], entries: plugins.map((id) => ({ ...entry(id), id: aPlugin(id) })) },
    ...nothingDecided,
  });
  const ownerOf = (plugin: string) => (plugin === "game" ? null : plugin[0]!);
  const base = three(["a", "b", "c"], ["game", "a1", "b1", "a2", "c1"]);
  const theirs = three(["b", "c"], ["game", "b1", "c1"]);
  const idsOf = (state: ProfileState) => state.plugins.entries.map(({ id }) => id);

  test("stay at their neighbours where the mod is kept, and go where it goes", () => {
    const mine = three(["a", "b", "c"], ["game", "a1", "b1", "a2", "c1"], ["a"]);
    const kept = mergeStates([base, mine, theirs], {}, ownerOf);
    expect(kept.clashes.map(({ what, key }) => [what, key])).toEqual([["removed", "a"]]);
    expect(idsOf(kept.state)).toEqual(["game", "a1", "b1", "a2", "c1"]);
    const gone = mergeStates([base, mine, theirs], { [clashKey(kept.clashes[0]!)]: "theirs" }, ownerOf);
    expect(idsOf(gone.state)).toEqual(["game", "b1", "c1"]);
  });

  test("go without a clash of their own, also where I had moved one of them", () => {
    const mine = three(["a", "b", "c"], ["game", "b1", "c1", "a1", "a2"]);
    const { clashes, state } = mergeStates([base, mine, theirs], {}, ownerOf);
    expect([clashes, idsOf(state)]).toEqual([[], ["game", "b1", "c1"]]);
  });

  test("stay where it was I who took the mod out and its author who changed it, if I say so", () => {
    const their = three(["a", "b", "c"], ["game", "a1", "b1", "a2", "c1"], ["a"]);
    const first = mergeStates([base, theirs, their], {}, ownerOf);
    expect(idsOf(first.state)).toEqual(["game", "b1", "c1"]);
    const back = mergeStates([base, theirs, their], { [clashKey(first.clashes[0]!)]: "theirs" }, ownerOf);
    expect(idsOf(back.state)).toEqual(["game", "a1", "b1", "a2", "c1"]);
  });

  test("the laws hold with them, too", () => {
    expect(mergeStates([base, base, theirs], {}, ownerOf)).toEqual({ state: theirs, clashes: [] });
    expect(mergeStates([base, theirs, base], {}, ownerOf)).toEqual({ state: theirs, clashes: [] });
    expect(mergeStates([base, theirs, theirs], {}, ownerOf)).toEqual({ state: theirs, clashes: [] });
  });
});

describe("what single merges must not lose or bring", () => {
  const bare = (more: Partial<ProfileState> = {}): ProfileState => ({
    ...nothingDecided,
    mods: { sections: [section, other], entries: [] },
    plugins: { sections: [section], entries: [] },
    ...more,
  });
  const rule = (id: string, note = "") => ({
    id: aRule(id),
    rule: { kind: "first" as const, item: "a", within: "list" as const, strength: "must" as const },
    note,
    made: "",
  });
  const shared = (id: string) => ({ ...rule(id), shared: true as const });
  const withMods = (sections: Order["sections"], entries: Entry<ModId>[]) =>
    bare({ mods: { sections, entries } });

  test("rules that all profiles share are mine, whatever theirs are and whoever changed the others", () => {
    const base = bare({ rules: [rule("r"), shared("was")] });
    const theirs = bare({ rules: [rule("r", "theirs"), rule("new"), shared("theirs")] });
    const ids = ({ rules }: ProfileState) => rules.map(({ id, note }) => id + (note && ` ${note}`));
    const untouched = bare({ rules: [rule("r"), shared("mine")] });
    expect(ids(mergeStates([base, untouched, theirs]).state)).toEqual(["r theirs", "new", "mine"]);
    const touched = bare({ rules: [rule("r"), rule("own"), shared("mine")] });
    expect(ids(mergeStates([base, touched, theirs]).state).sort()).toEqual([
      "mine",
      "new",
      "own",
      "r theirs",
    ]);
    expect(ids(mergeStates([base, touched, base]).state)).toEqual(["r", "own", "mine"]);
  });

  test("a list that names a rule which all profiles share here does not make it anybody's own", () => {
    const mine = bare({ rules: [rule("r"), shared("all")] });
    const theirs = bare({ rules: [rule("all"), rule("new")] });
    const told = ({ rules }: ProfileState) => rules.map((each) => [each.id, each.shared ?? false]);
    expect(told(takeInState(mine, theirs, "into"))).toEqual([
      ["r", false],
      ["new", false],
      ["all", true],
    ]);
    expect(told(mergeStates([bare(), mine, theirs]).state).sort()).toEqual([
      ["all", true],
      ["new", false],
      ["r", false],
    ]);
    expect(told(mergeStates([mine, mine, theirs]).state)).toEqual([
      ["new", false],
      ["all", true],
    ]);
  });

  test("an order of sections that only they changed holds, also where I changed something else, and the other way round", () => {
    const base = withMods([section, other], [entry("a"), entry("b", { section: other.id })]);
    const turned = withMods([other, section], [entry("b", { section: other.id }), entry("a")]);
    const mine = withMods([section, other], [entry("a", { on: false }), entry("b", { section: other.id })]);
    for (const three of [
      [base, mine, turned],
      [base, turned, mine],
    ] as const) {
      const { state, clashes } = mergeStates(three);
      expect(clashes).toEqual([]);
      expect(state.mods.sections.map(({ id }) => id)).toEqual(["t", "s"]);
      expect(state.mods.entries.map(({ id, on }) => [id, on])).toEqual([
        ["b", true],
        ["a", false],
      ]);
    }
  });

  test("an item is one that nobody has placed only where it is so on both sides", () => {
    const fresh = { fresh: true as const };
    const state = (a: Partial<Entry>, b: Partial<Entry>) =>
      withMods([section], [entry("a", a), entry("b", b)]);
    const base = state(fresh, fresh);
    const isFresh = (mine: Partial<Entry>, theirs: Partial<Entry>) =>
      // b is switched on one side and pinned on the other, so that neither is the base.
      mergeStates([base, state(mine, { ...fresh, on: false }), state(theirs, { ...fresh, content: "1" })])
        .state.mods.entries[0]!.fresh === true;
    expect([isFresh(fresh, fresh), isFresh({}, fresh), isFresh(fresh, {}), isFresh({}, {})]).toEqual([
      true,
      false,
      false,
      false,
    ]);
  });

  test("where an item is raised comes from the side whose section it belongs to in the end", () => {
    const raised = entry("a", { section: other.id, home: section.id });
    const base = withMods([section, other], [entry("b"), entry("a")]);
    // They raised it out of its section; I switched it off where it stood.
    const theirs = withMods([section, other], [entry("b"), raised]);
    const mine = withMods([section, other], [entry("b"), entry("a", { on: false })]);
    expect(mergeStates([base, mine, theirs]).state.mods.entries).toContainEqual(entry("a", { on: false }));
    // They moved it to the other one, where I have it raised: it stands and belongs there.
    const moved = withMods([section, other], [entry("b"), entry("a", { section: other.id })]);
    const own = withMods([section, other], [entry("b", { on: false }), raised]);
    expect(mergeStates([base, own, moved]).state.mods.entries).toEqual([
      entry("b", { on: false }),
      entry("a", { section: other.id }),
    ]);
  });
});
