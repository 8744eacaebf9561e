import type { ProfileId } from "@/core/model/ids";
import type { Claim } from "@/core/model/claim";
import type { Lineup } from "@/core/model/lineup";
import { keptLineup } from "./kept-form";
import { readKeptList } from "./lineups";
import type { Sql } from "./sql";

interface LineupImport {
  readonly id: string;
  readonly gameId: string;
  readonly fileName: string;
  readonly lineup: Lineup;
  readonly claim: Claim | null;
  /** The profile that was made of it; null while it is only looked at. */
  readonly profileId: ProfileId | null;
  readonly at: Date;
}

const columns = `id, game_id as "gameId", file_name as "fileName", lineup, claim, profile_id as "profileId", at`;

export const addImport = (
  db: Sql,
  id: string,
  gameId: string,
  fileName: string,
  { lineup, claim }: { readonly lineup: Lineup; readonly claim: Claim },
) =>
  db.query(
    `insert into lineup_import (id, game_id, file_name, lineup, claim, format)
     values ($1, $2, $3, $4, $5, $6)`,
    [id, gameId, fileName, JSON.stringify(lineup), JSON.stringify(claim), keptLineup.format],
  );

export async function findImport(db: Sql, id: string): Promise<LineupImport | null> {
  const [row] = await db.query<LineupImport & { format: number }>(
    `select ${columns}, format from lineup_import where id = $1 order by id`,
    [id],
  );
  if (!row) return null;
  const { format, ...found } = row;
  return { ...found, ...readKeptList({ ...found, format }) };
}

interface ImportSummary {
  readonly id: string;
  readonly fileName: string;
  readonly title: string;
  /** Null of a list that carries none of its author's. */
  readonly fingerprint: string | null;
  readonly profileId: ProfileId;
  readonly profileName: string;
  readonly at: Date;
}

/** Imports of which a profile was made that is still there, the newest first. */
export const listImports = (db: Sql, gameId: string) =>
  db.query<ImportSummary>(
    `select i.id, i.file_name as "fileName", i.lineup ->> 'title' as title,
       case when i.claim is null then i.lineup ->> 'fingerprint' else i.claim ->> 'fingerprint' end as fingerprint, p.id as "profileId", p.name as "profileName", i.at
     from lineup_import i join profile p on p.id = i.profile_id and p.deleted_at is null
     where i.game_id = $1 order by i.at desc, i.id limit 50`,
    [gameId],
  );

export const markImported = (db: Sql, id: string, profileId: ProfileId) =>
  db.query("update lineup_import set profile_id = $2 where id = $1", [id, profileId]);

/** Forgets files that were looked at and not imported for a day: what another window looks at now stays. */
export const dropLookedAt = (db: Sql, gameId: string) =>
  db.query(
    "delete from lineup_import where game_id = $1 and profile_id is null and at < now() - interval '1 day'",
    [gameId],
  );
