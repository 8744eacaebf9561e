import { say } from "@/core/language/say";
import "server-only";
import { readdir } from "node:fs/promises";
import { join } from "node:path";
import { readDefinition } from "@/core/game/definition-flaws";
import type { ProfileId } from "@/core/model/ids";
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
import type { Tx } from "@/store/sql";
import type { Context } from "../context";
import { ownedExpansions } from "../stock";
import { checkFolders, type GameSign } from "./folders";
import { addProfile, told } from "./profiles";
import { currentGame } from "./situation";

export const shipped: readonly GameDefinition[] = games;

export interface NewGame {
  /** The id of one that ships, or a definition of one's own. */
  readonly game: string | { readonly own: unknown };
  readonly folders: GameFolders;
}

interface CheckedGame {
  readonly definition: GameDefinition;
  readonly folders: GameFolders;
  readonly own: boolean;
}

/** Registers a game with the folders that the user named, makes a first, empty profile for it, and turns to it. */
export async function addGame(context: Context, wanted: NewGame): Promise<Outcome<null>> {
  const checked = await checkGame(context, wanted);
  if (!checked.ok) return checked;
  const { definition, folders } = checked.value;
  const state = emptyState(definition, await ownedExpansions(definition, folders.game));
  return told(context, async (tx): Promise<Outcome<null>> => {
    await storeGame(tx, checked.value);
    const game = await findCurrentGame(tx);
    if (game?.profileId) return done(null);
    const made = await addProfile(
      tx,
      definition.id,
      { name: say("server.firstSet"), purpose: "play" },
      state,
    );
    return made.ok ? done(null) : made;
  });
}

/** Registers a game without a profile and turns to it. */
export async function registerGame(context: Context, wanted: NewGame): Promise<Outcome<null>> {
  const checked = await checkGame(context, wanted);
  if (!checked.ok) return checked;
  await context.db.transaction((tx) => storeGame(tx, checked.value));
  return done(null);
}

async function storeGame(tx: Tx, game: CheckedGame): Promise<void> {
  const { id } = game.definition;
  await saveGame(tx, { id, ...game });
  await chooseGame(tx, id);
}

async function checkGame(context: Context, wanted: NewGame): Promise<Outcome<CheckedGame>> {
  const described = describeGame(wanted.game);
  if (!described.ok) return described;
  const definition = described.value;
  const own = typeof wanted.game !== "string";
  if (own && (await isTaken(context, definition.id))) return refuse("game-id-taken", { id: definition.id });
  const folders = await checkFolders(definition, wanted.folders);
  return folders.ok ? done({ definition, folders: folders.value, own }) : folders;
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

/** Those that come with Seating, and those that are kept. */
export const knownGames = async ({ db }: Context): Promise<GameSign[]> => {
  const own = (await listGames(db)).filter((game) => game.own).map(({ definition }) => definition);
  return [...own, ...games.filter((game) => !own.some(({ id }) => id === game.id))];
};

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
  return done(null);
}

/** Uses other folders for the game that is worked on. */
export async function changeFolders(context: Context, wanted: GameFolders): Promise<Outcome<null>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const folders = await checkFolders(game.value.definition, wanted);
  if (!folders.ok) return folders;
  await saveGame(context.db, { ...game.value, folders: folders.value });
  return done(null);
}

/** Works on another game that is registered; answers with the profile of it that was last worked on. */
export async function switchGame({ db }: Context, id: string): Promise<Outcome<ProfileId | null>> {
  const game = (await listGames(db)).find((each) => each.id === id);
  if (!game) return refuse("no-game");
  await chooseGame(db, id);
  return done(game.profileId);
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
