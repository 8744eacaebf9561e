import type { ProfileId } from "@/core/model/ids";
import { ProfileState } from "@/core/model/profile";
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
    `insert into restore_point (id, profile_id, name, state, followed)
     select $1, $2, $3, $4, jsonb_build_object('list', followed_id) from profile where id = $2`,
    [id, profileId, name, JSON.stringify(state)],
  );

interface KeptPoint {
  readonly profileId: ProfileId;
  readonly name: string;
  readonly state: ProfileState;
  /** Which list was followed; null of a point that does not know it. */
  readonly followed: { readonly list: string | null } | null;
}

export async function findRestorePoint(db: Sql, id: string): Promise<KeptPoint | null> {
  const rows = await db.query<KeptPoint>(
    `select profile_id as "profileId", name, state, followed from restore_point where id = $1 order by id`,
    [id],
  );
  return rows[0] ? { ...rows[0], state: ProfileState.parse(rows[0].state) } : null;
}
