"use client";

import type { GridColumn } from "../kit/grid/columns";
import type { GridCommand } from "../kit/grid/commands";
import { selectOne } from "../kit/grid/selection";
import { ListGrid } from "./list-grid";

/** A sheet of a view: one row of it is looked at. */
export function SheetGrid<Row extends object>({
  kind,
  label,
  rows,
  keyOf,
  columns,
  commands = [],
  at,
  onLook,
}: {
  readonly rows: readonly Row[];
  readonly at: string | null;
  readonly onLook: (key: string) => void;
  readonly kind: string;
  readonly label: string;
  readonly keyOf: (row: Row) => string;
  readonly columns: readonly GridColumn<Row>[];
  readonly commands?: readonly GridCommand<Row>[];
}) {
  return (
    <ListGrid
      kind={kind}
      label={label}
      rows={rows}
      keyOf={keyOf}
      columns={columns}
      commands={commands}
      selection={selectOne(at ?? (rows[0] ? keyOf(rows[0]) : ""))}
      onSelection={({ active }) => active !== null && onLook(active)}
      className="min-h-0 grow"
    />
  );
}
