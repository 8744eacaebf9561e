import fc from "fast-check";
import type { OrderProblem } from "../model/problem";

const ids = "abcdefgh".split("");

/** Random problems of up to `most` items with classes, sections, needs and rules of every kind but groups. */
export function anyProblem(most = 7): fc.Arbitrary<OrderProblem> {
  return fc.integer({ min: 1, max: most }).chain((n) => {
    const names = ids.slice(0, n);
    const name = fc.constantFrom(...names);
    const item = (id: string) =>
      fc.record({
        id: fc.constant(id),
        class: fc.constantFrom("low", "high"),
        section: fc.constantFrom("s1", "s2", "s3"),
        needs: fc.array(fc.constantFrom(...names, "gone"), { maxLength: 2 }),
        placed: fc.boolean(),
      });
    const strength = fc.constantFrom("must", "prefer");
    const pair = fc.record({ kind: fc.constantFrom("after", "before"), item: name, other: name, strength });
    const end = fc.record({
      kind: fc.constantFrom("first", "last"),
      item: name,
      within: fc.constantFrom("section", "list"),
      strength,
    });
    return fc.record({
      format: fc.constant("seating-order-problem/1" as const),
      items: fc.tuple(...names.map(item)),
      classes: fc.constant(["low", "high"]),
      sections: fc.constant(["s1", "s2", "s3"]),
      rules: fc.array(fc.oneof(pair, end), { maxLength: 4 }),
    });
  });
}
