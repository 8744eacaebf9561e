import type { ModId } from "@/core/model/ids";
import type { Sql } from "./sql";

/** What a user said that an entry of the shelf without a manifest is. */
interface StoredIdentity {
  readonly path: string;
  readonly id: ModId;
  readonly name: string;
}

export const listIdentities = (db: Sql, gameId: string) =>
  db.query<StoredIdentity>("select path, id, name from mod_identity where game_id = $1 order by path", [
    gameId,
  ]);

/** Remembers it, and what lies there is known as that from now on. */
export async function saveIdentity(
  db: Sql,
  gameId: string,
  { path, id, name }: StoredIdentity,
): Promise<void> {
  await db.query(
    `insert into mod_identity (game_id, path, id, name) values ($1, $2, $3, $4)
     on conflict (game_id, path) do update set id = excluded.id, name = excluded.name`,
    [gameId, path, id, name],
  );
  await db.query("update shelf_mod set id = $3, name = $4 where game_id = $1 and path = $2", [
    gameId,
    path,
    id,
    name,
  ]);
}

/** Entries whose contents a profile holds under the name that they had: what they are read as does not change. */
export const listHeld = (db: Sql, gameId: string) =>
  db.query<StoredIdentity & { readonly version: string }>(
    `select distinct m.path, m.id, m.name, m.version from shelf_mod m
     join profile p on p.game_id = m.game_id
     join profile_entry e on e.profile_id = p.id and e.list = 'mods' and e.id = m.id and e.content = m.content
     where m.game_id = $1 and m.manifest is null order by m.path`,
    [gameId],
  );
