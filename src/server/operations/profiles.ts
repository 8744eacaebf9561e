import "server-only";
import { changesSince, type Changes } from "@/core/profile/changes";
import { randomUUID } from "node:crypto";
import { label } from "@/core/profile/steps";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { ProfileName, type Profile, type ProfilePurpose, type ProfileState } from "@/core/model/profile";
import { emptyState } from "@/core/profile/arrivals";
import { chooseProfile } from "@/store/games";
import {
  findProfile,
  insertProfile,
  isNameTaken,
  listProfiles,
  renameProfile,
  saveState,
  setDeleted,
} from "@/store/profiles";
import { addRestorePoint, findRestorePoint } from "@/store/restore-points";
import type { Sql } from "@/store/sql";
import type { Context } from "../context";
import { getStock } from "../stock";
import { storeEdit, type Stored } from "./edit-profile";
import { currentGame } from "./situation";

export interface NewProfile {
  readonly name: string;
  readonly purpose: ProfilePurpose;
  /** The profile to copy; null for an empty one. */
  readonly copyOf: string | null;
}

/** Makes a profile, empty or a copy, and switches to it. */
export async function createProfile(context: Context, wanted: NewProfile): Promise<Outcome<Profile>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const stock = await getStock(context, game.value);
  return context.db.transaction(async (tx) => {
    const source = wanted.copyOf === null ? null : await findProfile(tx, wanted.copyOf);
    if (wanted.copyOf !== null && !source) return refuse("no-profile");
    const state = source?.state ?? emptyState(game.value.definition, stock.owned);
    return addProfile(tx, game.value.id, wanted.name, wanted.purpose, state);
  });
}

/** Stores a new profile with its whole state and makes it the one that is worked on. */
export async function addProfile(
  tx: Sql,
  gameId: string,
  name: string,
  purpose: ProfilePurpose,
  state: ProfileState,
): Promise<Outcome<Profile>> {
  const named = await checkName(tx, gameId, name, null);
  if (!named.ok) return named;
  const profile: Profile = { id: randomUUID(), game: gameId, name: named.value, purpose, version: 1, state };
  await insertProfile(tx, profile);
  await saveState(tx, profile.id, profile.version, state, null);
  await chooseProfile(tx, gameId, profile.id);
  return done(profile);
}

async function checkName(
  tx: Sql,
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
  { db }: Context,
  id: string,
  name: string,
  purpose: ProfilePurpose,
): Promise<Outcome<null>> {
  return db.transaction(async (tx) => {
    const profile = await findProfile(tx, id);
    if (!profile) return refuse("no-profile");
    const named = await checkName(tx, profile.game, name, id);
    if (!named.ok) return named;
    await renameProfile(tx, id, named.value, purpose);
    return done(null);
  });
}

export function switchProfile({ db }: Context, id: string): Promise<Outcome<null>> {
  return db.transaction(async (tx) => {
    const profile = await findProfile(tx, id);
    if (!profile) return refuse("no-profile");
    await chooseProfile(tx, profile.game, id);
    return done(null);
  });
}

/** Puts a profile into the bin; another one of the game becomes the one that is worked on. */
export function deleteProfile({ db }: Context, id: string): Promise<Outcome<null>> {
  return db.transaction(async (tx) => {
    const profile = await findProfile(tx, id);
    if (!profile) return refuse("no-profile");
    const others = (await listProfiles(tx, profile.game)).filter((each) => each.id !== id && !each.deletedAt);
    if (others.length === 0) return refuse("last-profile");
    await setDeleted(tx, id, true);
    await chooseProfile(tx, profile.game, others[0]!.id);
    return done(null);
  });
}

/** Takes a profile out of the bin and switches to it. If its name was given away since, it gets a number. */
export function bringBackProfile({ db }: Context, id: string, gameId: string): Promise<Outcome<null>> {
  return db.transaction(async (tx) => {
    const binned = (await listProfiles(tx, gameId)).find((each) => each.id === id && each.deletedAt);
    if (!binned) return refuse("no-profile");
    let name = binned.name;
    for (let n = 2; await isNameTaken(tx, gameId, name, id); n++) name = `${binned.name.slice(0, 70)} (${n})`;
    await renameProfile(tx, id, name, binned.purpose);
    await setDeleted(tx, id, false);
    await chooseProfile(tx, gameId, id);
    return done(null);
  });
}

export function nameRestorePoint({ db }: Context, profileId: string, name: string): Promise<Outcome<null>> {
  return db.transaction(async (tx) => {
    const profile = await findProfile(tx, profileId);
    if (!profile) return refuse("no-profile");
    const parsed = ProfileName.safeParse(name);
    if (!parsed.success) return refuse("profile-name");
    await addRestorePoint(tx, randomUUID(), profileId, parsed.data, profile.state);
    return done(null);
  });
}

/** What the profile has become since a restore point of it was made. */
export async function changesSincePoint({ db }: Context, pointId: string): Promise<Outcome<Changes>> {
  const point = await findRestorePoint(db, pointId);
  if (!point) return refuse("no-restore-point");
  const profile = await findProfile(db, point.profileId);
  return profile ? done(changesSince(point.state, profile.state)) : refuse("no-profile");
}

/** Goes back to a restore point by an edit like any other, so that this can be undone as well. */
export async function goBack(context: Context, pointId: string, version: number): Promise<Outcome<Stored>> {
  const point = await findRestorePoint(context.db, pointId);
  if (!point) return refuse("no-restore-point");
  return storeEdit(context, point.profileId, version, {
    label: label("restore", { name: point.name }),
    steps: [{ kind: "replace", state: point.state }],
  });
}
