import "server-only";
import { isUnchanged, listShelf } from "@/disk/read-shelf";
import type { ShelfReader } from "@/disk/shelf-reader";
import type { RegisteredGame } from "@/store/games";
import * as store from "@/store/shelf";
import type { Sql } from "@/store/sql";
import type { ShelfChanges } from "../events";

/** How the shelf folders of a game differ from what was last read of them; nothing is taken over. */
export async function findShelfChanges(
  db: Sql,
  reader: ShelfReader,
  { id, folders }: RegisteredGame,
): Promise<ShelfChanges> {
  const known = new Map((await store.listStamps(db, id)).map((mod) => [mod.path, mod]));
  const places = await listShelf(folders.shelves, reader);
  const there = new Set(places.map(({ path }) => path));
  return {
    game: id,
    added: places.filter(({ path }) => !known.has(path)).map(({ path }) => path),
    changed: places
      .filter((place) => known.has(place.path) && !isUnchanged(known.get(place.path)!, place))
      .map(({ path }) => path),
    gone: [...known.keys()].filter((path) => !there.has(path)),
  };
}
