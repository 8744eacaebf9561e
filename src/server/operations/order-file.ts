import "server-only";
import type { ProfileId } from "@/core/model/ids";
import type { OnDisk } from "@/core/check/check";
import { namesToWrite } from "@/core/check/order-file";
import { done, type Outcome } from "@/core/model/outcome";
import { readOnDisk, writeGameOrder } from "@/disk/write-order";
import { holdsOf } from "@/formats/holds";
import type { Context } from "../context";
import { currentGame, readSituation } from "./situation";

/** Writes the order file and `holds.json` where the game reads them, and reads both back. */
export async function writeOrder(context: Context, profileId: ProfileId): Promise<Outcome<OnDisk>> {
  const situation = await readSituation(context, profileId);
  if (!situation.ok) return situation;
  const { game, roster } = situation.value;
  const holds = holdsOf(roster, game.folders.shelves[0]!);
  const written = await writeGameOrder(game.definition, game.folders.order, namesToWrite(roster), holds);
  if (!written.ok) return written;
  return done(await readOnDisk(game.definition, game.folders.order, game.folders.shelves[0]));
}

export async function readOrderOnDisk(context: Context): Promise<Outcome<OnDisk>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const { definition, folders } = game.value;
  return done(await readOnDisk(definition, folders.order, folders.shelves[0]));
}
