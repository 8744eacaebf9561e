import { testGame } from "../testing/game";
import { pluginFile, testRoster, withState } from "../testing/roster";
import { makeRoster } from "./roster";
import { isBuiltInRule, pluginProblem } from "./plugin-problem";
import { indexTies, isBroken } from "./ties";

test("items carry load rank, section and masters; absent masters keep their names", () => {
  const roster = testRoster([
    { name: "Core.keel" },
    { name: "a.plank", masters: ["CORE.keel", "Gone.keel"] },
    { name: "p.plank", section: "patches", home: "world" },
  ]);
  expect(pluginProblem(roster).items).toEqual([
    { id: "Pond.keel", class: "builtin", section: "game", needs: [] },
    { id: "Core.keel", class: "foundation", section: "base", needs: [] },
    { id: "a.plank", class: "ordinary", section: "world", needs: ["Core.keel", "Gone.keel"] },
    { id: "p.plank", class: "ordinary", section: "world", needs: [] },
  ]);
});

test("an item that stands in a section of another rank is not held there", () => {
  const roster = testRoster([{ name: "flagged.plank", flags: 1, section: "world" }]);
  expect(pluginProblem(roster).items[1]).toEqual({ id: "flagged.plank", class: "foundation", needs: [] });
});

test("what is built in keeps its fixed order by rules that say so", () => {
  const base = testRoster([]);
  const entries = [
    { id: "Island.keel", on: true, section: "game" },
    { id: "Pond.keel", on: true, section: "game" },
  ];
  const state = {
    ...base.profile.state,
    expansions: ["island"],
    plugins: { sections: testGame.sections, entries },
  };
  const stock = { ...base.stock, owned: ["island"], base: [...base.stock.base, pluginFile("Island.keel")] };
  const roster = makeRoster(testGame, { ...base.profile, state }, stock);
  const { rules } = pluginProblem(roster);
  expect(rules).toEqual([
    { id: "built-in:1", kind: "after", item: "Island.keel", other: "Pond.keel", strength: "must" },
  ]);
  expect(isBuiltInRule(rules![0]!.id!)).toBe(true);
  const [tie] = indexTies(roster).all;
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
  const ties = indexTies(roster);
  expect(
    ties.all.map(({ earlier, later, because, strength, kept }) => [earlier, later, because, strength, kept]),
  ).toEqual([
    ["a.plank", "b.plank", "needs", "must", true],
    ["b.plank", "c.plank", "own", "prefer", true],
    ["b.plank", "a.plank", "needs", "must", false],
  ]);
  expect(ties.of("c.plank")).toEqual([ties.all[1]]);
  expect(ties.of("b.plank")).toHaveLength(3);
  expect(ties.of("Pond.keel")).toEqual([]);
  expect(indexTies(withState(roster, roster.profile.state)).all).toEqual(ties.all);
});
