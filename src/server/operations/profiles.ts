import "server-only";
import { ProfileId } from "@/core/model/ids";
import { compareStates, type Difference } from "@/core/compare/states";
import { randomUUID } from "node:crypto";
import { label } from "@/core/edit/steps";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { ProfileName, type Profile, type ProfileFacts, type ProfileState } from "@/core/model/profile";
import { stateForPurpose } from "@/core/edit/purpose";
import { chooseProfile, findGameOf, listGames, type RegisteredGame } from "@/store/games";
import type { Stock } from "@/core/roster/roster";
import {
  findProfile,
  insertProfile,
  isNameTaken,
  listProfiles,
  saveFacts,
  setName,
  saveState,
  setDeleted,
} from "@/store/profiles";
import { addRestorePoint, findRestorePoint } from "@/store/restore-points";
import type { Tx } from "@/store/sql";
import type { Context } from "../context";
import { getStock } from "../stock";
import { storeEdit, type Stored } from "./edit-profile";
import { stateAfterEdit } from "./history";
import { claimOfKept } from "@/core/lineup/claim";
import { stateOfList } from "@/core/lineup/state-of-list";
import { findImport } from "@/store/lineup-imports";
import { currentGame } from "./situation";

export interface NewProfile {
  readonly facts: ProfileFacts;
  /** What it begins as; null for an empty one. */
  readonly from: StateSource | null;
}

/** Something that a state can be taken from, by its id; a lineup is one that was brought in before. */
export type StateSource =
  | { readonly profile: ProfileId }
  | { readonly point: string }
  | { readonly lineup: string }
  /** After an edit of this number in the journal. */
  | { readonly edit: number; readonly of: ProfileId };

/** Makes a profile, empty or a copy, and switches to it. */
export async function createProfile(context: Context, wanted: NewProfile): Promise<Outcome<Profile>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const stock = await getStock(context, game.value);
  return told(context, async (tx) => {
    const state = wanted.from
      ? await stateOf(tx, game.value, stock, wanted.from)
      : done(stateForPurpose(game.value.definition, wanted.facts.purpose, stock.owned));
    return state.ok ? addProfile(tx, game.value.id, wanted.facts, state.value) : state;
  });
}

/** A transaction after which every window has other profiles to show. */
export async function told<T>(
  { db, events }: Pick<Context, "db" | "events">,
  work: (tx: Tx) => Promise<Outcome<T>>,
): Promise<Outcome<T>> {
  const outcome = await db.transaction(work);
  if (outcome.ok) events.publish({ kind: "profiles" });
  return outcome;
}

/** The state of a profile, one that was kept of it, or one that a lineup describes as far as the shelf allows. */
export async function stateOf(
  tx: Tx,
  { definition }: RegisteredGame,
  stock: Stock,
  source: StateSource,
): Promise<Outcome<ProfileState>> {
  if ("profile" in source) {
    const profile = await findProfile(tx, source.profile);
    return profile ? done(profile.state) : refuse("no-profile");
  }
  if ("point" in source) {
    const point = await findRestorePoint(tx, source.point);
    return point ? done(point.state) : refuse("no-restore-point");
  }
  if ("edit" in source) return stateAfterEdit(tx, source.of, source.edit);
  const found = await findImport(tx, source.lineup);
  if (!found) return refuse("import-gone");
  const { lineup, claim } = found;
  return done(stateOfList(definition, { lineup, claim: claim ?? claimOfKept(lineup) }, stock));
}

/** The same, to be compared with the profile that is worked on. */
export async function readStateOf(context: Context, source: StateSource): Promise<Outcome<ProfileState>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const stock = await getStock(context, game.value);
  return context.db.transaction((tx) => stateOf(tx, game.value, stock, source));
}

/** Stores a new profile with its whole state and makes it the one that is worked on. */
export async function addProfile(
  tx: Tx,
  gameId: string,
  facts: ProfileFacts,
  state: ProfileState,
): Promise<Outcome<Profile>> {
  const named = await checkName(tx, gameId, facts.name, null);
  if (!named.ok) return named;
  const profile: Profile = {
    ...facts,
    name: named.value,
    id: ProfileId.parse(randomUUID()),
    game: gameId,
    version: 1,
    state,
  };
  await insertProfile(tx, profile);
  await saveState(tx, profile.id, profile.version, state, null);
  await chooseProfile(tx, gameId, profile.id);
  return done(profile);
}

