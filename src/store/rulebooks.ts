import { presentRulebook, type FirstRulebook, type Rulebook } from "@/core/model/rulebook";
import type { Sql } from "./sql";

/** `blend`: what is noted where a book of the first version says only that a plugin wants to be blended. */
export const listRulebooks = async (db: Sql, gameId: string, blend: string): Promise<Rulebook[]> => {
  const rows = await db.query<{ book: Rulebook | FirstRulebook }>(
    "select book from rulebook where game_id = $1 order by id, version",
    [gameId],
  );
  return rows.map(({ book }) => presentRulebook(book, blend));
};

/** Puts the book in place of what was known of the same version. */
export const saveRulebook = (db: Sql, gameId: string, book: Rulebook) =>
  db.query(
    `insert into rulebook (game_id, id, version, book) values ($1, $2, $3, $4::jsonb)
     on conflict (game_id, id, version) do update set book = excluded.book`,
    [gameId, book.id, book.version, JSON.stringify(book)],
  );
