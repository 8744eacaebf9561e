import fc from "fast-check";
import { blendActs, type ListEntry, type Marks } from "../model/additive-list";
import {
  actsUpon,
  blend,
  countsOf,
  versionsByRecord,
  decisionKey,
  nothingDecidedOfBlend,
  type Blended,
  type BlendDecisions,
} from "./blend";
import { naiveBlend } from "../testing/naive-blend";

const entry = (name: string, depth = 1, share = 1): ListEntry => ({ name, depth, share });
const plugin = (
  name: string,
  entries: readonly ListEntry[] | null,
  { masters = [], marks }: { masters?: readonly number[]; marks?: Marks } = {},
): Blended => ({
  name,
  masters,
  lists: entries ? [{ record: "bed", entries: [...entries] }] : [],
  marks,
});
const all: Marks = ["adds", "removes", "changes"];
const entriesOf = (plugins: readonly Blended[], decisions?: BlendDecisions) =>
  blend(plugins, decisions).lists.map(({ entries }) =>
    entries.map(({ name, depth, share }) => `${name} ${depth}/${share}`),
  );

describe("worked examples", () => {
  const origin = plugin("O", [entry("cod"), entry("eel")]);

  test("what two plugins add to a list comes together, at the end, by their load order", () => {
    const plugins = [
      origin,
      plugin("A", [entry("cod"), entry("eel"), entry("crab")], { masters: [0] }),
      plugin("B", [entry("cod"), entry("eel"), entry("ray")], { masters: [0] }),
    ];
    expect(entriesOf(plugins)).toEqual([["cod 1/1", "eel 1/1", "crab 1/1", "ray 1/1"]]);
    expect([...blend(plugins).lists[0]!.from]).toEqual([
      ["cod", "O"],
      ["eel", "O"],
      ["crab", "A"],
      ["ray", "B"],
    ]);
  });

  test("without a mark only what is added counts; what a plugin takes out or changes does with its mark", () => {
    const without = [entry("cod", 5)];
    expect(
      blend([origin, plugin("A", without, { masters: [0] }), plugin("B", [entry("cod")], { masters: [0] })])
        .lists,
    ).toHaveLength(1);
    const plugins = [
      origin,
      plugin("A", without, { masters: [0], marks: all }),
      plugin("B", [entry("cod"), entry("eel"), entry("ray")], { masters: [0] }),
    ];
    expect(entriesOf(plugins)).toEqual([["cod 5/1", "ray 1/1"]]);
  });

  test("a plugin that builds on another is compared with that, not with the game", () => {
    const plugins = [
      origin,
      plugin("A", [entry("cod"), entry("eel"), entry("crab")], { masters: [0] }),
      plugin("B", [entry("cod"), entry("eel")], { masters: [0, 1], marks: all }),
      plugin("C", [entry("cod"), entry("eel"), entry("ray")], { masters: [0] }),
    ];
    // B takes the crab out again, on purpose.
    expect(entriesOf(plugins)).toEqual([["cod 1/1", "eel 1/1", "ray 1/1"]].slice(1));
    expect(blend(plugins).left).toEqual([{ record: "bed", why: "equal" }]);
  });

  test("one and the same name added in several places has each as often as who has it more often", () => {
    const plugins = [
      plugin("O", [entry("cod")]),
      plugin("A", [entry("eel", 1), entry("eel", 1), entry("eel", 2)]),
      plugin("B", [entry("eel", 1), entry("eel", 3)]),
    ];
    expect(entriesOf(plugins)).toEqual([["cod 1/1", "eel 1/1", "eel 1/1", "eel 2/1", "eel 3/1"]]);
    expect(blend(plugins).lists[0]!.from.get("eel")).toBe("B");
  });

  test("a union that brings nothing leaves the name to who brought it", () => {
    const plugins = [plugin("O", [entry("cod")]), plugin("A", [entry("eel")]), plugin("B", [entry("eel")])];
    expect(blend(plugins).lists[0]!.from.get("eel")).toBe("A");
  });

  test("whose places or changes are in a list is told, who takes out of it too, and nobody whose word does not hold", () => {
    const plugins = [
      plugin("O", [entry("cod"), entry("eel")]),
      plugin("A", [entry("cod"), entry("eel"), entry("crab", 1)], { masters: [0] }),
      plugin("B", [entry("cod"), entry("eel"), entry("crab", 2)], { masters: [0] }),
      plugin("C", [entry("cod"), entry("eel"), entry("crab", 2)], { masters: [0] }),
      plugin("D", [entry("cod")], { masters: [0], marks: ["removes"] }),
      plugin("E", [entry("cod", 4), entry("eel")], { masters: [0], marks: ["changes"] }),
      plugin("F", [entry("cod", 5), entry("eel")], { masters: [0], marks: ["changes"] }),
    ];
    expect([...blend(plugins).lists[0]!.hands].sort()).toEqual(["A", "B", "D", "F", "O"]);
  });

  test("of two that change a name differently the later wins, unless it was decided otherwise; both are told", () => {
    const plugins = [
      origin,
      plugin("A", [entry("cod", 2), entry("eel")], { masters: [0], marks: all }),
      plugin("B", [entry("eel")], { masters: [0], marks: all }),
      plugin("C", [entry("cod"), entry("eel"), entry("ray")], { masters: [0] }),
    ];
    expect(entriesOf(plugins)).toEqual([["eel 1/1", "ray 1/1"]]);
    expect(blend(plugins).clashes).toEqual([{ record: "bed", name: "cod", by: ["A", "B"], won: "B" }]);
    const winners = new Map([[decisionKey("bed", "cod"), "A"]]);
    const decided = { ...nothingDecidedOfBlend, winners };
    expect(entriesOf(plugins, decided)).toEqual(
      [["cod 2/1", "eel 1/1", "ray 1/1"]].map(([, ...rest]) => [rest[0]!, "cod 2/1", rest[1]!]),
    );
    expect(blend(plugins, decided).clashes[0]!.won).toBe("A");
  });

  test("one that builds on the other does not clash with it, through others either", () => {
    const of = (masters: readonly number[]) => [
      origin,
      plugin("A", [entry("cod", 2), entry("eel")], { masters: [0], marks: all }),
      plugin("M", null, { masters: [1] }),
      plugin("B", [entry("cod", 3), entry("eel")], { masters, marks: all }),
    ];
    expect(blend(of([0])).clashes).toHaveLength(1);
    expect(blend(of([0, 2])).clashes).toEqual([]);
    expect(blend(of([0, 1])).clashes).toEqual([]);
  });

  test("what must never be blended over stays, its author's list too, unless the curator wants it", () => {
    const plugins = [
      origin,
      plugin("A", [entry("cod"), entry("eel"), entry("crab")], { masters: [0] }),
      plugin("N", [entry("cod")], { masters: [0], marks: "never" }),
    ];
    expect(blend(plugins)).toMatchObject({ lists: [], left: [{ record: "bed", why: "never-last" }] });
    const over = { ...nothingDecidedOfBlend, over: new Set(["bed"]) };
    expect(entriesOf(plugins, over)).toEqual([["cod 1/1", "eel 1/1", "crab 1/1"]]);
    // Without any mark that counts the last one's list is blended over all the same.
    const none = plugins.with(2, { ...plugins[2]!, marks: [] });
    expect(entriesOf(none)).toEqual([["cod 1/1", "eel 1/1", "crab 1/1"]]);
  });

  test("a record that only one plugin has is no matter of the blend; of one that stands twice in a plugin the last counts, and it is told", () => {
    expect(blend([origin])).toEqual({ lists: [], left: [], clashes: [], doubled: [] });
    const twice: Blended = {
      ...plugin("A", null),
      lists: [
        { record: "bed", entries: [entry("old")] },
        { record: "bed", entries: [entry("new")] },
      ],
    };
    expect(blend([twice]).doubled).toEqual([{ plugin: "A", record: "bed" }]);
    expect(entriesOf([twice, plugin("B", [entry("ray")])])).toEqual([["new 1/1", "ray 1/1"]]);
  });
});

