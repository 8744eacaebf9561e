import { testGame } from "../testing/game";
import { pluginFile, shelfMod, testRoster, withState } from "../testing/roster";
import { aRule } from "../testing/ids";
import { addAbsentPlugins } from "./arrivals";

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
