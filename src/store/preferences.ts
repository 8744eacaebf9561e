import type { Sql } from "./sql";

/** What a user has set for a game, by key. */
export async function readPreferences(db: Sql, gameId: string): Promise<Record<string, unknown>> {
  const rows = await db.query<{ key: string; value: unknown }>(
    "select key, value from preference where game_id = $1 order by key",
    [gameId],
  );
  return Object.fromEntries(rows.map(({ key, value }) => [key, value]));
}

/** Null where nothing has been set. */
export async function readPreference(db: Sql, gameId: string, key: string): Promise<unknown> {
  const rows = await db.query<{ value: unknown }>(
    "select value from preference where game_id = $1 and key = $2 order by key",
    [gameId, key],
  );
  return rows[0]?.value ?? null;
}

export const savePreference = (db: Sql, gameId: string, key: string, value: unknown) =>
  db.query(
    `insert into preference (game_id, key, value) values ($1, $2, $3)
     on conflict (game_id, key) do update set value = excluded.value`,
    [gameId, key, JSON.stringify(value)],
  );
