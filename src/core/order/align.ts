/**
 * Two orders of one setup: the mods' decides whose files win, the plugins' whose records. Where two mods meet in both,
 * or a player expects them to win together, the orders should agree.
 */
import type { OrderProblem } from "../model/problem";
import { propose, type Proposal } from "./propose";

/** Two items that change the same thing: mods the same files, or plugins the same records. */
export interface Meeting {
  readonly in: "files" | "records";
  readonly items: readonly [string, string];
}

export interface TwoOrders {
  readonly mods: readonly string[];
  readonly plugins: readonly string[];
  /** The mod that a plugin comes with; null for one that is built in. */
  readonly modOf: (plugin: string) => string | null;
  readonly meetings: readonly Meeting[];
}

/** A pair of mods that meet, each order's earlier one first. */
export interface Disagreement {
  readonly meeting: Meeting;
  readonly byMods: readonly [string, string];
  /** Null where the plugins of the two stand mixed, so that their order says neither. */
  readonly byPlugins: readonly [string, string] | null;
}

type Pair = readonly [string, string];

/** The meetings of two mods in which the mods' order and the plugins' order say different things, as listed. */
export function findDisagreements(orders: TwoOrders): Disagreement[] {
  const sides = new Sides(orders);
  return orders.meetings.flatMap((meeting) => {
    if (sides.plainlyAgree(meeting)) return [];
    const mods = sides.modsOf(meeting);
    const byMods = mods && sides.inMods(mods);
    if (!mods || !byMods || !sides.bothHavePlugins(mods)) return [];
    const byPlugins = meeting.in === "records" ? sides.ownersInPlugins(meeting.items) : sides.inPlugins(mods);
    return byPlugins && byPlugins[0] === byMods[0] ? [] : [{ meeting, byMods, byPlugins }];
  });
}

/**
 * The fewest moves by which the order of `problem`, that of the mods or of the plugins, comes to agree with the other
 * one in all that meets. The other order's word is a preference: what needs, ranks and sections demand goes before it, and is
 * told in `setAside` of the result under the rules "aligned:…". Mixed pairs are left as they are.
 */
export function proposeAlignment(
  problem: OrderProblem,
  list: "mods" | "plugins",
  orders: TwoOrders,
): Proposal {
  const sides = new Sides(orders);
  const wanted = new Map<string, Pair>();
  for (const meeting of orders.meetings)
    for (const pair of sides.wanted(meeting, list)) wanted.set(pair.join(" \u0000 "), pair);
  const rules = [...wanted.values()].map(([item, other], at) => ({
    id: `aligned:${at + 1}`,
    source: { kind: "aligned" as const },
    kind: "before" as const,
    item,
    other,
    strength: "prefer" as const,
  }));
  return propose({ ...problem, rules: [...(problem.rules ?? []), ...rules] });
}

class Sides {
  private readonly modPlace: ReadonlyMap<string, number>;
  private readonly pluginPlace: ReadonlyMap<string, number>;
  private readonly pluginsOf = new Map<string, string[]>();

  constructor(private readonly orders: TwoOrders) {
    this.modPlace = new Map(orders.mods.map((id, at) => [id, at]));
    this.pluginPlace = new Map(orders.plugins.map((id, at) => [id, at]));
    for (const plugin of orders.plugins) {
      const mod = orders.modOf(plugin);
      if (mod !== null) this.pluginsOf.set(mod, [...(this.pluginsOf.get(mod) ?? []), plugin]);
    }
  }

  /** Of most meetings in records it is plain at once: the one whose mod stands earlier loads earlier. */
  plainlyAgree({ in: kind, items: [a, b] }: Meeting): boolean {
    if (kind === "files") return false;
    const [one, other] = [this.orders.modOf(a), this.orders.modOf(b)];
    if (one === null || other === null || one === other) return true;
    const modsSay = this.modPlace.get(one)! < this.modPlace.get(other)!;
    return modsSay === this.pluginPlace.get(a)! < this.pluginPlace.get(b)!;
  }

  /** The two mods of a meeting; null where it is of one mod, or of what is built in. */
  modsOf({ in: kind, items: [a, b] }: Meeting): Pair | null {
    const [one, other] = kind === "files" ? [a, b] : [this.orders.modOf(a), this.orders.modOf(b)];
    return one === null || other === null || one === other ? null : [one, other];
  }

  bothHavePlugins = (mods: Pair): boolean => mods.every((mod) => this.pluginsOf.has(mod));

  inMods = ([a, b]: Pair): Pair | null => sorted(this.modPlace, a, b);

  ownersInPlugins([a, b]: Pair): Pair | null {
    const pair = sorted(this.pluginPlace, a, b);
    return pair && [this.orders.modOf(pair[0])!, this.orders.modOf(pair[1])!];
  }

  /** Whose plugins all stand before the other's; null where they are mixed. */
  inPlugins([a, b]: Pair): Pair | null {
    const places = (mod: string) => this.pluginsOf.get(mod)!.map((plugin) => this.pluginPlace.get(plugin)!);
    const [ofA, ofB] = [places(a), places(b)];
    if (Math.max(...ofA) < Math.min(...ofB)) return [a, b];
    return Math.max(...ofB) < Math.min(...ofA) ? [b, a] : null;
  }

  /** What the other order says of a meeting, as pairs of items of `list`, the earlier first. */
  wanted(meeting: Meeting, list: "mods" | "plugins"): Pair[] {
    const mods = this.modsOf(meeting);
    if (!mods || !this.bothHavePlugins(mods)) return [];
    if (list === "mods") {
      const pair = meeting.in === "records" ? this.ownersInPlugins(meeting.items) : this.inPlugins(mods);
      return pair ? [pair] : [];
    }
    const pair = this.inMods(mods);
    if (!pair) return [];
    if (meeting.in === "records") {
      const [a, b] = meeting.items;
      return [this.orders.modOf(a) === pair[0] ? [a, b] : [b, a]];
    }
    const [earlier, later] = pair.map((mod) => this.pluginsOf.get(mod)!);
    return earlier!.flatMap((a) => later!.map((b): Pair => [a, b]));
  }
}

function sorted(placeOf: ReadonlyMap<string, number>, a: string, b: string): Pair | null {
  const [atA, atB] = [placeOf.get(a), placeOf.get(b)];
  if (atA === undefined || atB === undefined) return null;
  return atA < atB ? [a, b] : [b, a];
}