async function checkName(
  tx: Tx,
  gameId: string,
  name: string,
  except: string | null,
): Promise<Outcome<string>> {
  const parsed = ProfileName.safeParse(name);
  if (!parsed.success) return refuse("profile-name");
  if (await isNameTaken(tx, gameId, parsed.data, except))
    return refuse("profile-name-taken", { name: parsed.data });
  return done(parsed.data);
}

export function changeProfileFacts(
  context: Context,
  id: ProfileId,
  facts: ProfileFacts,
): Promise<Outcome<null>> {
  return told(context, async (tx) => {
    const profile = await findProfile(tx, id);
    if (!profile) return refuse("no-profile");
    const named = await checkName(tx, profile.game, facts.name, id);
    if (!named.ok) return named;
    await saveFacts(tx, id, { ...facts, name: named.value });
    return done(null);
  });
}

/** Works on another profile. */
export function switchProfile({ db }: Context, id: ProfileId): Promise<Outcome<null>> {
  return db.transaction(async (tx) => {
    const game = await findGameOf(tx, id);
    if (!game) return refuse("no-profile");
    await chooseProfile(tx, game.id, id);
    return done(null);
  });
}

/** Puts a profile into the bin; if it is the one that is worked on, another one of the game becomes that. */
export function deleteProfile(context: Context, id: ProfileId): Promise<Outcome<null>> {
  return told(context, async (tx) => {
    const profile = await findProfile(tx, id);
    if (!profile) return refuse("no-profile");
    const others = (await listProfiles(tx, profile.game)).filter((each) => each.id !== id && !each.deletedAt);
    if (others.length === 0) return refuse("last-profile");
    await setDeleted(tx, id, true);
    const game = (await listGames(tx)).find((each) => each.id === profile.game);
    if (game?.profileId === id) await chooseProfile(tx, profile.game, others[0]!.id);
    return done(null);
  });
}

/** Takes a profile out of the bin and switches to it. If its name was given away since, it gets a number. */
export function bringBackProfile(context: Context, id: ProfileId, gameId: string): Promise<Outcome<null>> {
  return told(context, async (tx) => {
    const binned = (await listProfiles(tx, gameId)).find((each) => each.id === id && each.deletedAt);
    if (!binned) return refuse("no-profile");
    let name = binned.name;
    for (let n = 2; await isNameTaken(tx, gameId, name, id); n++) name = `${binned.name.slice(0, 70)} (${n})`;
    await setName(tx, id, name);
    await setDeleted(tx, id, false);
    await chooseProfile(tx, gameId, id);
    return done(null);
  });
}

export function nameRestorePoint(
  context: Context,
  profileId: ProfileId,
  name: string,
): Promise<Outcome<null>> {
  return told(context, async (tx) => {
    const profile = await findProfile(tx, profileId);
    if (!profile) return refuse("no-profile");
    const parsed = ProfileName.safeParse(name);
    if (!parsed.success) return refuse("profile-name");
    await addRestorePoint(tx, randomUUID(), profileId, parsed.data, profile.state);
    return done(null);
  });
}

/** What the profile has become since a restore point of it was made. */
export function changesSincePoint({ db }: Context, pointId: string): Promise<Outcome<Difference[]>> {
  return db.transaction(async (tx) => {
    const point = await findRestorePoint(tx, pointId);
    if (!point) return refuse("no-restore-point");
    const profile = await findProfile(tx, point.profileId);
    return profile ? done(compareStates(point.state, profile.state)) : refuse("no-profile");
  });
}

/** Goes back to a restore point by an edit like any other, so that this can be undone as well. */
export async function goBack(context: Context, pointId: string, version: number): Promise<Outcome<Stored>> {
  const point = await findRestorePoint(context.db, pointId);
  if (!point) return refuse("no-restore-point");
  const edit = {
    label: label("restore", { name: point.name }),
    steps: [{ kind: "replace" as const, state: point.state }],
  };
  return storeEdit(context, point.profileId, version, edit, { following: point.followed });
}
