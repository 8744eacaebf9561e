import type { Transfer, TransferState } from "@/core/model/transfer";
import type { Refusal } from "@/core/model/refusal";
import type { Sql } from "./sql";

/** The ledger of a game, in the order in which things are to be got. */
export const listTransfers = (db: Sql, gameId: string) =>
  db.query<Transfer>(
    `select file, mod_id as "modId", name, version, size, sha256, state, received, tries, problem
     from transfer where game_id = $1 order by position`,
    [gameId],
  );

/** Puts archives at the end of the queue; one that failed or was got before is got anew. */
export const addTransfers = (db: Sql, gameId: string, transfers: readonly Transfer[]) =>
  db.query(
    `insert into transfer (game_id, file, mod_id, name, version, size, sha256, state, received, tries, problem)
     select $1, t.file, t."modId", t.name, t.version, t.size, t.sha256, t.state, t.received, t.tries, t.problem
     from jsonb_to_recordset($2::jsonb) as t (file text, "modId" text, name text, version text, size bigint,
       sha256 text, state text, received bigint, tries integer, problem jsonb)
     on conflict (game_id, file) do update set state = excluded.state, tries = 0, problem = null, ended_at = null
       where transfer.state in ('failed', 'got', 'by-hand')`,
    [gameId, JSON.stringify(transfers)],
  );

export interface TransferChange {
  readonly state: TransferState;
  readonly received: number;
  readonly tries: number;
  readonly problem: Refusal | null;
}

export const changeTransfer = (db: Sql, gameId: string, file: string, change: TransferChange) =>
  db.query(
    `update transfer set state = $3, received = $4, tries = $5, problem = $6,
       ended_at = case when $3 in ('got', 'failed') then now() end
     where game_id = $1 and file = $2`,
    [
      gameId,
      file,
      change.state,
      change.received,
      change.tries,
      change.problem && JSON.stringify(change.problem),
    ],
  );

/** What was under way when the server stopped waits again. */
export const waitAgain = (db: Sql, gameId: string) =>
  db.query("update transfer set state = 'waiting' where game_id = $1 and state = 'under-way'", [gameId]);

export const retryFailed = (db: Sql, gameId: string) =>
  db.query(
    "update transfer set state = 'waiting', tries = 0, problem = null, ended_at = null where game_id = $1 and state = 'failed'",
    [gameId],
  );

/** Takes lines out of the ledger: those of the given states. */
export const clearTransfers = (db: Sql, gameId: string, states: readonly TransferState[]) =>
  db.query("delete from transfer where game_id = $1 and state = any($2::text[])", [gameId, states]);
