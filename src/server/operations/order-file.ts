import "server-only";
import type { OnDisk } from "@/core/check/check";
import { holdsToWrite, namesToWrite } from "@/core/check/order-file";
import { done, type Outcome } from "@/core/model/outcome";
import { readOnDisk, writeGameOrder } from "@/disk/write-order";
import type { Context } from "../context";
import { currentGame, readSituation } from "./situation";

/** Writes the order file and `holds.json` where the game reads them, and reads both back. */
export async function writeOrder(context: Context, profileId: string): Promise<Outcome<OnDisk>> {
  const situation = await readSituation(context, context.db, profileId);
  if (!situation.ok) return situation;
  const { game, roster, profile } = situation.value;
  const written = await writeGameOrder(game.definition, game.gameFolder, namesToWrite(roster), {
    format: "seating-holds/1",
    game: game.id,
    shelf: game.shelfFolder,
    expansions: profile.state.expansions,
    mods: holdsToWrite(roster).map((path) => ({ path, options: {}, components: [], hidden: [] })),
  });
  if (!written.ok) return written;
  return done(await readOnDisk(game.definition, game.gameFolder, game.shelfFolder));
}

export async function readOrderOnDisk(context: Context): Promise<Outcome<OnDisk>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const { definition, gameFolder, shelfFolder } = game.value;
  return done(await readOnDisk(definition, gameFolder, shelfFolder));
}
