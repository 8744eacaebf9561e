import { execFileSync } from "node:child_process";
import fc from "fast-check";
import { anyProblem } from "../testing/arbitrary";
import { bestByTrying, closure, fewestByTrying, keepsAll } from "../testing/brute-force";
import type { OrderProblem, ProblemItem, ProblemRule } from "../model/problem";
import { explainMoves, propose } from "./propose";

const problem = (items: readonly ProblemItem[], rest: Partial<OrderProblem> = {}): OrderProblem => ({
  format: "seating-order-problem/1",
  items: [...items],
  ...rest,
});

/** `"C:D E"` is an item C that needs D and E. */
const items = (text: string): ProblemItem[] =>
  text.split(" | ").map((each) => {
    const [id, needs = ""] = each.split(":");
    return { id: id!, needs: needs.split(" ").filter(Boolean) };
  });

describe("the worked examples of the specification", () => {
  test("one item before two that need it", () => {
    const { result } = propose(problem(items("A | B:D | C:D | D")));
    expect(result.order).toEqual(["A", "D", "B", "C"]);
    expect(result.moved).toEqual(["D"]);
    expect(result.certificate).toEqual([["B", "D"]]);
  });

  test("a chain turned round: two of three move, the earliest stays", () => {
    const { result } = propose(problem(items("A:B | B:C | C")));
    expect(result.order).toEqual(["C", "B", "A"]);
    expect([...result.moved].sort()).toEqual(["B", "C"]);
    expect(result.certificate).toHaveLength(2);
  });
});

describe("what was placed by hand", () => {
  const placed = (text: string, ...names: string[]) =>
    items(text).map((item) => (names.includes(item.id) ? { ...item, placed: true } : item));
  const sorted = (ids: readonly string[]) => [...ids].sort();
  const movedOf = (given: readonly ProblemItem[]) => propose(problem(given)).result.moved;

  test("stays rather than the earlier one, and never at the price of a move more", () => {
    expect(movedOf(items("A:B | B"))).toEqual(["B"]);
    expect(movedOf(placed("A:B | B", "B"))).toEqual(["A"]);
    expect(movedOf(placed("A:B | B", "A", "B"))).toEqual(["B"]);
    expect(movedOf(placed("A | B:D | C:D | D", "D"))).toEqual(["D"]);
    expect(movedOf(placed("A:B | B:C | C", "B"))).toEqual(["C", "A"]);
  });

  test("brings what hangs on it along only where that costs no more placed ones than it saves", () => {
    // A and C can stay, A and D, or B and D: where B does, D does.
    const chain = "A:B | C:D B | B | D";
    expect(sorted(movedOf(items(chain)))).toEqual(["B", "D"]);
    expect(sorted(movedOf(placed(chain, "D")))).toEqual(["B", "C"]);
    expect(sorted(movedOf(placed(chain, "B")))).toEqual(["A", "C"]);
    expect(sorted(movedOf(placed(chain, "B", "C")))).toEqual(["B", "D"]);
    expect(sorted(movedOf(placed(chain, "B", "C", "D")))).toEqual(["A", "C"]);
  });

  test("counts for a group by those of its run", () => {
    const rules = [{ kind: "together" as const, items: ["A", "B"], strength: "prefer" as const }];
    const of = (...names: string[]) =>
      sorted(propose(problem(placed("A:C D | B:C D | C | D", ...names), { rules })).result.moved);
    expect(of()).toEqual(["C", "D"]);
    expect(of("C")).toEqual(["A", "B"]);
    expect(of("C", "A")).toEqual(["C", "D"]);
    expect(of("C", "D", "A")).toEqual(["A", "B"]);
  });
});

