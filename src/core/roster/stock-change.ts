import { emptyStock, type Stock } from "./roster";

/** What a list takes over of an earlier one, from a place on, or rows that were not there. */
type Piece<Row> = { readonly from: number; readonly count: number } | { readonly rows: readonly Row[] };

type Part = keyof Stock;
type RowOf<Each extends Part> = Stock[Each][number];

/** How a stock follows from an earlier one, by its parts; one that is not named is the same. */
export type StockChange = { readonly [Each in Part]?: readonly Piece<RowOf<Each>>[] };

const parts = Object.keys(emptyStock) as Part[];

/** Rows are the same where they are written the same. */
export function stockChange(before: Stock, after: Stock): StockChange {
  const changes = parts.map((part) => [part, piecesOf<unknown>(before[part], after[part])] as const);
  return Object.fromEntries(changes.filter(([, pieces]) => pieces !== null));
}

/** Null where the lists are the same. */
function piecesOf<Row>(before: readonly Row[], after: readonly Row[]): Piece<Row>[] | null {
  if (before === after) return null;
  const places = new Map(before.map((row, at) => [JSON.stringify(row), at]));
  const pieces: ({ from: number; count: number } | { rows: Row[] })[] = [];
  for (const row of after) {
    const at = places.get(JSON.stringify(row));
    const last = pieces.at(-1);
    if (at === undefined)
      if (last && "rows" in last) last.rows.push(row);
      else pieces.push({ rows: [row] });
    else if (last && "from" in last && at === last.from + last.count) last.count += 1;
    else pieces.push({ from: at, count: 1 });
  }
  return isWhole(pieces, before.length) ? null : pieces;
}

function isWhole(pieces: readonly Piece<unknown>[], length: number): boolean {
  const [first, ...others] = pieces;
  if (!first) return length === 0;
  return others.length === 0 && "from" in first && first.from === 0 && first.count === length;
}

/** Every part and row that did not change is the very object that it was. */
export function changedStock(before: Stock, change: StockChange): Stock {
  const changed = parts.flatMap((part) => {
    const pieces = change[part] as readonly Piece<unknown>[] | undefined;
    return pieces ? [[part, pieces.flatMap((piece) => rowsOf(before[part], piece))] as const] : [];
  });
  return changed.length === 0 ? before : { ...before, ...(Object.fromEntries(changed) as Partial<Stock>) };
}

const rowsOf = <Row>(before: readonly Row[], piece: Piece<Row>): readonly Row[] =>
  "rows" in piece ? piece.rows : before.slice(piece.from, piece.from + piece.count);
