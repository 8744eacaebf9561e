import type { Level } from "@/core/model/finding";
import type { ProfileId } from "@/core/model/ids";
import type { Sql, Tx } from "./sql";

interface SeenFinding {
  readonly finding: string;
  readonly since: Date;
}

/** How many findings there were at the end of a day (ISO 8601). */
interface DayCount extends Readonly<Record<Level, number>> {
  readonly day: string;
}

/** What is found of a profile now, by the ids: what is new is seen from now on, what is gone is forgotten; and how many of each level that is today. */
export async function noteFindings(
  tx: Tx,
  profileId: ProfileId,
  findings: readonly string[],
  counts: Readonly<Record<Level, number>>,
): Promise<void> {
  await tx.query("delete from finding_seen where profile_id = $1 and finding <> all ($2::text[])", [
    profileId,
    findings,
  ]);
  await tx.query(
    `insert into finding_seen (profile_id, finding) select $1, unnest($2::text[]) on conflict do nothing`,
    [profileId, findings],
  );
  await countFindings(tx, profileId, 0, counts);
}

/** How many findings of each level there were at the end of today, or so many days ago. */
export const countFindings = (
  tx: Tx,
  profileId: ProfileId,
  daysAgo: number,
  counts: Readonly<Record<Level, number>>,
) =>
  tx.query(
    `insert into finding_count (profile_id, day, blockers, problems, hints)
     values ($1, current_date - $2::int, $3, $4, $5)
     on conflict (profile_id, day) do update
       set blockers = excluded.blockers, problems = excluded.problems, hints = excluded.hints`,
    [profileId, daysAgo, counts.blocker, counts.problem, counts.hint],
  );

export const listSeen = (db: Sql, profileId: ProfileId) =>
  db.query<SeenFinding>("select finding, since from finding_seen where profile_id = $1 order by finding", [
    profileId,
  ]);

/** The last so many days, the oldest first. */
export const listCounts = async (db: Sql, profileId: ProfileId, days: number): Promise<DayCount[]> => {
  const rows = await db.query<DayCount>(
    `select to_char(day, 'YYYY-MM-DD') as day, blockers as blocker, problems as problem, hints as hint
     from finding_count where profile_id = $1 order by day desc limit $2`,
    [profileId, days],
  );
  return rows.reverse();
};

interface LastCount extends Readonly<Record<Level, number>> {
  readonly profileId: ProfileId;
}

/** How many findings each profile of a game had when they were last noted; what was never looked at is not there. */
export const listLastCounts = (db: Sql, gameId: string) =>
  db.query<LastCount>(
    `select distinct on (profile_id) profile_id as "profileId", blockers as blocker, problems as problem, hints as hint
     from finding_count join profile on profile.id = profile_id
     where game_id = $1 order by profile_id, day desc`,
    [gameId],
  );