describe("against brute force", () => {
  test("every order is a permutation that keeps everything, with the fewest moves", () => {
    fc.assert(
      fc.property(anyProblem(), (given) => {
        const { result } = propose(given);
        const places = new Map(given.items.map((item, place) => [item.id, place]));
        const order = result.order.map((id) => places.get(id)!);
        const reach = closure(given);
        expect([...order].sort((a, b) => a - b)).toEqual(given.items.map((_, place) => place));
        expect(keepsAll(reach, order)).toBe(true);
        expect(result.moved).toHaveLength(fewestByTrying(reach));
        const stay = order.filter((place) => !result.moved.includes(given.items[place]!.id));
        expect(stay).toEqual([...stay].sort((a, b) => a - b));
      }),
      { numRuns: 1500 },
    );
  });

  test("of the largest sets that can stay, one with the most that was placed by hand, and of those the earliest", () => {
    let preferred = 0;
    fc.assert(
      fc.property(anyProblem(8), (given) => {
        const { stays } = propose(given);
        const reach = closure(given);
        const isPlaced = (place: number) => given.items[place]!.placed === true;
        const best = bestByTrying(reach, isPlaced);
        expect([...stays.keys()].filter((place) => stays[place] === 1)).toEqual(best);
        if (best.join() !== bestByTrying(reach, () => false).join()) preferred++;
      }),
      { numRuns: 3000 },
    );
    expect(preferred).toBeGreaterThan(100);
  });

  test("the certificate holds as many inverted pairs as moves, no item twice on a side", () => {
    fc.assert(
      fc.property(anyProblem(), (given) => {
        const { result } = propose(given);
        const reach = closure(given);
        const place = (id: string) => given.items.findIndex((item) => item.id === id);
        const pairs = result.certificate!;
        expect(pairs).toHaveLength(result.moved.length);
        for (const [earlier, later] of pairs) {
          expect(place(earlier)).toBeLessThan(place(later));
          expect(reach[place(later)]![place(earlier)]).toBe(true);
        }
        expect(new Set(pairs.map((pair) => pair[0])).size).toBe(pairs.length);
        expect(new Set(pairs.map((pair) => pair[1])).size).toBe(pairs.length);
      }),
      { numRuns: 800 },
    );
  });

  test("what is accepted is proposed again without a move", () => {
    fc.assert(
      fc.property(anyProblem(), (given) => {
        const first = propose(given).result;
        const byId = new Map(given.items.map((item) => [item.id, item]));
        const again = propose({ ...given, items: first.order.map((id) => byId.get(id)!) }).result;
        expect(again.moved).toEqual([]);
        expect(again.order).toEqual(first.order);
      }),
      { numRuns: 800 },
    );
  });

  test("every move names a chain between the item and one that stays", () => {
    fc.assert(
      fc.property(anyProblem(), (given) => {
        const proposal = propose(given);
        const { result } = proposal;
        for (const { id, because } of explainMoves(proposal)) {
          const ends = [because.links[0]!.before, because.links.at(-1)!.after];
          expect(ends).toContain(id);
          expect(ends.filter((end) => !result.moved.includes(end))).toHaveLength(1);
        }
      }),
      { numRuns: 500 },
    );
  });
});

test("what stood in the way is told as it was then, whatever has been kept since", () => {
  const given: OrderProblem = {
    format: "seating-order-problem/1",
    items: [{ id: "a" }, { id: "b", needs: ["a"] }, { id: "c", needs: ["b"] }],
    rules: [
      { id: "back", kind: "before", item: "c", other: "a", strength: "must" },
      { id: "straight", kind: "before", item: "a", other: "c", strength: "prefer" },
    ],
  };
  const { setAside } = propose(given).result;
  expect(setAside[0]!.because.map(({ before, after }) => before + after)).toEqual(["ab", "bc"]);
});

