"use client";

import { useVirtualizer } from "@tanstack/react-virtual";
import { useEffect, useRef, type KeyboardEvent, type PointerEvent, type ReactNode } from "react";
import type { ShelfMod } from "@/core/model/shelf";
import type { SeatedMod } from "@/core/roster/roster";
import { wantOfMod } from "@/core/depot/offers";
import { GetMissing } from "../depot/get-missing";
import { LevelMark } from "../kit/level";
import { Toggle } from "../kit/toggle";
import { ColumnCell, columnOf, type ShownColumns } from "./shelf-columns";
import type { ShelfRow } from "./shelf-rows";

const rowHeight = 32;

interface Props {
  rows: readonly ShelfRow[];
  columns: ShownColumns;
  onColumns: (columns: ShownColumns) => void;
  selected: string | null;
  sort: string;
  onSort: (sort: string) => void;
  onSelect: (key: string) => void;
  onSwitch: (mods: readonly ShelfMod[], on: boolean) => void;
}

/** The table of the shelf; only the rows in sight are drawn. */
export function ShelfList({ rows, columns, onColumns, selected, sort, onSort, onSelect, onSwitch }: Props) {
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 12,
    scrollPaddingStart: rowHeight,
  });
  const at = rows.findIndex((row) => row.key === selected);
  useEffect(() => {
    if (at >= 0) virtual.scrollToIndex(at, { align: "auto" });
  }, [at, virtual]);
  const onKeyDown = (event: KeyboardEvent) => {
    if ((event.target as HTMLElement).closest("[role=columnheader]")) return;
    const by = { ArrowDown: 1, ArrowUp: -1, PageDown: 15, PageUp: -15 }[event.key];
    const row = rows[at];
    if (by !== undefined) {
      const next = rows[Math.max(0, Math.min(rows.length - 1, at + by))];
      if (next) onSelect(next.key);
    } else if ((event.key === "Enter" || event.key === " ") && row?.mod && !row.mod.problem) {
      onSwitch([row.mod], !row.seated?.loads);
    } else return;
    event.preventDefault();
  };
  const grid = {
    gridTemplateColumns: `44px minmax(150px, 1fr) ${columns.map(({ width }) => `${width}px`).join(" ")}`,
    minWidth: 44 + 150 + columns.reduce((sum, { width }) => sum + width + 12, 12),
  };
  return (
    <div
      ref={scroller}
      role="grid"
      aria-label="Mods on the shelf"
      aria-rowcount={rows.length + 1}
      tabIndex={0}
      onKeyDown={onKeyDown}
      aria-activedescendant={selected !== null && at >= 0 ? shelfRowId(selected) : undefined}
      className="min-w-0 grow overflow-auto focus-visible:outline-none"
    >
      <div
        role="row"
        style={grid}
        className={`border-line bg-sunk text-ink2 sticky top-0 z-[2] border-b text-sm font-semibold ${rowLook}`}
      >
        <span role="columnheader" className="pl-3">
          On
        </span>
        <SortHeader by="name" label="Mod" sort={sort} onSort={onSort} />
        {columns.map(({ id, width }) => {
          const column = columnOf(id)!;
          const widen = (by: number) =>
            onColumns(
              columns.map((each) =>
                each.id === id ? { id, width: Math.max(40, Math.min(800, width + by)) } : each,
              ),
            );
          return (
            <SortHeader
              key={id}
              by={id}
              label={column.label}
              sort={sort}
              onSort={onSort}
              isFigure={column.isFigure === true}
            >
              <WidthHandle label={column.label} width={width} onWiden={widen} />
            </SortHeader>
          );
        })}
      </div>
      {rows.length === 0 && <p className="text-ink2 p-4">Nothing on the shelf fits this filter.</p>}
      <div role="presentation" className="relative" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map(({ index, start }) => {
          const row = rows[index]!;
          return (
            <div
              key={row.key}
              id={shelfRowId(row.key)}
              role="row"
              aria-rowindex={index + 2}
              aria-selected={row.key === selected}
              onClick={() => onSelect(row.key)}
              className={`border-line absolute left-0 w-full border-b ${rowLook} ${row.key === selected ? "bg-pine-soft" : "bg-surface"}`}
              style={{ ...grid, top: start, height: rowHeight }}
            >
              <SwitchCell row={row} onSwitch={onSwitch} />
              <NameCell row={row} />
              {columns.map(({ id }) => (
                <ColumnCell key={id} column={columnOf(id)!} row={row} />
              ))}
            </div>
          );
        })}
      </div>
    </div>
  );
}

