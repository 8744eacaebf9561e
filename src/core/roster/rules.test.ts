import type { OrderRule } from "../model/problem";
import type { Rule } from "../model/profile";
import { testRoster, withState } from "../testing/roster";
import { partnersFor, rulesToRemember } from "../edit/remember";
import { addRule, changeRule, dropRule, preferBroader, switchRule } from "../edit/rule-edits";
import { isSameRule } from "../order/rule-items";
import { contradictionsOf, idleRules, ruleEffect, ruleStandings } from "./rules";
import { parseRule } from "../edit/rule-sentence";
import { applySteps } from "../edit/steps";
import { allTies } from "./ties";
import { aRule } from "../testing/ids";
import { withOverlaps } from "../testing/overlaps";

const after = (item: string, other: string, more: Partial<OrderRule> = {}): OrderRule =>
  ({ kind: "after", item, other, strength: "prefer", ...more }) as OrderRule;
const last = (item: string, within: "section" | "list" = "section"): OrderRule => ({
  kind: "last",
  item,
  within,
  strength: "prefer",
});
const together = (...items: string[]): OrderRule => ({ kind: "together", items, strength: "prefer" });

const plugins = [
  { name: "Core.keel" },
  { name: "a.plank" },
  { name: "b.plank", masters: ["a.plank"] },
  { name: "c.plank", masters: ["b.plank"] },
  { name: "p.plank", section: "patches" },
];

describe("how rules stand", () => {
  const standingOf = (rule: OrderRule, more: Partial<Rule> = {}) => {
    const base = testRoster(plugins, [rule]);
    const rules = base.profile.state.rules.map((each) => ({ ...each, ...more }));
    const roster = withState(base, { ...base.profile.state, rules });
    return ruleStandings(roster, allTies(roster)).get("r0");
  };

  test("in the order as it is: by place, end of the scope, and neighbourhood", () => {
    expect(standingOf(after("c.plank", "a.plank"))).toBe("holds");
    expect(standingOf(after("a.plank", "p.plank"))).toBe("set-aside");
    expect(standingOf({ kind: "before", item: "a.plank", other: "c.plank", strength: "must" })).toBe("holds");
    expect(standingOf(last("c.plank"))).toBe("holds");
    expect(standingOf(last("p.plank", "list"))).toBe("holds");
    expect(standingOf({ kind: "first", item: "b.plank", within: "section", strength: "prefer" })).toBe(
      "set-aside",
    );
    expect(standingOf(together("a.plank", "b.plank"))).toBe("holds");
    expect(standingOf(together("a.plank", "gone.plank"))).toBe("absent");
    expect(standingOf(after("a.plank", "gone.plank"))).toBe("absent");
    expect(standingOf(after("c.plank", "a.plank"), { off: true })).toBe("off");
  });

  test("broken where a proposal would mend it", () => {
    const roster = testRoster(
      [{ name: "x.plank" }, { name: "y.plank" }, { name: "z.plank" }],
      [after("x.plank", "y.plank"), together("x.plank", "z.plank")],
    );
    expect([...ruleStandings(roster, allTies(roster)).values()]).toEqual(["broken", "broken"]);
  });

  test("idle where other ties say the same", () => {
    const roster = testRoster(plugins, [
      after("c.plank", "a.plank"),
      after("c.plank", "Core.keel"),
      last("c.plank"),
    ]);
    expect([...idleRules(roster, allTies(roster))]).toEqual(["r0", "r1"]);
    const free = testRoster([{ name: "x.plank" }, { name: "y.plank" }], [after("y.plank", "x.plank")]);
    expect(idleRules(free, allTies(free)).size).toBe(0);
  });

  test("what one changes is the proposal with it and without it", () => {
    const roster = testRoster([{ name: "x.plank" }, { name: "y.plank" }], [after("x.plank", "y.plank")]);
    expect(ruleEffect(roster, "r0")).toEqual({
      idle: false,
      moves: 1,
      movesWithout: 0,
      setAside: 0,
      setAsideWithout: 0,
    });
    expect(ruleEffect(testRoster(plugins, [after("c.plank", "a.plank")]), "r0")).toMatchObject({
      idle: true,
      moves: 0,
    });
    expect(ruleEffect(roster, "nobody")).toBeNull();
  });

  test("contradictions are those that a rule of the curator's has part in", () => {
    const roster = testRoster(plugins, [after("a.plank", "c.plank", { strength: "must" })]);
    const [found] = contradictionsOf(roster);
    expect(found!.waysOut.map(({ how, rule }) => `${how} ${rule}`)).toEqual(["drop r0"]);
    const circle = testRoster([
      { name: "x.plank", masters: ["y.plank"] },
      { name: "y.plank", masters: ["x.plank"] },
    ]);
    expect(contradictionsOf(circle)).toEqual([]);
  });
});

