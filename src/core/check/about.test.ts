import { withStock } from "../testing/check-cases";
import { shelfMod, testRoster } from "../testing/roster";
import { allTies } from "../roster/ties";
import { isAbout, isOfProfile, modsAbout } from "./about";
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

test("a damaged archive of the shelf is no matter of a profile that does not hold it", () => {
  const damaged = { ...shelfMod("w"), problem: { code: "path-unsafe", data: { entry: "../x" } } as const };
  const here = withStock(roster, { shelf: [...roster.stock.shelf, damaged] });
  const found = runChecks({ roster: here, ties: allTies(here), onDisk: { order: [], holds: [] } });
  expect(found.map((finding) => [finding.id, isOfProfile(here, finding)])).toEqual([
    ["missing-master", true],
    ["unsound-archive", false],
    ["order-file-differs", true],
  ]);
});
