"use client";

import {
  useCallback,
  useEffect,
  useId,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
  type RefObject,
} from "react";
import { Maximize, Minus, Plus } from "lucide-react";
import { say } from "@/core/language/say";
import { useTheme } from "../frame/theme";
import { Button } from "../kit/button";
import { chartLook } from "../kit/chart-look";
import { drawMatrix, type Band, type MatrixColours } from "./draw-matrix";
import { marksOf, type MatrixCell } from "./matrix-marks";
import {
  cellAt,
  fitted,
  held,
  mixed,
  panned,
  rgbOf,
  shades,
  showing,
  zoomed,
  type Frame,
  type MatrixView,
} from "./matrix-view";

export interface Cell {
  readonly row: number;
  readonly column: number;
}

interface Props {
  readonly label: string;
  readonly count: number;
  readonly cells: readonly MatrixCell[];
  /** Sections as stretches of rows; none where they do not stand together. */
  readonly bands: readonly Band[];
  readonly lit: readonly number[];
  readonly cursor: Cell | null;
  readonly onCursor: (cell: Cell) => void;
  /** What a cell says, in words. */
  readonly read: (cell: Cell) => string;
}

const steps: Readonly<Record<string, Cell>> = {
  ArrowUp: { row: -1, column: 0 },
  ArrowDown: { row: 1, column: 0 },
  ArrowLeft: { row: 0, column: -1 },
  ArrowRight: { row: 0, column: 1 },
};

/**
 * Who overrides whom, as a square: each row is overridden by the columns in which it has a mark. The arrow keys walk its cells, with Ctrl
 * from mark to mark; the wheel, plus and minus zoom, a drag pans.
 */
export function Matrix({ label, count, cells, bands, lit, cursor, onCursor, read }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const frame = useFrame(box);
  const [kept, setView] = useState<MatrixView | null>(null);
  const view = kept ? held(kept, count, frame) : fitted(count, frame);
  const colours = useColours();
  const marks = useMemo(() => marksOf(cells), [cells]);
  const reading = useId();
  useDrawing(canvas, frame, (context) =>
    drawMatrix(context, { marks, cells, count, view, frame, bands, lit, cursor, colours }),
  );
  const go = (cell: Cell) => {
    onCursor(cell);
    setView(showing(view, cell, count, frame));
  };
  const middle = { x: frame.width / 2, y: frame.height / 2 };
  const zoom = useCallback(
    (factor: number, at: { x: number; y: number }) =>
      setView((now) => zoomed(now ?? fitted(count, frame), factor, at, count, frame)),
    [count, frame],
  );
  useWheel(box, zoom);
  const drag = useDrag(
    (by) => setView(panned(view, by, count, frame)),
    (at) => {
      const cell = cellAt(view, at, count);
      if (cell) onCursor(cell);
    },
  );
  const onKeyDown = (event: KeyboardEvent) => {
    const to = keyTarget(event, cursor, cells, count);
    if (to) go(to);
    else if (event.key === "+" || event.key === "=") zoom(1.5, middle);
    else if (event.key === "-") zoom(1 / 1.5, middle);
    else if (event.key === "0") setView(null);
    else return;
    event.preventDefault();
  };
  return (
    <div className="flex min-h-0 min-w-0 grow flex-col">
      <div
        ref={box}
        role="application"
        aria-label={label}
        aria-roledescription={say("conflicts.matrix")}
        aria-describedby={reading}
        tabIndex={0}
        onKeyDown={onKeyDown}
        {...drag}
        className="bg-surface relative min-h-40 min-w-0 grow cursor-crosshair touch-none overflow-hidden focus-visible:outline-2 focus-visible:-outline-offset-2"
      >
        <canvas ref={canvas} aria-hidden className="absolute inset-0 block h-full w-full" />
      </div>
      <div className="border-line flex min-h-9 shrink-0 flex-wrap items-center gap-x-2 border-t px-2 py-1 text-sm">
        <p id={reading} role="status" className="min-w-0 grow basis-40">
          {cursor ? read(cursor) : say("conflicts.chooseACell")}
        </p>
        <Legend colours={colours} />
        <span className="flex">
          <ZoomButton label={say("conflicts.zoomIn")} onClick={() => zoom(1.5, middle)}>
            <Plus size={14} aria-hidden />
          </ZoomButton>
          <ZoomButton label={say("conflicts.zoomOut")} onClick={() => zoom(1 / 1.5, middle)}>
            <Minus size={14} aria-hidden />
          </ZoomButton>
          <ZoomButton label={say("conflicts.zoomToAll")} onClick={() => setView(null)}>
            <Maximize size={14} aria-hidden />
          </ZoomButton>
        </span>
      </div>
    </div>
  );
}

const ZoomButton = ({
  label,
  onClick,
  children,
}: {
  label: string;
  onClick: () => void;
  children: ReactNode;
}) => (
  <Button small look="quiet" aria-label={label} title={label} onClick={onClick} className="!px-1.5">
    {children}
  </Button>
);

/** Where a key leads to; null where it is none that moves. */
function keyTarget(
  { key, ctrlKey, metaKey }: KeyboardEvent,
  cursor: Cell | null,
  cells: readonly MatrixCell[],
  count: number,
): Cell | null {
  const step = steps[key];
  if (count === 0 || (!step && key !== "Home" && key !== "End")) return null;
  if (!cursor) return { row: cells[0]?.row ?? 0, column: cells[0]?.column ?? 0 };
  if (key === "Home") return { ...cursor, column: 0 };
  if (key === "End") return { ...cursor, column: count - 1 };
  if (ctrlKey || metaKey) return nextMark(cursor, step!, cells) ?? cursor;
  const inside = (place: number) => Math.min(count - 1, Math.max(0, place));
  return { row: inside(cursor.row + step!.row), column: inside(cursor.column + step!.column) };
}

