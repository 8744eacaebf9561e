import { tonesIn, type MatrixCell, type MatrixMarks } from "./matrix-marks";
import { mixed, rgbOf, shades, type Frame, type MatrixView, type Rgb } from "./matrix-view";

export interface MatrixColours {
  readonly ground: string;
  readonly band: string;
  readonly decided: string;
  readonly undecided: string;
  readonly cursor: string;
  readonly letter: string;
}

/** A section: a stretch of rows, and of columns, with its letter. */
export interface Band {
  readonly from: number;
  readonly to: number;
  readonly letter: string;
}

interface Drawing {
  readonly marks: MatrixMarks;
  readonly cells: readonly MatrixCell[];
  readonly count: number;
  readonly view: MatrixView;
  readonly frame: Frame;
  /** Where a section ends: every second stripe is tinted. */
  readonly bands: readonly Band[];
  readonly cursor: { readonly row: number; readonly column: number } | null;
  /** Rows and columns that a search finds. */
  readonly lit: readonly number[];
  readonly colours: MatrixColours;
}

/** Below this many pixels a cell its mark would be a smear. */
const leastMarked = 9;

/** Draws what is in sight; `context` is scaled to pixels of the page. */
export function drawMatrix(context: CanvasRenderingContext2D, drawing: Drawing): void {
  const { view, frame, count, bands, lit, cursor, colours } = drawing;
  const size = view.cell * count;
  const at = (place: number, corner: number) => corner + place * view.cell;
  context.fillStyle = colours.ground;
  context.fillRect(0, 0, frame.width, frame.height);
  context.fillStyle = colours.band;
  for (const { from, to } of bands.filter((_, number) => number % 2 === 1)) {
    const length = (to - from) * view.cell;
    context.fillRect(view.x, at(from, view.y), size, length);
    context.fillRect(at(from, view.x), view.y, length, size);
  }
  const painted = paintMarks(drawing, context.getTransform().a);
  if (painted) context.drawImage(painted, 0, 0, frame.width, frame.height);
  if (view.cell >= leastMarked) markUndecided(context, drawing);
  letterBands(context, drawing);
  context.fillStyle = colours.cursor;
  context.globalAlpha = 0.22;
  for (const place of lit) stripe(context, view, place, size);
  context.globalAlpha = 1;
  if (!cursor) return;
  context.strokeStyle = colours.cursor;
  context.lineWidth = 1;
  context.globalAlpha = 0.5;
  context.strokeRect(view.x, at(cursor.row, view.y), size, view.cell);
  context.strokeRect(at(cursor.column, view.x), view.y, view.cell, size);
  context.globalAlpha = 1;
  context.lineWidth = 2;
  const side = Math.max(view.cell, 5);
  const inset = (side - view.cell) / 2;
  context.strokeRect(at(cursor.column, view.x) - inset, at(cursor.row, view.y) - inset, side, side);
}

/** The marks in sight on a ground that is seen through, as large as the frame, however large the square; null where there is no room. */
function paintMarks({ marks, view, frame, colours }: Drawing, scale: number): HTMLCanvasElement | null {
  const room = { width: Math.round(frame.width * scale), height: Math.round(frame.height * scale) };
  if (room.width === 0 || room.height === 0) return null;
  const onScreen = { x: view.x * scale, y: view.y * scale, cell: view.cell * scale };
  const image = new ImageData(room.width, room.height);
  const pixels = new Uint32Array(image.data.buffer);
  const palette = [colours.decided, colours.undecided].flatMap((full) =>
    shades.map((_, at) => packedColour(mixed(rgbOf(colours.ground), rgbOf(full), at + 1))),
  );
  for (const [at, tone] of tonesIn(marks, onScreen, room).entries())
    if (tone > 0) pixels[at] = palette[tone - 1]!;
  const canvas = document.createElement("canvas");
  Object.assign(canvas, room);
  canvas.getContext("2d")!.putImageData(image, 0, 0);
  return canvas;
}

/** As the four bytes of a pixel stand in memory, whichever end of a number comes first there. */
const packedColour = (rgb: Rgb): number => new Uint32Array(Uint8Array.of(...rgb, 255).buffer)[0]!;

function stripe(context: CanvasRenderingContext2D, view: MatrixView, place: number, size: number): void {
  const thick = Math.max(view.cell, 2);
  context.fillRect(view.x, view.y + place * view.cell, size, thick);
  context.fillRect(view.x + place * view.cell, view.y, thick, size);
}

/** What is undecided has a ring besides its colour. */
function markUndecided(context: CanvasRenderingContext2D, { cells, view, frame, colours }: Drawing): void {
  context.strokeStyle = colours.ground;
  context.lineWidth = Math.max(1, view.cell / 10);
  for (const { row, column, decided } of cells) {
    if (decided) continue;
    const [x, y] = [view.x + (column + 0.5) * view.cell, view.y + (row + 0.5) * view.cell];
    if (x < 0 || y < 0 || x > frame.width || y > frame.height) continue;
    context.beginPath();
    context.arc(x, y, view.cell * 0.24, 0, 2 * Math.PI);
    context.stroke();
  }
}

/** Where a section begins, on the diagonal, nothing is ever marked: nobody overrides itself. */
function letterBands(context: CanvasRenderingContext2D, { bands, view, colours }: Drawing): void {
  context.font = "600 11px 'JetBrains Mono Variable', monospace";
  context.textAlign = "center";
  context.textBaseline = "middle";
  context.fillStyle = colours.letter;
  for (const { from, to, letter } of bands) {
    if ((to - from) * view.cell < 14) continue;
    const inset = Math.max(view.cell, 12) / 2;
    context.fillText(letter, view.x + from * view.cell + inset, view.y + from * view.cell + inset);
  }
}
