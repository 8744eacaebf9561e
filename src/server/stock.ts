import { say } from "@/core/language/say";
import "server-only";
import { createHash } from "node:crypto";
import { lstat } from "node:fs/promises";
import { join } from "node:path";
import type { GameDefinition } from "@/core/model/game";
import type { PluginFile } from "@/core/model/shelf";
import type { Stock } from "@/core/roster/roster";
import { changedStock, stockChange } from "@/core/roster/stock-change";
import { readPluginFiles } from "@/disk/read-mod";
import { readVersion } from "@/disk/installed";
import { noteVersion, type RegisteredGame } from "@/store/games";
import { listIdentities } from "@/store/identities";
import { listKept, listOwnWork } from "@/store/kept";
import { listRulebooks } from "@/store/rulebooks";
import { listShelf } from "@/store/shelf";
import type { Db } from "@/store/sql";
import type { Context, HeldStock } from "./context";
import { forgetStock, type StockHolder } from "./stock-changes";

/** What lies on the disk for a game: its own plugins read now, the shelf as it was last read. */
export const getStock = async (context: StockContext, game: RegisteredGame): Promise<Stock> =>
  (await holdStock(context, game)).stock;

type StockContext = Pick<Context, "db" | "stocks" | "earlierStocks">;

export function holdStock(context: StockContext, game: RegisteredGame): Promise<HeldStock> {
  const { stocks } = context;
  const known = stocks.get(game.id);
  if (known) return known;
  const reading = readAndRemember(context, game);
  stocks.set(game.id, reading);
  reading.catch(() => stocks.delete(game.id));
  return reading;
}

/** Stocks of before from which a window can say that it comes. */
const remembered = 4;

async function readAndRemember(
  { db, earlierStocks }: StockContext,
  game: RegisteredGame,
): Promise<HeldStock> {
  const earlier = earlierStocks.get(game.id) ?? [];
  const read = await readStock(db, game);
  // What did not change stays the same object, here as in the browser.
  const stock = earlier[0] ? changedStock(earlier[0].stock, stockChange(earlier[0].stock, read)) : read;
  const revision = createHash("sha256").update(JSON.stringify(stock)).digest("base64url");
  const held = { stock, revision };
  const others = earlier.filter((each) => each.revision !== revision);
  earlierStocks.set(game.id, [held, ...others].slice(0, remembered));
  return held;
}

/** Reads the game's version and its own plugins anew, where nothing of the shelf has changed. */
export async function lookAtGame(context: StockContext & StockHolder, game: RegisteredGame): Promise<void> {
  const { definition, folders } = game;
  const read = await readVersion(definition, folders.game);
  const isAnother = read !== null && read.version !== null && read.version !== definition.version;
  if (isAnother) await noteVersion(context.db, game.id, read.version);
  const known = await context.stocks.get(game.id)?.catch(() => null);
  if (isAnother) return forgetStock(context, game.id);
  if (!known) return;
  const { base, owned } = known.stock;
  const isSame = JSON.stringify({ base, owned }) === JSON.stringify(await readOwn(game));
  if (!isSame) forgetStock(context, game.id);
}

/** The plugins of the game and of the expansions that are there. */
async function readOwn({ definition, folders }: RegisteredGame): Promise<Pick<Stock, "base" | "owned">> {
  const owned = await ownedExpansions(definition, folders.game);
  const base: PluginFile[] = await readPluginFiles(
    definition,
    join(folders.game, definition.baseFolder),
    definition.builtIn,
  );
  for (const expansion of definition.expansions.filter((each) => owned.includes(each.id)))
    base.push(
      ...(await readPluginFiles(definition, join(folders.game, expansion.folder), expansion.plugins)),
    );
  return { base, owned };
}

async function readStock(db: Db, game: RegisteredGame): Promise<Stock> {
  return {
    ...(await readOwn(game)),
    shelf: await listShelf(db, game.id),
    kept: await listKept(db, game.id),
    identified: (await listIdentities(db, game.id)).map(({ path }) => path),
    ownWork: await listOwnWork(db, game.id),
    books: await listRulebooks(db, game.id, say("formats.itsListsWantToBeBlended")),
  };
}

/** An expansion is owned where its folder lies in the game's. */
export async function ownedExpansions(game: GameDefinition, gameFolder: string): Promise<string[]> {
  const owned: string[] = [];
  for (const expansion of game.expansions) {
    const info = await lstat(join(gameFolder, expansion.folder)).catch(() => null);
    if (info?.isDirectory()) owned.push(expansion.id);
  }
  return owned;
}
