import type { ModId } from "@/core/model/ids";
import { ShelfMod } from "@/core/model/shelf";
import { dropUnknownContents } from "./contents";
import type { Sql } from "./sql";

/** Contents that something pins: a profile in whatever state it is kept, its history, or a list that it follows or may come to follow again. */
const pinned = `
  select e.content from profile_entry e join profile p on p.id = e.profile_id
    where p.game_id = $1 and e.list = 'mods' and e.content is not null
  union select m[1] from profile p, regexp_matches(p.ran_state::text, $2, 'g') as m
    where p.game_id = $1 and p.ran_state is not null
  union select m[1] from restore_point r join profile p on p.id = r.profile_id,
    regexp_matches(r.state::text, $2, 'g') as m where p.game_id = $1
  union select m[1] from journal j join profile p on p.id = j.profile_id,
    regexp_matches(j.steps::text || j.inverse::text, $2, 'g') as m where p.game_id = $1
  union select m[1] from followed_list f join profile p on p.id = f.profile_id,
    regexp_matches(f.lineup::text, $2, 'g') as m where p.game_id = $1`;
const contentField = '"content": "([0-9a-f]{64})"';

/** Keeps what is known of the pinned contents at these paths of the shelf; to be called before they are forgotten or replaced. */
export async function keepPinned(db: Sql, gameId: string, paths: readonly string[]): Promise<void> {
  if (paths.length === 0) return;
  await db.query(
    `with pinned (content) as (${pinned})
     insert into kept_mod (game_id, id, content, mod)
     select m.game_id, m.id, m.content,
       jsonb_build_object('path', m.path, 'kind', m.kind, 'size', m.size, 'stamp', '', 'id', m.id, 'name', m.name,
         'version', m.version, 'author', m.author, 'summary', m.summary, 'tags', m.tags, 'files', m.files,
         'content', m.content, 'archiveSha256', m.archive_sha256, 'manifest', m.manifest, 'plugins', m.plugins,
         'problem', m.problem, 'updated', m.updated)
     from shelf_mod m
     where m.game_id = $1 and m.path = any($3::text[]) and m.content in (select content from pinned)
     on conflict do nothing`,
    [gameId, contentField, paths],
  );
}

/** Forgets what nothing pins any more, and what lies on the shelf again. */
export async function dropUnpinned(db: Sql, gameId: string): Promise<void> {
  await db.query(
    `with pinned (content) as (${pinned})
     delete from kept_mod k where k.game_id = $1 and (
       k.content not in (select content from pinned)
       or exists (select 1 from shelf_mod m where m.game_id = $1 and m.id = k.id and m.content = k.content))`,
    [gameId, contentField],
  );
  await dropUnknownContents(db, gameId);
}

/** What is kept of contents that are not on the shelf. */
export async function listKept(db: Sql, gameId: string): Promise<ShelfMod[]> {
  const rows = await db.query<{ mod: unknown }>(
    "select mod from kept_mod where game_id = $1 order by id, content",
    [gameId],
  );
  return rows.map(({ mod }) => ShelfMod.parse(mod));
}

export const listOwnWork = async (db: Sql, gameId: string): Promise<ModId[]> =>
  (await db.query<{ mod: ModId }>("select mod from own_work where game_id = $1 order by mod", [gameId])).map(
    ({ mod }) => mod,
  );

export const saveOwnWork = (db: Sql, gameId: string, mod: string, own: boolean) =>
  db.query(
    own
      ? "insert into own_work (game_id, mod) values ($1, $2) on conflict do nothing"
      : "delete from own_work where game_id = $1 and mod = $2",
    [gameId, mod],
  );
