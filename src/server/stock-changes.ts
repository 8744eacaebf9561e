import type { Db, Tx } from "@/store/sql";
import type { Events } from "./events";

/** Of what is stored in parts that belong together: the game of the part that is being stored, and games of which nobody was told. */
export interface StoredParts {
  storing: string | null;
  readonly untold: Set<string>;
}

/** Who holds what is known of the disk, by game. */
export interface StockHolder {
  readonly db: Db;
  readonly stocks: Map<string, unknown>;
  readonly events: Events;
  readonly parts: StoredParts;
}

/** From now on what is known of the disk counts no more as soon as the database holds something else of it. */
export const followStored = (context: StockHolder): Promise<void> =>
  context.db.listen("stock", (game) => {
    if (game === context.parts.storing) context.parts.untold.add(game);
    else forgetStock(context, game);
  });

/** Stores a part of what belongs together: what was known before counts still, and nobody is told before `tellOfParts`. */
export function storePart<T>(
  { db, parts }: StockHolder,
  game: string,
  work: (tx: Tx) => Promise<T>,
): Promise<T> {
  const stored = db.transaction((tx) => {
    parts.storing = game;
    return work(tx);
  });
  return stored.finally(() => (parts.storing = null));
}

export function tellOfParts(context: StockHolder, game: string): void {
  if (context.parts.untold.has(game)) forgetStock(context, game);
}

/** What was read of the disk counts no more: it is read anew when it is asked for, and whoever shows it is told. */
export function forgetStock({ stocks, events, parts }: StockHolder, game: string): void {
  stocks.delete(game);
  parts.untold.delete(game);
  events.publish({ kind: "stock", game });
}
