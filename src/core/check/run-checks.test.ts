import type { Edit } from "../model/edit";
import { findingIds, findingTitle } from "../messages/finding-titles";
import { sayFinding, sayFix } from "../messages/findings";
import { plainText } from "../messages/parts";
import type { Fix } from "../model/finding";
import { acceptEdit, proposeOrder } from "../edit/accept";
import { alignOrder } from "../roster/two-orders";
import type { Roster } from "../roster/roster";
import { applySteps } from "../edit/steps";
import { allTies } from "../roster/ties";
import { pluginFile, shelfMod, testRoster, withState } from "../testing/roster";
import type { OnDisk } from "./check";
import { fixEdit, isEditing } from "./fix-edit";
import { holdsToWrite, namesToWrite, orderFileGap } from "./order-file";
import { countByLevel, runChecks } from "./run-checks";
import { checkCases, saying, withStock } from "../testing/check-cases";

const current = (roster: Roster): OnDisk => ({ order: namesToWrite(roster), holds: holdsToWrite(roster) });
const check = (roster: Roster, onDisk = current(roster)) =>
  runChecks({ roster, ties: allTies(roster), onDisk, today: "2026-12-12" });

const apply = (roster: Roster, edit: Edit): Roster => {
  const applied = applySteps(roster.profile.state, edit.steps);
  if (!applied.ok) throw new Error(applied.refusal.code);
  return withState(roster, applied.value.state);
};

function editOf(roster: Roster, { does }: Fix): Edit | null {
  if (isEditing(does)) return fixEdit(roster, does);
  if (!("list" in does)) return null;
  return acceptEdit(roster, (does.act === "align" ? alignOrder : proposeOrder)(roster, does.list));
}

test("every finding is shown by a case", () => {
  const shown = new Set(checkCases.flatMap(({ bad, onDisk }) => check(bad, onDisk).map(({ id }) => id)));
  expect(findingIds.filter((id) => !shown.has(id))).toEqual([]);
});

describe.each(checkCases)("$check", ({ check: name, good, bad, onDisk }) => {
  const findings = check(bad, onDisk).filter((finding) => finding.check === name);

  test("a missing master that lies on the shelf in a mod of the shelf is offered by that mod, first of all", () => {
    const bad = testRoster([{ name: "b.plank", masters: ["Hidden.plank"] }]);
    const bringing = { ...shelfMod("deep", [pluginFile("hidden.plank")]), name: "Tidal Core" };
    const inPart = { ...shelfMod("other", [{ ...pluginFile("hidden.plank"), part: "x" }]), name: "Other" };
    const here = withStock(bad, { shelf: [...bad.stock.shelf, bringing, inPart] });
    const [finding] = check(here).filter((each) => each.id === "missing-master");
    expect(finding!.fixes.map((fix) => plainText(sayFix(fix)))).toEqual([
      "Switch on Tidal Core",
      "Switch off b.plank",
    ]);
    const mended = apply(here, editOf(here, finding!.fixes[0]!)!);
    expect(check(mended).filter((each) => each.id === "missing-master")).toEqual([]);
  });

  test("a requirement says why its author needs it, where they have said so", () => {
    const bad = saying({
      requires: [{ mod: "c", reason: "You do not see it, but nothing works without." }, { mod: "d" }],
    });
    const said = check(bad)
      .filter((finding) => finding.check === "required-off")
      .map((finding) => plainText(sayFinding(finding)));
    expect(said).toEqual([
      "b needs c, which is not on the shelf (“You do not see it, but nothing works without”).",
      "b needs d, which is not on the shelf.",
    ]);
  });

  test("sees the bad case and not the good one", () => {
    expect(findings.length).toBeGreaterThan(0);
    expect(check(good).filter((finding) => finding.check === name)).toEqual([]);
  });

  test("says it in a title and a whole sentence, with nothing left out", () => {
    for (const finding of findings) {
      const text = plainText(sayFinding(finding));
      expect(findingTitle(finding.id)).toBeTruthy();
      expect(text).toMatch(/[.]$/);
      expect(text).not.toMatch(/undefined|NaN|\[object/);
      for (const fix of finding.fixes) expect(plainText(sayFix(fix))).toBeTruthy();
    }
  });

  test("each fix takes its finding away", () => {
    for (const { fixes, data } of findings) {
      for (const fix of fixes) {
        const edit = editOf(bad, fix);
        // What is done beside the profile: written, got, or shown to be chosen from.
        if (!edit) {
          expect(fix.does.act).toMatch(
            /^(write-order|put-again|choose-profile-of-game|versions|look-at-.*)$/,
          );
          continue;
        }
        const left = check(apply(bad, edit), onDisk).filter((each) => each.check === name);
        expect(left).not.toContainEqual(expect.objectContaining({ data }));
      }
    }
  });
});

test("what is outdated is switched over to its replacement: a plugin of the profile, or a mod that only lies on the shelf", () => {
  const base = testRoster([{ name: "a.plank" }, { name: "off.plank", on: false }]);
  const shelf = withStock(base, { shelf: [...base.stock.shelf, shelfMod("new", [pluginFile("new.plank")])] });
  for (const [other, on] of [
    [{ plugin: "off.plank" }, ["Pond.keel", "off.plank"]],
    [{ mod: "new" }, ["Pond.keel", "new.plank"]],
  ] as const) {
    const roster = withState(shelf, {
      ...shelf.profile.state,
      advice: [{ kind: "outdated", on: { plugin: "a.plank" }, other }],
    });
    const [fix] = check(roster).find(({ id }) => id === "advice-outdated")!.fixes;
    expect(fix!.id).toBe("switch-over");
    const after = apply(roster, editOf(roster, fix!)!);
    expect(after.plugins.filter(({ loads }) => loads).map(({ id }) => id)).toEqual(on);
  }
});

test("what is off is not the game's concern", () => {
  const roster = testRoster([
    { name: "b.plank", masters: ["gone.plank"], on: false },
    { name: "c.plank", masters: ["b.plank"], modOn: false },
  ]);
  expect(countByLevel(check(roster))).toEqual({ blocker: 0, problem: 0, hint: 0 });
});

test("findings come gravest first", () => {
  const roster = withStock(testRoster([{ name: "b.plank", masters: ["gone.plank"] }]), {});
  const levels = check(roster, { order: null, holds: null }).map((finding) => finding.level);
  expect(levels).toEqual(["blocker", "hint"]);
});

test("the gap of the order file counts moves, what is to add and to take out, and other mods", () => {
  const roster = testRoster(["a", "b", "c", "d"].map((letter) => ({ name: `${letter}.plank` })));
  const gap = (order: string[], holds = holdsToWrite(roster)) => orderFileGap(roster, { order, holds });
  expect(gap(["a.plank", "b.plank", "c.plank", "d.plank"])).toBeNull();
  expect(gap(["A.PLANK", "b.plank", "c.plank", "d.plank"])).toBeNull();
  expect(gap(["d.plank", "a.plank", "b.plank", "x.plank"])).toMatchObject({ moves: 1, added: 1, removed: 1 });
  expect(
    gap(
      ["a.plank", "b.plank", "c.plank", "d.plank"],
      [{ path: "other.zip", options: {}, components: [], hidden: [] }],
    ),
  ).toMatchObject({
    moves: 0,
    modsDiffer: true,
  });
});
