import type { Link, OrderRule, Origin, ProblemRule, RuleOrigin } from "../model/problem";
import { AcyclicGraph } from "../graph/acyclic";
import type { IndexedProblem } from "./indexed";

/** Where a tie comes from: a rule's index, or one of these. `BRIDGE` is the nameless half of a step over a gate. */
export const NEEDS = -1;
export const CLASS = -2;
export const SECTION = -3;
export const BRIDGE = -4;

/** The ties kept so far, between items by their places and gates, and how to tell them in words. */
export class Ties {
  readonly graph: AcyclicGraph;
  constructor(readonly problem: IndexedProblem) {
    this.graph = new AcyclicGraph(problem.ids.length);
  }

  /** The shortest chain of links by which `earlier` must come before `later`; null if it need not. */
  chain(earlier: number, later: number): Link[] | null {
    const edges = this.graph.shortestPath(earlier, later);
    return edges && this.links(edges);
  }

  /** One link for each item that a path leaves; gates are stepped over. */
  links(edges: readonly number[]): Link[] {
    const { from, to, origin, items } = this.graph;
    const links: Link[] = [];
    let start = -1;
    let named = BRIDGE;
    for (const e of edges) {
      if (from[e]! < items) start = from[e]!;
      if (origin[e] !== BRIDGE) named = origin[e]!;
      if (to[e]! >= items) continue;
      if (start !== -1) links.push(this.link(start, to[e]!, named));
      named = BRIDGE;
    }
    return links;
  }

  link(before: number, after: number, origin: number): Link {
    const { ids } = this.problem;
    return { before: ids[before]!, after: ids[after]!, because: this.because(origin) };
  }

  private because(origin: number): Origin {
    if (origin === NEEDS) return "needs";
    if (origin === CLASS) return "class";
    if (origin === SECTION) return "section";
    return ruleOrigin(this.problem.rules[origin]!, origin);
  }

  /** "All of each part before all of the next" with one gate at each border; empty parts are skipped. */
  addBorders(parts: readonly (readonly number[])[], origin: number): void {
    const used = parts.filter((part) => part.length > 0);
    let previousGate = -1;
    for (let at = 0; at + 1 < used.length; at++) {
      const gate = this.graph.addGate();
      for (const item of used[at]!) this.graph.addEdge(item, gate, origin);
      for (const item of used[at + 1]!) this.graph.addEdge(gate, item, BRIDGE);
      if (previousGate !== -1) this.graph.addEdge(previousGate, gate, origin);
      previousGate = gate;
    }
  }
}

/** What a rule is called: by its id, or by its place where it has none. */
export const ruleName = (rule: OrderRule, index: number): string => rule.id ?? `#${index}`;

export const ruleOrigin = (rule: ProblemRule, index: number): RuleOrigin => ({
  rule: ruleName(rule, index),
  ...(rule.source === undefined ? {} : { source: rule.source }),
});
