"use client";

import { useMemo, useState } from "react";
import { z } from "zod";
import { layoutOf, type GridColumn } from "../kit/grid/columns";
import type { GridCommand } from "../kit/grid/commands";
import { DataGrid } from "../kit/grid/data-grid";
import { nothingSelected, type Selection } from "../kit/grid/selection";
import { useGridLayout } from "./use-grid-layout";
import { usePreference } from "./use-preference";

interface Props<Row extends object> {
  /** Under which its columns and their order are kept for the game; lists of one kind share it. */
  readonly kind: string;
  readonly label: string;
  readonly rows: readonly Row[];
  /** The same function and the same columns as long as nothing about them changes. */
  readonly keyOf: (row: Row) => string;
  readonly columns: readonly GridColumn<Row>[];
  readonly commands?: readonly GridCommand<Row>[] | undefined;
  readonly empty?: string;
  /** Where something beside it goes by what is selected. */
  readonly selection?: Selection;
  readonly onSelection?: (selection: Selection) => void;
  /** How high it may become; it is no higher than its rows. */
  readonly className?: string;
}

const none: readonly GridCommand<object>[] = [];

/** A grid in a page of other things. */
export function ListGrid<Row extends object>(props: Props<Row>) {
  const { kind, columns, commands = none, empty = "", className = "max-h-72" } = props;
  const standard = useMemo(() => layoutOf(columns), [columns]);
  const [layout, setLayout] = useGridLayout(`${kind}-columns`, columns, standard);
  const [sort, setSort] = usePreference(`${kind}-sort`, z.string(), "");
  const [own, setOwn] = useState(nothingSelected);
  return (
    <DataGrid
      {...props}
      commands={commands}
      empty={empty}
      className={className}
      layout={layout}
      onLayout={setLayout}
      sort={sort}
      onSort={setSort}
      selection={props.selection ?? own}
      onSelection={props.onSelection ?? setOwn}
    />
  );
}
