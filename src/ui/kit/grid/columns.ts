import type { ReactNode } from "react";
import type { GuideWord } from "@/core/model/guide";

/** What a grid shows of each row. */
export interface GridColumn<Row> {
  readonly id: string;
  readonly label: string;
  /** Our own word that the heading is; what it means is shown there. */
  readonly word?: GuideWord;
  /** Pixels at the usual size of text, until its user makes it wider or narrower. */
  readonly width: number;
  /** A figure, which stands at the right. */
  readonly isFigure?: boolean;
  readonly isMono?: boolean;
  /** Always shown, at this width. */
  readonly isFixed?: boolean;
  /** What a row is called: fixed, and as wide as there is room for a name. One of a grid. */
  readonly isMain?: boolean;
  /** The place of a row as the rows come: sorted by it they are as they come. */
  readonly isOrder?: boolean;
  /** What is shown, copied, and sorted by unless `sortBy` says otherwise. */
  readonly text: (row: Row) => string;
  /** Null where rows cannot be sorted by it. */
  readonly sortBy?: ((row: Row) => string | number) | null;
  /** Where it is more than its text. */
  readonly cell?: (row: Row) => ReactNode;
}

/** The columns that are shown beside the fixed ones, in this order, with widths in pixels. */
export type GridLayout = readonly { readonly id: string; readonly width: number }[];

/** What of a grid its user chooses. */
export interface Chosen {
  readonly layout: GridLayout;
  readonly onLayout: (layout: GridLayout) => void;
  /** A column, the other way round where a minus stands before it; empty: as the rows come. */
  readonly sort: string;
  readonly onSort: (sort: string) => void;
}

export const narrowest = 40;
export const widest = 800;
const mainRoom = { least: 120, fair: 220, most: 560 };
const gap = 12;
/** Pixels before the first and after the last column. */
export const rowInset = 12;

export const layoutOf = <Row>(columns: readonly GridColumn<Row>[]): GridLayout =>
  columns.filter(({ isFixed }) => !isFixed).map(({ id, width }) => ({ id, width }));

export const widened = (layout: GridLayout, id: string, by: number): GridLayout =>
  layout.map((each) =>
    each.id === id ? { id, width: Math.round(Math.max(narrowest, Math.min(widest, each.width + by))) } : each,
  );

/** With a column moved by so many places, or to the place of another one. */
export function moved(layout: GridLayout, id: string, to: number | string): GridLayout {
  const at = layout.findIndex((each) => each.id === id);
  const place = typeof to === "number" ? at + to : layout.findIndex((each) => each.id === to);
  if (at < 0 || place < 0 || place >= layout.length || place === at) return layout;
  const next = [...layout];
  next.splice(place, 0, ...next.splice(at, 1));
  return next;
}

/** What of a layout has room beside the fixed columns, in pixels at the usual size of text, from its start, with a fair part left for names. */
export function fitting<Row>(
  columns: readonly GridColumn<Row>[],
  layout: GridLayout,
  room: number,
): GridLayout {
  let taken = columns
    .filter(({ isFixed }) => isFixed)
    .reduce((sum, { isMain, width }) => sum + gap + (isMain ? mainRoom.fair : width), gap);
  const end = layout.findIndex(({ width }) => (taken += gap + width) > room);
  return end < 0 ? layout : layout.slice(0, end);
}

/**
 * How the columns lie in a row, with text so much larger than usual. What room is left over lies behind them, so that a name and what is
 * said of it stay together.
 */
export function gridTemplate<Row>(columns: readonly GridColumn<Row>[], textScale: number) {
  const pixels = (width: number) => `${width * textScale}px`;
  const tracks = columns.map(({ isMain, width }) =>
    isMain ? `minmax(${pixels(mainRoom.least)}, ${pixels(mainRoom.most)})` : pixels(width),
  );
  const least = columns.reduce(
    (sum, { isMain, width }) => sum + gap + (isMain ? mainRoom.least : width),
    gap,
  );
  return {
    gridTemplateColumns: `${tracks.join(" ")} minmax(0, 1fr)`,
    columnGap: gap,
    minWidth: least * textScale,
  };
}

/** Rows as a spreadsheet takes them in: a line each, cells apart by tabs; the headings first where there are several. */
export function copiedRows<Row>(columns: readonly GridColumn<Row>[], rows: readonly Row[]): string {
  const line = (cells: readonly string[]) => cells.map((cell) => cell.replace(/[\t\r\n]+/g, " ")).join("\t");
  const lines = rows.map((row) => line(columns.map(({ text }) => text(row))));
  return (rows.length > 1 ? [line(columns.map(({ label }) => label)), ...lines] : lines).join("\n");
}