const letters = ["a", "b", "c", "d"] as const;
const entries = fc.array(
  fc.record({ name: fc.constantFrom(...letters), depth: fc.nat(2), share: fc.nat(1) }),
  { maxLength: 6 },
);
const marks = fc.oneof(fc.constant(undefined), fc.constant("never" as const), fc.subarray([...blendActs]));
const lists = fc.array(fc.record({ record: fc.constantFrom("bed", "sky"), entries }), { maxLength: 3 });

/** Masters are any others, before or behind. */
const load = fc.array(fc.record({ lists, marks }), { maxLength: 6 }).chain((all) =>
  fc.tuple(...all.map(() => fc.subarray(all.map((_, at) => at)))).map((masters) =>
    all.map((each, at): Blended => ({
      ...each,
      name: `P${at}`,
      masters: (masters[at] ?? []).filter((master) => master !== at),
    })),
  ),
);
/** As plugins are made: each begins with the game's list, and changes what it is about. */
const likely = fc
  .array(
    fc.record({
      lists: entries.map((own) => [{ record: "bed", entries: own }]),
      marks: fc.constantFrom<Marks | undefined>(undefined, ["adds", "removes", "changes"], "never"),
      also: fc.nat(12),
    }),
    { minLength: 3, maxLength: 6 },
  )
  .map((drawn) =>
    drawn.map(({ also, ...each }, at): Blended => ({
      ...each,
      name: `P${at}`,
      masters: at === 0 ? [] : [...new Set([0, ...(also < at ? [also] : [])])],
    })),
  );
