import { useTable } from "@tanstack/react-table";
import { useMemo } from "react";
import type { GridColumn, GridLayout } from "./columns";
import type { Sort } from "./sort";
import { columnDefs, gridFeatures, tableState } from "./table";

/** The rows as they are sorted, and the columns as they are shown, with the widths that they have. */
export function useGridTable<Row extends object>(
  rows: readonly Row[],
  columns: readonly GridColumn<Row>[],
  layout: GridLayout,
  sort: Sort,
): { rows: readonly Row[]; shown: readonly GridColumn<Row>[] } {
  const defs = useMemo(() => columnDefs(columns), [columns]);
  const state = useMemo(() => tableState(columns, layout, sort), [columns, layout, sort]);
  const table = useTable({ features: gridFeatures, columns: defs, data: rows, state });
  const model = table.getRowModel();
  const leaves = table.getVisibleLeafColumns();
  const shown = useMemo(
    () => leaves.map((leaf) => ({ ...columns.find(({ id }) => id === leaf.id)!, width: leaf.getSize() })),
    // The sizes are in the state, which the leaves read and are not made anew for.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [leaves, columns, state],
  );
  return { rows: useMemo(() => model.rows.map(({ original }) => original), [model]), shown };
}