describe("the reason of a move is the strongest tie that its old place breaks", () => {
  const after = (item: string, other: string, more: Partial<ProblemRule> = {}): ProblemRule =>
    ({ kind: "after", item, other, strength: "prefer", ...more }) as ProblemRule;
  const reasonOf = (items: readonly ProblemItem[], rules: readonly ProblemRule[], id: string) =>
    explainMoves(propose({ ...problem(items), rules }))
      .find((move) => move.id === id)!
      .because.links.map(({ before, because }) => [
        before,
        typeof because === "string" ? because : because.rule,
      ]);
  const faint = { source: { kind: "broader-first" }, id: "faint" } as const;
  const light = { id: "light", weight: 1 };
  const heavy = { id: "heavy", weight: 50 };
  const must = { id: "must", strength: "must" } as const;

  test("a master before a must, a must before a preference, that by its weight, and the faint one at last", () => {
    // X moves behind what stays; each of A to E says so in its own way.
    const all = [
      after("X", "A", faint),
      after("X", "B", light),
      after("X", "C", heavy),
      after("X", "D", must),
    ];
    const stand = (needs: string[]) => [{ id: "X", needs }, ...items("A | B | C | D | E")];
    expect(reasonOf(stand(["E"]), all, "X")).toEqual([["E", "needs"]]);
    expect(reasonOf(stand([]), all, "X")).toEqual([["D", "must"]]);
    expect(reasonOf(stand([]), all.slice(0, 3), "X")).toEqual([["C", "heavy"]]);
    expect(reasonOf(stand([]), all.slice(0, 2), "X")).toEqual([["B", "light"]]);
    // One tie alone moves the later of the two.
    expect(reasonOf(stand([]), all.slice(0, 1), "A")).toEqual([["A", "faint"]]);
  });

  test("a longer chain of masters counts before one preference; of equally strong ones the shortest", () => {
    const chain = [{ id: "X", needs: ["Y"] }, { id: "Y", needs: ["Z"] }, ...items("A | B | Z")];
    expect(
      reasonOf(chain, [after("Y", "A", light), after("X", "A", light), after("X", "B", heavy)], "X"),
    ).toEqual([
      ["Z", "needs"],
      ["Y", "needs"],
    ]);
    expect(
      reasonOf(
        [{ id: "X", needs: ["Y", "Z"] }, { id: "Y", needs: ["Z"] }, ...items("A | Z")],
        [after("Y", "A", light), after("X", "A", light)],
        "X",
      ),
    ).toEqual([["Z", "needs"]]);
  });

  test("a master before the order of sections, that before a must", () => {
    const in1 = (id: string): ProblemItem => ({ id, section: "s1" });
    const stand = (needs: string[]): ProblemItem[] => [
      { id: "X", section: "s2", needs },
      ...["A", "B", "C"].map(in1),
      { id: "D", section: "s2" },
      { id: "M", section: "s2" },
    ];
    const because = (needs: string[], rules: readonly ProblemRule[]) =>
      explainMoves(propose({ ...problem(stand(needs)), sections: ["s1", "s2"], rules }))
        .find(({ id }) => id === "X")!
        .because.links.map((link) => (typeof link.because === "string" ? link.because : link.because.rule));
    expect(because(["M"], [after("X", "D", must)])).toEqual(["needs"]);
    expect(because([], [after("X", "D", must)])).toEqual(["section"]);
  });

  test("by trying all chains, none has a stronger weakest tie", () => {
    const names = [..."abcdefg"];
    const name = fc.constantFrom(...names);
    const rule = fc
      .record({
        item: name,
        other: name,
        strength: fc.constantFrom("must", "prefer"),
        weight: fc.constantFrom(1, 2, 3),
      })
      .map((each): ProblemRule => ({ kind: "after", ...each }));
    const given = fc.record({
      needs: fc.tuple(...names.map(() => fc.array(name, { maxLength: 1 }))),
      rules: fc.array(rule, { maxLength: 9 }),
    });
    const strength = (rule: ProblemRule | undefined) =>
      !rule ? 9 : rule.strength === "must" ? 8 : (rule.weight ?? 1);
    fc.assert(
      fc.property(given, ({ needs, rules }) => {
        const told = rules.map((each, at) => ({ ...each, id: `r${at}` }));
        const proposal = propose({
          ...problem(names.map((id, at) => ({ id, needs: needs[at]! }))),
          rules: told,
        });
        const { result } = proposal;
        const aside = new Set(result.setAside.map(({ rule }) => JSON.stringify(rule)));
        const isKept = (rule: object) => !aside.has(JSON.stringify(rule));
        // Widest paths: the strongest weakest tie by which one comes before another (Floyd and Warshall's scheme).
        const widest = names.map(() => names.map(() => 0));
        const tie = (before: string, after: string, width: number) => {
          const [a, b] = [names.indexOf(before), names.indexOf(after)];
          widest[a]![b] = Math.max(widest[a]![b]!, width);
        };
        names.forEach((item, at) =>
          needs[at]!.forEach((other) => isKept({ kind: "needs", item, other }) && tie(other, item, 9)),
        );
        for (const each of told)
          if (isKept(each) && each.kind === "after") tie(each.other, each.item, strength(each));
        for (let k = 0; k < names.length; k++)
          for (let i = 0; i < names.length; i++)
            for (let j = 0; j < names.length; j++)
              widest[i]![j] = Math.max(widest[i]![j]!, Math.min(widest[i]![k]!, widest[k]![j]!));
        for (const { id, because } of explainMoves(proposal)) {
          const at = names.indexOf(id);
          const stays = names.filter((each) => !result.moved.includes(each));
          const best = Math.max(
            ...stays.map((each) => {
              const other = names.indexOf(each);
              return other > at ? widest[other]![at]! : widest[at]![other]!;
            }),
          );
          const weakest = Math.min(
            ...because.links.map((link) =>
              strength(
                typeof link.because === "string"
                  ? undefined
                  : told.find((each) => each.id === (link.because as { rule: string }).rule),
              ),
            ),
          );
          expect([id, weakest]).toEqual([id, best]);
        }
      }),
      { numRuns: 600 },
    );
  });
});

test("a group that shares an item with a kept one is set aside by that item", () => {
  const together = (id: string, ...members: string[]): ProblemRule => ({
    kind: "together",
    id,
    items: members,
    strength: "prefer",
  });
  const { result } = propose({
    ...problem(items("a | b | c")),
    rules: [together("one", "a", "b"), together("two", "b", "c")],
  });
  expect(result.setAside).toMatchObject([
    { index: 1, because: [{ before: "b", after: "b", because: { rule: "one" } }] },
  ]);
});

