import type { Link, OrderProblem, ProblemRule, SetAside, ToldChain } from "../model/problem";
import { findConstraints } from "./constraints";
import { propose, type Proposal } from "./propose";
import { tellChain } from "./tell-chain";
import { ruleName, ruleOrigin } from "./ties";

/** The problem as if a rule were switched off. Rules without an id are named by their place, so that one stays. */
export function withoutRule(problem: OrderProblem, index: number): OrderProblem {
  const rules = (problem.rules ?? []).map((rule, at) => ({ ...rule, id: ruleName(rule, at) }));
  return { ...problem, rules: rules.filter((_, at) => at !== index) };
}

/** The problem as if a must rule were a preference only. */
export function withWeakened(problem: OrderProblem, index: number): OrderProblem {
  const rules = (problem.rules ?? []).map((rule, at): ProblemRule => {
    const named = { ...rule, id: ruleName(rule, at) };
    return at === index ? { ...named, strength: "prefer" } : named;
  });
  return { ...problem, rules };
}

/** The problem as if an item stood at another place, 0 at the top. Null where there is no such item. */
export function withItemAt(problem: OrderProblem, id: string, place: number): OrderProblem | null {
  const item = problem.items.find((each) => each.id === id);
  if (!item) return null;
  const rest = problem.items.filter((each) => each !== item);
  const at = Math.max(0, Math.min(place, rest.length));
  return { ...problem, items: [...rest.slice(0, at), item, ...rest.slice(at)] };
}

/** The ties of an item that the order as it stands breaks: by the nearest partner on each side. */
export function brokenTies(problem: OrderProblem, id: string): Link[] {
  const { ties, problem: indexed } = findConstraints(problem);
  const place = indexed.placeOf.get(id);
  if (place === undefined) return [];
  const { graph } = ties;
  const isItem = (node: number) => node < graph.items;
  const above = graph.nearest(place, (node) => isItem(node) && node > place, "backward");
  const below = graph.nearest(place, (node) => isItem(node) && node < place, "forward");
  return [above, below].filter((path) => path !== null).flatMap((path) => ties.links(path));
}

interface WayOut {
  /** Switch the rule off, or make a preference of a must. */
  readonly how: "drop" | "weaken";
  readonly index: number;
  readonly rule: string;
  /** How many items the order then moves. */
  readonly moves: number;
  /** How many rules and needs are then set aside. */
  readonly setAside: number;
}

/** A rule that cannot be kept, the circle that it would close, and what can be done about it, cheapest first. */
export interface Contradiction {
  readonly rule: SetAside["rule"];
  /** What the rule is called; a need has no name. */
  readonly name: string | null;
  /** The chain of the others, then the refused rule itself where it is one of a pair. */
  readonly circle: ToldChain;
  /** Each costs a proposal of its own, worked out when it is asked for. */
  readonly waysOut: readonly WayOut[];
}

export function findContradictions(problem: OrderProblem, { result }: Proposal): Contradiction[] {
  const indexOf = new Map((problem.rules ?? []).map((rule, at) => [ruleName(rule, at), at]));
  return result.setAside.map((setAside) => {
    const circle = [...setAside.because, ...closingLink(problem, setAside)];
    const named = new Set(
      circle
        .map(({ because }) => (typeof because === "string" ? undefined : indexOf.get(because.rule)))
        .filter((at) => at !== undefined),
    );
    if (setAside.index !== undefined) named.add(setAside.index);
    return {
      rule: setAside.rule,
      name: setAside.index === undefined ? null : ruleName(problem.rules![setAside.index]!, setAside.index),
      circle: tellChain(circle),
      get waysOut() {
        return [...named].flatMap((index) => waysOutBy(problem, index, setAside)).sort(byCost);
      },
    };
  });
}

function closingLink(problem: OrderProblem, { rule, index }: SetAside): Link[] {
  if (rule.kind === "needs") return [{ before: rule.other, after: rule.item, because: "needs" }];
  if (rule.kind !== "after" && rule.kind !== "before") return [];
  const [before, after] = rule.kind === "before" ? [rule.item, rule.other] : [rule.other, rule.item];
  return [{ before, after, because: ruleOrigin(problem.rules![index!]!, index!) }];
}

/** To weaken the rule that is set aside anyway is no way out. */
function waysOutBy(problem: OrderProblem, index: number, setAside: SetAside): WayOut[] {
  const drop = wayOut("drop", problem, index);
  const canWeaken = problem.rules![index]!.strength === "must" && setAside.index !== index;
  return canWeaken ? [drop, wayOut("weaken", problem, index)] : [drop];
}

function wayOut(how: WayOut["how"], problem: OrderProblem, index: number): WayOut {
  const { result } = propose((how === "drop" ? withoutRule : withWeakened)(problem, index));
  return {
    how,
    index,
    rule: ruleName(problem.rules![index]!, index),
    moves: result.moved.length,
    setAside: result.setAside.length,
  };
}

const byCost = (a: WayOut, b: WayOut): number =>
  a.setAside - b.setAside || a.moves - b.moves || a.index - b.index;
