import "server-only";
import type { Stock } from "@/core/roster/roster";
import { stockChange, type StockChange } from "@/core/roster/stock-change";
import { currentGame } from "../operations/situation";
import { holdStock } from "../stock";
import { windowContext } from "../window";

/** What lies on the disk for a game, whole or as what has changed of it since an earlier revision. */
export type StockView = { readonly game: string; readonly revision: string } & (
  { readonly stock: Stock } | { readonly since: string; readonly change: StockChange }
);

/** Of the game that the window works on; as a change where what was there at `since` is still known. Null where there is no game. */
export async function viewStock(since: string | null): Promise<StockView | null> {
  const context = await windowContext();
  const game = await currentGame(context);
  if (!game.ok) return null;
  const { id } = game.value;
  const { stock, revision } = await holdStock(context, game.value);
  const before = context.earlierStocks.get(id)?.find((each) => each.revision === since);
  return before && since !== null
    ? { game: id, revision, since, change: stockChange(before.stock, stock) }
    : { game: id, revision, stock };
}
