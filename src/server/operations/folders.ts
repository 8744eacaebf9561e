import "server-only";
import { constants } from "node:fs";
import { access, lstat, readdir, realpath } from "node:fs/promises";
import { join } from "node:path";
import type { GameDefinition } from "@/core/model/game";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { GameFolders } from "@/core/model/game";
import { namedPath } from "@/disk/named-path";
import { isArchiveName } from "@/formats/archive-name";

/** What is to be found at a path that somebody types; nothing but its names is read. */
export interface FolderReport {
  readonly there: boolean;
  readonly readable: boolean;
  readonly writable: boolean;
  /** Archives and folders in it, each of which would be a mod. */
  readonly archives: number;
  readonly folders: number;
  /** The game that is asked for lies in it; null where none is. */
  readonly holdsGame: boolean | null;
  /** Where it is, however it was typed; null where it is not there. */
  readonly path: string | null;
  /** Games that Seating knows and that lie in it or in one of its folders. */
  readonly games: readonly FoundGame[];
}

interface FoundGame {
  readonly id: string;
  readonly name: string;
  readonly path: string;
}

/** By which file a game is known. */
export type GameSign = Pick<GameDefinition, "id" | "name" | "sign">;

const absent: FolderReport = {
  there: false,
  readable: false,
  writable: false,
  archives: 0,
  folders: 0,
  holdsGame: null,
  path: null,
  games: [],
};

/** `sign` is the file by which the game is known that is asked for; with it the folder is looked through for `known` games. */
export async function reportFolder(
  path: string,
  sign: string | null,
  known: readonly GameSign[] = [],
): Promise<FolderReport> {
  const real = await findFolder(path);
  if (real === null) return absent;
  const entries = await readdir(real, { withFileTypes: true }).catch(() => null);
  const shown = (entries ?? []).filter((entry) => !entry.name.startsWith("."));
  return {
    there: true,
    readable: entries !== null,
    writable: await isWritable(real),
    archives: shown.filter((entry) => entry.isFile() && isArchiveName(entry.name)).length,
    folders: shown.filter((entry) => entry.isDirectory()).length,
    holdsGame: sign === null ? null : await isFile(join(real, sign)),
    path: real,
    games:
      sign === null
        ? []
        : await gamesIn(
            [real, ...shown.filter((entry) => entry.isDirectory()).map(({ name }) => join(real, name))],
            known,
          ),
  };
}

/** So many folders are looked at: a folder of games holds no more, and a whole disk is not gone through. */
const mostLookedAt = 300;

async function gamesIn(folders: readonly string[], known: readonly GameSign[]): Promise<FoundGame[]> {
  const found = folders
    .slice(0, mostLookedAt)
    .map(async (path) =>
      Promise.all(
        known.map(async ({ id, name, sign }) =>
          (await isFile(join(path, sign))) ? { id, name, path } : null,
        ),
      ),
    );
  return (await Promise.all(found)).flat().filter((game) => game !== null);
}

async function findFolder(path: string): Promise<string | null> {
  const named = namedPath(path);
  const real = named && (await realpath(named).catch(() => null));
  const info = !real ? null : await lstat(real).catch(() => null);
  return info?.isDirectory() ? real : null;
}

const isWritable = (path: string): Promise<boolean> =>
  access(path, constants.W_OK).then(
    () => true,
    () => false,
  );

const isFile = async (path: string): Promise<boolean> =>
  (await lstat(path).catch(() => null))?.isFile() === true;

/** The folders as they really are called; refused where one is not there, holds no game, or cannot be written in. */
export async function checkFolders(
  definition: GameDefinition,
  { game, order, shelves }: GameFolders,
): Promise<Outcome<GameFolders>> {
  const gameFolder = await findFolder(game);
  if (gameFolder === null) return refuse("folder-missing", { path: game });
  if (!(await isFile(join(gameFolder, definition.sign))))
    return refuse("folder-no-game", { path: gameFolder, game: definition.name, file: definition.sign });
  const orderFolder = await findFolder(order.trim() === "" ? game : order);
  if (orderFolder === null) return refuse("folder-missing", { path: order });
  if (!(await isWritable(orderFolder))) return refuse("folder-not-writable", { path: orderFolder });
  const found: string[] = [];
  for (const shelf of shelves) {
    const real = await findFolder(shelf);
    if (real === null) return refuse("folder-missing", { path: shelf });
    if (!found.includes(real)) found.push(real);
  }
  if (found.length === 0) return refuse("folder-missing", { path: "" });
  return done({ game: gameFolder, order: orderFolder, shelves: found });
}
