import type { PluginId } from "../model/ids";
import fc from "fast-check";
import type { Entry, ProfileState } from "../model/profile";
import { gameOfSettings } from "../testing/game";
import { testRoster, withState } from "../testing/roster";
import { changesOverwritten, compareRosters, takeOver } from "./rosters";
import { differenceSides } from "../messages/profile-differences";
import { keyOfDifference, type Difference } from "./states";
import { makeRoster, type Roster } from "../roster/roster";
import { applySteps } from "../edit/steps";
import { aMod, aPlugin, aRule, aSection } from "../testing/ids";

const names = ["a", "b", "c", "d", "e", "f"];
const plain = testRoster(names.map((name) => ({ name: `${name}.plank` })));
const base = makeRoster(gameOfSettings, plain.profile, plain.stock);
const untied = { mods: [], plugins: [] };

const entry = (id: string, on = true): Entry<PluginId> => ({
  id: aPlugin(id),
  on,
  section: aSection(id === "Pond.keel" ? "game" : "world"),
});
const stateOf = (plugins: readonly Entry<PluginId>[], part: Partial<ProfileState> = {}): ProfileState => ({
  ...base.profile.state,
  plugins: { ...base.profile.state.plugins, entries: [entry("Pond.keel"), ...plugins] },
  ...part,
});
const rosterOf = (plugins: readonly Entry<PluginId>[], part: Partial<ProfileState> = {}): Roster =>
  withState(base, stateOf(plugins, part));
const kinds = (differences: readonly Difference[]) =>
  differences.map(({ facet, kind, key }) => `${facet} ${kind} ${key}`);

test("nothing differs from itself", () => {
  expect(compareRosters(base, base, untied)).toEqual([]);
});

test("what is only here, only there, on or off, moved, chosen otherwise, or set otherwise", () => {
  const here = rosterOf([entry("a.plank"), entry("b.plank"), entry("c.plank")], {
    rules: [
      {
        id: aRule("r"),
        rule: { kind: "first", item: "a.plank", within: "section", strength: "must" },
        note: "",
        made: "",
      },
    ],
    baseOff: ["sheep"],
  });
  const there = rosterOf([entry("c.plank"), entry("a.plank"), entry("d.plank", false)], {
    launch: { draw: 3 },
    expansions: ["north"],
  });
  expect(kinds(compareRosters(here, there, untied)).sort()).toEqual(
    [
      "plugins only-here b.plank",
      "plugins only-there d.plank",
      "plugins place c.plank",
      "rules only-here r",
      "baseOff only-here sheep",
      "expansions only-there north",
      "launch only-there draw",
    ].sort(),
  );
});

test("as few as can be are told to have moved, and of those which change a tie", () => {
  const here = rosterOf(names.map((name) => entry(`${name}.plank`)));
  const there = rosterOf(["f", "a", "b", "c", "d", "e"].map((name) => entry(`${name}.plank`)));
  const ties = { mods: [], plugins: [["a.plank", "f.plank"]] as const };
  expect(compareRosters(here, there, ties)).toMatchObject([
    { facet: "plugins", kind: "place", key: "f.plank", matters: true },
  ]);
  const others = { mods: [], plugins: [["a.plank", "b.plank"]] as const };
  expect(compareRosters(here, there, others)).toMatchObject([
    { facet: "plugins", kind: "place", key: "f.plank", matters: false },
  ]);
});

test("of what stands in another section it is told whether that matters, of all else it is not", () => {
  const inPatches = (id: string): Entry<PluginId> => ({ ...entry(id), section: aSection("patches") });
  const here = rosterOf([entry("a.plank"), entry("b.plank"), entry("c.plank")]);
  const there = rosterOf([entry("b.plank"), entry("c.plank", false), inPatches("a.plank")]);
  const found = (pairs: (readonly [string, string])[]) =>
    compareRosters(here, there, { mods: [], plugins: pairs }).map(({ kind, key, matters }) => [
      kind,
      key,
      matters,
    ]);
  const on = ["on", "c.plank", undefined];
  expect(found([["a.plank", "b.plank"]])).toEqual([["section", "a.plank", true], on]);
  // Both stand as they did; one of them is nowhere; it is no pair at all.
  expect(found([["b.plank", "c.plank"]])).toEqual([["section", "a.plank", false], on]);
  for (const pair of [
    ["a.plank", "d.plank"],
    ["d.plank", "a.plank"],
    ["a.plank", "a.plank"],
  ] as const)
    expect(found([pair])).toEqual([["section", "a.plank", false], on]);
  const more = rosterOf([entry("d.plank"), entry("a.plank")]);
  const less = rosterOf([inPatches("a.plank")]);
  for (const [one, other] of [
    [more, less],
    [less, more],
  ] as const)
    for (const pair of [
      ["a.plank", "d.plank"],
      ["d.plank", "a.plank"],
    ] as const)
      expect(
        compareRosters(one, other, { mods: [], plugins: [pair] }).find(({ kind }) => kind === "section"),
      ).toMatchObject({ key: "a.plank", matters: false });
});

