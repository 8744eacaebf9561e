import fc from "fast-check";
import type { Step } from "../model/edit";
import type { PluginId } from "../model/ids";
import type { Entry, ProfileState, Rule } from "../model/profile";
import { nothingDecided } from "../state/facets";
import { testGame } from "../testing/game";
import { applySteps, firstOutOfSection } from "./steps";
import { aPlugin, aRule, aSection } from "../testing/ids";

const sections = testGame.sections.filter((section) => section.rank === "ordinary");
const [world, patches] = sections.map((section) => section.id);

const stateOf = (plugins: readonly Entry<PluginId>[]): ProfileState => ({
  mods: { sections: [], entries: [] },
  plugins: { sections, entries: [...plugins] },
  ...nothingDecided,
});

const entry = (id: string, section = world!, on = true): Entry<PluginId> => ({
  id: aPlugin(id),
  on,
  section,
});
const state = stateOf([entry("a"), entry("b"), entry("c", patches), entry("d", patches)]);
const ids = (of: ProfileState) => of.plugins.entries.map((each) => each.id).join("");

const apply = (...steps: Step[]) => {
  const applied = applySteps(state, steps);
  if (!applied.ok) throw new Error(applied.refusal.code);
  return applied.value;
};

test("put seats entries before another one, drop takes them away, switch turns them", () => {
  expect(
    ids(apply({ kind: "put", list: "plugins", entries: [entry("b")], before: aPlugin("a") }).state),
  ).toBe("bacd");
  expect(
    ids(apply({ kind: "put", list: "plugins", entries: [entry("e", patches)], before: null }).state),
  ).toBe("abcde");
  expect(ids(apply({ kind: "drop", list: "plugins", ids: [aPlugin("a"), aPlugin("d")] }).state)).toBe("bc");
  const turned = apply({ kind: "switch", list: "plugins", ids: [aPlugin("a")], on: false }).state;
  expect(turned.plugins.entries[0]!.on).toBe(false);
});

test("a step without effect gives the very same state and nothing to take back", () => {
  for (const step of [
    { kind: "put", list: "plugins", entries: [entry("a")], before: aPlugin("b") },
    { kind: "switch", list: "plugins", ids: [aPlugin("a"), aPlugin("nobody")], on: true },
    { kind: "drop", list: "plugins", ids: [aPlugin("nobody")] },
    { kind: "arrange", list: "plugins", entries: [...state.plugins.entries] },
  ] satisfies Step[])
    expect(apply(step)).toEqual({ state, inverse: [] });
  expect(apply({ kind: "switch", list: "plugins", ids: [aPlugin("a")], on: true }).state).toBe(state);
});

test("refusals name the item, and change nothing", () => {
  const refused = (step: Step) => {
    const applied = applySteps(state, [{ kind: "drop", list: "plugins", ids: [aPlugin("a")] }, step]);
    return applied.ok ? null : applied.refusal;
  };
  expect(refused({ kind: "put", list: "plugins", entries: [entry("b")], before: aPlugin("gone") })).toEqual({
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
  expect(firstOutOfSection(sections, [entry("x", aSection("nowhere"))])?.id).toBe("x");
});

test("whatever was done, its inverse leads back, step by step in reverse", () => {
  const id = fc.constantFrom(...[..."abcdef"].map(aPlugin));
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

describe("rules", () => {
  const rule = (id: string, more: Partial<Rule> = {}): Rule => ({
    id: aRule(id),
    rule: { kind: "after", item: "b", other: "a", strength: "prefer" },
    note: "",
    made: "2026-01-01",
    ...more,
  });
  const keep = (item: Rule, before?: string | null): Step => ({
    kind: "decide",
    facet: "rules",
    key: item.id,
    item,
    ...(before === undefined ? {} : { before }),
  });
  const shared = { shared: true as const };
  const ruled: ProfileState = { ...state, rules: [rule("r1"), rule("r2"), rule("g1", shared)] };
  const change = (...steps: Step[]) => {
    const applied = applySteps(ruled, steps);
    if (!applied.ok) throw new Error(applied.refusal.code);
    const back = applySteps(applied.value.state, applied.value.inverse);
    expect(back.ok && back.value.state).toEqual(ruled);
    return applied.value.state.rules.map((each) => each.id + (each.off ? " off" : ""));
  };

  test("are added, changed, switched off and dropped, each with its way back; shared ones come after", () => {
    expect(change(keep(rule("new"), null))).toEqual(["r1", "r2", "new", "g1"]);
    expect(change(keep(rule("new"), "r2"))).toEqual(["r1", "new", "r2", "g1"]);
    expect(change(keep(rule("r1", { off: true })))).toEqual(["r1 off", "r2", "g1"]);
    expect(change(keep(rule("r1", shared), null))).toEqual(["r2", "g1", "r1"]);
    expect(change({ kind: "decide", facet: "rules", key: "r1", item: null })).toEqual(["r2", "g1"]);
    expect(change({ kind: "decide", facet: "rules", key: "nobody", item: null })).toEqual(["r1", "r2", "g1"]);
  });

  test("that are shared stay when one profile goes back to another state", () => {
    expect(
      change({ kind: "replace", state: { ...state, rules: [rule("old"), rule("gone", shared)] } }),
    ).toEqual(["old", "g1"]);
  });
});

test("a list arranged with its sections takes both over, and refuses what would stand outside them", () => {
  const turned = [...sections].reverse();
  const entries = [...state.plugins.entries.slice(2), ...state.plugins.entries.slice(0, 2)];
  const step: Step = { kind: "arrange", list: "plugins", entries, sections: turned };
  const { state: next, inverse } = apply(step);
  expect([next.plugins.sections, ids(next)]).toEqual([turned, "cdab"]);
  const back = applySteps(next, inverse);
  expect(back.ok && back.value.state).toEqual(state);
  const wrong = applySteps(state, [{ ...step, sections }]);
  expect(wrong.ok ? null : wrong.refusal.code).toBe("outside-section");
});

test("the choice about breadth is kept and taken back", () => {
  const off = apply({ kind: "decide", facet: "broaderFirst", key: "off", item: false });
  expect(off.state.broaderFirst).toBe(false);
  const back = applySteps(off.state, off.inverse);
  expect(back.ok && back.value.state).toEqual(state);
  expect(apply({ kind: "decide", facet: "broaderFirst", key: "off", item: null }).state).toBe(state);
});
