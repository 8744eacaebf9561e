import "server-only";
import type { ShelfMod } from "@/core/model/shelf";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { makeRoster } from "@/core/roster/roster";
import { arrivalsEdit } from "@/core/edit/edits";
import { readShelf, type ShelfProgress } from "@/disk/read-shelf";
import { markRead } from "@/store/games";
import { findProfile, listProfiles } from "@/store/profiles";
import * as store from "@/store/shelf";
import type { RegisteredGame } from "@/store/games";
import type { Context } from "../context";
import { getStock } from "../stock";
import { storeEdit } from "./edit-profile";
import { currentGame } from "./situation";

export interface ShelfRead {
  readonly total: number;
  readonly read: number;
  readonly unchanged: number;
  readonly unsound: number;
}

/** Reads the shelf of the present game and stores what has changed. What was there before stays until it is read. */
export async function readShelfOfGame(
  context: Context,
  onProgress: (progress: ShelfProgress) => void,
  signal?: AbortSignal,
): Promise<Outcome<ShelfRead>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const name = `Reading the shelf of ${game.value.definition.name}`;
  if (context.underWay.has(name)) return refuse("in-progress", { what: name });
  context.underWay.add(name);
  try {
    return await readAndStore(context, game.value, onProgress, signal);
  } finally {
    context.underWay.delete(name);
  }
}

async function readAndStore(
  context: Context,
  game: RegisteredGame,
  onProgress: (progress: ShelfProgress) => void,
  signal: AbortSignal | undefined,
): Promise<Outcome<ShelfRead>> {
  const { db } = context;
  const known = await store.listAsRead(db, game.id);
  // What is read is stored while the reading goes on: one that is cut short goes on from there.
  const onRead = (mods: readonly ShelfMod[]) =>
    db.transaction((tx) => store.saveShelfMods(tx, game.id, mods));
  let reading;
  try {
    reading = await readShelf(game.definition, game.folders.shelves, known, { onProgress, onRead, signal });
  } catch (error) {
    context.stocks.delete(game.id);
    if (signal?.aborted) return refuse("cancelled-reading");
    const { code, path } = error as NodeJS.ErrnoException;
    if (code === undefined) throw error;
    return refuse("folder-missing", { path: path ?? game.folders.shelves[0]! });
  }
  await db.transaction(async (tx) => {
    await store.keepShelfPaths(
      tx,
      game.id,
      reading.mods.map((mod) => mod.path),
    );
    await markRead(tx, game.id);
  });
  context.stocks.delete(game.id);
  await takeInArrivals(context, game);
  const unsound = reading.mods.filter((mod) => mod.problem).length;
  return done({ total: reading.mods.length, read: reading.read, unchanged: reading.unchanged, unsound });
}

/** Plugins that mods of a profile have come to hold since take their seats, switched off. */
async function takeInArrivals(context: Context, game: RegisteredGame): Promise<void> {
  const stock = await getStock(context, game);
  for (const { id, deletedAt } of await listProfiles(context.db, game.id)) {
    const profile = deletedAt ? null : await findProfile(context.db, id);
    const edit = profile && arrivalsEdit(makeRoster(game.definition, profile, stock));
    if (edit) await storeEdit(context, id, profile.version, edit);
  }
}

export async function filesOfMod(context: Context, path: string): Promise<Outcome<string[]>> {
  const game = await currentGame(context);
  return game.ok ? done(await store.filesOfMod(context.db, game.value.id, path)) : game;
}
