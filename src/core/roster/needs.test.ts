import { pluginFile, shelfMod, testRoster } from "../testing/roster";
import { needsOf } from "./needs";
import { makeRoster } from "./roster";

const base = testRoster([{ name: "core.keel" }, { name: "lamp.plank", modOn: false }]);
const spare = shelfMod("spare", [pluginFile("spare.plank")]);
const roster = makeRoster(base.game, base.profile, { ...base.stock, shelf: [...base.stock.shelf, spare] });

const coming = {
  ...shelfMod("new", [
    pluginFile("new.plank", ["Pond.keel", "core.keel", "spare.plank", "gone.plank", "new.keel"]),
    pluginFile("new.keel"),
  ]),
  manifest: {
    format: "seating-mod/1" as const,
    id: "new",
    name: "New",
    version: "1",
    requires: [{ mod: "lamp" }, { mod: "core", versions: ">=2" }, { mod: "nowhere" }],
  },
};

test("what a mod needs is told with how it stands here; masters that it brings, or the game has, are not", () => {
  expect(needsOf(roster, coming).map(({ name, standing }) => [name, standing])).toEqual([
    ["lamp", "off"],
    ["core", "other-version"],
    ["nowhere", "missing"],
    ["spare.plank, of spare", "shelf"],
    ["gone.plank", "missing"],
  ]);
});

test("a master whose name is written otherwise is the same, and named once", () => {
  const twice = shelfMod("twice", [
    pluginFile("a.plank", ["LAMP.plank"]),
    pluginFile("b.plank", ["lamp.Plank"]),
  ]);
  expect(needsOf(roster, twice).map(({ name, standing }) => [name, standing])).toEqual([
    ["lamp.plank, of lamp", "off"],
  ]);
});

test("what the profile holds and the shelf has not any more is missing", () => {
  const gone = makeRoster(base.game, base.profile, { ...base.stock, shelf: [], kept: base.stock.shelf });
  const needing = shelfMod("needing", [pluginFile("needing.plank", ["lamp.plank"])]);
  expect(needsOf(gone, needing).map(({ standing }) => standing)).toEqual(["missing"]);
});

test("a definition that compares names otherwise finds other bringers, though the shelf is the same", () => {
  const needing = shelfMod("needing", [pluginFile("needing.plank", ["SPARE.plank"])]);
  const standing = (ignoreCase: boolean) => {
    const game = { ...base.game, paths: { ...base.game.paths, ignoreCase } };
    return needsOf(makeRoster(game, base.profile, roster.stock), needing).map((need) => need.standing);
  };
  expect([standing(true), standing(false)]).toEqual([["shelf"], ["missing"]]);
});
