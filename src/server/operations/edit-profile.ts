import "server-only";
import { randomUUID } from "node:crypto";
import type { Edit } from "@/core/model/edit";
import type { ProfileId } from "@/core/model/ids";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { Profile, ProfileState } from "@/core/model/profile";
import { changesNothing, prepareEdit } from "@/core/edit/prepare-edit";
import { applySteps } from "@/core/edit/steps";
import { indexTies } from "@/core/roster/ties";
import { findNext, readHistory, record, setUndone, type History } from "@/store/journal";
import { findProfile, saveState } from "@/store/profiles";
import { addRestorePoint } from "@/store/restore-points";
import type { Sql } from "@/store/sql";
import type { Context } from "../context";
import { readProfile, readSituation, rememberOrders } from "./situation";

export interface Stored {
  readonly version: number;
  readonly history: History;
}

/**
 * Stores an edit that was made against `version` of the profile. If the profile has changed since, it is refused
 * as stale and nothing is stored.
 */
export async function storeEdit(
  context: Context,
  profileId: ProfileId,
  version: number,
  edit: Edit,
): Promise<Outcome<Stored>> {
  let state: ProfileState | null = null;
  const stored = await context.db.transaction(async (tx): Promise<Outcome<Stored>> => {
    const situation = await readSituation(context, tx, profileId);
    if (!situation.ok) return situation;
    const { profile, roster } = situation.value;
    if (profile.version !== version) return refuse("stale");
    const prepared = prepareEdit(roster, (list) => indexTies(roster, list), edit);
    if (!prepared.ok) return prepared;
    if (changesNothing(roster, prepared.value))
      return done({ version, history: await readHistory(tx, profileId) });
    state = prepared.value.state;
    if (edit.restorePoint)
      await addRestorePoint(tx, randomUUID(), profileId, edit.restorePoint, profile.state);
    await record(tx, profileId, { label: edit.label, steps: edit.steps, inverse: prepared.value.inverse });
    await saveState(tx, profileId, version + 1, state, profile.state);
    return done({ version: version + 1, history: await readHistory(tx, profileId) });
  });
  if (stored.ok && state) rememberOrders(context, profileId, stored.value.version, state);
  return stored;
}

export interface Returned {
  readonly profile: Profile;
  readonly history: History;
}

/** Takes back the last edit, or does the last one that was taken back again. */
export function step(
  context: Context,
  profileId: ProfileId,
  version: number,
  way: "undo" | "redo",
): Promise<Outcome<Returned>> {
  return context.db.transaction(async (tx) => {
    const profile = await readProfile(context, tx, profileId);
    if (!profile) return refuse("no-profile");
    if (profile.version !== version) return refuse("stale");
    const entry = await findNext(tx, profileId, way);
    if (!entry) return refuse(`nothing-to-${way}`);
    const applied = applySteps(profile.state, way === "undo" ? entry.inverse : entry.steps);
    if (!applied.ok) return applied;
    await setUndone(tx, profileId, entry.number, way === "undo");
    await saveState(tx, profileId, version + 1, applied.value.state, profile.state);
    return readBack(tx, profileId);
  });
}

export async function readBack(db: Sql, profileId: ProfileId): Promise<Outcome<Returned>> {
  const profile = await findProfile(db, profileId);
  return profile ? done({ profile, history: await readHistory(db, profileId) }) : refuse("no-profile");
}
