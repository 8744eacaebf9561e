import type { ProfileId } from "@/core/model/ids";
import type { Sql, Tx } from "./sql";

export interface WrittenFile {
  readonly path: string;
  readonly sha256: string;
  /** What was about to be written when the server ended. */
  readonly pending: string | null;
  /** The profile whose order it is, and the number of its last edit then. */
  readonly profileId: ProfileId | null;
  readonly edits: number;
}

/** What Seating wrote last at a path; null where it never has. */
export async function findWritten(db: Sql, gameId: string, path: string): Promise<WrittenFile | null> {
  const rows = await db.query<WrittenFile>(
    `select path, sha256, pending, profile_id as "profileId", edits from written_file
     where game_id = $1 and path = $2 order by path`,
    [gameId, path],
  );
  return rows[0] ?? null;
}

/** To be said before the file is written. */
export const willWrite = (tx: Tx, gameId: string, path: string, sha256: string) =>
  tx.query(
    `insert into written_file (game_id, path, sha256, pending, edits) values ($1, $2, '', $3, 0)
     on conflict (game_id, path) do update set pending = excluded.pending`,
    [gameId, path, sha256],
  );

export const hasWritten = (
  tx: Tx,
  gameId: string,
  { path, sha256, profileId, edits }: Omit<WrittenFile, "pending">,
) =>
  tx.query(
    `insert into written_file (game_id, path, sha256, profile_id, edits) values ($1, $2, $3, $4, $5)
     on conflict (game_id, path) do update set sha256 = excluded.sha256, pending = null,
       profile_id = excluded.profile_id, edits = excluded.edits, at = now()`,
    [gameId, path, sha256, profileId, edits],
  );

interface FileCopy {
  readonly id: string;
  readonly path: string;
  readonly at: Date;
  /** In bytes. */
  readonly size: number;
}

/** The newest first. */
export const listCopies = (db: Sql, gameId: string) =>
  db.query<FileCopy>(
    `select id, path, at, octet_length(contents) as size from file_copy
     where game_id = $1 order by at desc, id`,
    [gameId],
  );

/** Keeps the contents of a file; the same ones are kept once, and count as kept now. */
export const keepCopy = (
  tx: Tx,
  id: string,
  gameId: string,
  {
    path,
    sha256,
    contents,
  }: { readonly path: string; readonly sha256: string; readonly contents: Uint8Array },
) =>
  tx.query(
    `insert into file_copy (id, game_id, path, sha256, contents) values ($1, $2, $3, $4, $5)
     on conflict (game_id, path, sha256) do update set at = now()`,
    [id, gameId, path, sha256, contents],
  );

/** Deletes the copies of a file beyond so many, the oldest first. */
export const dropOldCopies = (tx: Tx, gameId: string, path: string, most: number) =>
  tx.query(
    `delete from file_copy where game_id = $1 and path = $2 and id not in (
       select id from file_copy where game_id = $1 and path = $2 order by at desc, id limit $3)`,
    [gameId, path, most],
  );

export async function findCopy(
  db: Sql,
  gameId: string,
  id: string,
): Promise<{ readonly path: string; readonly contents: Uint8Array } | null> {
  const rows = await db.query<{ path: string; contents: Uint8Array }>(
    "select path, contents from file_copy where game_id = $1 and id = $2 order by id",
    [gameId, id],
  );
  return rows[0] ?? null;
}
