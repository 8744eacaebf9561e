"use client";

import { ArrowLeft, ArrowRight } from "lucide-react";
import { Button } from "../kit/button";
import { Drop } from "../kit/drop";
import { useEditor } from "../workspace/workspace.client";
import { columnOf, shelfColumns, shownAtFirst, type ShelfColumn, type ShownColumns } from "./shelf-columns";

/** Which columns the shelf shows, and in which order. */
export function ColumnChoice({
  columns,
  onColumns,
}: {
  columns: ShownColumns;
  onColumns: (columns: ShownColumns) => void;
}) {
  const game = useEditor((state) => state.view.game);
  const hasIt = ({ only }: ShelfColumn) =>
    only === undefined || (only === "plugins" ? game.lists.includes("plugins") : game.expansions.length > 0);
  const hidden = shelfColumns.filter((each) => hasIt(each) && !columns.some(({ id }) => id === each.id));
  const move = (at: number, by: number) => {
    const next = [...columns];
    next.splice(at + by, 0, ...next.splice(at, 1));
    onColumns(next);
  };
  return (
    <Drop label="Columns" isOn={false}>
      <ul className="min-w-64">
        {columns.map(({ id }, at) => (
          <li key={id} className="flex h-7 items-center gap-1">
            <label className="flex grow items-center gap-2">
              <input
                type="checkbox"
                checked
                className="accent-pine"
                onChange={() => onColumns(columns.filter((each) => each.id !== id))}
              />
              {columnOf(id)!.label}
            </label>
            <Button
              small
              look="quiet"
              disabled={at === 0}
              aria-label={`${columnOf(id)!.label} further left`}
              onClick={() => move(at, -1)}
            >
              <ArrowLeft size={13} aria-hidden />
            </Button>
            <Button
              small
              look="quiet"
              disabled={at === columns.length - 1}
              aria-label={`${columnOf(id)!.label} further right`}
              onClick={() => move(at, 1)}
            >
              <ArrowRight size={13} aria-hidden />
            </Button>
          </li>
        ))}
        {hidden.map(({ id, label, width }) => (
          <li key={id} className="flex h-7 items-center">
            <label className="flex grow items-center gap-2">
              <input
                type="checkbox"
                checked={false}
                className="accent-pine"
                onChange={() => onColumns([{ id, width }, ...columns])}
              />
              {label}
            </label>
          </li>
        ))}
      </ul>
      <Button small look="quiet" className="mt-2" onClick={() => onColumns(shownAtFirst)}>
        As at first
      </Button>
    </Drop>
  );
}
