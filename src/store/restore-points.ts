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

export const addRestorePoint = (
  db: Sql,
  id: string,
  profileId: ProfileId,
  name: string,
  state: ProfileState,
) =>
  db.query("insert into restore_point (id, profile_id, name, state) values ($1, $2, $3, $4)", [
    id,
    profileId,
    name,
    JSON.stringify(state),
  ]);

export async function findRestorePoint(
  db: Sql,
  id: string,
): Promise<{ profileId: ProfileId; name: string; state: ProfileState } | null> {
  const rows = await db.query<{ profileId: ProfileId; name: string; state: unknown }>(
    `select profile_id as "profileId", name, state from restore_point where id = $1 order by id`,
    [id],
  );
  return rows[0] ? { ...rows[0], state: ProfileState.parse(rows[0].state) } : null;
}
