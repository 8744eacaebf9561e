"use client";

import { defaultRangeExtractor, useVirtualizer, type Range } from "@tanstack/react-virtual";
import { ContextMenu } from "radix-ui";
import {
  memo,
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
  type MouseEvent,
  type ReactNode,
} from "react";
import { gridTemplate, type Chosen, type GridColumn } from "./columns";
import type { GridCommand } from "./commands";
import { GridCells } from "./grid-cells";
import { GridHead, headHeight, headId } from "./grid-head";
import { GridMenu, type MenuOf } from "./grid-menu";
import { afterClick, afterMenuClick, keepShown, type Selection } from "./selection";
import { useGridKeys } from "./use-grid-keys";
import { useGridTable } from "./use-grid-table";
import { useTextScale } from "../text-scale";

/** Pixels at the usual size of text. */
const rowHeight = 32;

interface DataGridProps<Row extends object> extends Chosen {
  readonly label: string;
  readonly rows: readonly Row[];
  readonly keyOf: (row: Row) => string;
  /** The same as long as the columns are, as what is derived of it is. */
  readonly columns: readonly GridColumn<Row>[];
  readonly selection: Selection;
  readonly onSelection: (selection: Selection) => void;
  readonly commands: readonly GridCommand<Row>[];
  /** Said where there are no rows. */
  readonly empty: string;
  /** How it takes its room; all that there is unless it is said. */
  readonly className?: string;
}

/**
 * Rows under headings, of which only those in sight and the active one are drawn. It is one stop of the tab key: arrows walk the rows
 * and, above the first, the headings.
 */
export function DataGrid<Row extends object>(props: DataGridProps<Row>) {
  const { label, keyOf, columns, layout, onLayout, sort, onSort, onSelection, commands, empty } = props;
  const { className = "min-h-0 grow" } = props;
  const scroller = useRef<HTMLDivElement>(null);
  const [head, setHead] = useState<number | null>(null);
  const [menu, setMenu] = useState<MenuOf>({ of: "rows" });
  const { rows, shown } = useGridTable(props.rows, columns, layout, sort);
  const keys = useMemo(() => rows.map(keyOf), [rows, keyOf]);
  const places = useMemo(() => new Map(keys.map((key, at) => [key, at])), [keys]);
  const selection = useMemo(() => keepShown(places, props.selection), [places, props.selection]);
  const scale = useTextScale();
  const [height, above] = [rowHeight * scale, headHeight * scale];
  const template = useMemo(() => gridTemplate(shown, scale), [shown, scale]);
  const active = selection.active === null ? undefined : places.get(selection.active);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    getItemKey: useCallback((at: number) => keys[at]!, [keys]),
    estimateSize: () => height,
    overscan: 12,
    // The headings stand above the rows, and stay in sight.
    scrollMargin: above,
    scrollPaddingStart: above,
    rangeExtractor: useCallback(
      (range: Range) => {
        const inSight = defaultRangeExtractor(range);
        return active === undefined || inSight.includes(active)
          ? inSight
          : [...inSight, active].sort((a, b) => a - b);
      },
      [active],
    ),
  });
  useEffect(() => virtual.measure(), [height, virtual]);
  useEffect(() => {
    if (active !== undefined) virtual.scrollToIndex(active, { align: "auto" });
  }, [active, virtual]);
  const chosen = useMemo(() => new Set(selection.selected), [selection.selected]);
  const selectedRows = useMemo(
    () => selection.selected.map((key) => rows[places.get(key)!]!),
    [selection.selected, rows, places],
  );
  const onKeyDown = useGridKeys({
    keys,
    rows,
    nameOf: (columns.find(({ isMain }) => isMain) ?? columns[0])!.text,
    columns: shown,
    layout,
    onLayout,
    sort,
    onSort,
    selection,
    onSelection,
    head,
    setHead,
    commands,
    selectedRows,
    page: () => Math.max(1, Math.floor((scroller.current?.clientHeight ?? 0) / height) - 2),
  });
  const clicked = useCallback(
    (event: MouseEvent, key: string) => {
      const { shiftKey, ctrlKey, metaKey } = event;
      setHead(null);
      onSelection(afterClick(keys, selection, key, { shiftKey, ctrlKey: ctrlKey || metaKey }));
    },
    [keys, selection, onSelection],
  );
  const latestClicked = useRef(clicked);
  useEffect(() => void (latestClicked.current = clicked));
  const onRowClick = useCallback((event: MouseEvent, key: string) => latestClicked.current(event, key), []);
  const onContextMenu = ({ target }: MouseEvent) => {
    const column = (target as Element).closest<HTMLElement>("[data-column]")?.dataset.column;
    const key = (target as Element).closest<HTMLElement>("[data-key]")?.dataset.key;
    if (column !== undefined) return setMenu({ of: "column", id: column });
    setMenu({ of: "rows" });
    if (key !== undefined) onSelection(afterMenuClick(selection, key));
  };
  const activeId =
    head === null ? active !== undefined && rowId(label, keys[active]!) : headId(label, shown[head]!.id);
  return (
    <ContextMenu.Root>
      <ContextMenu.Trigger asChild onContextMenu={onContextMenu}>
        <div
          ref={scroller}
          role="grid"
          aria-label={label}
          aria-rowcount={rows.length + 1}
          aria-colcount={shown.length}
          aria-multiselectable
          tabIndex={0}
          onKeyDown={onKeyDown}
          onBlur={() => setHead(null)}
          aria-activedescendant={activeId || undefined}
          className={`group/grid min-w-0 overflow-auto focus-visible:outline-none ${className}`}
        >
          <GridHead
            label={label}
            columns={shown}
            template={template}
            layout={layout}
            onLayout={onLayout}
            sort={sort}
            onSort={onSort}
            active={head}
          />
          {rows.length === 0 && empty !== "" && <p className="text-ink2 p-4">{empty}</p>}
          <div
            role="presentation"
            className="relative"
            style={{ height: virtual.getTotalSize(), minWidth: template.minWidth }}
          >
            {virtual.getVirtualItems().map(({ index, key, start }) => (
              <GridRow
                key={key}
                id={rowId(label, keys[index]!)}
                rowKey={keys[index]!}
                row={rows[index]!}
                at={index}
                top={start - above}
                height={height}
                columns={shown}
                template={template}
                isSelected={chosen.has(keys[index]!)}
                isActive={index === active && head === null}
                onClick={onRowClick}
              />
            ))}
          </div>
        </div>
      </ContextMenu.Trigger>
      <GridMenu
        onClosed={() => scroller.current?.focus({ preventScroll: true })}
        menu={menu}
        commands={commands}
        rows={selectedRows}
        columns={columns}
        shown={shown}
        layout={layout}
        onLayout={onLayout}
        sort={sort}
        onSort={onSort}
      />
    </ContextMenu.Root>
  );
}

