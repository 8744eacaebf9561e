import "server-only";
import { join } from "node:path";
import type { ShelfMod } from "@/core/model/shelf";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { makeRoster } from "@/core/roster/roster";
import { arrivalsEdit } from "@/core/edit/edits";
import { ownWorkEdit, pinEdit } from "@/core/edit/versions";
import { readLaid } from "@/disk/layout/lay-out";
import type { LooseFiles } from "@/disk/loose-files";
import { unsound, type Identity } from "@/disk/read-mod";
import { listHeld, listIdentities } from "@/store/identities";
import { dropUnpinned } from "@/store/kept";
import { listLooseContents, saveLooseFiles } from "@/store/loose-files";
import type { Sql } from "@/store/sql";
import { readShelf, type ShelfProgress } from "@/disk/read-shelf";
import { markRead } from "@/store/games";
import { listProfiles } from "@/store/profiles";
import { gatherStatistics } from "@/store/tidy";
import * as store from "@/store/shelf";
import type { RegisteredGame } from "@/store/games";
import type { Context } from "../context";
import { oneAfterAnother } from "../one-after-another";
import { getStock, lookAtGame, ownedExpansions } from "../stock";
import { storePart, tellOfParts } from "../stock-changes";
import { storeEdit } from "./edit-profile";
import { placesOf } from "./layout";
import { currentGame, readProfile } from "./situation";

interface ShelfRead {
  readonly total: number;
  readonly read: number;
  readonly unchanged: number;
  readonly unsound: number;
}

/**
 * Reads the shelf of the present game and stores what has changed. What was there before stays until it is read. One that is under way is
 * waited for: whoever asked for that may have left, as a page that is loaded anew, and what came meanwhile may have escaped it.
 */
export async function readShelfOfGame(
  context: Context,
  onProgress: (progress: ShelfProgress) => void,
  signal?: AbortSignal,
): Promise<Outcome<ShelfRead>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  return oneAfterAnother(context.reading, game.value.id, () =>
    readAndStore(context, game.value, onProgress, signal),
  );
}

async function readAndStore(
  context: Context,
  game: RegisteredGame,
  onProgress: (progress: ShelfProgress) => void,
  signal: AbortSignal | undefined,
): Promise<Outcome<ShelfRead>> {
  const stored = await storeReading(context, game, onProgress, signal).finally(() =>
    tellOfParts(context, game.id),
  );
  if (!stored.ok) return stored;
  const { mods, read, unchanged, gone } = stored.value;
  if (read + gone > 0) await gatherStatistics(context.db);
  await lookAtGame(context, game);
  await followShelf(context, game);
  const unsound = mods.filter((mod) => mod.problem).length;
  return done({ total: mods.length, read, unchanged, unsound });
}

/** What is read is stored while the reading goes on: one that is cut short goes on from there. */
async function storeReading(
  context: Context,
  game: RegisteredGame,
  onProgress: (progress: ShelfProgress) => void,
  signal: AbortSignal | undefined,
) {
  const { db, reader } = context;
  const known = await store.listStamps(db, game.id);
  const identities = await knownIdentities(db, game.id);
  const onRead = (mods: readonly ShelfMod[]) => keepRead(context, game.id, mods);
  const recall = (paths: readonly string[]) => store.readAt(db, game.id, paths);
  const options = { onProgress, onRead, signal, identities, recall, reader };
  let reading;
  try {
    reading = await readShelf(game.definition, game.folders.shelves, known, options);
  } catch (error) {
    if (signal?.aborted) return refuse("cancelled-reading");
    const { code, path } = error as NodeJS.ErrnoException;
    if (code === undefined) throw error;
    return refuse("folder-missing", { path: path ?? game.folders.shelves[0]! });
  }
  const paths = reading.mods.map((mod) => mod.path);
  const gone = await db.transaction(async (tx) => {
    await markRead(tx, game.id);
    return store.keepShelfPaths(tx, game.id, paths);
  });
  await readGameFiles(context, game);
  await dropUnpinned(db, game.id);
  return done({ ...reading, gone });
}

/** Reads what lies loose in the game's own folders, where that is not as it was last read. */
async function readGameFiles(context: Context, game: RegisteredGame): Promise<void> {
  const { db, reader } = context;
  const { id, definition, folders } = game;
  const known = await listLooseContents(db, id);
  const owned = await ownedExpansions(definition, folders.game);
  const expansions = definition.expansions.filter((each) => owned.includes(each.id));
  const found = new Map<string, LooseFiles>();
  const laid = readLaid(placesOf(context, game));
  for (const folder of [definition.baseFolder, ...expansions.map(({ folder }) => folder)])
    found.set(
      folder,
      await reader.readLooseFiles(definition, join(folders.game, folder), known.get(folder) ?? null, {
        laid: laid(folder),
      }),
    );
  await storePart(context, id, (tx) => saveLooseFiles(tx, id, found));
}

/** Stores what was read. One mod that cannot be stored is stored as unsound, and keeps no other out. */
async function keepRead(context: Context, gameId: string, mods: readonly ShelfMod[]): Promise<void> {
  const keep = (some: readonly ShelfMod[]) =>
    storePart(context, gameId, (tx) => store.saveShelfMods(tx, gameId, some));
  try {
    await keep(mods);
  } catch (error) {
    if (mods.length > 1) for (const mod of mods) await keepRead(context, gameId, [mod]);
    else
      await keep(
        mods.map((mod) => unsound(mod, refuse("cannot-keep", { detail: messageOf(error) }).refusal)),
      );
  }
}

const messageOf = (error: unknown): string =>
  (error instanceof Error ? error.message : String(error)).slice(0, 200);

/** What entries without a manifest stay known as: what a profile holds them as, and what their user said. */
async function knownIdentities(db: Sql, gameId: string): Promise<Map<string, Identity>> {
  const held = (await listHeld(db, gameId)).map(({ path, ...identity }) => [path, identity] as const);
  const told = (await listIdentities(db, gameId)).map(({ path, ...identity }) => [path, identity] as const);
  return new Map<string, Identity>([...held, ...told]);
}

/**
 * What the shelf has come to hold changes a profile in three ways only: mods of which nothing was known are pinned to what has
 * arrived, the user's own work is followed, and plugins that mods have come to hold take their seats, switched off.
 */
export async function followShelf(context: Context, game: RegisteredGame): Promise<void> {
  const stock = await getStock(context, game);
  for (const { id, deletedAt } of await listProfiles(context.db, game.id)) {
    if (deletedAt) continue;
    const read = async () => {
      const profile = await readProfile(context, id);
      return profile && makeRoster(game.definition, profile, stock);
    };
    let roster = await read();
    for (const follow of [pinEdit, ownWorkEdit, arrivalsEdit]) {
      const edit = roster && follow(roster);
      if (!edit) continue;
      await storeEdit(context, id, roster!.profile.version, edit);
      roster = await read();
    }
  }
}
