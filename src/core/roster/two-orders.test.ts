import fc from "fast-check";
import type { Overlap } from "../order/overlap";
import { modIdOf, testRoster, withState, type TestPlugin } from "../testing/roster";
import { arrangeEdit } from "../edit/accept";
import { makeRoster, type Roster } from "./roster";
import { applySteps } from "../edit/steps";
import { runChecks } from "../check/run-checks";
import { twoWinners } from "../conflict/two-winners";
import { acceptDisagreement } from "../edit/accept-disagreement";
import type { ListName, Rule } from "../model/profile";
import type { OrderRule } from "../model/problem";
import { aRule } from "../testing/ids";
import { withOverlaps } from "../testing/overlaps";
import { ruleStandings } from "./rules";
import { allTies } from "./ties";
import { alignOrder, ordersDisagree } from "./two-orders";

/** Mods in the order of `mods`, their plugins in that of `plugins`; the given pairs change the same records. */
function rosterOf(
  plugins: readonly TestPlugin[],
  mods: readonly string[],
  pairs: readonly [string, string][],
) {
  const base = testRoster(plugins);
  const { state } = base.profile;
  const entryOf = new Map(state.mods.entries.map((entry) => [entry.id, entry]));
  const entries = mods.map((name) => entryOf.get(modIdOf(name))!);
  const overlaps = pairs.map(([broader, narrower]): Overlap => ({ broader, narrower, shared: 1 }));
  const profile = { ...base.profile, state: { ...state, mods: { ...state.mods, entries } } };
  return withOverlaps(makeRoster(base.game, profile, base.stock), { plugins: overlaps });
}

function aligned(roster: Roster, list: "mods" | "plugins"): Roster {
  const { entries, moves } = alignOrder(roster, list);
  const edit = arrangeEdit(roster, list, entries, moves.length);
  if (!edit) return roster;
  const applied = applySteps(roster.profile.state, edit.steps);
  if (!applied.ok) throw new Error(applied.refusal.code);
  return withState(roster, applied.value.state);
}

const names = ["a.plank", "b.plank", "c.plank", "d.plank"];
const plain = names.map((name) => ({ name }));

test("two mods disagree where the one wins with its files and the other with its records", () => {
  const roster = rosterOf(plain, ["b.plank", "a.plank", "c.plank", "d.plank"], [["a.plank", "b.plank"]]);
  expect(ordersDisagree(roster)).toMatchObject([
    { byMods: ["b", "a"], byPlugins: ["a", "b"], alignable: ["mods", "plugins"] },
  ]);
  const apart = rosterOf(
    [{ name: "a.plank" }, { name: "b.plank", section: "patches" }],
    ["b.plank", "a.plank"],
    [["a.plank", "b.plank"]],
  );
  expect(ordersDisagree(apart)).toMatchObject([{ alignable: ["mods"] }]);
  const off = rosterOf(
    [{ name: "a.plank", on: false }, ...plain.slice(1)],
    ["b.plank", "a.plank", "c.plank", "d.plank"],
    [["a.plank", "b.plank"]],
  );
  expect(ordersDisagree(off)).toEqual([]);
});

test("either order is aligned to the other by the fewest moves", () => {
  const roster = rosterOf(plain, ["b.plank", "a.plank", "c.plank", "d.plank"], [["a.plank", "b.plank"]]);
  expect(alignOrder(roster, "mods").moves).toHaveLength(1);
  expect(aligned(roster, "mods").mods.map(({ id }) => id)).toEqual(["a", "b", "c", "d"]);
  expect(
    aligned(roster, "plugins")
      .plugins.map(({ id }) => id)
      .slice(1),
  ).toEqual(["b.plank", "a.plank", "c.plank", "d.plank"]);
});

