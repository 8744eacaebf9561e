import type { Link, OrderRule, SetAside, Strength } from "../model/problem";
import { Groups } from "./groups";
import { BRIDGE, withReason, type Ties } from "./ties";

type EndRule = Extract<OrderRule, { kind: "first" | "last" }>;
type Indexed<R extends OrderRule> = { rule: R; index: number };

/**
 * Keeps the rules one by one, each unless it closes a cycle with everything kept so far (steps 4, 6 and 7).
 * `effective` is null until the sections are settled; rules within a section come after that.
 */
export class RuleKeeper {
  readonly setAside: SetAside[] = [];
  /** Items with a kept must that seats them first or last within the whole list. */
  readonly fixedAtEnd = new Set<number>();
  private effective: Int32Array | null = null;
  private readonly gates = new Map<string, number>();
  private readonly endGates = new Set<number>();
  readonly groups: Groups;

  constructor(private readonly ties: Ties) {
    this.groups = new Groups(ties, this.endGates);
  }

  keepListMusts(): void {
    this.each("must", (rule) => !("within" in rule && rule.within === "section"));
  }

  keepSectionMusts(effective: Int32Array): void {
    this.effective = effective;
    this.each("must", (rule) => "within" in rule && rule.within === "section");
  }

  /** By descending weight, then as listed. */
  keepPrefers(): void {
    const weightOf = (rule: OrderRule) => rule.weight ?? 1;
    this.rules("prefer")
      .sort((a, b) => weightOf(b.rule) - weightOf(a.rule) || a.index - b.index)
      .forEach((each) => this.keep(each));
  }

  private each(strength: Strength, which: (rule: OrderRule) => boolean): void {
    for (const each of this.rules(strength)) if (which(each.rule)) this.keep(each);
  }

  private rules(strength: Strength): Indexed<OrderRule>[] {
    return this.ties.problem.rules
      .map((rule, index) => ({ rule, index }))
      .filter(({ rule }) => rule.strength === strength);
  }

  private keep({ rule, index }: Indexed<OrderRule>): void {
    if ("other" in rule) this.keepPair(rule, index);
    else if ("within" in rule) this.keepEnd(rule, index);
    else this.keepTogether(rule, index);
  }

  /** Absent members are passed over; with fewer than two left, so is the group. */
  private keepTogether(rule: Extract<OrderRule, { kind: "together" }>, index: number): void {
    const places = rule.items
      .map((id) => this.ties.problem.placeOf.get(id))
      .filter((place) => place !== undefined);
    const members = [...new Set(places)];
    if (members.length < 2) return;
    const because = this.groups.tryGroup(members, index);
    if (because) this.refuse(rule, index, () => because);
  }

  private keepPair(rule: Extract<OrderRule, { kind: "after" | "before" }>, index: number): void {
    const { placeOf } = this.ties.problem;
    const item = placeOf.get(rule.item);
    const other = placeOf.get(rule.other);
    if (item === undefined || other === undefined) return;
    const [earlier, later] = rule.kind === "before" ? [item, other] : [other, item];
    if (this.groups.tryEdge(earlier, later, index)) return;
    this.refuse(rule, index, this.groups.chainOfNow(later, earlier));
  }

  private keepEnd(rule: EndRule, index: number): void {
    const item = this.ties.problem.placeOf.get(rule.item);
    if (item === undefined) return;
    if (rule.within === "section" && this.effective![item] === -1) return this.refuse(rule, index, () => []);
    const gate = this.gateFor(rule, item);
    const [from, to] = rule.kind === "first" ? [item, gate] : [gate, item];
    if (!this.groups.tryEdge(from, to, index)) {
      const { graph } = this.ties;
      const edges = graph.from.length;
      const path = () => graph.shortestPath(to, from, edges) ?? [];
      return this.refuse(rule, index, () => this.ties.links(this.withoutGateEnd(path())));
    }
    if (rule.strength === "must" && rule.within === "list") this.fixedAtEnd.add(item);
  }

  /** The path between the gate and the item, less the half step that touches the gate. */
  private withoutGateEnd(path: number[]): number[] {
    const { from, items } = this.ties.graph;
    return from[path[0]!]! >= items ? path.slice(1) : path.slice(0, -1);
  }

  private refuse(rule: OrderRule, index: number, because: () => Link[]): void {
    this.setAside.push(withReason({ rule, index }, because));
  }

  /** One gate for all rules of a kind, scope and strength; on its far side stand those without such a rule. */
  private gateFor(rule: EndRule, item: number): number {
    const { graph, problem } = this.ties;
    const section = rule.within === "section" ? this.effective![item]! : -1;
    const key = [rule.kind, rule.strength, rule.within, problem.rank[item], section].join(" ");
    const known = this.gates.get(key);
    if (known !== undefined) return known;
    const exempt = this.exemptFrom(rule);
    const gate = graph.addGate(rule.kind === "first" ? "front" : "back");
    for (let other = 0; other < problem.ids.length; other++) {
      if (problem.rank[other] !== problem.rank[item] || exempt.has(other)) continue;
      if (section !== -1 && this.effective![other] !== section) continue;
      if (rule.kind === "first") graph.addEdge(gate, other, BRIDGE);
      else graph.addEdge(other, gate, BRIDGE);
    }
    this.gates.set(key, gate);
    this.endGates.add(gate);
    return gate;
  }

  private exemptFrom(rule: EndRule): Set<number> {
    const exempt = new Set<number>();
    for (const other of this.ties.problem.rules) {
      if (other.kind !== rule.kind || other.within !== rule.within) continue;
      const atLeastAsStrong = other.strength === "must" || rule.strength === "prefer";
      const place = this.ties.problem.placeOf.get(other.item);
      if (atLeastAsStrong && place !== undefined) exempt.add(place);
    }
    return exempt;
  }
}
