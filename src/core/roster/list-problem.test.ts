import { testGame } from "../testing/game";
import { pluginFile, testRoster, withState } from "../testing/roster";
import { acceptEdit, proposeOrder } from "../edit/accept";
import { makeRoster } from "./roster";
import { applySteps } from "../edit/steps";
import { listProblem } from "./list-problem";
import { indexTies, isBroken } from "./ties";
import { aPlugin, aRule, aSection } from "../testing/ids";
import { withOverlaps } from "../testing/overlaps";

test("items carry load rank, section and masters; absent masters keep their names", () => {
  const roster = testRoster([
    { name: "Core.keel" },
    { name: "a.plank", masters: ["CORE.keel", "Gone.keel"] },
    { name: "p.plank", section: "patches", home: "world" },
  ]);
  expect(listProblem(roster, "plugins").items).toEqual([
    { id: "Pond.keel", class: "builtin", section: "game", needs: [] },
    { id: "Core.keel", class: "foundation", section: "base", needs: [] },
    { id: "a.plank", class: "ordinary", section: "world", needs: ["Core.keel", "Gone.keel"] },
    { id: "p.plank", class: "ordinary", section: "world", needs: [] },
  ]);
});

test("an item that stands in a section of another rank is not held there", () => {
  const roster = testRoster([{ name: "flagged.plank", flags: 1, section: "world" }]);
  expect(listProblem(roster, "plugins").items[1]).toEqual({
    id: "flagged.plank",
    class: "foundation",
    needs: [],
  });
});

test("what is built in keeps its fixed order by rules that say so", () => {
  const base = testRoster([]);
  const entries = [
    { id: aPlugin("Island.keel"), on: true, section: aSection("game") },
    { id: aPlugin("Pond.keel"), on: true, section: aSection("game") },
  ];
  const state = {
    ...base.profile.state,
    expansions: ["island"],
    plugins: { sections: testGame.sections, entries },
  };
  const stock = { ...base.stock, owned: ["island"], base: [...base.stock.base, pluginFile("Island.keel")] };
  const roster = makeRoster(testGame, { ...base.profile, state }, stock);
  const { rules } = listProblem(roster, "plugins");
  expect(rules).toEqual([
    {
      id: "built-in:1",
      source: { kind: "built-in" },
      kind: "after",
      item: "Island.keel",
      other: "Pond.keel",
      strength: "must",
    },
  ]);
  const [tie] = indexTies(roster, "plugins").all;
  expect(isBroken(tie!, (id) => roster.pluginOf.get(id)!.place)).toBe(true);
});

test("direct ties are masters and rules for pairs, each known from both ends; set-aside needs are told as such", () => {
  const roster = testRoster(
    [
      { name: "a.plank", masters: ["b.plank"] },
      { name: "b.plank", masters: ["a.plank"] },
      { name: "c.plank" },
    ],
    [
      { id: "own", kind: "after", item: "c.plank", other: "b.plank", strength: "prefer" },
      { id: "end", kind: "last", item: "c.plank", within: "section", strength: "must" },
    ],
  );
  const ties = indexTies(roster, "plugins");
  expect(
    ties.all.map(({ earlier, later, because, strength, kept }) => [earlier, later, because, strength, kept]),
  ).toEqual([
    ["a.plank", "b.plank", "needs", "must", true],
    ["b.plank", "c.plank", { rule: "own" }, "prefer", true],
    ["b.plank", "a.plank", "needs", "must", false],
  ]);
  expect(ties.of("c.plank")).toEqual([ties.all[1]]);
  expect(ties.of("b.plank")).toHaveLength(3);
  expect(ties.of("Pond.keel")).toEqual([]);
  expect(indexTies(withState(roster, roster.profile.state), "plugins").all).toEqual(ties.all);
});

describe("the broader of two that change the same records", () => {
  const base = testRoster([
    { name: "wide.plank" },
    { name: "small.plank" },
    { name: "new.plank", fresh: true },
  ]);
  const overlaps = [
    { broader: "WIDE.plank", narrower: "small.plank", shared: 3 },
    { broader: "wide.plank", narrower: "new.plank", shared: 1 },
    { broader: "new.plank", narrower: "gone.plank", shared: 1 },
  ];
  const rosterOf = (state = base.profile.state) =>
    withOverlaps(makeRoster(testGame, { ...base.profile, state }, base.stock), { plugins: overlaps });

  test("is a faint preference where nobody has placed one of the two yet", () => {
    expect(listProblem(rosterOf(), "plugins").rules).toEqual([
      {
        id: "broader-first:wide.plank new.plank",
        source: { kind: "broader-first" },
        kind: "before",
        item: "wide.plank",
        other: "new.plank",
        strength: "prefer",
        weight: 0.1,
      },
    ]);
  });

  test("is left out where the profile does without, and rules that are off are too", () => {
    const rule = { id: aRule("r"), note: "", made: "2026-01-01", off: true as const };
    const state = {
      ...base.profile.state,
      broaderFirst: false as const,
      rules: [
        {
          ...rule,
          rule: {
            kind: "last" as const,
            item: "new.plank",
            within: "list" as const,
            strength: "must" as const,
          },
        },
      ],
    };
    expect(listProblem(rosterOf(state), "plugins").rules).toEqual([]);
  });

  test("moves what arrived, and once the proposal is accepted it is placed", () => {
    const swapped = [{ broader: "new.plank", narrower: "wide.plank", shared: 1 }];
    const roster = withOverlaps(base, { plugins: swapped });
    const proposal = proposeOrder(roster, "plugins");
    expect(proposal.result.moved).toEqual(["new.plank"]);
    const edit = acceptEdit(roster, proposal)!;
    const applied = applySteps(roster.profile.state, edit.steps);
    if (!applied.ok) throw new Error(applied.refusal.code);
    expect(applied.value.state.plugins.entries.some((entry) => entry.fresh)).toBe(false);
  });
});