/** The nearest mark of the same row, or column. */
function nextMark(from: Cell, step: Cell, cells: readonly MatrixCell[]): Cell | null {
  let best: Cell | null = null;
  for (const { row, column } of cells) {
    const [down, right] = [(row - from.row) * (step.row || 1), (column - from.column) * (step.column || 1)];
    const [along, across] = step.row === 0 ? [right, down] : [down, right];
    if (across !== 0 || along <= 0) continue;
    if (!best || Math.abs(row - from.row) + Math.abs(column - from.column) < distance(best, from))
      best = { row, column };
  }
  return best;
}

const distance = (a: Cell, b: Cell): number => Math.abs(a.row - b.row) + Math.abs(a.column - b.column);

function useColours(): MatrixColours {
  const theme = useTheme();
  return useMemo(() => {
    void theme;
    const { colour } = chartLook(1);
    return {
      ground: colour("--surface"),
      band: colour("--sunk"),
      decided: colour("--slate"),
      undecided: colour("--saffron"),
      cursor: colour("--ink"),
      letter: colour("--ink3"),
    };
  }, [theme]);
}

/** How much room there is, in pixels of the page. */
function useFrame(box: RefObject<HTMLElement | null>): Frame {
  const [frame, setFrame] = useState<Frame>({ width: 300, height: 300 });
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      setFrame({ width, height });
    });
    observer.observe(box.current!);
    return () => observer.disconnect();
  }, [box]);
  return frame;
}

function useDrawing(
  canvas: RefObject<HTMLCanvasElement | null>,
  { width, height }: Frame,
  draw: (context: CanvasRenderingContext2D) => void,
): void {
  useEffect(() => {
    const request = requestAnimationFrame(() => {
      const element = canvas.current;
      const context = element?.getContext("2d");
      if (!element || !context) return;
      const scale = window.devicePixelRatio;
      const [across, down] = [Math.round(width * scale), Math.round(height * scale)];
      if (element.width !== across || element.height !== down) {
        element.width = across;
        element.height = down;
      }
      context.setTransform(scale, 0, 0, scale, 0, 0);
      draw(context);
    });
    return () => cancelAnimationFrame(request);
  });
}

/** React's own listeners of the wheel cannot keep the page from scrolling. */
function useWheel(
  box: RefObject<HTMLElement | null>,
  zoom: (factor: number, at: { x: number; y: number }) => void,
): void {
  useEffect(() => {
    const element = box.current!;
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      const { left, top } = element.getBoundingClientRect();
      zoom(Math.exp(-event.deltaY / 400), { x: event.clientX - left, y: event.clientY - top });
    };
    element.addEventListener("wheel", onWheel, { passive: false });
    return () => element.removeEventListener("wheel", onWheel);
  }, [box, zoom]);
}

/** Pixels that a press may wander and still be a click. */
const steady = 4;

/** What is dragged pans, what is only clicked chooses. */
function useDrag(
  onPan: (by: { x: number; y: number }) => void,
  onClick: (at: { x: number; y: number }) => void,
) {
  const from = useRef<{ x: number; y: number; moved: boolean } | null>(null);
  return {
    onPointerDown: (event: PointerEvent<HTMLElement>) => {
      if (event.button !== 0) return;
      from.current = { x: event.clientX, y: event.clientY, moved: false };
      event.currentTarget.setPointerCapture(event.pointerId);
    },
    onPointerMove: ({ clientX, clientY }: PointerEvent<HTMLElement>) => {
      const start = from.current;
      if (!start) return;
      const by = { x: clientX - start.x, y: clientY - start.y };
      if (!start.moved && Math.hypot(by.x, by.y) < steady) return;
      from.current = { x: clientX, y: clientY, moved: true };
      onPan(by);
    },
    onPointerUp: ({ clientX, clientY, currentTarget }: PointerEvent<HTMLElement>) => {
      const start = from.current;
      from.current = null;
      const { left, top } = currentTarget.getBoundingClientRect();
      if (start && !start.moved) onClick({ x: clientX - left, y: clientY - top });
    },
  };
}

/** What the shades and the two colours mean. */
function Legend({ colours }: { colours: MatrixColours }) {
  const row = (full: string, ring: boolean) =>
    shades.map((least, at) => (
      <span
        key={least}
        className="border-line inline-flex size-3.5 items-center justify-center border"
        style={{ background: `rgb(${mixed(rgbOf(colours.ground), rgbOf(full), at + 1).join(" ")})` }}
      >
        {ring && <span className="border-surface block size-2 rounded-full border" />}
      </span>
    ));
  return (
    <span
      className="text-ink2 flex flex-wrap items-center gap-x-2"
      title={say("conflicts.shadesSay", { shades: shades.join(" · ") })}
    >
      <span className="flex items-center gap-1">
        {row(colours.decided, false)} {say("conflicts.decided")}
      </span>
      <span className="flex items-center gap-1">
        {row(colours.undecided, true)} {say("conflicts.undecided")}
      </span>
      <span className="sr-only">{say("conflicts.shadesSay", { shades: shades.join(" · ") })}</span>
    </span>
  );
}
