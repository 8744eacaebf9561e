import { recordsOf, type ContentFile, type RecordNames, type ShelfMod } from "@/core/model/shelf";
import { linesOf, packFiles, unpackFiles, type PackedFiles } from "@/core/model/packed-files";
import type { Sql } from "./sql";

interface Row extends PackedFiles {
  readonly content: string;
}

const columns = "content, paths, sizes, encode(hashes, 'hex') as hashes, parts, containers";

/** Keeps what was read of the contents of mods. */
export function saveContents(db: Sql, gameId: string, mods: readonly ShelfMod[]): Promise<void> {
  const all = mods.flatMap(({ content, contentFiles: files, plugins }): Contents[] =>
    content !== null && files ? [{ content, files, records: recordsOf(plugins) }] : [],
  );
  return saveFiles(db, gameId, all);
}

interface Contents {
  readonly content: string;
  readonly files: readonly ContentFile[];
  readonly records: readonly RecordNames[];
}

/** Keeps the files of some contents, in place of what was known of the same; several may be the same. */
export async function saveFiles(db: Sql, gameId: string, all: readonly Contents[]): Promise<void> {
  const rows = new Map(
    all.map(({ content, files, records }) => [content, { content, ...packFiles(files), records }]),
  );
  if (rows.size === 0) return;
  await db.query(
    `insert into contents (game_id, content, paths, sizes, hashes, parts, containers, records)
     select $1, c.content, c.paths, c.sizes, decode(c.hashes, 'hex'), c.parts, c.containers, c.records
     from json_to_recordset($2::json) as c (content text, paths text, sizes text, hashes text, parts text,
       containers text, records json)
     on conflict (game_id, content) do update set paths = excluded.paths, sizes = excluded.sizes,
       hashes = excluded.hashes, parts = excluded.parts, containers = excluded.containers, records = excluded.records`,
    [gameId, JSON.stringify([...rows.values()])],
  );
}

/** The files of some contents; empty where they are not known. */
export async function filesOfContent(db: Sql, gameId: string, content: string): Promise<ContentFile[]> {
  const rows = await db.query<Row>(`select ${columns} from contents where game_id = $1 and content = $2`, [
    gameId,
    content,
  ]);
  return rows.flatMap(unpackFiles);
}

/** The paths of each contents that lie on the shelf; one may stand several times, for several parts. */
export async function listPaths(db: Sql, gameId: string): Promise<Map<string, string[]>> {
  const rows = await db.query<Pick<Row, "content" | "paths">>(
    `select content, paths from contents where game_id = $1
     and content in (select content from shelf_mod where game_id = $1) order by content`,
    [gameId],
  );
  return new Map(rows.map(({ content, paths }) => [content, linesOf(paths)]));
}

/** What was read of contents, as it is stored; those of which nothing is known are left out. */
export const listContents = (db: Sql, gameId: string, contents: readonly string[]) =>
  db.query<Row & { readonly records: readonly RecordNames[] }>(
    `select ${columns}, records from contents where game_id = $1 and content = any($2::text[]) order by content`,
    [gameId, [...contents]],
  );

/** The files of each contents of shelf and game among whose paths this text occurs, whatever the case of its plain letters. */
export async function listContaining(
  db: Sql,
  gameId: string,
  text: string,
): Promise<Map<string, ContentFile[]>> {
  const rows = await db.query<Row>(
    `select ${columns} from contents where game_id = $1 and strpos(lower(paths), lower($2)) > 0
     and content in (select content from shelf_mod where game_id = $1
       union select content from loose_files where game_id = $1) order by content`,
    [gameId, text],
  );
  return new Map(rows.map((row) => [row.content, unpackFiles(row)]));
}

/** Forgets what was read of contents that neither lie on the shelf or in the game nor are kept. */
export const dropUnknownContents = (db: Sql, gameId: string) =>
  db.query(
    `delete from contents where game_id = $1
     and content not in (select content from shelf_mod where game_id = $1 and content is not null)
     and content not in (select content from kept_mod where game_id = $1)
     and content not in (select content from loose_files where game_id = $1)`,
    [gameId],
  );
