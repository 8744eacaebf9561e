import "server-only";
import type { OwnWay, StartWay } from "@/core/model/start";
import { wayKey } from "@/core/start/command";
import { sha256Of } from "@/disk/digest";
import type { RegisteredGame } from "@/store/games";
import type { Db } from "@/store/sql";
import { confirmWay } from "@/store/trials";

/** By what a way of a game is confirmed: where anything of it changes, or the game lies elsewhere, it is another one. */
export const digestOf = (way: StartWay | OwnWay, { folders }: RegisteredGame): string =>
  sha256Of(JSON.stringify([folders.game, wayKey(way)]));

/** Confirms what Seating has itself put there. */
export async function confirmShipped(db: Db, game: RegisteredGame): Promise<void> {
  for (const way of game.definition.start ?? []) await confirmWay(db, game.id, digestOf(way, game));
}