const decisions = fc
  .record({
    winners: fc.array(fc.tuple(fc.constantFrom("bed", "sky"), fc.constantFrom(...letters), fc.nat(5))),
    over: fc.subarray(["bed", "sky"]),
  })
  .map(({ winners, over }): BlendDecisions => ({
    winners: new Map(winners.map(([record, name, at]) => [decisionKey(record, name), `P${at}`])),
    over: new Set(over),
    leave: new Set<string>(),
  }));

test("the same comes of it as by a plain reading of the rules, one list and one name at a time", () => {
  let [blended, clashing, left] = [0, 0, 0];
  fc.assert(
    fc.property(fc.oneof(load, likely), decisions, (plugins, decided) => {
      const got = blend(plugins, decided);
      expect({
        ...got,
        lists: got.lists.map(({ record, entries: own, from }) => ({
          record,
          entries: own,
          from: Object.fromEntries(from),
        })),
      }).toEqual(naiveBlend(plugins, decided));
      blended += got.lists.length;
      clashing += got.clashes.length;
      left += got.left.length;
    }),
    { numRuns: 4000 },
  );
  // It is no test of nothing.
  expect(Math.min(blended, clashing, left)).toBeGreaterThan(500);
});

const asMultiset = ({ lists: all, left }: ReturnType<typeof blend>) => ({
  lists: all
    .map(({ record, entries: own }) => [record, own.map((each) => JSON.stringify(each)).sort()])
    .sort(),
  left: left.map(({ record, why }) => `${record} ${why}`).sort(),
});