const rowLook = "grid h-8 items-center gap-x-3";

/** A column by which the shelf is sorted: once one way, then the other, then by name again. */
function SortHeader({
  by,
  label,
  sort,
  onSort,
  isFigure = false,
  children,
}: {
  by: string;
  label: string;
  sort: string;
  onSort: (sort: string) => void;
  isFigure?: boolean;
  children?: ReactNode;
}) {
  const way = sort === by ? "ascending" : sort === `-${by}` ? "descending" : "none";
  const next = { none: by, ascending: `-${by}`, descending: "" }[way];
  return (
    <span
      role="columnheader"
      aria-sort={way}
      aria-label={label}
      className={`relative flex items-center ${isFigure ? "justify-end" : ""}`}
    >
      <button type="button" onClick={() => onSort(next)} className="hover:text-ink h-6 truncate">
        {label} {way === "ascending" ? "↑" : way === "descending" ? "↓" : ""}
      </button>
      {children}
    </span>
  );
}

const step = 16;

/** Makes a column wider or narrower, by dragging its edge or with the arrow keys. */
function WidthHandle({
  label,
  width,
  onWiden,
}: {
  label: string;
  width: number;
  onWiden: (by: number) => void;
}) {
  const from = useRef<number | null>(null);
  const move = (event: PointerEvent) => {
    if (from.current === null || event.clientX === from.current) return;
    // The column grows to the left: the name before it gives way.
    onWiden(from.current - event.clientX);
    from.current = event.clientX;
  };
  return (
    <span
      role="separator"
      aria-orientation="vertical"
      aria-label={`Width of ${label}`}
      aria-valuenow={width}
      aria-valuemin={40}
      aria-valuemax={800}
      tabIndex={0}
      onPointerDown={(event) => {
        from.current = event.clientX;
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onPointerMove={move}
      onPointerUp={() => (from.current = null)}
      onKeyDown={(event) => {
        const by = { ArrowLeft: step, ArrowRight: -step }[event.key];
        if (by === undefined) return;
        event.preventDefault();
        event.stopPropagation();
        onWiden(by);
      }}
      className="border-line hover:border-pine absolute -left-2.5 top-1/2 h-4 w-1.5 -translate-y-1/2 cursor-col-resize touch-none border-r"
    />
  );
}

/** Whether the mod is on in this profile, for its switch. */
const seatedWords = (seated: SeatedMod | null): string =>
  !seated ? "not in this profile" : seated.loads ? "on" : "off";

function SwitchCell({
  row,
  onSwitch,
}: {
  row: ShelfRow;
  onSwitch: (mods: readonly ShelfMod[], on: boolean) => void;
}) {
  const { mod, seated, supersededBy } = row;
  return (
    <span role="gridcell" className="pl-2">
      {mod && !mod.problem && supersededBy === null ? (
        <Toggle
          on={seated?.loads ?? false}
          tabIndex={-1}
          label={`${row.name} is ${seatedWords(seated)}`}
          onClick={() => onSwitch([mod], !seated?.loads)}
        />
      ) : (
        <span className="flex h-6 w-7 items-center justify-center">
          <LevelMark
            level={supersededBy === null ? "problem" : "hint"}
            label={supersededBy === null ? "problem" : "another version counts"}
          />
        </span>
      )}
    </span>
  );
}

function NameCell({ row }: { row: ShelfRow }) {
  const isPlain = row.seated?.loads || Boolean(row.mod?.problem);
  return (
    <span
      role="gridcell"
      className={`flex min-w-0 items-center gap-2 font-semibold ${isPlain ? "" : "text-ink2"}`}
    >
      <span className="truncate">{row.name}</span>
      {row.seated?.gone && row.mod === null && <GetMissing brief wants={[wantOfMod(row.seated)]} />}
    </span>
  );
}

const shelfRowId = (key: string): string => `shelf-${encodeURIComponent(key)}`;
