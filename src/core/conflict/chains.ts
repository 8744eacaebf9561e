import type { ListName } from "../model/profile";
import { listProblem, needsOf } from "../roster/list-problem";
import type { Roster } from "../roster/roster";

/**
 * Which of two items comes first is *decided* where a chain of needs and of rules, after and before, that are on leads from one to
 * the other through items that load. Ranks, sections and the present order decide nothing: they change without a word about the two.
 */
export class Chains {
  private readonly numberOf: ReadonlyMap<string, number>;
  private readonly later: readonly number[][];
  private readonly reached = new Map<number, Uint32Array>();
  private readonly fixed: ReadonlySet<string>;

  constructor(roster: Roster, list: ListName) {
    const items = roster.lists[list].items.filter(({ loads }) => loads);
    this.numberOf = new Map(items.map(({ id }, number) => [id, number]));
    this.fixed = new Set(items.filter(({ fixed }) => fixed).map(({ id }) => id));
    this.later = items.map(() => []);
    for (const item of items) for (const need of needsOf(item)) this.tie(need, item.id);
    for (const rule of listProblem(roster, list).rules ?? []) {
      if (rule.source?.kind === "broader-first") continue;
      if (rule.kind === "after") this.tie(rule.other, rule.item);
      if (rule.kind === "before") this.tie(rule.item, rule.other);
    }
  }

  private tie(earlier: string, later: string): void {
    const [from, to] = [this.numberOf.get(earlier), this.numberOf.get(later)];
    if (from !== undefined && to !== undefined) this.later[from]!.push(to);
  }

  /** `""` is the game itself, which comes before everything, as do its own plugins. */
  isDecided(one: string, other: string): boolean {
    if (one === "" || other === "" || this.fixed.has(one) || this.fixed.has(other)) return true;
    const [a, b] = [this.numberOf.get(one), this.numberOf.get(other)];
    if (a === undefined || b === undefined) return false;
    return isIn(this.reachedFrom(a), b) || isIn(this.reachedFrom(b), a);
  }

  /** As bits, one an item. */
  private reachedFrom(start: number): Uint32Array {
    const known = this.reached.get(start);
    if (known) return known;
    const reached = new Uint32Array((this.later.length + 31) >>> 5);
    const open = [start];
    for (let item = open.pop(); item !== undefined; item = open.pop())
      for (const next of this.later[item]!)
        if (!isIn(reached, next)) {
          reached[next >>> 5]! |= 1 << (next & 31);
          open.push(next);
        }
    this.reached.set(start, reached);
    return reached;
  }
}

const isIn = (bits: Uint32Array, item: number): boolean => (bits[item >>> 5]! & (1 << (item & 31))) !== 0;
