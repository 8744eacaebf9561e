import fc from "fast-check";
import { applySteps, stepsBetween } from "../edit/steps";
import type { FacetName, Order, ProfileState } from "../model/profile";
import { ProfileState as ProfileStateSchema } from "../model/profile";
import { anyFacet, anyState, canonical } from "../testing/facets";
import { joinWays, differenceKey, type Facet, type FacetDifference } from "./facet";
import { facetNames, facets, nothingDecided } from "./facets";
import { sameValue } from "./three-way";
import { aMod } from "../testing/ids";

const empty = { sections: [], entries: [] };
const bare: ProfileState = { ...nothingDecided, mods: empty, plugins: empty };

/** A facet with its generator; of one name they fit, which a list of names loses. */
const each = facetNames.map(
  (name) => [name, facets[name] as never, anyFacet[name] as never] as const,
) as (readonly [FacetName, Facet<unknown>, fc.Arbitrary<unknown>])[];

const keysOf = (differences: readonly FacetDifference[]) => differences.map(differenceKey);

/** With everything that is needed with it. */
function closure(all: readonly FacetDifference[], one: FacetDifference): Set<string> {
  const byKey = new Map(all.map((difference) => [differenceKey(difference), difference]));
  const reached = new Set<string>();
  const visit = (key: string): void => {
    if (reached.has(key)) return;
    reached.add(key);
    byKey.get(key)?.needs?.forEach(visit);
  };
  visit(differenceKey(one));
  return reached;
}

test("there is a facet and a generator for every key of a profile's state", () => {
  expect([...facetNames].sort()).toEqual(Object.keys(ProfileStateSchema.shape).sort());
  expect(Object.keys(anyFacet).sort()).toEqual([...facetNames].sort());
});

describe.each(each)("%s", (name, facet, any) => {
  const check = (property: unknown, numRuns = 200): void =>
    void fc.assert(property as fc.IProperty<unknown[]>, { numRuns });

  test("same is an equivalence", () => {
    check(
      fc.property(any, any, any, (a, b, c) => {
        expect(facet.same(a, structuredClone(a))).toBe(true);
        expect(facet.same(a, b)).toBe(facet.same(b, a));
        if (facet.same(a, b)) expect(facet.same(a, c)).toBe(facet.same(b, c));
      }),
    );
  });

  test("they differ in nothing exactly where they are the same; all differences applied, the other side comes out", () => {
    check(
      fc.property(any, any, (a, b) => {
        const found = facet.differences(a, b);
        expect(found.length === 0).toBe(facet.same(a, b));
        expect(new Set(keysOf(found)).size).toBe(found.length);
        expect(facet.same(facet.apply(a, b, new Set(keysOf(found))), b)).toBe(true);
        expect(facet.apply(a, b, new Set())).toBe(a);
      }),
      500,
    );
  });

  test("one difference applied, with what it needs, is gone, and nothing else has changed", () => {
    check(
      fc.property(any, any, fc.nat(), (a, b, pick) => {
        const found = facet.differences(a, b);
        const one = found[pick % Math.max(1, found.length)];
        if (!one) return;
        const applied = closure(found, one);
        const after = facet.apply(a, b, applied);
        const left = facet.differences(after, b);
        const still = (differences: readonly FacetDifference[]) =>
          keysOf(differences.filter(({ kind }) => !kind.endsWith("place"))).sort();
        expect(still(left)).toEqual(still(found.filter((each) => !applied.has(differenceKey(each)))));
        const places = (differences: readonly FacetDifference[], kind: string) =>
          differences.filter((each) => each.kind === kind && !applied.has(differenceKey(each))).length;
        for (const kind of ["place", "section-place"])
          expect(left.filter((each) => each.kind === kind).length).toBeLessThanOrEqual(places(found, kind));
        const touched = found.filter((each) => applied.has(differenceKey(each))).map(({ key }) => key);
        if (name === "mods" || name === "plugins")
          expect(untouched(after as Order, touched)).toEqual(untouched(a as Order, touched));
        // Back again by the differences the other way round.
        expect(facet.same(facet.apply(after, a, new Set(keysOf(facet.differences(after, a)))), a)).toBe(true);
      }),
      500,
    );
  });

  test("merging: what only one side did is there, what both did alike is there once, without a clash", () => {
    const decide = () => "mine" as const;
    check(
      fc.property(any, any, (a, b) => {
        for (const three of [
          [a, a, b],
          [a, structuredClone(a), b],
          [a, b, a],
          [a, b, b],
          [a, b, structuredClone(b)],
        ] as const) {
          const merged = facet.merge(three, decide);
          expect([merged.clashes, facet.same(merged.value, b)]).toEqual([[], true]);
        }
        // What nobody changed is the very same value.
        if (!facet.same(a, b)) expect(facet.merge([a, b, a], decide).value).toBe(b);
      }),
    );
  });

  test("of a clash the side that is named holds, and clashes are of what both changed", () => {
    check(
      fc.property(any, any, any, (base, mine, theirs) => {
        const first = facet.merge([base, mine, theirs], () => "mine");
        for (const { key, what } of first.clashes.filter(({ what }) => what !== "place")) {
          const own = new Set(facet.differences(base, mine).map((each) => each.key));
          const other = new Set(facet.differences(base, theirs).map((each) => each.key));
          expect([what, key, own.has(key), other.has(key)]).toEqual([what, key, true, true]);
        }
        if (first.clashes.length === 0)
          expect(facet.same(facet.merge([base, mine, theirs], () => "theirs").value, first.value)).toBe(true);
      }),
    );
  });

  test("steps lead from one value to the other, and their inverse back; nothing is done where nothing changes", () => {
    check(
      fc.property(any, any, (one, other) => {
        const [a, b] = [canonical(name, one as never), canonical(name, other as never)];
        const from = { ...bare, [name]: a };
        const to = { ...bare, [name]: b };
        const applied = applySteps(from, stepsBetween(from, to));
        if (!applied.ok) throw new Error(JSON.stringify(applied.refusal));
        if (name === "mods" || name === "plugins") expect(applied.value.state).toEqual(to);
        else expect(facet.same(applied.value.state[name], to[name])).toBe(true);
        const back = applySteps(applied.value.state, applied.value.inverse);
        if (!back.ok) throw new Error(JSON.stringify(back.refusal));
        expect(back.value.state).toEqual(from);
        expect(stepsBetween(from, from)).toEqual([]);
        if (sameValue(a, b)) expect(applied.value.state).toBe(from);
      }),
      500,
    );
  });

  test("a list that has come in says what it says; a state that takes itself in stays the same object", () => {
    check(
      fc.property(any, any, (mine, theirs) => {
        const mods = new Set(["a", "b", "c", "d", "e", "f"]);
        for (const way of joinWays) {
          const taken = facet.takeIn(mine, theirs, way, mods);
          expect(facet.same(facet.takeIn(taken, theirs, way, mods), taken)).toBe(true);
          expect(facet.same(facet.takeIn(mine, mine, way, mods), mine)).toBe(true);
        }
      }),
    );
  });
});

