import "server-only";
import { createHash } from "node:crypto";
import { lstat } from "node:fs/promises";
import { join } from "node:path";
import type { GameDefinition } from "@/core/model/game";
import type { PluginFile, ShelfMod } from "@/core/model/shelf";
import { findOverlaps } from "@/core/order/broader-first";
import { foldName, manifestName } from "@/core/roster/fold";
import { newestById, type Stock } from "@/core/roster/roster";
import { changedStock, stockChange } from "@/core/roster/stock-change";
import { readPluginFiles } from "@/disk/read-mod";
import type { RegisteredGame } from "@/store/games";
import { listIdentities } from "@/store/identities";
import { listKept, listOwnWork } from "@/store/kept";
import { listRulebooks } from "@/store/rulebooks";
import { listPaths, listRecords } from "@/store/contents";
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
  const read = await readStock(db, game, earlier[0]);
  // What did not change stays the same object, here as in the browser.
  const stock = earlier[0]
    ? changedStock(earlier[0].stock, stockChange(earlier[0].stock, read.stock))
    : read.stock;
  const revision = createHash("sha256").update(JSON.stringify(stock)).digest("base64url");
  const held = { ...read, stock, revision };
  const others = earlier.filter((each) => each.revision !== revision);
  earlierStocks.set(game.id, [held, ...others].slice(0, remembered));
  return held;
}

/** Reads the game's own plugins anew, where nothing of the shelf has changed. */
export async function lookAtGame(context: StockContext & StockHolder, game: RegisteredGame): Promise<void> {
  const known = await context.stocks.get(game.id)?.catch(() => null);
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

async function readStock(
  db: Db,
  game: RegisteredGame,
  before: HeldStock | undefined,
): Promise<Omit<HeldStock, "revision">> {
  const own = await readOwn(game);
  const shelf = await listShelf(db, game.id);
  const overlapsOf = whatOverlaps(game, shelf);
  const { overlaps, fileOverlaps } =
    before?.overlapsOf === overlapsOf ? before.stock : await findAllOverlaps(db, game, shelf);
  const stock = {
    ...own,
    shelf,
    kept: await listKept(db, game.id),
    identified: (await listIdentities(db, game.id)).map(({ path }) => path),
    ownWork: await listOwnWork(db, game.id),
    overlaps,
    fileOverlaps,
    books: await listRulebooks(db, game.id),
  };
  return { stock, overlapsOf };
}

/**
 * The contents of all mods that count, as what they count, and the laws. Where those change, the same contents are read anew and may be
 * found to hold other records: by the stamps, which go before and come after, that is seen as well.
 */
function whatOverlaps({ definition }: RegisteredGame, shelf: readonly ShelfMod[]): string {
  const hash = createHash("sha256").update(JSON.stringify(definition));
  for (const { id, path, content, stamp } of newestById(shelf).values())
    hash.update(JSON.stringify([id, path, content, stamp]));
  return hash.digest("base64url");
}

const findAllOverlaps = async (db: Db, game: RegisteredGame, shelf: readonly ShelfMod[]) => ({
  overlaps: await recordOverlaps(db, game, shelf),
  fileOverlaps: await fileOverlaps(db, game, shelf),
});

/** By the newest version of each mod. */
async function recordOverlaps(db: Db, { id }: RegisteredGame, shelf: readonly ShelfMod[]) {
  const recordsOf = await listRecords(db, id);
  const rows = [...newestById(shelf).values()].flatMap(({ content }) => recordsOf.get(content ?? "") ?? []);
  return findOverlaps(new Map(rows.map(({ plugin, records }) => [plugin, new Set(records)])));
}

/** By the newest version of each mod; what each has for itself, as its manifest, meets nothing. */
async function fileOverlaps(db: Db, { id, definition }: RegisteredGame, shelf: readonly ShelfMod[]) {
  const pathsOf = await listPaths(db, id);
  const files = ({ content }: ShelfMod) =>
    (pathsOf.get(content ?? "") ?? [])
      .map((path) => foldName(definition, path))
      .filter((path) => path !== manifestName);
  return findOverlaps(new Map([...newestById(shelf)].map(([mod, newest]) => [mod, new Set(files(newest))])));
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
