import type { ShelfMod } from "@/core/model/shelf";
import { saveContents } from "./contents";
import { keepPinned } from "./kept";
import type { Sql, Tx } from "./sql";

/** What lies on the shelf, as last read. */
export const listAsRead = (db: Sql, gameId: string) =>
  db.query<ShelfMod>(`select ${columns} from shelf_mod where game_id = $1 order by path`, [gameId]);

/** The same of some paths. */
export const readAt = (db: Sql, gameId: string, paths: readonly string[]) =>
  db.query<ShelfMod>(
    `select ${columns} from shelf_mod where game_id = $1 and path = any($2::text[]) order by path`,
    [gameId, paths],
  );

const columns = `path, kind, size, stamp, id, name, version, author, summary, tags, files, content,
  archive_sha256 as "archiveSha256", manifest, plugins, problem, updated,
  to_char(added at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as added`;

/** The same; the tags that its user gave a mod are added to its own. */
export async function listShelf(db: Sql, gameId: string): Promise<ShelfMod[]> {
  const mods = await listAsRead(db, gameId);
  const own = new Map((await listOwnTags(db, gameId)).map(({ mod, tags }) => [mod, tags]));
  return mods.map((mod) => {
    const ownTags = own.get(mod.id)?.filter((tag) => !mod.tags.includes(tag)) ?? [];
    return ownTags.length > 0 ? { ...mod, tags: [...mod.tags, ...ownTags], ownTags } : mod;
  });
}

const listOwnTags = (db: Sql, gameId: string) =>
  db.query<{ mod: string; tags: string[] }>(
    "select mod, array_agg(tag order by tag) as tags from mod_tag where game_id = $1 group by mod order by mod",
    [gameId],
  );

/** By what it is seen whether a mod has changed since it was read, and what is counted where it has not. */
export const listStamps = (db: Sql, gameId: string) =>
  db.query<Pick<ShelfMod, "path" | "kind" | "size" | "stamp" | "files" | "problem">>(
    "select path, kind, size, stamp, files, problem from shelf_mod where game_id = $1 order by path",
    [gameId],
  );

/** Gives mods a tag, or takes one away that their user gave; answers which of them it changed. */
export async function saveTag(
  db: Sql,
  gameId: string,
  mods: readonly string[],
  tag: string,
  on: boolean,
): Promise<string[]> {
  const changed = await db.query<{ mod: string }>(
    on
      ? `insert into mod_tag (game_id, mod, tag) select $1, m, $3 from unnest($2::text[]) as m
         on conflict do nothing returning mod`
      : "delete from mod_tag where game_id = $1 and mod = any($2::text[]) and tag = $3 returning mod",
    [gameId, mods, tag],
  );
  return changed.map(({ mod }) => mod);
}

/** Puts the mods in place of what was known of the same paths; their files and the names of their plugins' records apart. */
export async function saveShelfMods(tx: Tx, gameId: string, mods: readonly ShelfMod[]): Promise<void> {
  const lean = mods.map(({ contentFiles: _files, added: _added, ownTags: _own, ...mod }) => ({
    ...mod,
    plugins: mod.plugins.map(({ recordNames: _, additiveLists: __, ...plugin }) => plugin),
  }));
  await keepPinned(tx, gameId, await changedPaths(tx, gameId, lean));
  await saveMods(tx, gameId, lean);
  await saveContents(tx, gameId, mods);
}

/** Paths at which other contents lie than were known there. */
async function changedPaths(
  db: Sql,
  gameId: string,
  mods: readonly Pick<ShelfMod, "path" | "content">[],
): Promise<string[]> {
  const rows = await db.query<{ path: string }>(
    `select m.path from shelf_mod m
     join unnest($2::text[], $3::text[]) as n (path, content) on n.path = m.path
     where m.game_id = $1 and m.content is distinct from n.content order by m.path`,
    [gameId, mods.map(({ path }) => path), mods.map(({ content }) => content)],
  );
  return rows.map(({ path }) => path);
}

const saveMods = (db: Sql, gameId: string, mods: readonly ShelfMod[]) =>
  db.query(
    `insert into shelf_mod (game_id, path, kind, size, stamp, id, name, version, author, summary, tags, files,
       content, archive_sha256, manifest, plugins, problem, updated)
     select $1, m.path, m.kind, m.size, m.stamp, m.id, m.name, m.version, m.author, m.summary, m.tags, m.files,
       m.content, m."archiveSha256", m.manifest, m.plugins, m.problem, m.updated
     from json_to_recordset($2::json) as m (path text, kind text, size bigint, stamp text, id text, name text,
       version text, author text, summary text, tags text[], files integer, content text, "archiveSha256" text,
       manifest jsonb, plugins jsonb, problem jsonb, updated text)
     on conflict (game_id, path) do update set kind = excluded.kind, size = excluded.size,
       stamp = excluded.stamp, id = excluded.id, name = excluded.name, version = excluded.version,
       author = excluded.author, summary = excluded.summary, tags = excluded.tags, files = excluded.files,
       content = excluded.content, archive_sha256 = excluded.archive_sha256, manifest = excluded.manifest,
       plugins = excluded.plugins, problem = excluded.problem,
       updated = excluded.updated`,
    [gameId, JSON.stringify(mods)],
  );

export async function forgetShelfPaths(tx: Tx, gameId: string, paths: readonly string[]): Promise<void> {
  await keepPinned(tx, gameId, paths);
  await tx.query("delete from shelf_mod where game_id = $1 and path = any($2::text[])", [gameId, paths]);
}

/** Forgets what is not among the paths any more; answers how many that were. */
export async function keepShelfPaths(tx: Tx, gameId: string, paths: readonly string[]): Promise<number> {
  const gone = await tx.query<{ path: string }>(
    "select path from shelf_mod where game_id = $1 and not path = any($2::text[]) order by path",
    [gameId, paths],
  );
  await forgetShelfPaths(
    tx,
    gameId,
    gone.map(({ path }) => path),
  );
  return gone.length;
}