/** What stands beside the touched items and sections, as it stands. */
function untouched({ sections, entries }: Order, touched: readonly string[]) {
  const others = sections.filter(({ id }) => !touched.includes(id));
  return {
    sections: others,
    entries: others.map(({ id }) =>
      entries.filter((each) => each.section === id && !touched.includes(each.id)),
    ),
  };
}

test("an edit that changes nothing gives back the same object, for every kind of step", () => {
  fc.assert(
    fc.property(anyState, (state) => {
      const { mods, rules, notes } = state;
      const last = mods.entries.at(-1);
      const steps = [
        { kind: "replace" as const, state: structuredClone(state) },
        { kind: "replace" as const, state: { notes: structuredClone(notes) } },
        { kind: "arrange" as const, list: "mods" as const, ...structuredClone(mods) },
        { kind: "drop" as const, list: "mods" as const, ids: [aMod("nothing")] },
        ...mods.entries.map(({ id, on }) => ({
          kind: "switch" as const,
          list: "mods" as const,
          ids: [id],
          on,
        })),
        ...(last
          ? [{ kind: "put" as const, list: "mods" as const, entries: [{ ...last }], before: null }]
          : []),
        ...rules.map((rule, at) => ({
          kind: "decide" as const,
          facet: "rules" as const,
          key: rule.id,
          item: { ...rule },
          before: rules[at + 1]?.id ?? null,
        })),
        ...rules.map((rule) => ({
          kind: "decide" as const,
          facet: "rules" as const,
          key: rule.id,
          item: { ...rule },
        })),
        { kind: "decide" as const, facet: "leftOut" as const, key: "nothing", item: null },
      ];
      for (const step of steps) {
        const applied = applySteps(state, [step]);
        if (!applied.ok) throw new Error(JSON.stringify([step, applied.refusal]));
        expect([step.kind, applied.value.state === state, applied.value.inverse]).toEqual([
          step.kind,
          true,
          [],
        ]);
      }
    }),
  );
});
