import type { ProfileId } from "@/core/model/ids";
import type { ProfileState } from "@/core/model/profile";
import { keptState } from "./kept-form";
import type { Sql } from "./sql";

interface RestorePoint {
  readonly id: string;
  readonly name: string;
  readonly at: Date;
}

export const listRestorePoints = (db: Sql, profileId: ProfileId) =>
  db.query<RestorePoint>(
    "select id, name, at from restore_point where profile_id = $1 order by at desc, id",
    [profileId],
  );

/** Keeps a state of the profile, and which list it follows. */
export const addRestorePoint = (
  db: Sql,
  id: string,
  profileId: ProfileId,
  name: string,
  state: ProfileState,
) =>
  db.query(
    `insert into restore_point (id, profile_id, name, state, followed, format)
     select $1, $2, $3, $4, jsonb_build_object('list', followed_id), $5 from profile where id = $2`,
    [id, profileId, name, JSON.stringify(state), keptState.format],
  );

interface KeptPoint {
  readonly profileId: ProfileId;
  readonly name: string;
  readonly state: ProfileState;
  /** Which list was followed; null of a point that does not know it. */
  readonly followed: { readonly list: string | null } | null;
}

export async function findRestorePoint(db: Sql, id: string): Promise<KeptPoint | null> {
  const [row] = await db.query<KeptPoint & { format: number }>(
    `select profile_id as "profileId", name, state, followed, format from restore_point where id = $1
     order by id`,
    [id],
  );
  if (!row) return null;
  const { format, ...point } = row;
  return { ...point, state: keptState.read(point.state, format) };
}
