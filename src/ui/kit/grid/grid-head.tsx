import { say } from "@/core/language/say";
import { useRef, useState, type PointerEvent } from "react";
import { wordText } from "@/core/messages/glossary";
import { moved, rowInset, widened, type Chosen, type GridColumn, type gridTemplate } from "./columns";
import { nextSort, sortWay } from "./sort";
import { Explained } from "../term";
import { useTextScale } from "../text-scale";

interface Props<Row> extends Chosen {
  readonly label: string;
  readonly columns: readonly GridColumn<Row>[];
  readonly template: ReturnType<typeof gridTemplate>;
  /** The place of the heading that the keyboard stands on. */
  readonly active: number | null;
  /** Pixels before the first column. */
  readonly inset?: number;
}

/** Pixels at the usual size of text. */
export const headHeight = 32;

export const headId = (label: string, column: string): string =>
  `${encodeURIComponent(label)}-head-${column}`;

/** Pixels from which on a press is a drag. */
const slack = 6;

/** The headings: a click sorts, a drag takes the column elsewhere, a drag at its edge makes it wider or narrower. */
export function GridHead<Row>({
  label,
  columns,
  template,
  layout,
  onLayout,
  sort,
  onSort,
  active,
  inset = rowInset,
}: Props<Row>) {
  const scale = useTextScale();
  const [target, setTarget] = useState<string | null>(null);
  const dragged = useRef<{ id: string; x: number; isMoving: boolean } | null>(null);
  const onPointerMove = (event: PointerEvent) => {
    const drag = dragged.current;
    // It was let go elsewhere.
    if (event.buttons === 0) dragged.current = null;
    if (
      !drag ||
      event.buttons === 0 ||
      columns.find(({ id }) => id === drag.id)?.isFixed ||
      Math.abs(event.clientX - drag.x) < slack
    )
      return;
    drag.isMoving = true;
    const under = document.elementFromPoint(event.clientX, event.clientY);
    setTarget(under?.closest<HTMLElement>("[data-column]")?.dataset.column ?? null);
  };
  const onPointerUp = () => {
    const drag = dragged.current;
    dragged.current = null;
    setTarget(null);
    if (!drag) return;
    const column = columns.find(({ id }) => id === drag.id)!;
    if (drag.isMoving) {
      if (target !== null) onLayout(moved(layout, drag.id, target));
    } else if (column.sortBy !== null) onSort(nextSort(sort, column));
  };
  return (
    <div
      role="row"
      aria-rowindex={1}
      style={{ ...template, height: headHeight * scale, paddingLeft: inset, paddingRight: rowInset }}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      className="border-line bg-sunk text-ink2 sticky top-0 z-[4] grid items-center border-b text-sm font-semibold"
    >
      {columns.map((column, at) => {
        const { id, label: words, width, isFigure, isFixed, sortBy } = column;
        const way = sortWay(sort, column);
        return (
          <span
            key={id}
            id={headId(label, id)}
            role="columnheader"
            aria-colindex={at + 1}
            aria-sort={sortBy === null ? undefined : way}
            aria-label={words}
            data-column={id}
            aria-describedby={column.word && `${headId(label, id)}-word`}
            data-active={at === active || undefined}
            className={`outline-pine relative flex h-full min-w-0 items-center data-[active]:outline-2 ${isFigure ? "justify-end" : ""} ${target === id ? "bg-saffron-soft" : ""}`}
          >
            {column.word && (
              <span id={`${headId(label, id)}-word`} hidden>
                {wordText(column.word)}
              </span>
            )}
            <Explained word={column.word} shown={at === active}>
              <button
                type="button"
                tabIndex={-1}
                aria-label={sortBy === null ? words : say("kit.sortBy", { words })}
                onPointerDown={(event) => {
                  if (event.button === 0) dragged.current = { id, x: event.clientX, isMoving: false };
                }}
                // By other means than a pointer, as a screen reader does.
                onClick={({ detail }) => {
                  if (detail === 0 && sortBy !== null) onSort(nextSort(sort, column));
                }}
                className="hover:text-ink h-6 min-w-0 truncate"
              >
                {words}{" "}
                <span aria-hidden>
                  {column.isOrder ? "" : { ascending: "↑", descending: "↓", none: "" }[way]}
                </span>
              </button>
            </Explained>
            {!isFixed && (
              <WidthHandle
                width={width}
                onWiden={(to) => onLayout(widened(layout, id, to - width))}
                scale={scale}
              />
            )}
          </span>
        );
      })}
    </div>
  );
}

/** Makes a column wider or narrower by dragging its edge; the keyboard does so at the heading itself. */
function WidthHandle({
  width,
  scale,
  onWiden,
}: {
  width: number;
  scale: number;
  onWiden: (to: number) => void;
}) {
  const from = useRef<{ x: number; width: number } | null>(null);
  return (
    <span
      aria-hidden
      data-width-handle
      onPointerDown={(event) => {
        event.stopPropagation();
        from.current = { x: event.clientX, width };
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onPointerMove={(event) => {
        if (from.current) onWiden(from.current.width + (event.clientX - from.current.x) / scale);
      }}
      onPointerUp={(event) => {
        event.stopPropagation();
        from.current = null;
      }}
      className="hover:border-pine border-line absolute -right-2 top-1/2 h-5 w-2.5 -translate-y-1/2 cursor-col-resize touch-none border-r-2"
    />
  );
}
