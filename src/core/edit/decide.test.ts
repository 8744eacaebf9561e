import fc from "fast-check";
import { Chains } from "../conflict/chains";
import type { Edit } from "../model/edit";
import type { ListName, Rule } from "../model/profile";
import type { OrderRule } from "../model/problem";
import type { Conflicts } from "../conflict/conflicts";
import { makeRoster, type Roster } from "../roster/roster";
import { allTies } from "../roster/ties";
import { aFile, drawnConflicts, testConflicts } from "../testing/contested";
import { aRule } from "../testing/ids";
import { orderOf, testRoster, withState } from "../testing/roster";
import { decideEdit, keepEdit, letWinEdit } from "./decide";
import { prepareEdit } from "./prepare-edit";

let made = 0;
const rule = (list: ListName, of: OrderRule): Rule => ({
  id: aRule(`made-${made++}`),
  rule: of,
  note: "",
  made: "2026-01-01",
  ...(list === "mods" && { list }),
});

/** The roster after an edit, which the laws have let pass. */
function after(roster: Roster, edit: Edit | null): Roster {
  if (!edit) return roster;
  const ties = allTies(roster);
  const prepared = prepareEdit(roster, (list) => ties[list], edit);
  if (!prepared.ok) throw new Error(prepared.refusal.code);
  return withState(roster, prepared.value.state);
}

const decided = (roster: Roster, list: ListName, earlier: string, later: string): Roster => {
  const edit = decideEdit(roster, list, [{ earlier, later }], rule);
  if (!edit.ok) throw new Error(edit.refusal.code);
  return after(roster, edit.value);
};

const place = (roster: Roster, list: ListName, id: string) => roster.lists[list].itemOf.get(id)!.place;

const free = testRoster([
  { name: "Core.keel" },
  { name: "a.plank" },
  { name: "b.plank" },
  { name: "c.plank", masters: ["b.plank"] },
  { name: "d.plank" },
  { name: "p.plank", section: "patches" },
]);

test("a pair that stands so gets a rule that must hold, and nothing moves", () => {
  const then = decided(free, "plugins", "a.plank", "d.plank");
  expect(orderOf(then)).toEqual(orderOf(free));
  expect(then.profile.state.rules.map((each) => each.rule)).toEqual([
    { kind: "after", item: "d.plank", other: "a.plank", strength: "must" },
  ]);
});

test("one that stands the other way is moved right behind, and takes along what has to come after it", () => {
  const then = decided(free, "plugins", "d.plank", "b.plank");
  expect(orderOf(then)).toEqual([
    "Pond.keel",
    "Core.keel",
    "a.plank",
    "d.plank",
    "b.plank",
    "c.plank",
    "p.plank",
  ]);
});

test("what has to go into a later section keeps its own as its home", () => {
  const then = decided(free, "plugins", "p.plank", "a.plank");
  expect(then.pluginOf.get("a.plank")!.entry).toMatchObject({ section: "patches", home: "world" });
});

test("the opposite of what a chain says is refused, and so are load ranks, what is built in, and circles of several", () => {
  const refused = (earlier: string, later: string) => decideEdit(free, "plugins", [{ earlier, later }], rule);
  expect(refused("c.plank", "b.plank")).toMatchObject({ refusal: { code: "decided-otherwise" } });
  expect(refused("a.plank", "Pond.keel")).toMatchObject({ refusal: { code: "decided-otherwise" } });
  expect(refused("a.plank", "Core.keel")).toMatchObject({ refusal: { code: "rank-below" } });
  const pairs = [
    { earlier: "d.plank", later: "b.plank" },
    { earlier: "c.plank", later: "d.plank" },
  ];
  expect(decideEdit(free, "plugins", pairs, rule)).toMatchObject({ refusal: { code: "decided-otherwise" } });
});

test("a chain that says it already needs no rule, but is carried out", () => {
  const tied = testRoster(
    [{ name: "a.plank" }, { name: "b.plank" }],
    [{ kind: "after", item: "a.plank", other: "b.plank", strength: "prefer" }],
  );
  const then = decided(tied, "plugins", "b.plank", "a.plank");
  expect(then.profile.state.rules).toHaveLength(1);
  expect(place(then, "plugins", "b.plank")).toBeLessThan(place(then, "plugins", "a.plank"));
});

test("whatever is decided holds afterwards, is decided, and breaks no tie that must hold", () => {
  let moved = 0;
  fc.assert(
    fc.property(drawnConflicts, fc.nat(), fc.nat(), ({ roster }, one, other) => {
      const { mods } = roster;
      const [earlier, later] = [mods[one % mods.length]!.id, mods[other % mods.length]!.id];
      const edit = decideEdit(roster, "mods", [{ earlier, later }], rule);
      if (!edit.ok) {
        expect(earlier === later || new Chains(roster, "mods").leads(later, earlier)).toBe(true);
        return;
      }
      const then = after(roster, edit.value);
      expect(place(then, "mods", earlier)).toBeLessThan(place(then, "mods", later));
      if (roster.modOf.get(earlier)!.loads && roster.modOf.get(later)!.loads)
        expect(new Chains(then, "mods").leads(earlier, later)).toBe(true);
      moved += Number(place(roster, "mods", earlier) > place(roster, "mods", later));
    }),
    { numRuns: 300 },
  );
  expect(moved).toBeGreaterThan(50);
});

