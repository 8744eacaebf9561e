"use client";

import { z } from "zod";
import { layoutOf, type GridColumn } from "../kit/grid/columns";
import { DataGrid } from "../kit/grid/data-grid";
import type { GridCommand } from "../kit/grid/commands";
import type { Selection } from "../kit/grid/selection";
import { formatSize } from "../kit/format-size";
import { useGridLayout } from "../workspace/use-grid-layout";
import { usePreference } from "../workspace/use-preference";
import { standingWords, type DepotRow, type Standing } from "./depot-rows";

const hereWords = ({ newest, standing }: DepotRow): string =>
  newest.terms && standing !== "here" ? "by hand" : standingWords[standing];

const hereLook: Readonly<Record<Standing, string>> = {
  here: "text-ink3",
  newer: "text-saffron font-semibold",
  "not-here": "text-ink",
};

/** What can be shown of what the depot offers. */
const columns: readonly GridColumn<DepotRow>[] = [
  {
    id: "name",
    label: "Mod",
    width: 150,
    isFixed: true,
    isMain: true,
    text: ({ newest }) => newest.mod.name,
  },
  { id: "version", label: "Version", width: 76, isMono: true, text: ({ newest }) => newest.mod.version },
  { id: "author", label: "Author", width: 110, text: ({ newest }) => newest.mod.author ?? "" },
  { id: "kinds", label: "Kinds", width: 150, text: ({ newest }) => newest.mod.tags.join(", ") },
  {
    id: "size",
    label: "Size",
    width: 76,
    isFigure: true,
    text: ({ newest }) => formatSize(newest.mod.size),
    sortBy: ({ newest }) => newest.mod.size,
  },
  {
    id: "here",
    label: "Here",
    width: 118,
    text: hereWords,
    cell: (row) => <span className={hereLook[row.standing]}>{hereWords(row)}</span>,
  },
];
const standard = layoutOf(columns);
const keyOf = ({ id }: DepotRow): string => id;

/** The table of what the depot offers. */
export function DepotList(props: {
  rows: readonly DepotRow[];
  selection: Selection;
  onSelection: (selection: Selection) => void;
  commands: readonly GridCommand<DepotRow>[];
}) {
  const [layout, setLayout] = useGridLayout("depot-columns", columns, standard);
  const [sort, setSort] = usePreference("depot-sort", z.string(), "");
  return (
    <DataGrid
      {...props}
      label="Mods in the depot"
      keyOf={keyOf}
      columns={columns}
      layout={layout}
      onLayout={setLayout}
      sort={sort}
      onSort={setSort}
      empty="Nothing in the depot fits."
    />
  );
}
