import fc from "fast-check";
import { OrderResult } from "../model/problem";
import type { OrderProblem } from "../model/problem";
import { findDisagreements, proposeAlignment, type Meeting, type TwoOrders } from "./align";
import { broaderFirstRules } from "./broader-first";
import { packOverlaps, type Overlap } from "./overlap";
import { propose } from "./propose";
import { verifyResult } from "./verify";
import { writeResult } from "./write-result";

/** `"reef.a"` is a plugin of the mod "reef". */
const modOf = (plugin: string) => (plugin.startsWith("game.") ? null : plugin.split(".")[0]!);

const packed = (meetings: readonly Meeting[]): TwoOrders["meetings"] => {
  const inKind = (kind: Meeting["in"]) =>
    packOverlaps(
      meetings
        .filter((each) => each.in === kind)
        .map(({ items: [broader, narrower] }) => ({ broader, narrower, shared: 1 })),
    );
  return { files: inKind("files"), records: inKind("records") };
};

const orders = (mods: string, plugins: string, meetings: readonly Meeting[]): TwoOrders => ({
  mods: mods.split(" "),
  plugins: plugins.split(" "),
  modOf,
  meetings: packed(meetings),
});

const files = (a: string, b: string) => ({ in: "files" as const, items: [a, b] as const });
const records = (a: string, b: string) => ({ in: "records" as const, items: [a, b] as const });

const problem = (ids: readonly string[], rest: Partial<OrderProblem> = {}): OrderProblem => ({
  format: "seating-order-problem/1",
  items: ids.map((id) => ({ id })),
  ...rest,
});

describe("two orders of one setup", () => {
  const given = orders("reef tide kelp", "game.a tide.a reef.a kelp.a reef.b", [
    files("reef", "tide"),
    files("tide", "kelp"),
    records("reef.a", "tide.a"),
    files("reef", "kelp"),
    records("game.a", "kelp.a"),
    files("tide", "gone"),
  ]);

  test("disagree where they meet and say different things; a mixed pair says neither", () => {
    expect(findDisagreements(given)).toEqual([
      { meeting: records("reef.a", "tide.a"), byMods: ["reef", "tide"], byPlugins: ["tide", "reef"] },
      { meeting: files("reef", "tide"), byMods: ["reef", "tide"], byPlugins: ["tide", "reef"] },
      { meeting: files("reef", "kelp"), byMods: ["reef", "kelp"], byPlugins: null },
    ]);
  });

  test("of drawn orders as many disagree as by looking at every plugin of both", () => {
    const names = ["reef", "tide", "kelp", "surf"];
    const plugins = names.flatMap((mod) => ["a", "b"].map((each) => `${mod}.${each}`)).concat("game.a");
    const pairOf = (from: string[]) => fc.tuple(fc.constantFrom(...from), fc.constantFrom(...from));
    const drawn = fc.record({
      mods: fc.shuffledSubarray(names),
      plugins: fc.shuffledSubarray(plugins),
      files: fc.array(pairOf(names)),
      records: fc.array(pairOf(plugins)),
    });
    fc.assert(
      fc.property(drawn, ({ mods, plugins: order, files: inFiles, records: inRecords }) => {
        const meetings: Meeting[] = [
          ...inRecords.map(([a, b]) => records(a, b)),
          ...inFiles.map(([a, b]) => files(a, b)),
        ];
        const agree = meetings.filter((meeting) => {
          const own = meeting.items.map((id) =>
            meeting.in === "files" ? order.filter((p) => modOf(p) === id) : [id],
          );
          const [one, other] = meeting.items.map((id) => (meeting.in === "files" ? id : modOf(id)));
          const stand = [one, other].every((mod) => mods.includes(mod!));
          if (!stand || one === other || own.some((each) => !each.some((p) => order.includes(p))))
            return true;
          const isBefore = mods.indexOf(one!) < mods.indexOf(other!);
          return own[0]!.every((a) => own[1]!.every((b) => order.indexOf(a) < order.indexOf(b) === isBefore));
        });
        const found = findDisagreements({ mods, plugins: order, modOf, meetings: packed(meetings) });
        expect(found.map(({ meeting }) => meeting)).toEqual(meetings.filter((each) => !agree.includes(each)));
        for (const { meeting, byMods, byPlugins } of found) {
          expect(mods.indexOf(byMods[0])).toBeLessThan(mods.indexOf(byMods[1]));
          if (meeting.in === "records") expect(byPlugins).toEqual(byMods.toReversed());
        }
      }),
      { numRuns: 1000 },
    );
  });

  test("the mods follow the plugins with the fewest moves, proved", () => {
    const { result } = proposeAlignment(problem(given.mods), "mods", given);
    expect([result.order, result.moved]).toEqual([["tide", "reef", "kelp"], ["tide"]]);
    expect(result.certificate).toHaveLength(1);
  });

  test("the plugins follow the mods, every plugin of one before every one of the other", () => {
    const { result } = proposeAlignment(problem(given.plugins), "plugins", given);
    const again = { ...given, plugins: result.order };
    expect(findDisagreements(again)).toEqual([]);
    expect(result.moved).toHaveLength(2);
  });

  test("needs go before the other order's word, which is then set aside with the chain", () => {
    const needy = problem(given.mods);
    const items = needy.items.map((item) => (item.id === "tide" ? { ...item, needs: ["reef"] } : item));
    const proposal = proposeAlignment({ ...needy, items }, "mods", given);
    expect(proposal.result.moved).toEqual([]);
    expect(proposal.result.setAside).toMatchObject([
      { rule: { id: "aligned:1" }, because: [{ before: "reef", after: "tide", because: "needs" }] },
    ]);
  });

  test("orders that agree are left alone", () => {
    const agreed = orders("a b", "a.x b.x", [files("a", "b"), records("a.x", "b.x")]);
    expect(findDisagreements(agreed)).toEqual([]);
    expect(proposeAlignment(problem(agreed.mods), "mods", agreed).result.moved).toEqual([]);
  });
});

