import fc from "fast-check";
import { BitRows } from "./bit-rows";
import { digraph } from "./digraph";
import { MinHeap } from "./heap";

test("a heap gives back what was put in, smallest key first", () => {
  fc.assert(
    fc.property(fc.array(fc.integer()), (keys) => {
      const heap = new MinHeap((node) => keys[node]!);
      keys.forEach((_, node) => heap.push(node));
      const out: number[] = [];
      while (heap.size > 0) out.push(keys[heap.pop()]!);
      expect(out).toEqual([...keys].sort((a, b) => a - b));
    }),
  );
});

test("a heap that is filled and emptied by turns keeps its order", () => {
  const heap = new MinHeap((node) => -node);
  [3, 1, 2].forEach((node) => heap.push(node));
  expect(heap.pop()).toBe(3);
  heap.push(5);
  expect([heap.pop(), heap.pop(), heap.pop(), heap.size]).toEqual([5, 2, 1, 0]);
});

describe("rows of bits", () => {
  const cells = fc.array(fc.tuple(fc.nat(4), fc.nat(69)), { maxLength: 60 });
  const build = (set: readonly (readonly [number, number])[]) => {
    const rows = new BitRows(5, 70);
    for (const [row, column] of set) rows.set(row, column);
    return rows;
  };
  const list = (rows: BitRows, row: number) =>
    Array.from({ length: 70 }, (_, at) => at).filter((at) => rows.has(row, at));

  test("hold just what was set, and merge like sets", () => {
    fc.assert(
      fc.property(cells, (set) => {
        const rows = build(set);
        const sets = [0, 1, 2, 3, 4].map(
          (row) => new Set(set.filter(([at]) => at === row).map(([, column]) => column)),
        );
        sets.forEach((each, row) => {
          expect(list(rows, row)).toEqual([...each].sort((a, b) => a - b));
          expect(rows.count(row)).toBe(each.size);
        });
        rows.merge(1, 3);
        expect(list(rows, 1)).toEqual([...new Set([...sets[1]!, ...sets[3]!])].sort((a, b) => a - b));
      }),
    );
  });

  test("keep of a row what a mask has too", () => {
    fc.assert(
      fc.property(cells, (set) => {
        const rows = build(set);
        const mask = build(set.filter((_, at) => at % 2 === 0));
        rows.keep(
          2,
          Uint32Array.from({ length: rows.words }, (_, word) => mask.word(2, word)),
        );
        expect(list(rows, 2)).toEqual(list(mask, 2));
        expect(list(rows, 1)).toEqual(list(build(set), 1));
      }),
    );
  });
});

test("a graph in compressed rows keeps the edges of a node in the order in which they came", () => {
  const { outStart, outEdges, to } = digraph(3, [1, 0, 1, 1], [2, 1, 0, 2]);
  const next = (v: number) => [...outEdges.subarray(outStart[v], outStart[v + 1])].map((e) => to[e]);
  expect([next(0), next(1), next(2)]).toEqual([[1], [2, 0, 2], []]);
});
