import { Claim } from "@/core/model/claim";
import type { ProfileId } from "@/core/model/ids";
import type { Lineup, LineupSheet } from "@/core/model/lineup";
import type { Sql } from "./sql";

/** What a curator said of the list of a profile; null where nothing yet. */
export async function findSheet(db: Sql, profileId: ProfileId): Promise<LineupSheet | null> {
  const rows = await db.query<{ sheet: LineupSheet }>(
    "select sheet from lineup_sheet where profile_id = $1 order by profile_id",
    [profileId],
  );
  return rows[0]?.sheet ?? null;
}

export const saveSheet = (db: Sql, profileId: ProfileId, sheet: LineupSheet) =>
  db.query(
    `insert into lineup_sheet (profile_id, sheet) values ($1, $2)
     on conflict (profile_id) do update set sheet = excluded.sheet`,
    [profileId, JSON.stringify(sheet)],
  );

export interface LineupVersion {
  readonly version: string;
  readonly at: Date;
  readonly lineup: Lineup;
}

/** The versions of a profile's list that went out, the newest first. */
export const listVersions = (db: Sql, profileId: ProfileId) =>
  db.query<LineupVersion>(
    "select version, at, lineup from lineup_version where profile_id = $1 order by at desc, version desc",
    [profileId],
  );

/** A version that went out before under the same name is replaced. */
export const saveVersion = (db: Sql, profileId: ProfileId, version: string, lineup: Lineup) =>
  db.query(
    `insert into lineup_version (profile_id, version, lineup) values ($1, $2, $3)
     on conflict (profile_id, version) do update set lineup = excluded.lineup, at = now()`,
    [profileId, version, JSON.stringify(lineup)],
  );

interface FollowedList {
  readonly lineup: Lineup;
  /** Null of one that was followed before claims were kept. */
  readonly claim: Claim | null;
}

/** The list that a profile came from, in the version that it was brought to last; null where it came from none. */
export async function findFollowed(db: Sql, profileId: ProfileId): Promise<FollowedList | null> {
  const rows = await db.query<FollowedList>(
    "select lineup, claim from followed where profile_id = $1 order by profile_id",
    [profileId],
  );
  const found = rows[0];
  // What an earlier version did not say of a list is filled in.
  return found ? { ...found, claim: found.claim && Claim.parse(found.claim) } : null;
}

export const saveFollowed = (db: Sql, profileId: ProfileId, { lineup, claim }: FollowedList) =>
  db.query(
    `insert into followed (profile_id, lineup, claim) values ($1, $2, $3)
     on conflict (profile_id) do update set lineup = excluded.lineup, claim = excluded.claim, at = now()`,
    [profileId, JSON.stringify(lineup), claim && JSON.stringify(claim)],
  );

export const dropFollowed = (db: Sql, profileId: ProfileId) =>
  db.query("delete from followed where profile_id = $1", [profileId]);
