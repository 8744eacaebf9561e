import type { Sql } from "./sql";

export interface BinnedMod {
  readonly id: string;
  /** Its path on the shelf before, and the absolute one at which it lies now. */
  readonly path: string;
  readonly liesAt: string;
  readonly name: string;
  readonly version: string;
  readonly size: number;
}

/** What lies in the bin of a game, the last dropped first. */
export const listBin = (db: Sql, gameId: string) =>
  db.query<BinnedMod>(
    `select id, path, lies_at as "liesAt", name, version, size from mod_bin where game_id = $1
     order by dropped_at desc, name`,
    [gameId],
  );

export const putInBin = (db: Sql, gameId: string, mods: readonly BinnedMod[]) =>
  db.query(
    `insert into mod_bin (id, game_id, path, lies_at, name, version, size)
     select b.id, $1, b.path, b."liesAt", b.name, b.version, b.size
     from jsonb_to_recordset($2::jsonb)
       as b (id text, path text, "liesAt" text, name text, version text, size bigint)`,
    [gameId, JSON.stringify(mods)],
  );

export const takeFromBin = (db: Sql, ids: readonly string[]) =>
  db.query("delete from mod_bin where id = any($1::text[])", [ids]);
