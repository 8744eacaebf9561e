import "server-only";
import { existsSync } from "node:fs";
import { join } from "node:path";
import { listGames, saveGame } from "@/store/games";
import type { Db } from "@/store/sql";

/** Folders of the demo lie in the data folder itself: where that was moved or copied, they are where it is now. */
export async function followMovedDemo(db: Db, home: string): Promise<void> {
  const now = (folder: string): string => {
    const [, inside] = /[\\/](demo[\\/].+)$/.exec(folder) ?? [];
    const moved = inside && join(home, inside);
    return moved && !existsSync(folder) && existsSync(moved) ? moved : folder;
  };
  for (const game of await listGames(db)) {
    const { folders } = game;
    const found = {
      game: now(folders.game),
      order: now(folders.order),
      shelves: folders.shelves.map(now),
    };
    if (JSON.stringify(found) !== JSON.stringify(folders)) await saveGame(db, { ...game, folders: found });
  }
}