test("once aligned, nothing disagrees that no need forbids", () => {
  const pair = fc.tuple(fc.constantFrom(...names), fc.constantFrom(...names)).filter(([a, b]) => a !== b);
  fc.assert(
    fc.property(
      fc.shuffledSubarray(names, { minLength: 4 }),
      fc.uniqueArray(pair, { maxLength: 4, selector: (each) => [...each].sort().join() }),
      fc.constantFrom("mods" as const, "plugins" as const),
      (mods, pairs, list) => {
        const roster = rosterOf(plain, mods, pairs);
        expect(ordersDisagree(aligned(roster, list))).toEqual([]);
      },
    ),
    { numRuns: 500 },
  );
});

test("pairs whose plugins stand mixed are named by an alignment of the mods, which leaves them", () => {
  const base = testRoster([{ name: "a.plank" }, { name: "b.plank" }, { name: "c.plank" }]);
  const [a, b, c] = base.stock.shelf;
  const shelf = [{ ...a!, plugins: [...a!.plugins, ...c!.plugins] }, b!];
  const { state } = base.profile;
  const entries = state.mods.entries.filter(({ id }) => id !== c!.id);
  const profile = { ...base.profile, state: { ...state, mods: { ...state.mods, entries } } };
  const fileOverlaps: Overlap[] = [{ broader: "a", narrower: "b", shared: 2 }];
  const roster = withOverlaps(makeRoster(base.game, profile, { ...base.stock, shelf }), {
    mods: fileOverlaps,
  });
  expect(roster.plugins.map(({ id, mod }) => [id, mod?.id])).toContainEqual(["c.plank", "a"]);
  expect(alignOrder(roster, "mods")).toMatchObject({ mixed: [["a", "b"]], moves: [] });
  expect(alignOrder(roster, "plugins")).not.toHaveProperty("mixed");
});

test("what an alignment cannot turn is set aside with the chain that holds it", () => {
  const needing = [{ name: "a.plank" }, { name: "b.plank", masters: ["a.plank"] }];
  const roster = rosterOf(needing, ["b.plank", "a.plank"], [["a.plank", "b.plank"]]);
  const { setAside } = alignOrder(roster, "plugins").result;
  expect(setAside).toMatchObject([
    {
      rule: { kind: "before", item: "b.plank", other: "a.plank", source: { kind: "aligned" } },
      because: { links: [{ before: "a.plank", after: "b.plank", because: "needs" }], left: 0 },
    },
  ]);
});

test("two winners are accepted by rules with a reason for just the pair, and are no finding then; without the reason they are", () => {
  const roster = rosterOf(plain, ["b.plank", "a.plank", "c.plank", "d.plank"], [["a.plank", "b.plank"]]);
  const [pair] = twoWinners(roster);
  expect(pair).toMatchObject({ accepted: null, held: { mods: null, plugins: null } });
  let made = 0;
  const rule = (list: ListName, of: OrderRule, note: string): Rule => ({
    id: aRule(`r${made++}`),
    rule: of,
    note,
    made: "2026-01-01",
    ...(list === "mods" && { list }),
  });
  const accepted = (reason: string) => {
    const applied = applySteps(roster.profile.state, acceptDisagreement(roster, pair!, reason, rule).steps);
    if (!applied.ok) throw new Error(applied.refusal.code);
    return withState(roster, applied.value.state);
  };
  const then = accepted("its pictures are better");
  expect(twoWinners(then)).toMatchObject([
    { accepted: "its pictures are better", held: { mods: "tie", plugins: "tie" } },
  ]);
  expect(then.mods.map(({ id }) => id)).toEqual(roster.mods.map(({ id }) => id));
  expect(ruleStandings(then, allTies(then)).size).toBe(2);
  expect([...ruleStandings(then, allTies(then)).values()]).toEqual(["holds", "holds"]);
  const found = (of: Roster) =>
    runChecks({ roster: of, ties: allTies(of), onDisk: { order: null, holds: null } }).filter(
      ({ id }) => id === "orders-disagree",
    );
  expect(found(roster)).toHaveLength(1);
  expect(found(then)).toHaveLength(0);
  expect(found(accepted(""))).toHaveLength(1);
});
