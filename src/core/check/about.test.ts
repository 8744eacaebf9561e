import { testRoster } from "../testing/roster";
import { allTies } from "../roster/ties";
import { isAbout, modsAbout } from "./about";
import { runChecks } from "./run-checks";

const roster = testRoster([{ name: "a.plank", masters: ["gone.plank"] }, { name: "b.plank" }]);
const [missing] = runChecks({ roster, ties: allTies(roster), onDisk: { order: [], holds: [] } });

test("a finding about a plugin is about the mod with which it comes, too", () => {
  expect(missing!.id).toBe("missing-master");
  expect([...modsAbout(roster, missing!)]).toEqual(["a"]);
  expect(["a.plank", "a", "b.plank", "b"].map((id) => isAbout(roster, missing!, id))).toEqual([
    true,
    true,
    false,
    false,
  ]);
});
