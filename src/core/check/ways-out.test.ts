import fc from "fast-check";
import type { ModManifest } from "../model/shelf";
import type { Finding } from "../model/finding";
import { runToEnd } from "../run-to-end";
import { applySteps } from "../edit/steps";
import type { Roster } from "../roster/roster";
import { allTies } from "../roster/ties";
import { checkCases } from "../testing/check-cases";
import { testRoster, withState } from "../testing/roster";
import type { CheckInput, OnDisk } from "./check";
import { isEditing } from "./fix-edit";
import { findingId } from "./identity";
import { checking } from "./run-checks";
import { sureWay } from "./sure";
import { previewWays, sureWays } from "./ways-out";

const nothing: OnDisk = { order: null, holds: null };
const inputOf = (roster: Roster, onDisk = nothing): CheckInput => ({
  roster,
  ties: allTies(roster),
  onDisk,
  today: "2026-12-12",
});
const found = (roster: Roster, onDisk = nothing) => runToEnd(checking(inputOf(roster, onDisk))).told;
const idsOf = (roster: Roster, findings: readonly Finding[]) =>
  new Set(findings.map((finding) => findingId(roster, finding)));

function applied(roster: Roster, steps: NonNullable<ReturnType<typeof sureWays>>["edit"]["steps"]): Roster {
  const after = applySteps(roster.profile.state, steps);
  if (!after.ok) throw new Error(after.refusal.code);
  return withState(roster, after.value.state);
}

test("a preview tells just what goes and comes", () => {
  let seen = 0;
  for (const { bad, onDisk } of checkCases) {
    const before = found(bad, onDisk);
    const fixes = before.flatMap((finding) => finding.fixes);
    for (const [at, way] of previewWays(inputOf(bad, onDisk), fixes).entries()) {
      const fix = fixes[at]!;
      if (!way) {
        expect(isEditing(fix.does) && fix.does.act !== "switch-on").toBe(false);
        continue;
      }
      const now = applied(bad, way.edit.steps);
      const after = found(now, onDisk);
      const [were, are] = [idsOf(bad, before), idsOf(now, after)];
      expect(idsOf(bad, way.goes)).toEqual(new Set([...were].filter((id) => !are.has(id))));
      expect(idsOf(now, way.comes)).toEqual(new Set([...are].filter((id) => !were.has(id))));
      seen++;
    }
  }
  expect(seen).toBeGreaterThan(60);
});

const names = [..."abcdefg"];

/** Mods with a plugin each, tied by masters and requirements, some off, some of the needed not there. */
const broken: fc.Arbitrary<Roster> = fc
  .record({
    masters: fc.array(fc.tuple(fc.nat(6), fc.nat(7)), { maxLength: 8 }),
    requires: fc.array(fc.tuple(fc.nat(6), fc.nat(7)), { maxLength: 6 }),
    clashes: fc.array(fc.tuple(fc.nat(6), fc.nat(6)), { maxLength: 2 }),
    off: fc.subarray(names),
    modOff: fc.subarray(names),
    advice: fc.array(fc.tuple(fc.nat(6), fc.nat(7)), { maxLength: 2 }),
  })
  .map(({ masters, requires, clashes, off, modOff, advice }) => {
    const nameOf = (at: number) => names[at] ?? "gone";
    const plain = testRoster(
      names.map((name, at) => ({
        name: `${name}.plank`,
        masters: masters.flatMap(([from, to]) => (from === at && to !== at ? [`${nameOf(to)}.plank`] : [])),
        on: !off.includes(name),
        modOn: !modOff.includes(name),
      })),
    );
    const shelf = plain.stock.shelf.map((mod, at) => {
      const of = (pairs: readonly (readonly [number, number])[]) =>
        pairs.flatMap(([from, to]) => (from === at && to !== at ? [{ mod: nameOf(to) }] : []));
      const manifest: ModManifest = { format: "seating-mod/1", id: mod.id, name: mod.id, version: "1" };
      return { ...mod, manifest: { ...manifest, requires: of(requires), clashes: of(clashes) } };
    });
    const { state } = plain.profile;
    return withState(
      { ...plain, stock: { ...plain.stock, shelf } },
      {
        ...state,
        advice: advice.map(([from, to]) => ({
          kind: "needs",
          on: { mod: nameOf(from) },
          other: { plugin: `${nameOf(to)}.plank` },
        })),
      },
    );
  });

test("the sure ways end what they are for, bring no blocker, and leave nothing that is sure and could be taken", () => {
  const seen = { taken: 0, refused: 0 };
  fc.assert(
    fc.property(broken, (roster) => {
      const before = found(roster);
      const ways = sureWays(inputOf(roster));
      const sure = before.filter((finding) => sureWay(finding));
      if (!ways) {
        seen.refused += sure.length;
        return;
      }
      seen.taken++;
      const now = applied(roster, ways.edit.steps);
      const after = found(now);
      const [were, are] = [idsOf(roster, before), idsOf(now, after)];
      expect(idsOf(roster, ways.goes)).toEqual(new Set([...were].filter((id) => !are.has(id))));
      expect(idsOf(now, ways.comes)).toEqual(new Set([...are].filter((id) => !were.has(id))));
      expect(ways.goes.length).toBeGreaterThan(0);
      expect(ways.comes.filter(({ level }) => level === "blocker")).toEqual([]);
      // A fixed point: what is sure now was refused before, and is again.
      expect(sureWays(inputOf(now))).toBeNull();
    }),
    { numRuns: 1500 },
  );
  expect(seen.taken).toBeGreaterThan(300);
  expect(seen.refused).toBeGreaterThan(30);
});

test("a sure way takes along what it needs; one that comes to nothing is not taken at all", () => {
  const chain = testRoster([
    { name: "a.plank", modOn: false },
    { name: "b.plank", masters: ["a.plank"], modOn: false },
    { name: "c.plank", masters: ["b.plank"] },
  ]);
  const ways = sureWays(inputOf(chain))!;
  expect(ways.count).toBe(2);
  expect(found(applied(chain, ways.edit.steps)).filter(({ level }) => level === "blocker")).toEqual([]);
  const dead = testRoster([
    { name: "b.plank", masters: ["gone.plank"], modOn: false },
    { name: "c.plank", masters: ["b.plank"] },
  ]);
  expect(sureWays(inputOf(dead))).toBeNull();
});
