import fc from "fast-check";
import { orderOf, testRoster, withState } from "../testing/roster";
import { makeRoster } from "../roster/roster";
import { indexTies } from "../roster/ties";
import { placeEdit } from "./place";
import { applySteps } from "./steps";
import { takeAlong } from "./take-along";

const roster = testRoster([
  { name: "Core.keel" },
  { name: "x.plank" },
  { name: "a.plank" },
  { name: "b.plank", masters: ["a.plank"] },
  { name: "y.plank" },
  { name: "c.plank", masters: ["b.plank"] },
  { name: "z.plank" },
]);
const list = roster.lists.plugins;
const ties = indexTies(roster, "plugins");

function after(ids: readonly string[], gap: number) {
  const along = takeAlong(list, ties, ids, gap, null);
  if (!along) return null;
  const applied = applySteps(roster.profile.state, along.edit.steps);
  if (!applied.ok) throw new Error("it does not apply");
  const next = withState(roster, applied.value.state);
  return {
    along: along.ids,
    order: orderOf(next)
      .map((id) => id[0])
      .join(""),
  };
}

test("a plugin barred above its masters takes them along, in the order in which they stand", () => {
  // Before x, which is the third that stays.
  expect(after(["c.plank"], 2)).toEqual({ along: ["b.plank", "a.plank"], order: "PCabcxyz" });
  expect(after(["b.plank"], 2)).toEqual({ along: ["a.plank"], order: "PCabxycz" });
});

test("one barred below what needs it takes that along", () => {
  expect(after(["a.plank"], 7)).toEqual({ along: ["b.plank", "c.plank"], order: "PCxyzabc" });
  // Before z, though what comes along stood above that.
  expect(after(["a.plank"], 6)).toEqual({ along: ["b.plank", "c.plank"], order: "PCxyabcz" });
});

test("nothing comes along where nothing bars, or where a load rank does", () => {
  expect(after(["x.plank"], 4)).toBeNull();
  expect(after(["c.plank"], 0)).toBeNull();
});

test("whatever is moved anywhere: with what comes along the move is one that nothing bars, and each of them is needed", () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.constantFrom("x", "a", "b", "y", "c", "z"), { minLength: 1, maxLength: 3 }),
      fc.nat(8),
      (names, gap) => {
        const ids = names.map((name) => `${name}.plank`);
        const along = takeAlong(list, ties, ids, gap, null);
        if (!along) return;
        expect(placeEdit(list, ties, ids, gap).ok).toBe(false);
        const applied = applySteps(roster.profile.state, along.edit.steps);
        if (!applied.ok) throw new Error("it does not apply");
        const next = withState(roster, applied.value.state);
        expect(indexTies(next, "plugins").all.filter((tie) => tie.strength === "must" && !tie.kept)).toEqual(
          [],
        );
        const staying = (each: readonly string[]) =>
          each.filter((id) => ![...ids, ...along.ids].includes(id));
        expect(staying(orderOf(next))).toEqual(staying(orderOf(roster)));
        expect(makeRoster(next.game, next.profile, next.stock).plugins.length).toBe(roster.plugins.length);
      },
    ),
  );
});
