import "server-only";
import { existsSync } from "node:fs";
import { join, sep } from "node:path";
import { writePrograms } from "@/standin/demo/program";
import { games } from "@/standin/games";
import { listGames } from "@/store/games";
import type { Db } from "@/store/sql";
import { confirmShipped } from "./confirmed-ways";

/**
 * Puts the program of each game of the demo where it belongs: a demo that an earlier version made has none, and one that was moved
 * leads to where Seating was. What ships with a game, and was changed by nobody, may run then.
 */
export async function bringDemoPrograms(db: Db, home: string): Promise<void> {
  for (const game of await listGames(db)) {
    const shipped = games.find(({ id }) => id === game.id);
    const { game: folder } = game.folders;
    if (!shipped || !folder.startsWith(join(home, "demo") + sep) || !existsSync(folder)) continue;
    writePrograms(folder, shipped);
    if (!game.own) await confirmShipped(db, game);
  }
}
