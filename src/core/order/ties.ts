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
  chain(earlier: number, later: number, edges?: number): Link[] | null {
    const path = this.graph.shortestPath(earlier, later, edges);
    return path && this.links(path);
  }

  /** The same, as the ties are now, searched only when it is asked for. */
  chainOfNow(earlier: number, later: number): () => Link[] {
    const edges = this.graph.from.length;
    return () => this.chain(earlier, later, edges) ?? [];
  }

  /** How strong the tie of each edge is, 0 the strongest, of those that are kept now. */
  get strengths(): Strengths {
    const { origin } = this.graph;
    if (this.known?.levelOf.length !== origin.length) this.known = strengthsOf(origin, this.problem);
    return this.known;
  }
  private known: Strengths | null = null;

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

/**
 * What is said of an item or a rule, and why. The chain is searched each time that it is asked for, for there may be as many as
 * there are rules, each as long as the list.
 */
export const withReason = <T, L>(said: T, because: () => L): T & { because: L } =>
  Object.defineProperty({ ...said }, "because", { get: because, enumerable: true }) as T & { because: L };

interface Strengths {
  /** By edge. */
  readonly levelOf: Int32Array;
  readonly levels: number;
}

/** The game's laws and masters, sections, musts, preferences by falling weight, and faint ones at last. */
function strengthsOf(origins: ArrayLike<number>, { rules }: IndexedProblem): Strengths {
  const strengthOf = (origin: number): readonly [tier: number, weight: number] => {
    if (origin < 0) return [origin === SECTION ? 1 : 0, 0];
    const { source, strength, weight = 1 }: ProblemRule = rules[origin]!;
    if (source?.kind === "built-in") return [0, 0];
    if (source?.kind === "broader-first") return [4, weight];
    return strength === "must" ? [2, 0] : [3, weight];
  };
  const used = [...new Set(Array.from(origins))].map((origin) => ({ origin, at: strengthOf(origin) }));
  used.sort((a, b) => a.at[0] - b.at[0] || b.at[1] - a.at[1]);
  const levels = new Map<number, number>();
  let level = -1;
  used.forEach(({ origin, at }, place) => {
    const before = used[place - 1]?.at;
    if (!before || before[0] !== at[0] || before[1] !== at[1]) level++;
    levels.set(origin, level);
  });
  return { levelOf: Int32Array.from(origins, (origin) => levels.get(origin)!), levels: level + 1 };
}

/** What a rule is called: by its id, or by its place where it has none. */
export const ruleName = (rule: OrderRule, index: number): string => rule.id ?? `#${index}`;

export const ruleOrigin = (rule: ProblemRule, index: number): RuleOrigin => ({
  rule: ruleName(rule, index),
  ...(rule.source === undefined ? {} : { source: rule.source }),
});