test("what wins now is kept with the fewest rules: all pairs are decided, nothing moves, and without any one of them one is not", () => {
  let rules = 0;
  fc.assert(
    fc.property(drawnConflicts, ({ roster }) => {
      // Where the order breaks a rule, what wins now may be what that rule forbids.
      const isKept = ({ rule: each }: Rule) =>
        each.kind !== "after" || place(roster, "mods", each.other) < place(roster, "mods", each.item);
      fc.pre(roster.profile.state.rules.filter(({ list }) => list === "mods").every(isKept));
      const on = roster.mods.filter(({ loads }) => loads).map(({ id }) => id);
      const chains = new Chains(roster, "mods");
      const pairs = on.flatMap((later, at) =>
        on
          .slice(0, at)
          .filter((earlier) => !chains.isDecided(earlier, later))
          .map((earlier, n) => (n % 2 ? { earlier, later } : { earlier: later, later: earlier })),
      );
      const edit = keepEdit(roster, "mods", pairs, rule);
      if (!edit.ok) throw new Error(edit.refusal.code);
      const then = after(roster, edit.value);
      expect(then.mods.map(({ id }) => id)).toEqual(roster.mods.map(({ id }) => id));
      const known = new Chains(then, "mods");
      for (const { earlier, later } of pairs) expect(known.isDecided(earlier, later)).toBe(true);
      const added = then.profile.state.rules.slice(roster.profile.state.rules.length);
      for (const left of added) {
        rules++;
        const state = {
          ...then.profile.state,
          rules: then.profile.state.rules.filter((each) => each !== left),
        };
        const less = new Chains(withState(then, state), "mods");
        expect(pairs.every(({ earlier, later }) => less.isDecided(earlier, later))).toBe(false);
      }
    }),
    { numRuns: 200 },
  );
  expect(rules).toBeGreaterThan(200);
});

test("a path is won by whom it is let win: those after it leave it out, and those before that nothing else decides", () => {
  const roster = testRoster(["a", "b", "c", "d"].map((letter) => ({ name: `${letter}.plank` })));
  const ruled = withState(roster, {
    ...roster.profile.state,
    rules: [rule("mods", { kind: "after", item: "c", other: "a", strength: "prefer" })],
  });
  const { conflicts } = testConflicts(ruled, {
    a: [aFile("Sky.tex", "1")],
    b: [aFile("sky.tex", "2")],
    c: [aFile("sky.tex", "3")],
    d: [aFile("sky.tex", "4")],
  });
  const providers = (of: Conflicts) => of.files.providersOf(of.keyOf("files", "sky.tex")).map(of.modId);
  const edit = letWinEdit(ruled, { key: "sky.tex", providers: providers(conflicts) }, "c");
  const then = after(ruled, edit);
  expect(then.profile.state.leftOut).toEqual([
    { mod: "b", path: "sky.tex" },
    { mod: "d", path: "sky.tex" },
  ]);
  conflicts.show(then);
  expect(providers(conflicts)).toEqual(["a", "c"]);
  expect(letWinEdit(then, { key: "sky.tex", providers: providers(conflicts) }, "c")).toBeNull();
});

test("of whatever provides a path any mod can be let win it, and the path is decided then", () => {
  let left = 0;
  fc.assert(
    fc.property(drawnConflicts, fc.nat(), fc.nat(), ({ roster, conflicts }, path, who) => {
      const contested = [...conflicts.files.provided()].filter((key) => conflicts.files.isContested(key));
      if (contested.length === 0) return;
      const key = contested[path % contested.length]!;
      const providers = conflicts.files.providersOf(key).map(conflicts.modId);
      const mods = providers.filter((id) => id !== "");
      const winner = mods[who % mods.length]!;
      const edit = letWinEdit(roster, { key: conflicts.path(key), providers }, winner);
      left += Number(edit !== null);
      const then = makeRoster(roster.game, after(roster, edit).profile, roster.stock);
      conflicts.show(then);
      const now = conflicts.files.providersOf(key).map(conflicts.modId);
      // A container of that name that loses its path takes what lies in it along, and nobody is left who would win.
      if (conflicts.path(key).endsWith(".spool")) return;
      expect(now.at(-1)).toBe(winner);
      const chains = new Chains(then, "mods");
      expect(now.every((id) => id === winner || chains.isDecided(id, winner))).toBe(true);
    }),
    { numRuns: 300 },
  );
  expect(left).toBeGreaterThan(50);
});
