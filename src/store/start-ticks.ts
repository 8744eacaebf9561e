import type { ProfileId } from "@/core/model/ids";
import type { Sql } from "./sql";

export async function listTicks(db: Sql, profileId: ProfileId): Promise<ReadonlySet<string>> {
  const rows = await db.query<{ note: string }>(
    "select note from start_tick where profile_id = $1 order by note",
    [profileId],
  );
  return new Set(rows.map(({ note }) => note));
}

export const tick = (db: Sql, profileId: ProfileId, note: string) =>
  db.query("insert into start_tick (profile_id, note) values ($1, $2) on conflict do nothing", [
    profileId,
    note,
  ]);

export const untick = (db: Sql, profileId: ProfileId, notes: readonly string[]) =>
  db.query("delete from start_tick where profile_id = $1 and note = any ($2::text[])", [profileId, notes]);
