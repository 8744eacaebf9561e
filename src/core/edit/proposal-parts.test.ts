import fc from "fast-check";
import type { OrderRule } from "../model/problem";
import { testRoster } from "../testing/roster";
import { withOverlaps } from "../testing/overlaps";
import { arrangeEdit, proposeOrder } from "./accept";
import { prepareEdit } from "./prepare-edit";
import { moveEffects, takeMoves } from "./proposal-parts";
import { firstOutOfSection } from "./steps";
import { indexTies } from "../roster/ties";

const names = ["a.plank", "b.plank", "c.plank", "d.plank", "e.plank", "f.plank"];

/** Rosters of six plugins in two sections, with masters and rules that leave something to move. */
const anyRoster = fc
  .record({
    plugins: fc.tuple(
      ...names.map((name) =>
        fc.record({
          name: fc.constant(name),
          masters: fc.uniqueArray(fc.constantFrom(...names), { maxLength: 1 }),
          late: fc.boolean(),
        }),
      ),
    ),
    rules: fc.array(
      fc.record({
        kind: fc.constantFrom("after" as const, "before" as const),
        item: fc.constantFrom(...names),
        other: fc.constantFrom(...names),
        strength: fc.constantFrom("must" as const, "prefer" as const),
      }),
      { maxLength: 3 },
    ),
  })
  .map(({ plugins, rules }) =>
    testRoster(
      plugins
        .map(({ late, ...plugin }) => ({ ...plugin, section: late ? "patches" : "world" }))
        .sort((a, b) => Number(a.section === "patches") - Number(b.section === "patches")),
      rules as OrderRule[],
    ),
  );

test("any part of a proposal is an order that the laws allow, in which what is left keeps its place among what stays", () => {
  fc.assert(
    fc.property(anyRoster, fc.infiniteStream(fc.boolean()), (roster, coin) => {
      const ties = indexTies(roster, "plugins");
      const proposal = proposeOrder(roster, "plugins");
      const wanted = new Set(proposal.moves.map(({ id }) => id).filter(() => coin.next().value));
      const { entries, taken } = takeMoves(roster, ties, proposal, wanted);
      expect([...wanted].every((id) => taken.has(id))).toBe(true);
      expect(entries.map((entry) => entry.id).sort()).toEqual(roster.plugins.map(({ id }) => id).sort());
      expect(firstOutOfSection(roster.profile.state.plugins.sections, entries)).toBeNull();
      const untouched = (ids: readonly string[]) => ids.filter((id) => !taken.has(id));
      expect(untouched(entries.map((entry) => entry.id))).toEqual(
        untouched(roster.plugins.map(({ id }) => id)),
      );
      const edit = arrangeEdit(roster, "plugins", entries, taken.size);
      if (edit) expect(prepareEdit(roster, () => ties, edit).ok).toBe(true);
    }),
    { numRuns: 1500 },
  );
});

test("all moves are the proposal, none is the order as it is", () => {
  const roster = testRoster([
    { name: "a.plank", masters: ["b.plank"] },
    { name: "c.plank" },
    { name: "b.plank" },
  ]);
  const proposal = proposeOrder(roster, "plugins");
  const ties = indexTies(roster, "plugins");
  const part = (...ids: string[]) => takeMoves(roster, ties, proposal, new Set(ids));
  expect(part("b.plank").entries).toEqual(proposal.entries);
  expect(arrangeEdit(roster, "plugins", part().entries, 0)).toBeNull();
});

test("a move that another one needs is taken with it", () => {
  const stays = ["a", "b", "c"].map((name) => ({ name: `${name}.plank`, masters: ["y.plank"] }));
  const roster = testRoster([...stays, { name: "x.plank" }, { name: "y.plank", masters: ["x.plank"] }]);
  const proposal = proposeOrder(roster, "plugins");
  expect(proposal.result.moved).toEqual(["x.plank", "y.plank"]);
  const part = (id: string) => takeMoves(roster, indexTies(roster, "plugins"), proposal, new Set([id]));
  expect([...part("y.plank").taken].sort()).toEqual(["x.plank", "y.plank"]);
  expect([...part("x.plank").taken]).toEqual(["x.plank"]);
});

test("a move changes something where it mends a tie, or where another one wins then; else it only tidies", () => {
  const base = testRoster([
    { name: "a.plank", masters: ["b.plank"] },
    { name: "b.plank" },
    { name: "p.plank", section: "patches", home: "world" },
  ]);
  const overlaps = [
    { broader: "a.plank", narrower: "b.plank", shared: 2 },
    { broader: "a.plank", narrower: "p.plank", shared: 9 },
  ];
  const roster = withOverlaps(base, { plugins: overlaps });
  const effects = moveEffects(roster, proposeOrder(roster, "plugins"));
  expect(effects.get("b.plank")).toEqual({
    mends: true,
    winners: [{ winner: "a.plank", loser: "b.plank", shared: 2 }],
  });
});
