import { testGame } from "../testing/game";
import { orderOf, testRoster } from "../testing/roster";
import { makeLineup } from "./make-lineup";
import { rosterOfList, stateOfList } from "./state-of-list";

const facts = { title: "Pond", author: "", note: "", listVersion: "", date: "2026-11-01" };
const roster = testRoster([
  { name: "a.plank", masters: ["c.plank"] },
  { name: "b.plank" },
  { name: "c.plank" },
  { name: "d.plank", masters: ["e.plank"] },
  { name: "e.plank" },
]);
const lineup = makeLineup(roster, facts);

test("of a list that says nothing of plugins their ties make the order, with the fewest moves; one that names them is left as it is", () => {
  const silent = rosterOfList(testGame, { lineup, claim: { unsaid: ["plugins"] } }, roster.stock);
  expect(orderOf(silent)).toEqual(["Pond.keel", "c.plank", "a.plank", "b.plank", "e.plank", "d.plank"]);
  expect(silent.mods.map(({ id }) => id)).toEqual(["a", "b", "c", "d", "e"]);
  const said = rosterOfList(testGame, { lineup, claim: { unsaid: ["hashes"] } }, roster.stock);
  expect(orderOf(said)).toEqual(["Pond.keel", "a.plank", "b.plank", "c.plank", "d.plank", "e.plank"]);
});

test("a game of mods alone has no plugins to be ordered", () => {
  const game = { ...testGame, lists: ["mods" as const] };
  expect(
    stateOfList(game, { lineup, claim: { unsaid: ["plugins"] } }, roster.stock).mods.entries,
  ).toHaveLength(5);
});