test("neighbours that touch no common name, neither the origin nor a master of the other, may change places", () => {
  let swapped = 0;
  fc.assert(
    fc.property(load, fc.nat(4), (drawn, at) => {
      // Not the last two, for what the last one has is what a blend is compared with; and masters only before.
      const plugins = drawn.map((each, place) => ({
        ...each,
        masters: each.masters.filter((master) => master < place),
      }));
      const [one, other] = [plugins[at], plugins[at + 1]];
      if (!one || !other || at + 2 >= plugins.length || other.masters.includes(at)) return;
      const touched = ({ lists: own, masters }: Blended) =>
        new Set([
          ...own.map(({ record }) => record),
          ...masters.flatMap((master) => plugins[master]!.lists.map(({ record }) => record)),
        ]);
      if ([...touched(one)].some((record) => touched(other).has(record))) return;
      const place = (old: number) => (old === at ? at + 1 : old === at + 1 ? at : old);
      const exchanged = plugins
        .with(at, other)
        .with(at + 1, one)
        .map((each) => ({ ...each, masters: each.masters.map(place) }));
      expect(asMultiset(blend(exchanged))).toEqual(asMultiset(blend(plugins)));
      swapped += 1;
    }),
    { numRuns: 3000 },
  );
  expect(swapped).toBeGreaterThan(100);
});

test("neighbours in one list whose acts touch no common name may change places, whatever else they say alike", () => {
  let swapped = 0;
  fc.assert(
    fc.property(likely, fc.nat(4), (plugins, at) => {
      const [one, other] = [plugins[at], plugins[at + 1]];
      // Neither the origin nor the last one, and of nobody both masters: who is built on then would be another one.
      if (at === 0 || !one || !other || at + 2 >= plugins.length || other.masters.includes(at)) return;
      if (plugins.some(({ masters }) => masters.includes(at) && masters.includes(at + 1))) return;
      const touched = (place: number): ReadonlySet<string> => {
        const counted = countsOf(plugins[place]!.marks);
        const [versions] = versionsByRecord(plugins).versions.values();
        const acts = actsUpon(plugins, place, versions!).filter(({ does }) => counted.includes(does));
        return new Set(acts.map(({ name }) => name));
      };
      const [ofOne, ofOther] = [touched(at), touched(at + 1)];
      if ([...ofOne].some((name) => ofOther.has(name))) return;
      const place = (old: number) => (old === at ? at + 1 : old === at + 1 ? at : old);
      const exchanged = plugins
        .with(at, other)
        .with(at + 1, one)
        .map((each) => ({ ...each, masters: each.masters.map(place) }));
      expect(asMultiset(blend(exchanged))).toEqual(asMultiset(blend(plugins)));
      swapped += Number(ofOne.size > 0 && ofOther.size > 0);
    }),
    { numRuns: 6000 },
  );
  expect(swapped).toBeGreaterThan(30);
});

/** Every set of up to four names. */
const subsets = Array.from({ length: 16 }, (_, bits) => letters.filter((_name, at) => (bits >> at) & 1));
const bitsOf = (names: Iterable<string>): number =>
  [...names].reduce((bits, name) => bits | (1 << letters.indexOf(name as "a")), 0);

test("single lists of sets: the three-way set algebra, on all cases of up to four names and three plugins", () => {
  const relations = [[], [0], [1], [0, 1]] as const;
  let wrong = 0;
  for (const own of [undefined, all] as const)
    for (const ofB of relations)
      for (const ofA of [[], [0]] as const)
        for (let o = 0; o < 16; o++)
          for (let a = 0; a < 16; a++)
            for (let b = 0; b < 16; b++) {
              const of = (name: string, bits: number, masters: readonly number[]) =>
                plugin(
                  name,
                  subsets[bits]!.map((each) => entry(each)),
                  { masters, ...(own && { marks: own }) },
                );
              const got = blend([of("O", o, []), of("A", a, ofA), of("B", b, ofB)]);
              const baseA = ofA.length > 0 ? o : 0;
              const baseB = ofB.length === 0 ? 0 : ofB.includes(1 as never) ? a : o;
              const apply = (to: number, base: number, version: number) =>
                (own ? to & ~(base & ~version) : to) | (version & ~base);
              const wanted = apply(apply(o, baseA, a), baseB, b);
              const came = got.lists[0] ? bitsOf(got.lists[0].entries.map(({ name }) => name)) : b;
              const isLeft = got.left[0]?.why === "equal";
              if (came !== wanted || isLeft !== (wanted === b)) wrong++;
            }
  expect(wrong).toBe(0);
});
