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

/** What is being done with files: moved into the bin, out of it, or deleted. */
export type Moving = "in" | "out" | "gone";

const columns = `id, path, lies_at as "liesAt", name, version, size`;

/** What lies in the bin of a game, the last dropped first. */
export const listBin = (db: Sql, gameId: string) =>
  db.query<BinnedMod>(
    `select ${columns} from mod_bin where game_id = $1 and moving is distinct from 'in'
     order by dropped_at desc, name`,
    [gameId],
  );

/** What was under way when it was last noted. */
export const listMoving = (db: Sql, gameId: string) =>
  db.query<BinnedMod & { readonly moving: Moving }>(
    `select ${columns}, moving from mod_bin where game_id = $1 and moving is not null order by dropped_at, id`,
    [gameId],
  );

/** Notes that mods are about to be moved into the bin. */
export const willPutInBin = (db: Sql, gameId: string, mods: readonly BinnedMod[]) =>
  db.query(
    `insert into mod_bin (id, game_id, path, lies_at, name, version, size, moving)
     select b.id, $1, b.path, b."liesAt", b.name, b.version, b.size, 'in'
     from jsonb_to_recordset($2::jsonb)
       as b (id text, path text, "liesAt" text, name text, version text, size bigint)`,
    [gameId, JSON.stringify(mods)],
  );

/** Notes what is about to be done with mods of the bin; null: they lie there. */
export const setMoving = (db: Sql, ids: readonly string[], moving: Moving | null) =>
  db.query("update mod_bin set moving = $2 where id = any($1::text[])", [ids, moving]);

export const takeFromBin = (db: Sql, ids: readonly string[]) =>
  db.query("delete from mod_bin where id = any($1::text[])", [ids]);
