import type { GameDefinition } from "@/core/model/game";
import type { Sql } from "./sql";

export interface RegisteredGame {
  readonly id: string;
  readonly definition: GameDefinition;
  readonly gameFolder: string;
  readonly shelfFolder: string;
  /** The profile that is worked on. */
  readonly profileId: string | null;
  readonly readAt: Date | null;
}

const columns = `id, definition, game_folder as "gameFolder", shelf_folder as "shelfFolder",
  profile_id as "profileId", read_at as "readAt"`;

export const listGames = (db: Sql) => db.query<RegisteredGame>(`select ${columns} from game order by id`);

/** The game that is worked on; null if there is none yet. */
export async function findCurrentGame(db: Sql): Promise<RegisteredGame | null> {
  const rows = await db.query<RegisteredGame>(
    `select ${columns} from game where id = (select game_id from workspace) order by id`,
  );
  return rows[0] ?? null;
}

export const saveGame = (
  db: Sql,
  game: Pick<RegisteredGame, "id" | "definition" | "gameFolder" | "shelfFolder">,
) =>
  db.query(
    `insert into game (id, definition, game_folder, shelf_folder) values ($1, $2, $3, $4)
     on conflict (id) do update set definition = excluded.definition,
       game_folder = excluded.game_folder, shelf_folder = excluded.shelf_folder`,
    [game.id, JSON.stringify(game.definition), game.gameFolder, game.shelfFolder],
  );

export const chooseGame = (db: Sql, id: string) =>
  db.query(
    `insert into workspace (only_one, game_id) values (true, $1)
     on conflict (only_one) do update set game_id = excluded.game_id`,
    [id],
  );

export const chooseProfile = (db: Sql, gameId: string, profileId: string | null) =>
  db.query("update game set profile_id = $2 where id = $1", [gameId, profileId]);

export const markRead = (db: Sql, gameId: string) =>
  db.query("update game set read_at = now() where id = $1", [gameId]);
