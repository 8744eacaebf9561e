import type { Claim } from "@/core/model/claim";
import type { ProfileId } from "@/core/model/ids";
import type { Lineup, LineupSheet } from "@/core/model/lineup";
import { keptClaim, keptLineup, keptSheet } from "./kept-form";
import type { Sql } from "./sql";

/** What a curator said of the list of a profile; null where nothing yet. */
export async function findSheet(db: Sql, profileId: ProfileId): Promise<LineupSheet | null> {
  const [row] = await db.query<{ sheet: unknown; format: number }>(
    "select sheet, format from lineup_sheet where profile_id = $1 order by profile_id",
    [profileId],
  );
  return row ? keptSheet.read(row.sheet, row.format) : null;
}

export const saveSheet = (db: Sql, profileId: ProfileId, sheet: LineupSheet) =>
  db.query(
    `insert into lineup_sheet (profile_id, sheet, format) values ($1, $2, $3)
     on conflict (profile_id) do update set sheet = excluded.sheet, format = excluded.format`,
    [profileId, JSON.stringify(sheet), keptSheet.format],
  );

export interface LineupVersion {
  readonly version: string;
  readonly at: Date;
  readonly lineup: Lineup;
}

/** The versions of a profile's list that went out, the newest first. */
export async function listVersions(db: Sql, profileId: ProfileId): Promise<LineupVersion[]> {
  const rows = await db.query<LineupVersion & { format: number }>(
    `select version, at, lineup, format from lineup_version where profile_id = $1
     order by at desc, version desc`,
    [profileId],
  );
  return rows.map(({ format, lineup, ...row }) => ({ ...row, lineup: keptLineup.read(lineup, format) }));
}

/** A version that went out before under the same name is replaced. */
export const saveVersion = (db: Sql, profileId: ProfileId, version: string, lineup: Lineup) =>
  db.query(
    `insert into lineup_version (profile_id, version, lineup, format) values ($1, $2, $3, $4)
     on conflict (profile_id, version) do update
       set lineup = excluded.lineup, format = excluded.format, at = now()`,
    [profileId, version, JSON.stringify(lineup), keptLineup.format],
  );

export interface FollowedList {
  readonly lineup: Lineup;
  /** Null of one that was followed before claims were kept. */
  readonly claim: Claim | null;
}

/** Id of the list that a profile follows, among those kept for it; null where it follows none. */
export async function followedId(db: Sql, profileId: ProfileId): Promise<string | null> {
  const rows = await db.query<{ id: string | null }>(
    "select followed_id as id from profile where id = $1 order by id",
    [profileId],
  );
  return rows[0]?.id ?? null;
}

/** The list that a profile follows, in the version that it was brought to last; null where it follows none. */
export async function findFollowed(db: Sql, profileId: ProfileId): Promise<FollowedList | null> {
  const [row] = await db.query<{ lineup: unknown; claim: unknown; format: number }>(
    `select l.lineup, l.claim, l.format from profile p join followed_list l on l.id = p.followed_id
     where p.id = $1 order by l.id`,
    [profileId],
  );
  return row ? readKeptList(row) : null;
}

/** A list with its claim, as they are kept together. */
export const readKeptList = (row: { lineup: unknown; claim: unknown; format: number }): FollowedList => ({
  lineup: keptLineup.read(row.lineup, row.format),
  claim: keptClaim.read(row.claim, row.format),
});

interface Follower {
  readonly id: ProfileId;
  readonly name: string;
  readonly list: string | null;
  readonly title: string;
  readonly author: string;
  readonly fingerprint: string | null;
}

/** The profiles of a game that follow a list, with what that list is known by. */
export const listFollowers = (db: Sql, gameId: string) =>
  db.query<Follower>(
    `select p.id, p.name, l.lineup ->> 'list' as list, l.lineup ->> 'title' as title,
       l.lineup ->> 'author' as author, l.claim ->> 'fingerprint' as fingerprint
     from profile p join followed_list l on l.id = p.followed_id
     where p.game_id = $1 and p.deleted_at is null order by p.name, p.id`,
    [gameId],
  );

/** Keeps a list that a profile is to follow, for good measure beside those that its edits lead back to. */
export const addFollowed = (db: Sql, id: string, profileId: ProfileId, { lineup, claim }: FollowedList) =>
  db.query("insert into followed_list (id, profile_id, lineup, claim, format) values ($1, $2, $3, $4, $5)", [
    id,
    profileId,
    JSON.stringify(lineup),
    claim && JSON.stringify(claim),
    keptLineup.format,
  ]);

/** `id` of a list that was added for the profile; null: it follows none. */
export const setFollowed = (db: Sql, profileId: ProfileId, id: string | null) =>
  db.query("update profile set followed_id = $2 where id = $1", [profileId, id]);

/** Forgets lists that the profile followed and to which neither its edits nor its restore points lead back. */
export const dropUnfollowed = (db: Sql, profileId: ProfileId) =>
  db.query(
    `delete from followed_list l where l.profile_id = $1
       and not exists (select 1 from profile p where p.followed_id = l.id)
       and not exists (select 1 from journal j where j.profile_id = $1
         and l.id in (j.followed ->> 'before', j.followed ->> 'after'))
       and not exists (select 1 from restore_point r where r.profile_id = $1 and l.id = r.followed ->> 'list')`,
    [profileId],
  );

/** Reads each list that is kept for a profile, in whatever way; throws at the first that is not sound. */
export async function checkKeptLists(db: Sql, profileId: ProfileId): Promise<void> {
  await findSheet(db, profileId);
  await listVersions(db, profileId);
  const kept = await db.query<{ lineup: unknown; claim: unknown; format: number }>(
    `select lineup, claim, format from followed_list where profile_id = $1
     union all select lineup, claim, format from lineup_import where profile_id = $1`,
    [profileId],
  );
  kept.forEach(readKeptList);
}