const rowId = (label: string, key: string): string =>
  `${encodeURIComponent(label)}-${encodeURIComponent(key)}`;

interface GridRowProps<Row> {
  readonly id: string;
  readonly rowKey: string;
  readonly row: Row;
  readonly at: number;
  readonly top: number;
  readonly height: number;
  readonly columns: readonly GridColumn<Row>[];
  readonly template: ReturnType<typeof gridTemplate>;
  readonly isSelected: boolean;
  readonly isActive: boolean;
  readonly onClick: (event: MouseEvent, key: string) => void;
}

/** What is selected has a bar besides its tint, what is active a ring while the keyboard is in the grid. */
const rowLook =
  "group/row border-line absolute left-0 grid w-full items-center border-b px-3 hover:bg-sunk aria-selected:bg-pine-soft bg-surface " +
  "aria-selected:before:absolute aria-selected:before:inset-y-0 aria-selected:before:left-0 aria-selected:before:w-1 aria-selected:before:bg-pine " +
  "forced-colors:aria-selected:before:bg-[Highlight] outline-pine data-[active]:group-focus-visible/grid:outline-2 data-[active]:-outline-offset-2";

const GridRow = memo(function GridRow<Row>(props: GridRowProps<Row>) {
  const { id, rowKey, row, at, top, height, columns, template, isSelected, isActive, onClick } = props;
  return (
    <div
      id={id}
      role="row"
      data-key={rowKey}
      data-active={isActive || undefined}
      aria-rowindex={at + 2}
      aria-selected={isSelected}
      onClick={(event) => onClick(event, rowKey)}
      className={rowLook}
      style={{ ...template, top, height }}
    >
      <GridCells columns={columns} row={row} />
    </div>
  );
}) as <Row>(props: GridRowProps<Row>) => ReactNode;
