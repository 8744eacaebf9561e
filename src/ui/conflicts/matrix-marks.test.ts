import fc from "fast-check";
import { marksOf, tonesIn, toneOf, type MatrixCell } from "./matrix-marks";

const frame = { width: 24, height: 18 };
const cell = fc.record({
  row: fc.nat(40),
  column: fc.nat(40),
  files: fc.integer({ min: 1, max: 200 }),
  decided: fc.boolean(),
});

test("every pixel shows the strongest of the marks that touch it, however far it is zoomed and pulled", () => {
  const view = fc.record({
    x: fc.double({ min: -60, max: 10, noNaN: true }),
    y: fc.double({ min: -60, max: 10, noNaN: true }),
    cell: fc.constantFrom(0.1, 0.5, 1, 3, 9.5),
  });
  fc.assert(
    fc.property(fc.array(cell), view, (cells: MatrixCell[], { x, y, cell: size }) => {
      const spans = (corner: number, place: number, pixel: number) => {
        const begin = Math.floor(corner + place * size);
        return pixel >= begin && pixel < Math.max(begin + 1, Math.floor(corner + (place + 1) * size));
      };
      const expected = Array.from({ length: frame.width * frame.height }, (_, at) => {
        const [left, top] = [at % frame.width, Math.floor(at / frame.width)];
        const here = cells.filter(({ row, column }) => spans(x, column, left) && spans(y, row, top));
        return Math.max(0, ...here.map(toneOf));
      });
      expect([...tonesIn(marksOf(cells), { x, y, cell: size }, frame)]).toEqual(expected);
    }),
  );
});

test("what is undecided is seen before what is decided, and more before less", () => {
  const tone = (files: number, decided: boolean) => toneOf({ files, decided });
  expect([tone(1, true), tone(64, true), tone(1, false), tone(64, false)]).toEqual([1, 5, 6, 10]);
});
