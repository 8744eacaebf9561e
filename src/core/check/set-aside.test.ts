import { setAside, tellAgain } from "../edit/set-aside";
import { applySteps } from "../edit/steps";
import type { Edit } from "../model/edit";
import { runToEnd } from "../run-to-end";
import { makeRoster, type Roster } from "../roster/roster";
import { allTies } from "../roster/ties";
import { testRoster, withState } from "../testing/roster";
import { checking, type Checked } from "./run-checks";
import { asideOf } from "./set-aside";

const late = testRoster([
  { name: "b.plank", masters: ["a.plank"] },
  { name: "a.plank", masters: ["gone.plank"] },
]);
const check = (roster: Roster, before?: Checked) =>
  runToEnd(checking({ roster, ties: allTies(roster), onDisk: { order: null, holds: null } }, before));
const apply = (roster: Roster, edit: Edit): Roster => {
  const applied = applySteps(roster.profile.state, edit.steps);
  if (!applied.ok) throw new Error(applied.refusal.code);
  return withState(roster, applied.value.state);
};
const ids = (findings: readonly { readonly id: string }[]) => findings.map(({ id }) => id);

test("what is set aside is told no more, until it is told again; and it is not what else is found of the same", () => {
  const before = check(late);
  expect(ids(before.told)).toEqual(["missing-master", "master-late", "order-file-absent"]);
  const how = { reason: "harmless", until: "never", at: "2026-11-30" } as const;
  const quiet = apply(late, setAside([asideOf(late, before.told[0]!, how)]));
  const after = check(quiet, before);
  expect(ids(after.told)).toEqual(["master-late", "order-file-absent"]);
  expect(after.aside.map(({ entry }) => entry.reason)).toEqual(["harmless"]);
  const again = apply(quiet, tellAgain([after.aside[0]!.entry.finding]));
  expect(ids(check(again, after).told)).toEqual(ids(before.told));
});

test("until it says something else: then it comes back; for good it does not", () => {
  const outdated = (version: string): Roster => {
    const base = testRoster([{ name: "a.plank" }]);
    const mods = base.stock.shelf.map((mod) => ({
      ...mod,
      manifest: {
        format: "seating-mod/1" as const,
        id: "a",
        name: "a",
        version: "1",
        requires: [{ mod: "gone", versions: version }],
      },
    }));
    return makeRoster(base.game, base.profile, { ...base.stock, shelf: mods });
  };
  const [finding] = check(outdated(">=2")).told;
  for (const until of ["changed", "never"] as const) {
    const entry = asideOf(outdated(">=2"), finding!, { reason: "", until, at: "" });
    const lives = (roster: Roster) => withState(roster, { ...roster.profile.state, setAside: [entry] });
    expect(ids(check(lives(outdated(">=2"))).told)).not.toContain("required-missing");
    expect(ids(check(lives(outdated(">=3"))).told).includes("required-missing")).toBe(until === "changed");
  }
});
