import { BitRows } from "../graph/bit-rows";
import type { Link, Origin } from "../model/problem";
import type { ListName } from "../model/profile";
import { ruleOrigin } from "../order/ties";
import { listProblem, needsOf } from "../roster/list-problem";
import type { Roster } from "../roster/roster";

interface Tie {
  readonly to: number;
  readonly because: Origin;
}

/**
 * Which of two items comes first is *decided* where a chain of needs and of rules, after and before, that are on leads from one to
 * the other through items that load. Ranks, sections and the present order decide nothing: they change without a word about the two.
 */
export class Chains {
  /** Of what loads, as it stands. */
  private readonly ids: readonly string[];
  private readonly numberOf: ReadonlyMap<string, number>;
  private readonly later: readonly Tie[][];
  private readonly reached = new Map<number, Uint32Array>();
  private readonly fixed: ReadonlySet<string>;

  constructor(roster: Roster, list: ListName) {
    const items = roster.lists[list].items.filter(({ loads }) => loads);
    this.ids = items.map(({ id }) => id);
    this.numberOf = new Map(this.ids.map((id, number) => [id, number]));
    this.fixed = new Set(items.filter(({ fixed }) => fixed).map(({ id }) => id));
    this.later = items.map(() => []);
    for (const item of items) for (const need of needsOf(item)) this.tie(need, item.id, "needs");
    for (const [index, rule] of (listProblem(roster, list).rules ?? []).entries()) {
      if (rule.source?.kind === "broader-first") continue;
      if (rule.kind === "after") this.tie(rule.other, rule.item, ruleOrigin(rule, index));
      if (rule.kind === "before") this.tie(rule.item, rule.other, ruleOrigin(rule, index));
    }
  }

  private tie(earlier: string, later: string, because: Origin): void {
    const [from, to] = [this.numberOf.get(earlier), this.numberOf.get(later)];
    if (from !== undefined && to !== undefined) this.later[from]!.push({ to, because });
  }

  /** `""` is the game itself, which comes before everything, as do its own plugins. */
  isDecided(one: string, other: string): boolean {
    return this.isOwn(one) || this.isOwn(other) || this.leads(one, other) || this.leads(other, one);
  }

  isOwn = (id: string): boolean => id === "" || this.fixed.has(id);

  /** Whether a chain says that `earlier` comes before `later`. */
  leads(earlier: string, later: string): boolean {
    const [from, to] = [this.numberOf.get(earlier), this.numberOf.get(later)];
    return from !== undefined && to !== undefined && isIn(this.reachedFrom(from), to);
  }

  /** The fewest ties that join the two, from the earlier to the later; null where none do. */
  between(one: string, other: string): Link[] | null {
    if (this.leads(one, other)) return this.shortest(one, other);
    return this.leads(other, one) ? this.shortest(other, one) : null;
  }

  private shortest(earlier: string, later: string): Link[] {
    const [start, end] = [this.numberOf.get(earlier)!, this.numberOf.get(later)!];
    const cameBy = new Map<number, { readonly from: number; readonly because: Origin }>();
    const open = [start];
    for (let at = 0; !cameBy.has(end); at++)
      for (const { to, because } of this.later[open[at]!]!)
        if (!cameBy.has(to)) {
          cameBy.set(to, { from: open[at]!, because });
          open.push(to);
        }
    const links: Link[] = [];
    for (let to = end; links.length === 0 || to !== start;) {
      const { from, because } = cameBy.get(to)!;
      links.unshift({ before: this.ids[from]!, after: this.ids[to]!, because });
      to = from;
    }
    return links;
  }

  /** As bits, one an item. */
  private reachedFrom(start: number): Uint32Array {
    const known = this.reached.get(start);
    if (known) return known;
    const reached = new Uint32Array((this.later.length + 31) >>> 5);
    const open = [start];
    for (let item = open.pop(); item !== undefined; item = open.pop())
      for (const { to } of this.later[item]!)
        if (!isIn(reached, to)) {
          reached[to >>> 5]! |= 1 << (to & 31);
          open.push(to);
        }
    this.reached.set(start, reached);
    return reached;
  }

  /**
   * Of pairs that stand in order (`earlier` before `later`) the fewest that, tied, decide them all as they stand: those that a chain
   * over others decides are left out.
   */
  fewestToKeep(pairs: readonly Pair[]): Pair[] {
    const earlierThan = new Map<number, number[]>();
    for (const { earlier, later } of pairs) {
      const [from, to] = [this.numberOf.get(earlier), this.numberOf.get(later)];
      if (from === undefined || to === undefined || from >= to) continue;
      const known = earlierThan.get(to);
      if (known) known.push(from);
      else earlierThan.set(to, [from]);
    }
    // Before each item: all that a chain along the present order puts before it.
    const before = new BitRows(this.ids.length, this.ids.length);
    const ties: number[][] = this.ids.map(() => []);
    for (const [from, all] of this.later.entries())
      for (const { to } of all) if (from < to) ties[to]!.push(from);
    const put = (from: number, to: number) => {
      before.merge(to, from);
      before.set(to, from);
    };
    const kept: Pair[] = [];
    for (const [to, known] of ties.entries()) {
      for (const from of known) put(from, to);
      for (const from of (earlierThan.get(to) ?? []).sort((a, b) => b - a)) {
        if (before.has(to, from)) continue;
        put(from, to);
        kept.push({ earlier: this.ids[from]!, later: this.ids[to]! });
      }
    }
    return kept;
  }
}

/** Two items of one list by their ids. */
export interface Pair {
  readonly earlier: string;
  readonly later: string;
}

const isIn = (bits: Uint32Array, item: number): boolean => (bits[item >>> 5]! & (1 << (item & 31))) !== 0;
