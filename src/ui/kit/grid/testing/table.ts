import { constructTable } from "@tanstack/react-table";
import { storeReactivityBindings } from "@tanstack/table-core/store-reactivity-bindings";
import type { GridColumn, GridLayout } from "../columns";
import { columnDefs, gridFeatures, tableState } from "../table";

// React brings its own.
const features: typeof gridFeatures = Object.assign({}, gridFeatures, {
  coreReactivityFeature: storeReactivityBindings(),
});

/** The table of a grid without an interface: its rows as they are sorted, its columns as they are shown. */
export function testTable<Row extends object>(
  rows: readonly Row[],
  columns: readonly GridColumn<Row>[],
  layout: GridLayout,
  sort = "",
) {
  const table = constructTable({
    features,
    columns: columnDefs(columns),
    data: rows,
    state: tableState(columns, layout, sort),
  });
  return {
    rows: table.getRowModel().rows.map(({ original }) => original),
    shown: table.getVisibleLeafColumns().map((column) => ({ id: column.id, width: column.getSize() })),
  };
}
