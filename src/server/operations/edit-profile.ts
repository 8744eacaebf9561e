import "server-only";
import { randomUUID } from "node:crypto";
import type { Edit } from "@/core/model/edit";
import type { ProfileId } from "@/core/model/ids";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { ProfileState } from "@/core/model/profile";
import { changesNothing, prepareEdit } from "@/core/edit/prepare-edit";
import { shorterSteps } from "@/core/edit/shorter-steps";
import { undoKey, UndoSteps, usualUndo } from "@/core/model/preferences";
import { indexTies } from "@/core/roster/ties";
import {
  holdsEdit,
  readHistory,
  record,
  trimJournal,
  type FollowedChange,
  type History,
} from "@/store/journal";
import { readPreference } from "@/store/preferences";
import { dropUnfollowed, followedId, setFollowed } from "@/store/lineups";
import { saveState } from "@/store/profiles";
import { addRestorePoint } from "@/store/restore-points";
import type { Tx } from "@/store/sql";
import type { Context } from "../context";
import { keepAsFollowed, readFollowed, type Followed } from "./followed";
import { findProfileKnown, readGround, rememberOrders, situationOf } from "./situation";

export interface Stored {
  readonly version: number;
  readonly history: History;
  /** Only there if another list is followed now, or none. */
  readonly followed?: Followed | null;
}

/** Which list is followed: one that was kept for the profile, or none. */
interface Following {
  readonly list: string | null;
}

interface Circumstances {
  /** Said of an edit that leads back to a list that was followed before. */
  readonly following?: Following | null;
  /** What the window that made it calls it. One that is stored already is not stored again, on whatever version it was made. */
  readonly id?: string;
  /** What is to be stored with it, or not at all. */
  readonly also?: (tx: Tx) => Promise<unknown>;
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
  { following, id, also }: Circumstances = {},
): Promise<Outcome<Stored>> {
  const ground = await readGround(context, profileId);
  if (!ground.ok) return ground;
  let change: Change | null = null;
  const stored = await context.db.transaction(async (tx): Promise<Outcome<Stored>> => {
    const profile = await findProfileKnown(context, tx, profileId);
    if (!profile) return refuse("no-profile");
    const { roster } = situationOf(ground.value, profile);
    if (id && (await holdsEdit(tx, profileId, id)))
      return done({ version: profile.version, history: await readHistory(tx, profileId) });
    if (profile.version !== version) return refuse("stale");
    const prepared = prepareEdit(roster, (list) => indexTies(roster, list), edit);
    if (!prepared.ok) return prepared;
    const before = await followedId(tx, profileId);
    const leadsBack = following && following.list !== before;
    if (changesNothing(roster, prepared.value, edit) && !leadsBack)
      return done({ version, history: await readHistory(tx, profileId) });
    if (edit.restorePoint)
      await addRestorePoint(tx, randomUUID(), profileId, edit.restorePoint, profile.state);
    const followed = await followNext(tx, profileId, before, edit, following);
    if (!followed.ok) return followed;
    const { inverse, state } = prepared.value;
    change = { before: profile.state, after: state };
    const entry = {
      label: edit.label,
      steps: [...shorterSteps(edit.steps, profile.state, state)],
      inverse: [...shorterSteps(inverse, state, profile.state)],
      followed: followed.value,
    };
    await record(tx, profileId, entry, id);
    const leftLists = await trimJournal(tx, profileId, await undoKept(tx, profile.game));
    if (followed.value || leftLists) await dropUnfollowed(tx, profileId);
    await saveState(tx, profileId, version + 1, state, profile.state);
    await also?.(tx);
    return done({
      version: version + 1,
      history: await readHistory(tx, profileId),
      ...(followed.value && { followed: await readFollowed(tx, profileId) }),
    });
  });
  if (stored.ok && change)
    tellOfChange(context, ground.value.game.id, profileId, stored.value.version, change);
  return stored;
}

/** How many edits its user wants to be kept. */
async function undoKept(tx: Tx, game: string): Promise<number> {
  const set = UndoSteps.safeParse(await readPreference(tx, game, undoKey));
  return set.success ? set.data : usualUndo;
}

/** What a profile was and what it is now. */
export interface Change {
  readonly before: ProfileState;
  readonly after: ProfileState;
}

/** To be called when the change is stored for good. */
export function tellOfChange(
  context: Context,
  game: string,
  profile: ProfileId,
  version: number,
  { before, after }: Change,
): void {
  rememberOrders(context, profile, version, after);
  // Of all that a profile decides only rules can be shared by those of its game.
  context.events.publish({ kind: "edited", game, profile, version, shared: before.rules !== after.rules });
}

/** Lets the profile follow what an edit says; answers with what was followed before and after, null where that is the same. */
async function followNext(
  tx: Tx,
  profileId: ProfileId,
  before: string | null,
  { follow }: Edit,
  following: Following | null | undefined,
): Promise<Outcome<FollowedChange | null>> {
  const kept = follow ? await keepAsFollowed(tx, profileId, follow) : done(null);
  if (!kept.ok) return kept;
  const after = follow === undefined ? (following ? following.list : before) : kept.value;
  if (after === before) return done(null);
  await setFollowed(tx, profileId, after);
  return done({ before, after });
}
