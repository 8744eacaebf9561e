import "server-only";
import { readdir } from "node:fs/promises";
import { join } from "node:path";
import { readDefinition } from "@/core/game/definition-flaws";
import type { GameDefinition, GameFolders } from "@/core/model/game";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { emptyState } from "@/core/edit/arrivals";
import { games } from "@/standin/games";
import {
  chooseGame,
  findCurrentGame,
  listGames,
  readAnew,
  saveGame,
  type RegisteredGame,
} from "@/store/games";
import type { Context } from "../context";
import { forgetStock, getStock } from "../stock";
import { checkFolders } from "./folders";
import { addProfile } from "./profiles";
import { currentGame } from "./situation";

export const shipped: readonly GameDefinition[] = games;

export interface NewGame {
  /** The id of one that ships, or a definition of one's own. */
  readonly game: string | { readonly own: unknown };
  readonly folders: GameFolders;
}

/** Registers a game with the folders that the user named, and makes a first, empty profile for it. */
export async function addGame(context: Context, wanted: NewGame): Promise<Outcome<null>> {
  const registered = await registerGame(context, wanted);
  return registered.ok ? addFirstProfile(context) : registered;
}

/** Registers a game without a profile and turns to it. */
export async function registerGame(context: Context, wanted: NewGame): Promise<Outcome<null>> {
  const described = describeGame(wanted.game);
  if (!described.ok) return described;
  const definition = described.value;
  const own = typeof wanted.game !== "string";
  if (own && (await isTaken(context, definition.id))) return refuse("game-id-taken", { id: definition.id });
  const folders = await checkFolders(definition, wanted.folders);
  if (!folders.ok) return folders;
  forgetStock(context, definition.id);
  await saveGame(context.db, { id: definition.id, definition, folders: folders.value, own });
  await chooseGame(context.db, definition.id);
  return done(null);
}

function describeGame(game: NewGame["game"]): Outcome<GameDefinition> {
  if (typeof game !== "string") return readOwn(game.own);
  const shipped = games.find((each) => each.id === game);
  return shipped ? done(shipped) : refuse("no-game");
}

/** A definition that comes from outside, or the first of its flaws. */
function readOwn(value: unknown): Outcome<GameDefinition> {
  const read = readDefinition(value);
  return "definition" in read ? done(read.definition) : refuse("definition-flaw", { ...read.flaws[0]! });
}

async function isTaken({ db }: Context, id: string): Promise<boolean> {
  return games.some((game) => game.id === id) || (await listGames(db)).some((game) => game.id === id);
}

/** Changes the laws of the game that is worked on; its shelf is read anew by them. */
export async function changeDefinition(context: Context, wanted: unknown): Promise<Outcome<null>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const read = readOwn(wanted);
  if (!read.ok) return read;
  const definition = read.value;
  if (definition.id !== game.value.id) return refuse("game-id-stays", { id: game.value.id });
  await context.db.transaction(async (tx) => {
    await saveGame(tx, { ...game.value, definition, own: true });
    await readAnew(tx, game.value.id);
  });
  forgetStock(context, game.value.id);
  return done(null);
}

/** Uses other folders for the game that is worked on. */
export async function changeFolders(context: Context, wanted: GameFolders): Promise<Outcome<null>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const folders = await checkFolders(game.value.definition, wanted);
  if (!folders.ok) return folders;
  await saveGame(context.db, { ...game.value, folders: folders.value });
  forgetStock(context, game.value.id);
  return done(null);
}

/** Works on another game that is registered. */
export async function switchGame({ db }: Context, id: string): Promise<Outcome<null>> {
  const known = (await listGames(db)).some((game) => game.id === id);
  if (!known) return refuse("no-game");
  await chooseGame(db, id);
  return done(null);
}

async function addFirstProfile(context: Context): Promise<Outcome<null>> {
  const game = await findCurrentGame(context.db);
  if (!game || game.profileId) return done(null);
  const stock = await getStock(context, game);
  const state = emptyState(game.definition, stock.owned);
  const facts = { name: "First set", purpose: "play" };
  const made = await context.db.transaction((tx) => addProfile(tx, game.id, facts, state));
  return made.ok ? done(null) : made;
}

const mostStartFiles = 1000;

/** Names of the files that each launch setting of the kind `file` can name, by the setting's id. */
export async function listStartFiles({
  definition,
  folders,
}: RegisteredGame): Promise<Record<string, string[]>> {
  const found: Record<string, string[]> = {};
  for (const setting of definition.launchSettings ?? []) {
    if (setting.kind !== "file") continue;
    const entries = await readdir(join(folders.game, setting.folder), { withFileTypes: true }).catch(
      () => [],
    );
    found[setting.id] = entries
      .filter((entry) => entry.isFile() && !entry.name.startsWith("."))
      .map((entry) => entry.name)
      .sort()
      .slice(0, mostStartFiles);
  }
  return found;
}
