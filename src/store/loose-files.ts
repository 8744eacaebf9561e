import type { ContentFile } from "@/core/model/shelf";
import { saveFiles } from "./contents";
import type { Sql, Tx } from "./sql";

/** What lies in each folder of the game, by its path below the game's; `files` is null where those are kept of the same `content`. */
type Found = ReadonlyMap<string, { readonly content: string; readonly files: readonly ContentFile[] | null }>;

/** The contents of each folder of the game, as last read, by its path below the game's. */
export async function listLooseContents(db: Sql, gameId: string): Promise<Map<string, string>> {
  const rows = await db.query<{ folder: string; content: string }>(
    "select folder, content from loose_files where game_id = $1 order by folder",
    [gameId],
  );
  return new Map(rows.map(({ folder, content }) => [folder, content]));
}

/** Puts what was found in place of all that was known of the game's folders. */
export async function saveLooseFiles(tx: Tx, gameId: string, found: Found): Promise<void> {
  await tx.query("delete from loose_files where game_id = $1 and not folder = any($2::text[])", [
    gameId,
    [...found.keys()],
  ]);
  for (const [folder, { content, files }] of found) {
    if (!files) continue;
    await saveFiles(tx, gameId, [{ content, files, records: [] }]);
    await tx.query(
      `insert into loose_files (game_id, folder, content) values ($1, $2, $3)
       on conflict (game_id, folder) do update set content = excluded.content`,
      [gameId, folder, content],
    );
  }
}
