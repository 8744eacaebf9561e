import "server-only";
import { randomUUID } from "node:crypto";
import { resolve } from "node:path";
import { z } from "zod";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { deleteBinned, moveBack, moveToBin } from "@/disk/bin";
import * as bin from "@/store/bin";
import { savePreference } from "@/store/preferences";
import * as store from "@/store/shelf";
import type { Context } from "../context";
import { forgetStock } from "../stock";
import { currentGame } from "./situation";

/** Moves mods from the shelf into its bin, all or none of them; answers with the ids that they have there. */
export async function dropFromShelf(context: Context, paths: readonly string[]): Promise<Outcome<string[]>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const { id, folders } = game.value;
  const known = new Map((await store.listShelf(context.db, id)).map((mod) => [mod.path, mod]));
  const gone = paths.find((path) => !known.has(path));
  if (gone !== undefined) return refuse("not-on-shelf", { path: gone });
  const moved: bin.BinnedMod[] = [];
  try {
    for (const path of paths) {
      const { name, version, size } = known.get(path)!;
      const liesAt = await moveToBin(resolve(folders.shelves[0]!, path));
      moved.push({ id: randomUUID(), path, liesAt, name, version, size });
    }
  } catch (error) {
    for (const { liesAt, path } of moved) await moveBack(liesAt, resolve(folders.shelves[0]!, path));
    return refuse("cannot-move", { path: paths[moved.length]!, detail: String((error as Error).message) });
  }
  await context.db.transaction(async (tx) => {
    await bin.putInBin(tx, id, moved);
    await store.forgetShelfPaths(tx, id, paths);
  });
  forgetStock(context, id);
  return done(moved.map((each) => each.id));
}

/** Moves mods from the bin back to where they lay. The shelf has to be read after it. */
export async function bringBackMods(context: Context, ids: readonly string[]): Promise<Outcome<null>> {
  const found = await findBinned(context, ids);
  if (!found.ok) return found;
  const { shelf, mods } = found.value;
  for (const mod of mods) {
    const to = resolve(shelf, mod.path);
    const back = await moveBack(mod.liesAt, to).catch((error: Error) => error);
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
    await deleteBinned(mod.liesAt);
    await bin.takeFromBin(context.db, [mod.id]);
  }
  return done(null);
}

async function findBinned(context: Context, ids: readonly string[]) {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const mods = (await bin.listBin(context.db, game.value.id)).filter((mod) => ids.includes(mod.id));
  return done({ shelf: game.value.folders.shelves[0]!, mods });
}

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
  const changed = await store.saveTag(context.db, game.value.id, mods, parsed.data, on);
  forgetStock(context, game.value.id);
  return done(changed);
}

/** Keeps what its user has set for the present game. */
export async function setPreference(context: Context, key: string, value: unknown): Promise<Outcome<null>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  await savePreference(context.db, game.value.id, key, value);
  return done(null);
}
