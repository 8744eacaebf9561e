import type { ContentFile, PluginFile, ShelfMod } from "@/core/model/shelf";
import type { Sql } from "./sql";

/** As stored: one entry a line, or 16 bytes, a file. */
interface Row {
  readonly content: string;
  readonly paths: string;
  readonly sizes: string | null;
  readonly hashes: string | null;
  readonly parts: string | null;
  readonly containers: string | null;
}

/** The names of the records that a plugin changes. */
interface RecordNames {
  readonly plugin: string;
  readonly records: readonly string[];
}

const columns = "content, paths, sizes, encode(hashes, 'hex') as hashes, parts, containers";
const hashLength = 32;
/** Of a file that was not read. */
const unknownHash = "0".repeat(hashLength);

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
    all.map(({ content, files, records }) => [content, { ...packed(content, files), records }]),
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

const recordsOf = (plugins: readonly PluginFile[]): RecordNames[] =>
  plugins.map(({ name, recordNames = [] }) => ({ plugin: name, records: recordNames }));

function packed(content: string, files: readonly ContentFile[]): Row {
  const lines = (of: (file: ContentFile) => string | number) => files.map(of).join("\n");
  return {
    content,
    paths: lines(({ path }) => path),
    sizes: lines(({ size }) => size!),
    hashes: files.map(({ hash }) => hash ?? unknownHash).join(""),
    parts: files.some(({ part }) => part !== null) ? lines(({ part }) => part ?? "") : null,
    containers: files.some(({ container }) => container) ? lines(({ container }) => container ?? "") : null,
  };
}

/** The files of some contents; empty where they are not known. */
export async function filesOfContent(db: Sql, gameId: string, content: string): Promise<ContentFile[]> {
  const rows = await db.query<Row>(`select ${columns} from contents where game_id = $1 and content = $2`, [
    gameId,
    content,
  ]);
  return rows.flatMap(unpacked);
}

/** Control signs, as the end of a line, are in no path. */
const linesOf = (text: string): string[] => (text === "" ? [] : text.split("\n"));

function unpacked({ paths, sizes, hashes, parts, containers }: Row): ContentFile[] {
  const [size, part, container] = [sizes, parts, containers].map((lines) => lines?.split("\n"));
  return linesOf(paths).map((path, at) => ({
    path,
    size: size ? Number(size[at]) : null,
    hash: hashOf(hashes?.slice(at * hashLength, (at + 1) * hashLength)),
    part: part?.[at] || null,
    ...(container?.[at] && { container: container[at] }),
  }));
}

const hashOf = (stored: string | undefined): string | null =>
  stored === undefined || stored === unknownHash ? null : stored;

/** The paths of each contents that lie on the shelf; one may stand several times, for several parts. */
export async function listPaths(db: Sql, gameId: string): Promise<Map<string, string[]>> {
  const rows = await db.query<Pick<Row, "content" | "paths">>(
    `select content, paths from contents where game_id = $1
     and content in (select content from shelf_mod where game_id = $1) order by content`,
    [gameId],
  );
  return new Map(rows.map(({ content, paths }) => [content, linesOf(paths)]));
}

/** The records that each plugin of the shelf changes, by contents. */
export async function listRecords(db: Sql, gameId: string): Promise<Map<string, RecordNames[]>> {
  const rows = await db.query<{ content: string; records: RecordNames[] }>(
    `select content, records from contents where game_id = $1
     and content in (select content from shelf_mod where game_id = $1) order by content`,
    [gameId],
  );
  return new Map(rows.map(({ content, records }) => [content, records]));
}

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
  return new Map(rows.map((row) => [row.content, unpacked(row)]));
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
