import type { Edit } from "../model/edit";
import { drawSetting, gameOfSettings } from "../testing/game";
import { testRoster, withExpansions } from "../testing/roster";
import { makeRoster, type Roster } from "../roster/roster";
import { baseItemEdit, expansionEdit, launchEdit, launchValue } from "./settings";
import { applySteps } from "./steps";

const draw = drawSetting;
const game = gameOfSettings;
const base = testRoster([{ name: "reeds.plank" }]);
const stock = withExpansions(base.stock);
const start = makeRoster(game, base.profile, stock);

function after(roster: Roster, edit: Edit | null): Roster {
  const applied = applySteps(roster.profile.state, edit!.steps);
  if (!applied.ok) throw new Error(applied.refusal.code);
  const undone = applySteps(applied.value.state, applied.value.inverse);
  expect(undone.ok && undone.value.state).toEqual(roster.profile.state);
  return makeRoster(roster.game, { ...roster.profile, state: applied.value.state }, roster.stock);
}

const order = (roster: Roster) => roster.plugins.map(({ id }) => id);

test("an expansion brings its plugins to their fixed places, in the order of the game, and takes them away", () => {
  const north = after(start, expansionEdit(start, "north", true));
  expect(order(north)).toEqual(["Pond.keel", "North.keel", "Ice.keel", "reeds.plank"]);
  const both = after(north, expansionEdit(north, "island", true));
  expect(order(both)).toEqual(["Pond.keel", "Island.keel", "North.keel", "Ice.keel", "reeds.plank"]);
  expect(both.profile.state.expansions).toEqual(["island", "north"]);
  expect(order(after(both, expansionEdit(both, "north", false)))).toEqual([
    "Pond.keel",
    "Island.keel",
    "reeds.plank",
  ]);
  expect(expansionEdit(both, "north", true)).toBeNull();
  expect(expansionEdit(both, "south", true)).toBeNull();
});

test("a part of the game goes off and on, and what is off is named in one order", () => {
  const one = after(start, baseItemEdit(start, "sheep", false));
  const two = after(one, baseItemEdit(one, "carts", false));
  expect(two.profile.state.baseOff).toEqual(["carts", "sheep"]);
  expect(after(two, baseItemEdit(two, "sheep", true)).profile.state.baseOff).toEqual(["carts"]);
  expect(baseItemEdit(two, "sheep", false)).toBeNull();
});

test("a launch setting is kept only where it is not what the game has by itself", () => {
  expect(launchValue(start, draw)).toBe(8);
  const far = after(start, launchEdit(start, draw, 12));
  expect([launchValue(far, draw), far.profile.state.launch]).toEqual([12, { draw: 12 }]);
  expect(after(far, launchEdit(far, draw, 8)).profile.state.launch).toEqual({});
  expect(launchEdit(far, draw, 12)).toBeNull();
});
