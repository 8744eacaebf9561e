import { useCallback, useMemo } from "react";
import { z } from "zod";
import { narrowest, widest, type GridColumn, type GridLayout } from "../kit/grid/columns";
import { usePreference } from "./use-preference";

const StoredLayout = z.array(
  z.strictObject({ id: z.string(), width: z.number().min(narrowest).max(widest) }),
);

/** Which columns of a grid are shown, in which order and how wide, kept for the game; `standard` until something is chosen. */
export function useGridLayout<Row>(
  key: string,
  columns: readonly GridColumn<Row>[],
  standard: GridLayout,
): readonly [GridLayout, (layout: GridLayout) => void] {
  const [stored, store] = usePreference<GridLayout>(key, StoredLayout, standard);
  const layout = useMemo(
    () => stored.filter(({ id }) => columns.some((column) => column.id === id)),
    [stored, columns],
  );
  return [layout, useCallback((next: GridLayout) => store([...next]), [store])];
}