test("what is as its author proposes, or as the game has it, is the same whether it is said or not", () => {
  const manifest = {
    format: "seating-mod/1",
    id: "a",
    name: "a",
    version: "1.0.0",
    components: [
      { id: "bells", label: "Bells", paths: ["bells/"], on: true },
      { id: "lamps", label: "Lamps", paths: ["lamps/"] },
    ],
  } as unknown as NonNullable<Roster["stock"]["shelf"][number]["manifest"]>;
  const shelf = base.stock.shelf.map((mod) => (mod.id === "a" ? { ...mod, manifest } : mod));
  const saying = (part: Partial<ProfileState>) =>
    makeRoster(
      base.game,
      { ...base.profile, state: { ...base.profile.state, ...part } },
      { ...base.stock, shelf },
    );
  const taking = (...components: string[]) =>
    saying({ choices: [{ mod: aMod("a"), options: {}, components }] });
  const silent = saying({});
  expect(compareRosters(taking("bells"), silent, untied)).toEqual([]);
  expect(kinds(compareRosters(taking("lamps"), silent, untied))).toEqual(["choices only-here a"]);
  expect(kinds(compareRosters(silent, taking(), untied))).toEqual(["choices only-there a"]);
  expect(compareRosters(saying({ launch: { draw: 8 } }), silent, untied)).toEqual([]);
  expect(kinds(compareRosters(saying({ launch: { draw: 3 } }), silent, untied))).toEqual([
    "launch only-here draw",
  ]);
  // Of a mod that is not in the profile, and of a game without settings, nothing is proposed.
  const nobody = saying({ choices: [{ mod: aMod("nobody"), options: {}, components: [] }] });
  expect(compareRosters(nobody, silent, untied)).toEqual([]);
  expect(compareRosters(plain, plain, untied)).toEqual([]);
});

test("a rule that all profiles share here is none that only the other has, and is not taken over", () => {
  const rule = (id: string, more: object = {}) => ({
    id: aRule(id),
    rule: { kind: "first" as const, item: "a.plank", within: "section" as const, strength: "must" as const },
    note: "",
    made: "",
    ...more,
  });
  const withRules = (...rules: ProfileState["rules"]) => rosterOf([entry("a.plank")], { rules });
  const here = withRules(rule("all", { shared: true }));
  const there = withRules(rule("all"), rule("new"));
  const found = compareRosters(here, there, untied);
  expect(kinds(found)).toEqual(["rules only-there new"]);
  const edit = takeOver(here, there, found, "There")!;
  expect(edit.label).toEqual({ id: "take-over", data: { count: 1, name: "There" } });
  const applied = applySteps(here.profile.state, edit.steps);
  expect(applied.ok && applied.value.state.rules.map(({ id }) => id)).toEqual(["new", "all"]);
  // Without any that are shared, theirs count as they are, and mine are mine.
  expect(kinds(compareRosters(withRules(rule("all")), there, untied))).toEqual(["rules only-there new"]);
  expect(kinds(compareRosters(withRules(), there, untied))).toEqual([
    "rules only-there all",
    "rules only-there new",
  ]);
  expect(takeOver(here, there, [], "There")).toBeNull();
});

