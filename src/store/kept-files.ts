import type { ProfileId } from "@/core/model/ids";
import type { Sql, Tx } from "./sql";

/** What a profile keeps of a file, or, null, what all keep that keep none of their own. */
export interface KeptContents {
  readonly path: string;
  readonly profile: ProfileId | null;
  readonly keeps: boolean;
  /** Null where no file was there. */
  readonly contents: Uint8Array | null;
  /** In milliseconds. */
  readonly changed: number | null;
  readonly takenAt: Date;
}

/** Whose file lies there. */
export interface Lying {
  readonly path: string;
  readonly profile: ProfileId | null;
  /** Whose was about to be put there, when the server ended. */
  readonly pending: { readonly profile: ProfileId | null } | null;
  readonly made: readonly string[];
}

export const listKept = (db: Sql, gameId: string) =>
  db.query<KeptContents>(
    `select path, profile_id as profile, keeps, contents, changed, taken_at as "takenAt"
     from kept_file where game_id = $1 order by path, profile_id`,
    [gameId],
  );

export const listLying = (db: Sql, gameId: string) =>
  db.query<Lying>(
    `select path, profile_id as profile, pending, made from kept_file_there where game_id = $1 order by path`,
    [gameId],
  );

export const saveKept = (
  db: Sql,
  gameId: string,
  { path, profile, keeps, contents, changed }: Omit<KeptContents, "takenAt">,
) =>
  db.query(
    `insert into kept_file (game_id, path, profile_id, keeps, contents, changed) values ($1, $2, $3, $4, $5, $6)
     on conflict (game_id, path, profile_id) do update set keeps = excluded.keeps, contents = excluded.contents,
       changed = excluded.changed, taken_at = now()`,
    [gameId, path, profile, keeps, contents, changed],
  );

export const setKeeps = (db: Sql, gameId: string, path: string, profile: ProfileId, keeps: boolean) =>
  db.query("update kept_file set keeps = $4 where game_id = $1 and path = $2 and profile_id = $3", [
    gameId,
    path,
    profile,
    keeps,
  ]);

export const saveLying = (tx: Tx, gameId: string, { path, profile, pending, made }: Lying) =>
  tx.query(
    `insert into kept_file_there (game_id, path, profile_id, pending, made) values ($1, $2, $3, $4::jsonb, $5::jsonb)
     on conflict (game_id, path) do update set profile_id = excluded.profile_id, pending = excluded.pending,
       made = excluded.made`,
    [gameId, path, profile, pending && JSON.stringify(pending), JSON.stringify(made)],
  );
