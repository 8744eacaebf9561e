import fc from "fast-check";
import {
  cellAt,
  fitted,
  held,
  type MatrixView,
  mixed,
  panned,
  rgbOf,
  shadeOf,
  shades,
  showing,
  zoomed,
} from "./matrix-view";

const frame = { width: 400, height: 300 };
const count = fc.integer({ min: 1, max: 3000 });
const point = fc.record({ x: fc.integer({ min: 0, max: 400 }), y: fc.integer({ min: 0, max: 300 }) });

/** In cells, with what is past the corner of one: a border between two falls to either side by rounding. */
const placeUnder = ({ x, y, cell }: MatrixView, at: { x: number; y: number }) => ({
  column: (at.x - x) / cell,
  row: (at.y - y) / cell,
});

test("however it is zoomed and panned, the square never leaves the frame, and what is under the pointer stays there", () => {
  fc.assert(
    fc.property(
      count,
      fc.array(fc.record({ factor: fc.double({ min: 0.2, max: 5, noNaN: true }), at: point, by: point }), {
        maxLength: 8,
      }),
      (cells, moves) => {
        let view = fitted(cells, frame);
        for (const { factor, at, by } of moves) {
          const before = placeUnder(view, at);
          const next = zoomed(view, factor, at, cells, frame);
          const isHeldAtEdge = next.x === 0 || next.y === 0;
          const atRight = Math.abs(next.x + next.cell * cells - frame.width) < 1e-6;
          const atFoot = Math.abs(next.y + next.cell * cells - frame.height) < 1e-6;
          if (!isHeldAtEdge && !atRight && !atFoot) {
            expect(placeUnder(next, at).column).toBeCloseTo(before.column, 6);
            expect(placeUnder(next, at).row).toBeCloseTo(before.row, 6);
          }
          view = panned(next, { x: by.x - 200, y: by.y - 150 }, cells, frame);
          expect(view.x).toBeLessThanOrEqual(0);
          expect(view.y).toBeLessThanOrEqual(0);
          expect(held(view, cells, frame)).toEqual(view);
        }
      },
    ),
  );
});

test("a cell that is to be shown is in the frame, whole where it fits", () => {
  fc.assert(
    fc.property(
      count,
      fc.nat(),
      fc.nat(),
      fc.double({ min: 1, max: 20, noNaN: true }),
      (cells, a, b, factor) => {
        const [row, column] = [a % cells, b % cells];
        const start = zoomed(fitted(cells, frame), factor, { x: 0, y: 0 }, cells, frame);
        const view = showing(start, { row, column }, cells, frame);
        const left = view.x + column * view.cell;
        const top = view.y + row * view.cell;
        expect(left).toBeGreaterThan(-1e-6);
        expect(top).toBeGreaterThan(-1e-6);
        expect(left + view.cell).toBeLessThan(frame.width + 1e-6);
        expect(top + view.cell).toBeLessThan(frame.height + 1e-6);
      },
    ),
  );
});

test("outside of the square there is no cell", () => {
  expect(cellAt({ x: 0, y: 0, cell: 10 }, { x: 55, y: 5 }, 5)).toBeNull();
  expect(cellAt({ x: 0, y: 0, cell: 10 }, { x: 45, y: 5 }, 5)).toEqual({ row: 0, column: 4 });
});

test("the shades begin where the legend says, and grow from the ground to the colour", () => {
  expect(shades.map(shadeOf)).toEqual([1, 2, 3, 4, 5]);
  expect(shades.slice(1).map((least) => shadeOf(least - 1))).toEqual([1, 2, 3, 4]);
  expect(mixed([255, 255, 255], rgbOf("#000000"), 5)).toEqual([0, 0, 0]);
  expect(rgbOf("#fa0")).toEqual(rgbOf("#ffaa00"));
  const steps = [1, 2, 3, 4, 5].map((shade) => mixed([255, 255, 255], rgbOf("#0b5a4c"), shade)[0]);
  expect([...steps].sort((a, b) => b - a)).toEqual(steps);
  expect(new Set(steps).size).toBe(5);
});
