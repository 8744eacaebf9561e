import { factsOfLineup, factsOfRoster, fingerprintOf } from "../lineup/fingerprint";
import { makeLineup } from "../lineup/make-lineup";
import { stateFromLineup } from "../lineup/match";
import type { Edit } from "../model/edit";
import { holdsToWrite, orderFileGap, namesToWrite, startToWrite } from "../check/order-file";
import { compareRosters } from "../compare/rosters";
import { leavesOut } from "../roster/left-out";
import type { Roster } from "../roster/roster";
import { testRoster, withState } from "../testing/roster";
import { leaveOutEdit } from "./leave-out";
import { applySteps } from "./steps";

const files = ["a.plank", "textures/Reed.dat", "textures/water/deep.dat", "textures/water/still.dat"];
const roster = testRoster([{ name: "a.plank" }, { name: "b.plank", masters: ["a.plank"] }]);
const leftOut = (of: Roster) => of.modOf.get("a")!.leftOut;

function apply(from: Roster, edit: Edit | null): Roster {
  const applied = applySteps(from.profile.state, edit!.steps);
  if (!applied.ok) throw new Error(applied.refusal.code);
  const undone = applySteps(applied.value.state, applied.value.inverse);
  expect(undone.ok && undone.value.state).toEqual(from.profile.state);
  return withState(from, applied.value.state);
}
const turn = (from: Roster, path: string, out: boolean) =>
  leaveOutEdit(from, from.modOf.get("a")!, [path], out, files);

test("a file is left out as the game compares its path, and brought back", () => {
  const without = apply(roster, turn(roster, "textures/Reed.dat", true));
  expect(leftOut(without)).toEqual(["textures/reed.dat"]);
  expect(turn(without, "textures/REED.dat", true)).toBeNull();
  expect(leftOut(apply(without, turn(without, "textures/Reed.dat", false)))).toEqual([]);
  expect(turn(roster, "textures/Reed.dat", false)).toBeNull();
});

test("a folder takes in what was said of files below it; one file of it comes back and the others stay out", () => {
  const one = apply(roster, turn(roster, "textures/water/deep.dat", true));
  const all = apply(one, turn(one, "textures/", true));
  expect(leftOut(all)).toEqual(["textures/"]);
  expect(turn(all, "textures/water/deep.dat", true)).toBeNull();
  const back = apply(all, turn(all, "textures/Reed.dat", false));
  expect(leftOut(back)).toEqual(["textures/water/deep.dat", "textures/water/still.dat"]);
  const water = apply(all, turn(all, "textures/water/", false));
  expect(leftOut(water)).toEqual(["textures/reed.dat"]);
});

test("a path is left out by itself or with a folder above it, and by nothing that only begins alike", () => {
  const isOut = leavesOut(["textures/", "a.plank"]);
  expect(["a.plank", "textures/x/y", "textures", "texturesx/y", "a.plank2"].map(isOut)).toEqual([
    true,
    true,
    false,
    false,
    false,
  ]);
});

test("a plugin that is left out does not load, and is written nowhere; its place is kept", () => {
  const without = apply(roster, turn(roster, "a.plank", true));
  const plugin = without.pluginOf.get("a.plank")!;
  expect([plugin.loads, plugin.entry.on, plugin.withheld, plugin.seat]).toEqual([
    false,
    true,
    "left-out",
    roster.pluginOf.get("a.plank")!.seat,
  ]);
  expect(namesToWrite(without)).toEqual(["b.plank"]);
  expect(holdsToWrite(without)[0]!.hidden).toEqual(["a.plank"]);
  const written = { order: namesToWrite(without), holds: holdsToWrite(roster), start: startToWrite(roster) };
  expect(orderFileGap(without, written)).toMatchObject({ modsDiffer: true, moves: 0, added: 0, removed: 0 });
});

test("it counts in the fingerprint and goes along with a list", () => {
  const without = apply(roster, turn(roster, "textures/water/", true));
  const facts = { title: "Pond", author: "", note: "", listVersion: "1", date: "" };
  const lineup = makeLineup(without, facts);
  expect(lineup.mods[0]!.hidden).toEqual(["textures/water/"]);
  expect(lineup.fingerprint).toBe(fingerprintOf(factsOfRoster(without)));
  expect(lineup.fingerprint).toBe(fingerprintOf(factsOfLineup(lineup)));
  expect(lineup.fingerprint).not.toBe(fingerprintOf(factsOfRoster(roster)));
  const follower = withState(roster, stateFromLineup(roster.game, lineup, roster.stock));
  expect(fingerprintOf(factsOfRoster(follower))).toBe(lineup.fingerprint);
  const told = compareRosters(roster, without, { mods: [], plugins: [] });
  expect(told.map(({ facet, kind, key }) => [facet, kind, key])).toEqual([
    ["leftOut", "only-there", "a textures/water/"],
  ]);
});
