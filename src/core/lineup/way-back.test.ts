import fc from "fast-check";
import { takeOver } from "../compare/rosters";
import { applySteps } from "../edit/steps";
import type { ProfileState } from "../model/profile";
import { aMod } from "../testing/ids";
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
