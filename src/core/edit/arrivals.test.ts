import { testGame } from "../testing/game";
import { pluginFile, shelfMod, testRoster, withState } from "../testing/roster";
import { aRule, aSection } from "../testing/ids";
import { addAbsentPlugins } from "./arrivals";
import { addMods } from "./edits";
import { applySteps } from "./steps";

test("what arrives stands at the end of its section, before what a must has last", () => {
  const plain = testRoster([{ name: "a.plank" }, { name: "z.plank" }, { name: "y.plank" }]);
  const arriving = shelfMod("new", [pluginFile("new.plank")]);
  const order = (strength: "must" | "prefer", off = false) => {
    const rule = { kind: "last" as const, item: "Y.plank", within: "section" as const, strength };
    const rules = [{ id: aRule("r"), rule, note: "", made: "", ...(off ? { off: true as const } : {}) }];
    const { state } = withState(plain, { ...plain.profile.state, rules }).profile;
    return addAbsentPlugins(testGame, state, [arriving]).plugins.entries.map(({ id }) => id);
  };
  expect(order("must")).toEqual(["Pond.keel", "a.plank", "z.plank", "new.plank", "y.plank"]);
  // What may give way, and what is switched off, keeps nobody out.
  for (const told of [order("prefer"), order("must", true)])
    expect(told).toEqual(["Pond.keel", "a.plank", "z.plank", "y.plank", "new.plank"]);
});

test("a mod that is added is off and its plugins are not, so that switching it on is enough; they sit where their user says", () => {
  const roster = testRoster([{ name: "a.plank" }]);
  const arriving = shelfMod("new", [pluginFile("new.plank"), pluginFile("other.plank")]);
  const homes = new Map([["new.plank", aSection("patches")]]);
  const applied = applySteps(roster.profile.state, addMods(roster, [arriving], homes)!.steps);
  const state = applied.ok ? applied.value.state : null;
  expect(state?.mods.entries.map(({ id, on }) => [id, on])).toEqual([
    ["a", true],
    ["new", false],
  ]);
  expect(state?.plugins.entries.slice(1).map(({ id, on, section }) => [id, on, section])).toEqual([
    ["a.plank", true, "world"],
    ["other.plank", true, "world"],
    ["new.plank", true, "patches"],
  ]);
});