describe("the broader of two that change the same records loads earlier", () => {
  const overlaps: Overlap[] = [
    { broader: "small", narrower: "twin", shared: 1, equal: true },
    { broader: "wide", narrower: "small", shared: 2 },
    { broader: "wide", narrower: "twin", shared: 1 },
  ];

  test("a broad new arrival, which comes last, goes before the narrower ones; those stay", () => {
    const rules = broaderFirstRules(overlaps, (plugin) => plugin === "wide");
    const given = problem(["other", "small", "twin", "wide"], { rules });
    const { result } = propose(given);
    expect([result.order, result.moved]).toEqual([["other", "wide", "small", "twin"], ["wide"]]);
    expect(verifyResult(given, writeResult(result))).toEqual([]);
  });

  test("any rule of the curator's is stronger", () => {
    const rules = broaderFirstRules(overlaps, () => true);
    const own = { id: "own", kind: "before", item: "small", other: "wide", strength: "prefer" } as const;
    const { result } = propose(problem(["small", "wide"], { rules: [...rules, own] }));
    expect(result.moved).toEqual([]);
    expect(result.setAside[0]!.rule).toMatchObject({ source: { kind: "broader-first" } });
    // A file says nothing of where a rule is from.
    expect(OrderResult.parse(writeResult(result)).setAside[0]).toMatchObject({
      rule: { id: "broader-first:wide small" },
      because: [{ before: "small", after: "wide", because: "own" }],
    });
  });

  test("what has been placed stays as it is arranged", () => {
    expect(broaderFirstRules(overlaps, () => false)).toEqual([]);
    expect(broaderFirstRules(overlaps, (plugin) => plugin === "twin").map((rule) => rule.id)).toEqual([
      "broader-first:wide twin",
    ]);
  });
});
