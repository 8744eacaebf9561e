/** How a square of so many cells a side lies in a frame: where its corner is, in pixels, and how large a cell. No cell is ever lost past an edge. */
export interface MatrixView {
  readonly x: number;
  readonly y: number;
  readonly cell: number;
}

export interface Frame {
  readonly width: number;
  readonly height: number;
}

/** Pixels. */
const largestCell = 40;

interface Point {
  readonly x: number;
  readonly y: number;
}

/** The largest that shows all of it; a few cells are not blown up. */
export const fitted = (count: number, { width, height }: Frame): MatrixView => ({
  x: 0,
  y: 0,
  cell: Math.min(largestCell, Math.max(0.05, Math.min(width, height) / Math.max(1, count))),
});

/** Held so that the square fills the frame where it can, and stands at its corner where it cannot. */
export function held({ x, y, cell }: MatrixView, count: number, frame: Frame): MatrixView {
  const least = fitted(count, frame).cell;
  const size = Math.min(largestCell, Math.max(least, cell));
  const clamp = (at: number, room: number) => Math.min(0, Math.max(at, room - size * count));
  return { cell: size, x: clamp(x, frame.width), y: clamp(y, frame.height) };
}

/** Larger or smaller by a factor, with what is under the point staying there. */
export function zoomed(view: MatrixView, factor: number, at: Point, count: number, frame: Frame): MatrixView {
  const least = fitted(count, frame).cell;
  const cell = Math.min(largestCell, Math.max(least, view.cell * factor));
  const by = cell / view.cell;
  return held({ cell, x: at.x - (at.x - view.x) * by, y: at.y - (at.y - view.y) * by }, count, frame);
}

export const panned = (view: MatrixView, by: Point, count: number, frame: Frame): MatrixView =>
  held({ ...view, x: view.x + by.x, y: view.y + by.y }, count, frame);

/** Row and column under a point; null outside. */
export function cellAt(view: MatrixView, { x, y }: Point, count: number) {
  const [row, column] = [Math.floor((y - view.y) / view.cell), Math.floor((x - view.x) / view.cell)];
  return row >= 0 && column >= 0 && row < count && column < count ? { row, column } : null;
}

/** Moved as little as shows a cell whole. */
export function showing(
  view: MatrixView,
  { row, column }: { row: number; column: number },
  count: number,
  frame: Frame,
): MatrixView {
  const into = (at: number, place: number, room: number) =>
    Math.min(-place * view.cell + room - view.cell, Math.max(at, -place * view.cell));
  return held(
    { ...view, x: into(view.x, column, frame.width), y: into(view.y, row, frame.height) },
    count,
    frame,
  );
}

/** How dark a cell is, from 1 to 5: twice as much is one step at first, later four times. */
export const shadeOf = (files: number): number =>
  files < 2 ? 1 : files < 4 ? 2 : files < 16 ? 3 : files < 64 ? 4 : 5;
export const shades = [1, 2, 4, 16, 64] as const;

export type Rgb = readonly [number, number, number];

/** Of a colour as `#rrggbb`, or as the three digits to which a style sheet is cut down. */
export const rgbOf = (hex: string): Rgb =>
  [0, 1, 2].map((part) =>
    hex.length < 7
      ? parseInt(hex.charAt(part + 1), 16) * 17
      : parseInt(hex.slice(2 * part + 1, 2 * part + 3), 16),
  ) as unknown as Rgb;

/** The shade between the ground and the full colour. */
export const mixed = (ground: Rgb, full: Rgb, shade: number): Rgb =>
  ground.map((part, at) => Math.round(part + ((full[at]! - part) * (shade + 3)) / 8)) as unknown as Rgb;
