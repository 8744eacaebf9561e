import { midSentence } from "@/core/language/mid-sentence";
import { useCallback, useMemo, useState } from "react";
import { findingTitle } from "@/core/messages/finding-titles";

import type { Finding } from "@/core/model/finding";
import type { ListName } from "@/core/model/profile";
import { switchItems } from "@/core/edit/edits";
import { notesOf } from "@/core/roster/notes";
import type { SeatedItem } from "@/core/roster/roster";
import { numbersOf } from "@/core/roster/sheet";
import { fitting, type Chosen, type GridColumn } from "../kit/grid/columns";
import { isSortable, sortWay } from "../kit/grid/sort";
import { useGridTable } from "../kit/grid/use-grid-table";
import { useTextScale } from "../kit/text-scale";
import { useGridLayout } from "../workspace/use-grid-layout";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { planColumns, planShownAtFirst, type PlanCells, type RowMark } from "./plan-columns";
import { gutterWidth } from "./tie-arcs";

/** From the left edge of the list to its first column: the arcs, and the edge in the colour of the section. */
export const planInset = gutterWidth + 14;

export interface PlanGrid extends Chosen {
  readonly columns: readonly GridColumn<PlanCells>[];
  /** Those of them that are chosen and have room. */
  readonly shown: readonly GridColumn<PlanCells>[];
  readonly cellsOf: (item: SeatedItem) => PlanCells;
  /** The items in another order, to be looked at; null where they stand as they load. */
  readonly sorted: readonly SeatedItem[] | null;
  /** The heading that they are sorted by. */
  readonly sortedBy: string | null;
}

const nothing: readonly PlanCells[] = [];

/** What the plan shows of its items and in which order, in a list of so many pixels. */
export function usePlanGrid(room: number, sortAtFirst: string): PlanGrid {
  const { editor } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const lens = useEditor((state) => state.lens);
  const findings = useEditor((state) => state.findings);
  const list = roster.lists[lens];
  const columns = planColumns[lens];
  const [layout, onLayout] = useGridLayout(`plan-${lens}-columns`, columns, planShownAtFirst[lens]);
  const [sort, onSort] = useState(sortAtFirst);
  const sortedBy = columns.find((column) => isSortable(column) && sortWay(sort, column) !== "none");
  const scale = useTextScale();
  const fitted = useMemo(
    () => fitting(columns, layout, (room - planInset) / scale),
    [columns, layout, room, scale],
  );
  const marks = useMemo(() => markRows(findings, lens), [findings, lens]);
  const notes = useMemo(() => notesOf(roster, lens), [roster, lens]);
  const isNumbered = layout.some(({ id }) => id === "number");
  const numbers = useMemo(
    () => (isNumbered ? new Map(numbersOf(list).map(({ id, number }) => [id, number])) : null),
    [isNumbered, list],
  );
  const onToggle = useCallback(
    (item: SeatedItem) => {
      const edit = switchItems(editor.getState().roster, [item], !item.loads);
      if (edit) editor.dispatch(edit);
    },
    [editor],
  );
  const isStateShown = fitted.some(({ id }) => id === "state");
  const cellsOf = useCallback(
    (item: SeatedItem): PlanCells => ({
      item,
      mark: marks.get(item.id) ?? null,
      noted: notes.has(item.id),
      number: numbers?.get(item.id),
      isStateShown,
      onToggle,
    }),
    [marks, notes, numbers, isStateShown, onToggle],
  );
  const isSorted = sortedBy !== undefined;
  const cells = useMemo(() => (isSorted ? list.items.map(cellsOf) : nothing), [isSorted, list, cellsOf]);
  const { rows, shown } = useGridTable(cells, columns, fitted, sort);
  const sorted = useMemo(() => (isSorted ? rows.map(({ item }) => item) : null), [isSorted, rows]);
  return {
    columns,
    shown,
    layout,
    onLayout,
    sort,
    onSort,
    cellsOf,
    sorted,
    sortedBy: sortedBy?.label ?? null,
  };
}

/** The gravest finding of each item, for its row. */
function markRows(findings: readonly Finding[], lens: ListName): Map<string, RowMark> {
  const marks = new Map<string, RowMark>();
  for (const { level, id, subjects } of findings) {
    const first = subjects[0];
    if (first?.list !== lens || marks.has(first.id)) continue;
    marks.set(first.id, { level, words: midSentence(findingTitle(id)) });
  }
  return marks;
}
