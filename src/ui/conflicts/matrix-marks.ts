import { shadeOf, shades, type Frame, type MatrixView } from "./matrix-view";

/** A filled cell: the row is overridden by the column. */
export interface MatrixCell {
  readonly row: number;
  readonly column: number;
  readonly files: number;
  readonly decided: boolean;
}

/** Cells as numbers, row by row, for hundreds of thousands are painted in every frame. */
export interface MatrixMarks {
  readonly rows: Int32Array;
  readonly columns: Int32Array;
  /** From 1: the shades of what is decided, then those of what is not. */
  readonly tones: Uint8Array;
}

export const toneOf = ({ files, decided }: Pick<MatrixCell, "files" | "decided">): number =>
  shadeOf(files) + (decided ? 0 : shades.length);

export const marksOf = (cells: readonly MatrixCell[]): MatrixMarks => ({
  rows: Int32Array.from(cells, ({ row }) => row),
  columns: Int32Array.from(cells, ({ column }) => column),
  tones: Uint8Array.from(cells, toneOf),
});

/**
 * The tone of every pixel of a frame, line by line; 0 where nothing is marked. A mark has at least one pixel, and of those that share one
 * the strongest tone is seen: undecided before decided, more files before fewer. View and frame are in pixels of the screen.
 */
export function tonesIn({ rows, columns, tones }: MatrixMarks, view: MatrixView, frame: Frame): Uint8Array {
  const { width, height } = frame;
  const seen = new Uint8Array(width * height);
  const from = (corner: number, place: number) => Math.floor(corner + place * view.cell);
  for (let at = 0; at < tones.length; at++) {
    const top = from(view.y, rows[at]!);
    const left = from(view.x, columns[at]!);
    const foot = Math.min(height, Math.max(top + 1, from(view.y, rows[at]! + 1)));
    const right = Math.min(width, Math.max(left + 1, from(view.x, columns[at]! + 1)));
    for (let y = Math.max(0, top); y < foot; y++)
      for (let x = Math.max(0, left); x < right; x++)
        if (seen[y * width + x]! < tones[at]!) seen[y * width + x] = tones[at]!;
  }
  return seen;
}