/** GNU tsort, of the coreutils: an outside judge of whether an order keeps its ties. */
function tsort(pairs: readonly (readonly [string, string])[]): string[] {
  const input = pairs.map((pair) => pair.join(" ")).join("\n");
  return execFileSync("tsort", { input, encoding: "utf8", stdio: ["pipe", "pipe", "pipe"] })
    .trim()
    .split("\n");
}

test("GNU tsort, given the ties and the neighbours of our order, finds no loop and prints our order", () => {
  const count = 300;
  const given = problem(
    Array.from({ length: count }, (_, at) => ({
      id: `n${at}`,
      needs: [`n${(at * 7 + 3) % count}`, `n${(at * 13 + 5) % count}`].filter(
        (need) => (Number(need.slice(1)) * 31) % count < (at * 31) % count,
      ),
    })),
  );
  const { result } = propose(given);
  expect(result.cycles).toEqual([]);
  expect(result.moved.length).toBeGreaterThan(10);
  const ties = given.items.flatMap((item) => item.needs!.map((need) => [need, item.id] as const));
  const neighbours = result.order.slice(1).map((id, at) => [result.order[at]!, id] as const);
  expect(tsort([...ties, ...neighbours])).toEqual(result.order);
});

describe("what cannot be kept", () => {
  test("a circle of needs is reported with its links and still gives an order", () => {
    const { result } = propose(problem(items("a:c | b:a | c:b | d:a")));
    expect(result.cycles).toEqual([
      {
        items: ["a", "b", "c"],
        links: [
          { before: "a", after: "b", because: "needs" },
          { before: "b", after: "c", because: "needs" },
          { before: "c", after: "a", because: "needs" },
        ],
      },
    ]);
    expect(result.order).toEqual(["a", "b", "c", "d"]);
    expect(result.setAside.map(({ rule }) => rule)).toEqual([{ kind: "needs", item: "a", other: "c" }]);
  });

  test("an item that needs itself is a circle of one", () => {
    const { result } = propose(problem(items("a:a | b")));
    expect(result.cycles[0]!.links).toEqual([{ before: "a", after: "a", because: "needs" }]);
    expect(result.order).toEqual(["a", "b"]);
  });

  test("missing needs are listed once each", () => {
    expect(propose(problem(items("a:x x y | b"))).result.missing).toEqual([
      { item: "a", needs: "x" },
      { item: "a", needs: "y" },
    ]);
  });

  test("a must rule against a need is set aside with the chain that it would close", () => {
    const rules: OrderProblem["rules"] = [
      { id: "r", kind: "before", item: "b", other: "a", strength: "must" },
    ];
    const { result } = propose(problem(items("a | b:a"), { rules }));
    expect(result.setAside).toEqual([
      { rule: rules[0], index: 0, because: [{ before: "a", after: "b", because: "needs" }] },
    ]);
  });

  test("a need that points to a later class is set aside, for the game decides", () => {
    const given = problem(
      [
        { id: "early", class: "one", needs: ["late"] },
        { id: "late", class: "two" },
      ],
      {
        classes: ["one", "two"],
      },
    );
    const { result } = propose(given);
    expect(result.order).toEqual(["early", "late"]);
    expect(result.setAside[0]!.because).toEqual([{ before: "early", after: "late", because: "class" }]);
  });
});

describe("classes and sections", () => {
  test("an earlier class comes before a later one, whatever the sections", () => {
    const given = problem([{ id: "x" }, { id: "f", class: "foundation" }], {
      classes: ["foundation", "ordinary"],
    });
    expect(propose(given).result.order).toEqual(["f", "x"]);
  });

  test("an item that follows one of a later section is raised into it", () => {
    const given = problem(
      [
        { id: "a", section: "Interface", needs: ["w"] },
        { id: "b", section: "Interface" },
        { id: "w", section: "World" },
      ],
      { sections: ["Interface", "World"] },
    );
    const { result } = propose(given);
    expect(result.order).toEqual(["b", "w", "a"]);
    expect(result.raised).toEqual([
      {
        item: "a",
        section: "Interface",
        effective: "World",
        because: [{ before: "w", after: "a", because: "needs" }],
      },
    ]);
  });

  test("last within a section keeps the item at its end", () => {
    const given = problem(
      [
        { id: "prices", section: "S" },
        { id: "gear", section: "S" },
        { id: "next", section: "T" },
      ],
      {
        sections: ["S", "T"],
        rules: [{ kind: "last", item: "prices", within: "section", strength: "must" }],
      },
    );
    expect(propose(given).result.order).toEqual(["gear", "prices", "next"]);
  });
});
