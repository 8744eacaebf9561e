import type { GameDefinition, GameFolders } from "@/core/model/game";
import type { ProfileId } from "@/core/model/ids";
import type { Sql } from "./sql";

export interface RegisteredGame {
  readonly id: string;
  readonly definition: GameDefinition;
  readonly folders: GameFolders;
  /** The profile that is worked on. */
  readonly profileId: ProfileId | null;
  readonly readAt: Date | null;
  /** Which of the game's own profiles that is for; null where nobody has chosen. */
  readonly ofGame: string | null;
  /** Its user wrote or changed the definition. */
  readonly own: boolean;
}

/** A game that says itself which version it is is of that version, whatever its definition was written for. */
const columnsFor = (profile: string) => `id,
  case when definition ? 'edition' and version_read is not null
    then jsonb_set(definition, '{version}', to_jsonb(version_read)) else definition end as definition,
  jsonb_build_object('game', game_folder, 'order', order_folder, 'shelves', shelf_folders) as folders, profile_id as "profileId", read_at as "readAt",
  (select p.of_game from profile p where p.id = ${profile}) as "ofGame", own`;
const columns = columnsFor("profile_id");

export const listGames = (db: Sql) => db.query<RegisteredGame>(`select ${columns} from game order by id`);

/** The game that is worked on; null if there is none yet. */
export async function findCurrentGame(db: Sql): Promise<RegisteredGame | null> {
  const rows = await db.query<RegisteredGame>(
    `select ${columns} from game where id = (select game_id from workspace) order by id`,
  );
  return rows[0] ?? null;
}

const gameOf = (among: string) => async (db: Sql, profileId: ProfileId) => {
  const rows = await db.query<RegisteredGame>(
    `select ${columnsFor("$1")} from game where id = (select game_id from profile where id = $1 and ${among}) order by id`,
    [profileId],
  );
  return rows[0] ?? null;
};

/** The game of a profile that is not in the bin; null where there is no such profile. */
export const findGameOf = gameOf("deleted_at is null");
/** The same of one that is. */
export const findGameOfBinned = gameOf("deleted_at is not null");

export const saveGame = (
  db: Sql,
  game: Pick<RegisteredGame, "id" | "definition" | "folders"> & { own?: boolean },
) =>
  db.query(
    `insert into game (id, definition, game_folder, order_folder, shelf_folders, own)
     values ($1, $2, $3, $4, $5, $6)
     on conflict (id) do update set definition = excluded.definition, game_folder = excluded.game_folder,
       order_folder = excluded.order_folder, shelf_folders = excluded.shelf_folders, own = excluded.own`,
    [
      game.id,
      JSON.stringify(game.definition),
      game.folders.game,
      game.folders.order,
      game.folders.shelves,
      game.own ?? false,
    ],
  );

/** Which version a game says that it is. */
export const noteVersion = (db: Sql, gameId: string, version: string) =>
  db.query("update game set version_read = $2 where id = $1", [gameId, version]);

/** Takes over newer versions of definitions that ship, but for those that their user changed; their shelves are read anew. */
export async function updateDefinitions(db: Sql, shipped: readonly GameDefinition[]): Promise<void> {
  const changed = await db.query<{ id: string }>(
    `update game g set definition = s.definition
     from jsonb_to_recordset($1::jsonb) as s (id text, definition jsonb)
     where g.id = s.id and not g.own and g.definition <> s.definition returning g.id`,
    [JSON.stringify(shipped.map((definition) => ({ id: definition.id, definition })))],
  );
  for (const { id } of changed) await readAnew(db, id);
}

/** Forgets when the mods of a game's shelf were last read, so that all of them are read the next time. */
export const readAnew = (db: Sql, gameId: string) =>
  db.query("update shelf_mod set stamp = '' where game_id = $1", [gameId]);

export const chooseGame = (db: Sql, id: string) =>
  db.query(
    `insert into workspace (only_one, game_id) values (true, $1)
     on conflict (only_one) do update set game_id = excluded.game_id`,
    [id],
  );

/** With everything that is kept of it; what else is registered is worked on then, or nothing. */
export async function removeGame(tx: Sql, id: string): Promise<void> {
  await tx.query("update workspace set game_id = (select id from game where id <> $1 order by id limit 1)", [
    id,
  ]);
  await tx.query("update game set profile_id = null where id = $1", [id]);
  await tx.query("delete from written_file where game_id = $1", [id]);
  await tx.query("delete from settings_file where game_id = $1", [id]);
  await tx.query("delete from file_copy where game_id = $1", [id]);
  await tx.query("delete from game where id = $1", [id]);
}

export const chooseProfile = (db: Sql, gameId: string, profileId: ProfileId | null) =>
  db.query("update game set profile_id = $2 where id = $1", [gameId, profileId]);

export const markRead = (db: Sql, gameId: string) =>
  db.query("update game set read_at = now() where id = $1", [gameId]);
