import "server-only";
import type { Level } from "@/core/model/finding";
import type { ProfileId } from "@/core/model/ids";
import type { Profile } from "@/core/model/profile";
import { compareStates, type Difference } from "@/core/compare/states";
import { listLastCounts } from "@/store/health";
import { readHistory, type History } from "@/store/journal";
import { findRun, listProfiles, listUsage, type Usage } from "@/store/profiles";
import { listRestorePoints } from "@/store/restore-points";
import type { Tx } from "@/store/sql";
import type { Context } from "../context";
import { readFollowed, type Followed } from "../operations/followed";
import { findProfileKnown, rememberOrders } from "../operations/situation";

export interface ProfileListed {
  readonly id: ProfileId;
  readonly name: string;
  readonly purpose: string;
  readonly hue: number | null;
  readonly note: string | null;
  /** ISO 8601; when the note was last written. */
  readonly notedAt: string | null;
  /** On, and there. */
  readonly modsOn: number;
  readonly mods: number;
  /** Bytes on the disk of the mods that are on. */
  readonly size: number;
  readonly deleted: boolean;
  /** ISO 8601; the latter is null where no trial ran well yet. */
  readonly madeAt: string;
  readonly ranAt: string | null;
  /** How many findings there were of each level when it was last looked at; null where it never was. */
  readonly found: Readonly<Record<Level, number>> | null;
}

interface RestorePointListed {
  readonly id: string;
  readonly name: string;
  /** ISO 8601. */
  readonly at: string;
}

/** All profiles of a game, and by the id of a mod those that hold it, by their ids. */
export interface ProfilesView {
  readonly profiles: readonly ProfileListed[];
  readonly usage: readonly Usage[];
}

/** What is shown of one profile; all that has to be there where another one is worked on. */
export interface ProfileView {
  readonly profile: Profile;
  readonly history: History;
  readonly followed: Followed | null;
  /** What the profile has become since a trial last ran well; null where none did. */
  readonly sinceRun: readonly Difference[] | null;
  readonly restorePoints: readonly RestorePointListed[];
}

export async function viewProfiles({ db }: Pick<Context, "db">, gameId: string): Promise<ProfilesView> {
  const profiles = await listProfiles(db, gameId);
  const counts = await listLastCounts(db, gameId);
  const found = new Map(counts.map(({ profileId, ...levels }) => [profileId, levels]));
  return {
    profiles: profiles.map(({ deletedAt, madeAt, ranAt, notedAt, ...rest }) => ({
      ...rest,
      deleted: deletedAt !== null,
      madeAt: madeAt.toISOString(),
      ranAt: ranAt?.toISOString() ?? null,
      notedAt: notedAt?.toISOString() ?? null,
      found: found.get(rest.id) ?? null,
    })),
    usage: await listUsage(db, gameId),
  };
}

/** All of one moment: no edit gets between what is read. Null where there is no such profile. */
export async function viewProfile(context: Context, profileId: ProfileId): Promise<ProfileView | null> {
  const view = await context.db.transaction(async (tx) => {
    const profile = await findProfileKnown(context, tx, profileId);
    if (!profile) return null;
    const points = await listRestorePoints(tx, profileId);
    return {
      profile,
      history: await readHistory(tx, profileId),
      followed: await readFollowed(tx, profileId),
      sinceRun: await changesSinceRun(tx, profile),
      restorePoints: points.map((point) => ({ ...point, at: point.at.toISOString() })),
    };
  });
  if (view) rememberOrders(context, profileId, view.profile.version, view.profile.state);
  return view;
}

async function changesSinceRun(tx: Tx, { id, state }: Profile): Promise<Difference[] | null> {
  const run = await findRun(tx, id);
  return run ? compareStates(run.state, state) : null;
}
