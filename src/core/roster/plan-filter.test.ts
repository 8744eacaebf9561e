import fc from "fast-check";
import type { Finding } from "../model/finding";
import { testRoster, withState } from "../testing/roster";
import { compareStates } from "../compare/states";
import { groupChanges } from "../messages/profile-differences";
import { filterItems, narrows, noFilter, type PlanFilter } from "./plan-filter";

const roster = testRoster(
  [
    { name: "Core.keel" },
    { name: "a.plank", on: false },
    { name: "b.skiff", fresh: true },
    { name: "p.plank", section: "patches" },
  ],
  [{ kind: "after", item: "p.plank", other: "a.plank", strength: "prefer" }],
);
const findings: Finding[] = [
  {
    check: "not-on-shelf",
    id: "not-on-shelf",
    data: { mod: "a" },
    level: "hint",
    subjects: [{ list: "plugins", id: "a.plank" }],
    fixes: [],
  },
];

describe("a filter of the plan", () => {
  const shown = (part: Partial<PlanFilter>) => [
    ...filterItems(roster, roster.lists.plugins, findings, { ...noFilter, ...part }),
  ];

  test("lets through what all of its parts do", () => {
    expect(shown({})).toHaveLength(5);
    expect(shown({ text: " C1 " })).toEqual(["a.plank"]);
    expect(shown({ text: "PLANK" })).toEqual(["a.plank", "p.plank"]);
    expect(shown({ loads: false })).toEqual(["a.plank"]);
    expect(shown({ section: "patches" })).toEqual(["p.plank"]);
    expect(shown({ kind: "light" })).toEqual(["b.skiff"]);
    expect(shown({ kind: "foundation" })).toEqual(["Core.keel"]);
    expect(shown({ tag: "none" })).toEqual([]);
    expect(shown({ finding: "any" })).toEqual(["a.plank"]);
    expect(shown({ finding: "blocker" })).toEqual([]);
    expect(shown({ ruled: true })).toEqual(["a.plank", "p.plank"]);
    expect(shown({ fresh: true })).toEqual(["b.skiff"]);
    expect(shown({ among: { ids: new Set(["p.plank", "b.skiff"]), words: "moved" }, kind: "light" })).toEqual(
      ["b.skiff"],
    );
  });

  test("narrows as soon as one part is given", () => {
    expect(narrows(noFilter)).toBe(false);
    expect(narrows({ ...noFilter, text: "  " })).toBe(false);
    expect(
      [{ text: "a" }, { loads: false }, { ruled: false }, { fresh: true }].every((part) =>
        narrows({ ...noFilter, ...part }),
      ),
    ).toBe(true);
  });
});

describe("what has changed since", () => {
  const { state } = roster.profile;
  const [pond, core, a, b, p] = state.plugins.entries as [never, never, never, never, never];
  const withEntries = (...entries: never[]) => ({ ...state, plugins: { ...state.plugins, entries } });

  test("is what came, went, moved and was switched", () => {
    const now = withEntries(
      pond,
      core,
      b,
      { ...(a as object), on: true } as never,
      { id: "new", on: true, section: "patches" } as never,
    );
    const changes = compareStates(state, { ...now, rules: [] });
    expect(changes.map(({ facet, kind, key }) => `${facet} ${kind} ${key}`).sort()).toEqual([
      "plugins on a.plank",
      "plugins only-here p.plank",
      "plugins only-there new",
      expect.stringMatching(/^plugins place [ab]\./),
      `rules only-here ${state.rules[0]!.id}`,
    ]);
    expect(groupChanges(changes).map(({ title }) => title)).toEqual([
      "New, plugins",
      "Gone, plugins",
      "Gone, rules",
      "Switched on or off, plugins",
      "Moved, plugins",
    ]);
  });

  test("names the fewest that can have moved", () => {
    fc.assert(
      fc.property(fc.shuffledSubarray([a, b], { minLength: 2 }), (entries) => {
        const changed = withState(roster, withEntries(pond, core, ...entries, p));
        const moved = compareStates(state, changed.profile.state).map(({ key }) => key);
        const rest = (list: readonly { id: string }[]) =>
          list.map(({ id }) => id).filter((id) => !moved.includes(id));
        expect(rest(changed.profile.state.plugins.entries)).toEqual(rest(state.plugins.entries));
      }),
    );
  });
});