test("rules that ask the same are known as such, whichever way round they are said", () => {
  expect(isSameRule(after("a", "b"), { kind: "before", item: "b", other: "a", strength: "must" })).toBe(true);
  expect(isSameRule(together("a", "b"), together("b", "a"))).toBe(true);
  expect(isSameRule(last("a"), last("a", "list"))).toBe(false);
  expect(isSameRule(after("a", "b"), after("b", "a"))).toBe(false);
});

describe("what can be remembered of a move", () => {
  const roster = testRoster(plugins);

  test("the neighbours of the same kind, and the end of the section", () => {
    expect(rulesToRemember(roster, "plugins", ["b.plank"])).toEqual([
      after("b.plank", "a.plank"),
      { kind: "before", item: "b.plank", other: "c.plank", strength: "prefer" },
    ]);
    expect(rulesToRemember(roster, "plugins", ["c.plank"]).map((rule) => rule.kind)).toEqual([
      "after",
      "before",
      "last",
    ]);
    expect(rulesToRemember(roster, "plugins", ["Core.keel"]).map((rule) => rule.kind)).toEqual([
      "last",
      "first",
    ]);
  });

  test("of several, that they stay together; what is known already is not offered again", () => {
    expect(rulesToRemember(roster, "plugins", ["b.plank", "c.plank"]).at(-1)).toEqual(
      together("b.plank", "c.plank"),
    );
    const known = testRoster(plugins, [after("b.plank", "a.plank")]);
    expect(rulesToRemember(known, "plugins", ["b.plank"]).map((rule) => rule.kind)).toEqual(["before"]);
    expect(rulesToRemember(roster, "plugins", [])).toEqual([]);
  });

  test("partners that change the same records are offered first", () => {
    const overlaps = [{ broader: "p.plank", narrower: "a.plank", shared: 4 }];
    const touching = withOverlaps(roster, { plugins: overlaps });
    const partners = partnersFor(touching, "plugins", "a.plank");
    expect(partners[0]).toMatchObject({ item: { id: "p.plank" }, shared: 4 });
    expect(partners.map(({ item }) => item.id).slice(1)).toEqual(["Core.keel", "b.plank", "c.plank"]);
  });
});

describe("edits of rules", () => {
  const roster = testRoster(plugins, [after("c.plank", "a.plank"), last("p.plank")]);
  const [one] = roster.profile.state.rules as [Rule, Rule];
  const rulesAfter = (edit: ReturnType<typeof addRule>) => {
    const applied = applySteps(roster.profile.state, edit.steps);
    if (!applied.ok) throw new Error(applied.refusal.code);
    return applied.value.state;
  };

  test("keep the place of the rule in the list, and say what they did", () => {
    const off = switchRule(one, false);
    expect(rulesAfter(off).rules.map((rule) => [rule.id, rule.off])).toEqual([
      ["r0", true],
      ["r1", undefined],
    ]);
    expect(off.label).toEqual({ id: "rule-off", data: { item: "c.plank" } });
    const changed = { ...one, note: "seams show" };
    expect(rulesAfter(changeRule(changed)).rules[0]).toBe(changed);
    expect(rulesAfter(dropRule(one)).rules.map((rule) => rule.id)).toEqual(["r1"]);
    expect(rulesAfter(addRule({ ...one, id: aRule("new") })).rules.map((rule) => rule.id)).toEqual([
      "r0",
      "r1",
      "new",
    ]);
    expect(rulesAfter(preferBroader(false)).broaderFirst).toBe(false);
    const again = withState(roster, rulesAfter(off));
    expect(switchRule(again.profile.state.rules[0]!, true).steps[0]).toMatchObject({ item: one });
  });
});

describe("a rule in plain words", () => {
  const roster = testRoster(plugins);
  const parsed = (text: string) => {
    const spoken = parseRule(roster.lists.plugins, text);
    return spoken === null ? null : spoken.ok ? spoken.value : spoken.refusal.code;
  };

  test("by seats, names and parts of names", () => {
    expect(parsed("C2 after C1")).toEqual({ rule: after("b.plank", "a.plank"), note: "" });
    expect(parsed("p.plank before core because it says so")).toEqual({
      rule: { kind: "before", item: "p.plank", other: "Core.keel", strength: "prefer" },
      note: "it says so",
    });
    expect(parsed("c1 must be after B1")).toMatchObject({ rule: { strength: "must", item: "a.plank" } });
  });

  test("ends and groups", () => {
    expect(parsed("c3 last")).toMatchObject({ rule: last("c.plank") });
    expect(parsed("c3 first of all")).toMatchObject({ rule: { kind: "first", within: "list" } });
    expect(parsed("c1, c2 and c3 together")).toMatchObject({
      rule: together("a.plank", "b.plank", "c.plank"),
    });
  });

  test("what is no sentence is none, and what cannot be found is said", () => {
    expect(parsed("tidal")).toBeNull();
    expect(parsed("after")).toBeNull();
    expect(parsed("nobody after c1")).toBe("no-such-item");
    expect(parsed("plank after c1")).toBe("many-such-items");
    expect(parsed("c1 after c1")).toBe("rule-of-one");
    expect(parsed("c1 together")).toBe("rule-of-one");
  });
});
