import { readdir } from "node:fs/promises";
import { join } from "node:path";
import type { GameDefinition, GameFolders } from "@/core/model/game";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { meantOf, type ProfileOfGame } from "@/core/model/profile-of-game";

const folderOf = (
  { profilesOfGame }: GameDefinition,
  { order }: Pick<GameFolders, "order">,
): string | null => (profilesOfGame ? join(order, profilesOfGame.folder) : null);

/** The profiles that a game keeps, and which is meant; undefined for one that keeps none. A link is none of them: it leads elsewhere. */
export async function readProfilesOfGame(
  game: GameDefinition,
  folders: Pick<GameFolders, "order">,
  chosen: string | null,
): Promise<ProfileOfGame | undefined> {
  const folder = folderOf(game, folders);
  if (folder === null) return undefined;
  const entries = await readdir(folder, { withFileTypes: true }).catch(() => []);
  const names = entries.filter((entry) => entry.isDirectory() && !entry.name.startsWith("."));
  return meantOf(names.map(({ name }) => name).sort(), chosen);
}

/** Why none of the profiles of a game is meant. */
export const noneMeant = (
  { name }: GameDefinition,
  { names, chosen }: Pick<ProfileOfGame, "names" | "chosen">,
): Outcome<never> => refuse("profile-of-game", { game: name, names: names.join(", "), chosen });

export interface MeantFolders {
  readonly folders: GameFolders;
  /** In which the orders of all profiles of the game lie; absent where it keeps none. */
  readonly profilesIn?: string;
}

/** The folders with that of the meant one of the game's profiles for the order file; refused where none is meant. */
export async function meantFolders(
  game: GameDefinition,
  folders: GameFolders,
  chosen: string | null,
): Promise<Outcome<MeantFolders>> {
  const found = await readProfilesOfGame(game, folders, chosen);
  if (!found) return done({ folders });
  if (found.meant === null) return noneMeant(game, found);
  return done({ folders: foldersFor(game, folders, found.meant), profilesIn: folderOf(game, folders)! });
}

const foldersFor = (game: GameDefinition, folders: GameFolders, profile: string): GameFolders => ({
  ...folders,
  order: join(folderOf(game, folders)!, profile),
});

/** In which an order file may lie, and in which another one may come to lie. */
export async function foldersOfOrders(game: GameDefinition, folders: GameFolders): Promise<string[]> {
  const found = await readProfilesOfGame(game, folders, null);
  if (!found) return [folders.order];
  return [folderOf(game, folders)!, ...found.names.map((name) => foldersFor(game, folders, name).order)];
}
