import {
  columnOrderingFeature,
  columnSizingFeature,
  columnVisibilityFeature,
  createSortedRowModel,
  rowSortingFeature,
  tableFeatures,
  type ColumnDef,
  type SortFn,
} from "@tanstack/react-table";
import { narrowest, widest, type GridColumn, type GridLayout } from "./columns";
import { isSortable, sortWay, type Sort } from "./sort";

export const gridFeatures = tableFeatures({
  columnOrderingFeature,
  columnSizingFeature,
  columnVisibilityFeature,
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
});
type Features = typeof gridFeatures;

/** Figures by size, words without case; equal ones stay in the order in which the rows come. */
const byValue = (a: string | number, b: string | number): number => (a < b ? -1 : Number(a > b));

/** The columns as the table knows them. */
export function columnDefs<Row extends object>(
  columns: readonly GridColumn<Row>[],
): ColumnDef<Features, Row>[] {
  const sortFn: SortFn<Features, Row> = (a, b, id) => byValue(a.getValue(id), b.getValue(id));
  return columns.map(({ id, width, text, sortBy }) => ({
    id,
    size: width,
    minSize: Math.min(width, narrowest),
    maxSize: widest,
    accessorFn: (row: Row) => sortBy?.(row) ?? text(row).toLowerCase(),
    enableSorting: sortBy !== null,
    sortFn,
  }));
}

/** What of the table its user has chosen. A sort by a column that is not there is none. */
export function tableState<Row>(columns: readonly GridColumn<Row>[], layout: GridLayout, sort: Sort) {
  const laidOut = new Map(layout.map(({ id, width }) => [id, width]));
  const sorted = columns.find((column) => isSortable(column) && sortWay(sort, column) !== "none");
  return {
    sorting: sorted ? [{ id: sorted.id, desc: sortWay(sort, sorted) === "descending" }] : [],
    columnOrder: [...columns.filter(({ isFixed }) => isFixed).map(({ id }) => id), ...laidOut.keys()],
    columnVisibility: Object.fromEntries(columns.map(({ id, isFixed }) => [id, isFixed || laidOut.has(id)])),
    columnSizing: Object.fromEntries(laidOut),
  };
}
