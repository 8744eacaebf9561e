import { blendActs } from "../model/additive-list";
import { makeRandom } from "../random";
import type { Blended } from "./blend";
import { blend } from "./blend";
import { markSuggestions } from "./suggestions";
import { listsToLeave } from "./too-many-masters";

const { below, pick, chance } = makeRandom(5);
const entry = (name: string, depth = 1) => ({ name, depth, share: 1 });

const plugin = (name: string, masters: readonly number[], entries: ReturnType<typeof entry>[]): Blended => ({
  name,
  masters,
  marks: undefined,
  lists: [{ record: "bed", entries }],
});

test("what unmarked plugins take out and change is suggested to count, in load order; who only adds is not named", () => {
  const plugins = [
    plugin("core", [], [entry("cod"), entry("eel"), entry("ray")]),
    plugin("adds", [0], [entry("cod"), entry("eel"), entry("ray"), entry("crab")]),
    plugin("both", [0], [entry("cod", 9), entry("crab")]),
    { ...plugin("marked", [0], [entry("cod", 7)]), marks: ["adds" as const] },
    plugin("alone", [], [entry("cod", 5)]),
  ];
  expect(markSuggestions(plugins)).toEqual([
    { plugin: "both", marks: ["adds", "removes", "changes"], removes: 2, changes: 1 },
  ]);
});

test("once all suggestions are accepted nothing is suggested, and everything that unmarked plugins do counts", () => {
  for (let run = 0; run < 300; run++) {
    const plugins = Array.from({ length: 2 + below(4) }, (_, at) =>
      plugin(
        `p${at}`,
        Array.from({ length: at }, (__, other) => other).filter(() => chance(0.5)),
        ["a", "b", "c"].filter(() => chance(0.6)).map((name) => entry(name, 1 + below(2))),
      ),
    );
    const suggestions = markSuggestions(plugins);
    const marksOf = new Map(suggestions.map(({ plugin: name, marks }) => [name, marks]));
    const accepted = plugins.map((each) => ({ ...each, marks: marksOf.get(each.name) }));
    expect(markSuggestions(accepted)).toEqual([]);
    const all = plugins.map((each) => ({ ...each, marks: [...blendActs] }));
    expect(blend(accepted).lists).toEqual(blend(all).lists);
  }
});

/** The fewest lists without which the others name few enough masters. */
function fewest(mastersOf: ReadonlyMap<string, readonly string[]>, most: number): number {
  const lists = [...mastersOf.keys()];
  let best = lists.length;
  for (let set = 0; set < 2 ** lists.length; set++) {
    const kept = lists.filter((_, at) => (set >> at) & 1);
    if (new Set(kept.flatMap((list) => mastersOf.get(list)!)).size <= most)
      best = Math.min(best, lists.length - kept.length);
  }
  return best;
}

test("lists are left until the masters are few enough, none in vain, and seldom more than the fewest", () => {
  let fewer = 0;
  const runs = 400;
  for (let run = 0; run < runs; run++) {
    const mastersOf = new Map(
      Array.from({ length: 1 + below(7) }, (_, at) => [
        `list ${at}`,
        [...new Set(Array.from({ length: 1 + below(4) }, () => pick(["a", "b", "c", "d", "e", "f", "g"])))],
      ]),
    );
    const most = below(6);
    const left = listsToLeave(mastersOf, most);
    const named = (lists: readonly string[]) => new Set(lists.flatMap((list) => mastersOf.get(list)!)).size;
    const kept = [...mastersOf.keys()].filter((list) => !left.includes(list));
    expect(named(kept)).toBeLessThanOrEqual(most);
    for (const list of left) expect(named([...kept, list])).toBeGreaterThan(most);
    const least = fewest(mastersOf, most);
    expect(left.length).toBeGreaterThanOrEqual(least);
    fewer += Number(left.length > least);
  }
  expect(fewer / runs).toBeLessThan(0.2);
});
