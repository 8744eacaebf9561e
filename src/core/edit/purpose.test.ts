import { againstPurpose } from "../roster/purpose";
import { makeRoster, type Roster } from "../roster/roster";
import { gameOfSettings } from "../testing/game";
import { testRoster, withExpansions } from "../testing/roster";
import { purposeEdit, stateForPurpose } from "./purpose";
import { rosterAfter } from "./roster-after";

const game = {
  ...gameOfSettings,
  purposes: [
    { purpose: "make", launch: { draw: 12 }, baseOff: ["sheep"], expansionsOff: ["island", "north"] },
  ],
};
const base = testRoster([{ name: "reeds.plank" }]);
const stock = withExpansions(base.stock);
const madeFor = (purpose: string): Roster =>
  makeRoster(
    game,
    { ...base.profile, purpose, state: stateForPurpose(game, "play", ["island", "north"]) },
    stock,
  );

test("what is on or set otherwise than a purpose asks is found, and put right by one edit", () => {
  const roster = madeFor("make");
  const { expansions, baseItems, launch } = againstPurpose(roster);
  expect(expansions.map(({ id }) => id)).toEqual(["island", "north"]);
  expect(baseItems.map(({ id }) => id)).toEqual(["sheep"]);
  expect(launch.map(({ setting, wanted }) => [setting.id, wanted])).toEqual([["draw", 12]]);
  const after = rosterAfter(roster, purposeEdit(roster)!.steps);
  expect(after.profile.state).toMatchObject({ expansions: [], baseOff: ["sheep"], launch: { draw: 12 } });
  expect(after.plugins.map(({ id }) => id)).toEqual(["Pond.keel"]);
  expect(purposeEdit(after)).toBeNull();
});

test("what is asked of one purpose is asked of no other", () => {
  expect(purposeEdit(madeFor("play"))).toBeNull();
  expect(purposeEdit(madeFor("test"))).toBeNull();
});

test("an empty profile begins as its purpose asks", () => {
  const made = stateForPurpose(game, "make", ["island"]);
  expect(made).toMatchObject({ expansions: [], baseOff: ["sheep"], launch: { draw: 12 } });
  expect(stateForPurpose(game, "play", ["island"])).toMatchObject({ expansions: ["island"], launch: {} });
});
