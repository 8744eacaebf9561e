import { say } from "@/core/language/say";
import "server-only";
import { randomUUID } from "node:crypto";
import { dirname, resolve } from "node:path";
import { z } from "zod";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { deleteBinned, isInBin, moveOnce, placeInBin } from "@/disk/bin";
import { isThere } from "@/disk/move";
import * as bin from "@/store/bin";
import { savePreference } from "@/store/preferences";
import * as store from "@/store/shelf";
import type { Context } from "../context";
import { currentGame } from "./situation";

/** Moves mods from the shelf into its bin, all or none of them; answers with the ids that they have there. */
export async function dropFromShelf(context: Context, paths: readonly string[]): Promise<Outcome<string[]>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const { id, folders } = game.value;
  const shelf = folders.shelves[0]!;
  const known = new Map((await store.listShelf(context.db, id)).map((mod) => [mod.path, mod]));
  const gone = paths.find((path) => !known.has(path));
  if (gone !== undefined) return refuse("not-on-shelf", { path: gone });
  if (!(await isThere(shelf)))
    return refuse("cannot-move", { path: shelf, detail: say("server.theFolderIsNotThere") });
  const mods: bin.BinnedMod[] = [];
  for (const path of new Set(paths)) {
    const { name, version, size } = known.get(path)!;
    const liesAt = await placeInBin(resolve(shelf, path), new Set(mods.map((mod) => mod.liesAt)));
    mods.push({ id: randomUUID(), path, liesAt, name, version, size });
  }
  const ids = mods.map((mod) => mod.id);
  // Noted before anything moves: a server that ends midway finds it noted when it begins again.
  await bin.willPutInBin(context.db, id, mods);
  const failed = await moveAll(mods.map(({ path, liesAt }) => ({ from: resolve(shelf, path), to: liesAt })));
  if (failed) {
    await bin.takeFromBin(context.db, ids);
    return refuse("cannot-move", failed);
  }
  await context.db.transaction(async (tx) => {
    await bin.setMoving(tx, ids, null);
    await store.forgetShelfPaths(tx, id, paths);
  });
  return done(ids);
}

interface Move {
  readonly from: string;
  readonly to: string;
}

/** All or none; answers with the first that could not be moved. */
async function moveAll(moves: readonly Move[]): Promise<{ path: string; detail: string } | null> {
  const moved: Move[] = [];
  for (const move of moves) {
    const done = await moveOnce(move.from, move.to).catch((error: Error) => error);
    if (done !== true) {
      for (const { from, to } of moved.reverse()) await moveOnce(to, from);
      return {
        path: move.from,
        detail: done instanceof Error ? done.message : say("server.isThereAlready", { to: move.to }),
      };
    }
    moved.push(move);
  }
  return null;
}

/** Moves mods from the bin back to where they lay. The shelf has to be read after it. */
export async function bringBackMods(context: Context, ids: readonly string[]): Promise<Outcome<null>> {
  const found = await findBinned(context, ids);
  if (!found.ok) return found;
  const { shelf, mods } = found.value;
  for (const mod of mods) {
    const to = resolve(shelf, mod.path);
    await bin.setMoving(context.db, [mod.id], "out");
    const back = await moveOnce(mod.liesAt, to).catch((error: Error) => error);
    if (back !== true) await bin.setMoving(context.db, [mod.id], null);
    if (back instanceof Error) return refuse("cannot-move", { path: mod.liesAt, detail: back.message });
    if (!back) return refuse("place-taken", { path: to });
    await bin.takeFromBin(context.db, [mod.id]);
  }
  return done(null);
}

/** Deletes mods in the bin for good. */
export async function deleteMods(context: Context, ids: readonly string[]): Promise<Outcome<null>> {
  const found = await findBinned(context, ids);
  if (!found.ok) return found;
  for (const mod of found.value.mods) {
    await bin.setMoving(context.db, [mod.id], "gone");
    await deleteBinned(mod.liesAt);
    await bin.takeFromBin(context.db, [mod.id]);
  }
  return done(null);
}

/** Those of the bin that have these ids; refused where one is said to lie elsewhere than in the bin of a shelf folder. */
async function findBinned(context: Context, ids: readonly string[]) {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const { shelves } = game.value.folders;
  const mods = (await bin.listBin(context.db, game.value.id)).filter((mod) => ids.includes(mod.id));
  const astray = mods.find(({ liesAt, path }) => !isInBin(shelves, liesAt) || !isOnShelf(shelves, path));
  if (astray) return refuse("not-in-bin", { path: astray.liesAt });
  return done({ shelf: shelves[0]!, mods });
}

const isOnShelf = (shelves: readonly string[], path: string): boolean =>
  shelves.includes(dirname(resolve(shelves[0]!, path)));

const Tag = z.string().trim().min(1).max(60);

/** Gives mods a tag or takes one that was given; answers with the ids of those that it changed. */
export async function tagMods(
  context: Context,
  mods: readonly string[],
  tag: string,
  on: boolean,
): Promise<Outcome<string[]>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const parsed = Tag.safeParse(tag);
  if (!parsed.success) return refuse("tag-name");
  return done(await store.saveTag(context.db, game.value.id, mods, parsed.data, on));
}

/** Keeps what its user has set for the present game. */
export async function setPreference(context: Context, key: string, value: unknown): Promise<Outcome<null>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  await savePreference(context.db, game.value.id, key, value);
  return done(null);
}