test("another version of a mod is told, and pinned when it is taken over", () => {
  const newer = { ...base.stock.shelf[0]!, version: "2.0.0", path: "a-2.0.0.zip", content: "f".repeat(64) };
  const stock = { ...base.stock, shelf: [...base.stock.shelf, newer] };
  const pin = (content: string | null) => ({
    ...base.profile.state,
    mods: {
      ...base.profile.state.mods,
      entries: base.profile.state.mods.entries.map((each) =>
        each.id === "a" && content ? { ...each, content } : each,
      ),
    },
  });
  const here = makeRoster(base.game, { ...base.profile, state: pin(base.stock.shelf[0]!.content) }, stock);
  const there = makeRoster(base.game, { ...base.profile, state: pin(newer.content) }, stock);
  const found = compareRosters(here, there, untied);
  expect(found).toMatchObject([{ facet: "mods", kind: "content", key: "a" }]);
  expect(differenceSides(here, there, found[0]!)).toEqual(["1.0.0", "2.0.0"]);
  const applied = applySteps(here.profile.state, takeOver(here, there, found, "There")!.steps);
  expect(applied.ok && applied.value.state).toEqual(there.profile.state);
});

/** Any selection of the plugins in any order, some of them off, with any settings. */
const anyState = fc
  .record({
    order: fc.shuffledSubarray(names, { minLength: 1 }),
    off: fc.subarray(names),
    baseOff: fc.subarray(["carts", "sheep"]),
    expansions: fc.subarray(["island", "north"]),
    draw: fc.option(fc.nat(5), { nil: undefined }),
  })
  .map(({ order, off, baseOff, expansions, draw }) =>
    rosterOf(
      order.map((name) => entry(`${name}.plank`, !off.includes(name))),
      {
        expansions,
        ...(baseOff.length > 0 ? { baseOff } : {}),
        ...(draw === undefined ? {} : { launch: { draw } }),
      },
    ),
  );

test("once all differences are taken over none is left; the edit can be undone", () => {
  fc.assert(
    fc.property(anyState, anyState, (here, there) => {
      const found = compareRosters(here, there, untied);
      const edit = takeOver(here, there, found, "There");
      if (!edit) return expect(found).toEqual([]);
      const applied = applySteps(here.profile.state, edit.steps);
      if (!applied.ok) throw new Error(applied.refusal.code);
      expect(compareRosters(withState(base, applied.value.state), there, untied)).toEqual([]);
      const undone = applySteps(applied.value.state, applied.value.inverse);
      expect(undone.ok && undone.value.state).toEqual(here.profile.state);
    }),
  );
});

test("one difference taken over is gone, and no other kind of item comes up", () => {
  fc.assert(
    fc.property(anyState, anyState, fc.nat(), (here, there, pick) => {
      const found = compareRosters(here, there, untied).filter(
        ({ kind }) => kind === "only-there" || kind === "on",
      );
      const one = found[pick % Math.max(1, found.length)];
      if (!one) return;
      const applied = applySteps(here.profile.state, takeOver(here, there, [one], "There")!.steps);
      if (!applied.ok) throw new Error(applied.refusal.code);
      const left = compareRosters(withState(base, applied.value.state), there, untied);
      expect(left.some((each) => keyOfDifference(each) === keyOfDifference(one))).toBe(false);
    }),
  );
});

test("what going on would overwrite of what was changed is named, and nothing else", () => {
  const order = (names: string, off = "") =>
    [...names].map((name) => entry(`${name}.plank`, !off.includes(name)));
  const pure = rosterOf(order("abcd"));
  const here = rosterOf(order("dabc", "b"), { launch: { draw: 3 }, baseOff: ["sheep"] });
  const lost = (there: Roster) => kinds(changesOverwritten(pure, here, there)).sort();
  expect(lost(here)).toEqual([]);
  expect(lost(pure)).toEqual(
    [
      "plugins place d.plank",
      "plugins on b.plank",
      "baseOff only-here sheep",
      "launch only-here draw",
    ].sort(),
  );
  // Something new of theirs, and a move of theirs past what I left alone, take nothing away.
  expect(
    lost(rosterOf(order("dbac", "b"), { launch: { draw: 3 }, baseOff: ["sheep"], expansions: ["north"] })),
  ).toEqual([]);
  // Half of the way back is a loss too: what was moved to the front stands behind a again.
  expect(lost(rosterOf(order("adbc", "b"), { launch: { draw: 3 }, baseOff: ["sheep"] }))).toEqual([
    "plugins place d.plank",
  ]);
  expect(lost(rosterOf(order("dabc"), { launch: { draw: 9 }, baseOff: ["sheep"] }))).toEqual(
    ["plugins on b.plank", "launch only-here draw"].sort(),
  );
});
