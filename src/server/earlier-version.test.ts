import { aProfile } from "@/core/testing/ids";
import type { ProfileId } from "@/core/model/ids";
import { compareRosters } from "@/core/compare/rosters";
import { mergeStates, sameState } from "@/core/compare/states";
import { factsOfRoster, fingerprintOf } from "@/core/lineup/fingerprint";
import { stateFromLineup } from "@/core/lineup/match";
import { Lineup } from "@/core/model/lineup";
import { ProfileState, type Profile } from "@/core/model/profile";
import { makeRoster, newestById } from "@/core/roster/roster";
import { findFollowed, listVersions } from "@/store/lineups";
import { findRun } from "@/store/profiles";
import { findRestorePoint, listRestorePoints } from "@/store/restore-points";
import type { Context } from "./context";
import { step } from "./operations/history";
import { goBack } from "./operations/profiles";
import { readSituation } from "./operations/situation";
import { storedProfile, value } from "./testing/demo-context";
import { openEarlier } from "./testing/earlier-folder";

/** What the version that made the folder said of it: its profiles, which of them publishes a list, and which follows it. */
interface Expected {
  readonly author: ProfileId;
  readonly follower: ProfileId;
  readonly packages: ProfileId;
  readonly second: unknown;
  readonly states: Record<string, { readonly state: unknown; readonly fingerprint: string }>;
}

let context: Context;
let expected: Expected;
beforeAll(async () => {
  ({ context, expected } = await openEarlier<Expected>(11));
}, 60_000);
afterAll(() => context.db.close());

const present = async (id: ProfileId): Promise<Profile> => (await storedProfile(context, id))!;
const situation = async (id: ProfileId) => value(await readSituation(context, id));
/** As it was, each mod in the contents that counted for it: the newest on the shelf. */
async function wasState(id: ProfileId): Promise<ProfileState> {
  const state = ProfileState.parse(expected.states[id]!.state);
  const newest = newestById((await situation(id)).stock.shelf);
  const entries = state.mods.entries.map((entry) => {
    const content = entry.content ?? newest.get(entry.id)?.content;
    return content ? { ...entry, content } : entry;
  });
  return { ...state, mods: { ...state.mods, entries } };
}

test("every profile of a folder that the first version made decides what it decided, with the same fingerprint", async () => {
  const ids = Object.keys(expected.states).map(aProfile);
  expect(ids.length).toBeGreaterThan(5);
  let proved = 0;
  for (const id of ids) {
    const { state } = await present(id);
    expect([id, sameState(await wasState(id), state)]).toEqual([id, true]);
    expect(ProfileState.parse(state)).toEqual(state);
    const { roster, game } = await situation(id);
    // The folder of the games is not there any more: of one with plugins of its own the fingerprint cannot be made.
    if (game.definition.builtIn.length > 0) continue;
    proved++;
    expect([id, fingerprintOf(factsOfRoster(roster))]).toEqual([id, expected.states[id]!.fingerprint]);
  }
  expect(proved).toBeGreaterThan(2);
  const author = (await present(expected.author)).state;
  expect(author.rules.slice(-2).map((rule) => [rule.id, rule.shared ?? false])).toEqual([
    ["own-1", false],
    ["shared-1", true],
  ]);
  expect([author.notes.length, author.broaderFirst, author.books.length]).toEqual([2, false, 1]);
  const packages = (await present(expected.packages)).state;
  expect([packages.baseOff.length, Object.keys(packages.launch).length]).toEqual([1, 2]);
  expect(packages.choices.find(({ reasons }) => reasons)!.reasons).toEqual({ x: "Too large." });
});

test("its history goes back to the start and forward again, step by step", async () => {
  for (const id of [expected.author, expected.follower, expected.packages]) {
    const last = (await present(id)).state;
    let steps = 0;
    for (;;) {
      const { version } = await present(id);
      const back = await step(context, id, version, "undo");
      if (!back.ok) {
        expect(back.refusal.code).toBe("nothing-to-undo");
        break;
      }
      steps++;
    }
    expect(steps).toBeGreaterThan(0);
    for (let n = 0; n < steps; n++) value(await step(context, id, (await present(id)).version, "redo"));
    expect([id, sameState((await present(id)).state, last)]).toEqual([id, true]);
  }
});

test("its restore points are gone back to, its last good run is known, and comparing with both works", async () => {
  const { roster, profile } = await situation(expected.author);
  const run = (await findRun(context.db, expected.author))!;
  const points = await listRestorePoints(context.db, expected.author);
  expect(points.map(({ name }) => name)).toContain("Before the storm");
  for (const { id } of points) {
    const point = (await findRestorePoint(context.db, id))!;
    const there = makeRoster(roster.game, { ...profile, state: point.state }, roster.stock);
    expect(compareRosters(roster, there, { mods: [], plugins: [] }).length).toBeGreaterThan(0);
    value(await goBack(context, id, (await present(expected.author)).version));
    expect(sameState((await present(expected.author)).state, point.state)).toBe(true);
    value(await step(context, expected.author, (await present(expected.author)).version, "undo"));
    expect(sameState((await present(expected.author)).state, profile.state)).toBe(true);
  }
  expect(ProfileState.parse(run.state)).toEqual(run.state);
});

test("its published versions and the list that is followed are lists, and the next version is merged", async () => {
  const versions = await listVersions(context.db, expected.author);
  expect(versions.map(({ version }) => version)).toEqual(["1.1", "1.0"]);
  for (const { lineup } of versions) expect(Lineup.parse(lineup)).toEqual(lineup);
  const followed = Lineup.parse((await findFollowed(context.db, expected.follower))!.lineup);
  expect(followed.list).toBe(versions[0]!.lineup.list);
  const { roster, profile, game, stock } = await situation(expected.follower);
  const second = Lineup.parse(expected.second);
  const base = stateFromLineup(game.definition, versions[1]!.lineup, stock);
  const theirs = stateFromLineup(game.definition, second, stock);
  const { state } = mergeStates([base, profile.state, theirs]);
  const on = (of: ProfileState) => of.mods.entries.filter((entry) => entry.on).map(({ id }) => id);
  // Its author switched one on again, and the follower another one off.
  expect(on(theirs)).not.toEqual(on(base));
  expect(on(profile.state)).not.toEqual(on(base));
  const facts = factsOfRoster(makeRoster(roster.game, { ...profile, state }, stock));
  expect(fingerprintOf(facts)).not.toBe(fingerprintOf(factsOfRoster(roster)));
  expect(on(state)).toEqual(
    on(theirs).filter((id) => on(profile.state).includes(id) || !on(base).includes(id)),
  );
});
