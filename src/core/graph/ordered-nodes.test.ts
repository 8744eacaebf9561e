import fc from "fast-check";
import { OrderedNodes } from "./ordered-nodes";

const moves = fc.array(
  fc.record({
    where: fc.constantFrom("before", "behind", "front", "back"),
    border: fc.nat(30),
    count: fc.integer({ min: 1, max: 4 }),
    from: fc.nat(30),
  }),
  { maxLength: 60 },
);

test("nodes are listed, and have keys, as a plain list has them", () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 8 }), moves, (count, all) => {
      const nodes = new OrderedNodes(count);
      let list = Array.from({ length: count }, (_, at) => at);
      for (const { where, border, count: many, from } of all) {
        if (where === "front" || where === "back") {
          const node = nodes.add(where);
          expect(node).toBe(list.length);
          list = where === "front" ? [node, ...list] : [...list, node];
        } else if (list.length > 1) {
          const at = list[border % list.length]!;
          const moved = list.filter((node, place) => node !== at && (place + from) % 3 === 0).slice(0, many);
          const rest = list.filter((node) => !moved.includes(node));
          const place = rest.indexOf(at) + (where === "behind" ? 1 : 0);
          list = [...rest.slice(0, place), ...moved, ...rest.slice(place)];
          if (where === "before") nodes.moveBefore(at, moved);
          else nodes.moveBehind(at, moved);
        }
        expect([...nodes.list()]).toEqual(list);
        expect(nodes.sorted([...list].reverse())).toEqual(list);
      }
    }),
    { numRuns: 300 },
  );
});

test("where there is no room left between two, room is made", () => {
  const nodes = new OrderedNodes(200);
  const list = Array.from({ length: 200 }, (_, at) => at);
  for (let node = 199; node > 1; node--) {
    nodes.moveBehind(0, [node]);
    list.splice(1, 0, list.splice(list.indexOf(node), 1)[0]!);
  }
  expect([...nodes.list()]).toEqual(list);
  const keys = list.map((node) => nodes.key(node));
  expect(new Set(keys).size).toBe(200);
  expect([...keys].sort((a, b) => a - b)).toEqual(keys);
});

test("all can be arranged anew", () => {
  const nodes = new OrderedNodes(3);
  nodes.arrange([2, 0, 1]);
  expect([...nodes.list()]).toEqual([2, 0, 1]);
  expect([nodes.add("back"), nodes.add("front")]).toEqual([3, 4]);
  expect([...nodes.list()]).toEqual([4, 2, 0, 1, 3]);
  nodes.arrange([]);
  expect(new OrderedNodes(0).list()).toHaveLength(0);
});
