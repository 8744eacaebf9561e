import "server-only";
import type { Outcome } from "@/core/model/outcome";
import { done } from "@/core/model/outcome";
import { isUnchanged, listShelf } from "@/disk/read-shelf";
import { watchFolders } from "@/disk/watch-shelf";
import * as store from "@/store/shelf";
import type { Context } from "../context";
import { currentGame } from "./situation";

/** What lies on the disk otherwise than it was last read, by path. */
export interface ShelfChanges {
  readonly game: string;
  readonly added: readonly string[];
  readonly changed: readonly string[];
  readonly gone: readonly string[];
}

/** How the shelf folders of the present game differ from what was last read of them; nothing is taken over. */
export async function findShelfChanges(context: Context): Promise<Outcome<ShelfChanges>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const known = new Map((await store.listStamps(context.db, game.value.id)).map((mod) => [mod.path, mod]));
  const places = await listShelf(game.value.folders.shelves);
  const there = new Set(places.map(({ path }) => path));
  return done({
    game: game.value.id,
    added: places.filter(({ path }) => !known.has(path)).map(({ path }) => path),
    changed: places
      .filter((place) => known.has(place.path) && !isUnchanged(known.get(place.path)!, place))
      .map(({ path }) => path),
    gone: [...known.keys()].filter((path) => !there.has(path)),
  });
}

/** Sends how the shelf differs now, and again whenever something stirs in its folders, until the reader leaves. */
export async function watchShelf(
  context: Context,
  send: (value: unknown) => void,
  signal: AbortSignal,
): Promise<Outcome<null>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const look = async () => {
    const found = await findShelfChanges(context).catch(() => null);
    if (found?.ok && found.value.game === game.value.id) send(found.value);
  };
  await look();
  watchFolders(game.value.folders.shelves, () => void look(), signal);
  await new Promise<void>((left) => signal.addEventListener("abort", () => left()));
  return done(null);
}
