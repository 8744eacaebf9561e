import fc from "fast-check";
import type { Step } from "../model/edit";
import type { Entry, ProfileState } from "../model/profile";
import { testGame } from "../testing/game";
import { applySteps, firstOutOfSection } from "./steps";

const sections = testGame.sections.filter((section) => section.rank === "ordinary");
const [world, patches] = sections.map((section) => section.id);

const stateOf = (plugins: readonly Entry[]): ProfileState => ({
  mods: { sections: [], entries: [] },
  plugins: { sections, entries: [...plugins] },
  rules: [],
  expansions: [],
});

const entry = (id: string, section = world!, on = true): Entry => ({ id, on, section });
const state = stateOf([entry("a"), entry("b"), entry("c", patches), entry("d", patches)]);
const ids = (of: ProfileState) => of.plugins.entries.map((each) => each.id).join("");

const apply = (...steps: Step[]) => {
  const applied = applySteps(state, steps);
  if (!applied.ok) throw new Error(applied.refusal.code);
  return applied.value;
};

test("put seats entries before another one, drop takes them away, switch turns them", () => {
  expect(ids(apply({ kind: "put", list: "plugins", entries: [entry("b")], before: "a" }).state)).toBe("bacd");
  expect(
    ids(apply({ kind: "put", list: "plugins", entries: [entry("e", patches)], before: null }).state),
  ).toBe("abcde");
  expect(ids(apply({ kind: "drop", list: "plugins", ids: ["a", "d"] }).state)).toBe("bc");
  const turned = apply({ kind: "switch", list: "plugins", ids: ["a"], on: false }).state;
  expect(turned.plugins.entries[0]!.on).toBe(false);
});

test("a step without effect gives the very same state and nothing to take back", () => {
  for (const step of [
    { kind: "put", list: "plugins", entries: [entry("a")], before: "b" },
    { kind: "switch", list: "plugins", ids: ["a", "nobody"], on: true },
    { kind: "drop", list: "plugins", ids: ["nobody"] },
    { kind: "arrange", list: "plugins", entries: [...state.plugins.entries] },
  ] satisfies Step[])
    expect(apply(step)).toEqual({ state, inverse: [] });
  expect(apply({ kind: "switch", list: "plugins", ids: ["a"], on: true }).state).toBe(state);
});

test("refusals name the item, and change nothing", () => {
  const refused = (step: Step) => {
    const applied = applySteps(state, [{ kind: "drop", list: "plugins", ids: ["a"] }, step]);
    return applied.ok ? null : applied.refusal;
  };
  expect(refused({ kind: "put", list: "plugins", entries: [entry("b")], before: "gone" })).toEqual({
    code: "unknown-item",
    data: { item: "gone" },
  });
  expect(refused({ kind: "put", list: "plugins", entries: [entry("b")], before: null })?.code).toBe(
    "outside-section",
  );
  expect(refused({ kind: "arrange", list: "plugins", entries: [entry("b")] })?.code).toBe("other-items");
  expect(ids(state)).toBe("abcd");
});

test("an order is out of section where a section is unknown or comes back", () => {
  expect(firstOutOfSection(sections, [entry("a"), entry("c", patches)])).toBeNull();
  expect(firstOutOfSection(sections, [entry("c", patches), entry("a")])?.id).toBe("a");
  expect(firstOutOfSection(sections, [entry("x", "nowhere")])?.id).toBe("x");
});

test("whatever was done, its inverse leads back, step by step in reverse", () => {
  const id = fc.constantFrom("a", "b", "c", "d", "e", "f");
  const step: fc.Arbitrary<Step> = fc.oneof(
    fc.record({
      kind: fc.constant("put" as const),
      list: fc.constant("plugins" as const),
      entries: fc
        .uniqueArray(id, { minLength: 1, maxLength: 3 })
        .map((all) => all.map((each) => entry(each))),
      before: fc.oneof(id, fc.constant(null)),
    }),
    fc.record({
      kind: fc.constant("drop" as const),
      list: fc.constant("plugins" as const),
      ids: fc.array(id),
    }),
    fc.record({
      kind: fc.constant("switch" as const),
      list: fc.constant("plugins" as const),
      ids: fc.array(id),
      on: fc.boolean(),
    }),
  );
  const start = stateOf(["a", "b", "c", "d"].map((each) => entry(each)));
  fc.assert(
    fc.property(fc.array(step, { maxLength: 6 }), (steps) => {
      const possible = steps.filter((each) => applySteps(start, [each]).ok);
      const applied = applySteps(start, possible);
      if (!applied.ok) return;
      const back = applySteps(applied.value.state, applied.value.inverse);
      expect(back.ok && back.value.state).toEqual(start);
      const again = back.ok && applySteps(back.value.state, back.value.inverse);
      expect(again && again.ok && again.value.state).toEqual(applied.value.state);
    }),
    { numRuns: 800 },
  );
});
