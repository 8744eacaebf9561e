import "server-only";
import { constants } from "node:fs";
import { access, lstat, realpath } from "node:fs/promises";
import { join } from "node:path";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { games } from "@/standin/games";
import { chooseGame, findCurrentGame, listGames, saveGame } from "@/store/games";
import type { Context } from "../context";
import { getStock } from "../stock";
import { emptyState } from "@/core/profile/arrivals";
import { addProfile } from "./profiles";

export interface NewGame {
  readonly id: string;
  readonly gameFolder: string;
  readonly shelfFolder: string;
}

/** Registers a game with the folders that the user named, and makes a first, empty profile for it. */
export async function addGame(context: Context, wanted: NewGame): Promise<Outcome<null>> {
  const definition = games.find((game) => game.id === wanted.id);
  if (!definition) return refuse("no-game");
  const gameFolder = await checkFolder(wanted.gameFolder, true);
  if (!gameFolder.ok) return gameFolder;
  const shelfFolder = await checkFolder(wanted.shelfFolder, false);
  if (!shelfFolder.ok) return shelfFolder;
  const { sign } = definition;
  const info = await lstat(join(gameFolder.value, sign)).catch(() => null);
  if (!info?.isFile())
    return refuse("folder-no-game", { path: gameFolder.value, game: definition.name, file: sign });
  context.stocks.delete(definition.id);
  await saveGame(context.db, {
    id: definition.id,
    definition,
    gameFolder: gameFolder.value,
    shelfFolder: shelfFolder.value,
  });
  await chooseGame(context.db, definition.id);
  return addFirstProfile(context);
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
  const made = await context.db.transaction((tx) => addProfile(tx, game.id, "First set", "play", state));
  return made.ok ? done(null) : made;
}

async function checkFolder(path: string, writable: boolean): Promise<Outcome<string>> {
  const real = await realpath(path.trim()).catch(() => null);
  const info = real === null ? null : await lstat(real).catch(() => null);
  if (real === null || !info?.isDirectory()) return refuse("folder-missing", { path });
  if (!writable) return done(real);
  const allowed = await access(real, constants.W_OK).then(
    () => true,
    () => false,
  );
  return allowed ? done(real) : refuse("folder-not-writable", { path: real });
}
