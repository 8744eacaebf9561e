/**
 * Two orders of one setup: the mods' decides whose files win, the plugins' whose records. Where two mods meet in both,
 * or a player expects them to win together, the orders should agree.
 */
import type { OrderProblem } from "../model/problem";
import type { OverlapList } from "./overlap";
import { propose, type Proposal } from "./propose";

/** Two items that change the same thing: mods the same files, or plugins the same records. One that stands in no order meets nobody. */
export interface Meeting {
  readonly in: "files" | "records";
  readonly items: readonly [string, string];
}

export interface TwoOrders {
  readonly mods: readonly string[];
  readonly plugins: readonly string[];
  /** The mod that a plugin comes with; null for one that is built in. */
  readonly modOf: (plugin: string) => string | null;
  readonly meetings: Readonly<Record<Meeting["in"], Meetings>>;
}

/** Pairs of items by their numbers in `ids`. */
type Meetings = Pick<OverlapList, "ids" | "broader" | "narrower">;

/** A pair of mods that meet, each order's earlier one first. */
export interface Disagreement {
  readonly meeting: Meeting;
  readonly byMods: readonly [string, string];
  /** Null where the plugins of the two stand mixed, so that their order says neither. */
  readonly byPlugins: readonly [string, string] | null;
}

type Pair = readonly [string, string];

/** The meetings of two mods in which the mods' order and the plugins' order say different things: those in records first, each as listed. */
export function findDisagreements(orders: TwoOrders): Disagreement[] {
  const sides = new Sides(orders);
  return kinds
    .flatMap((kind) => {
      const agrees = agreement(orders.meetings[kind], kind, sides);
      return [...meetingsIn(orders.meetings[kind], kind, (at) => !agrees(at))];
    })
    .flatMap((meeting) => {
      const mods = sides.modsOf(meeting);
      if (!mods) return [];
      const byPlugins =
        meeting.in === "records" ? sides.ownersInPlugins(meeting.items) : sides.inPlugins(mods);
      return [{ meeting, byMods: sides.inMods(mods), byPlugins }];
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
  for (const kind of kinds)
    for (const meeting of meetingsIn(orders.meetings[kind], kind))
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

const kinds = ["records", "files"] as const;

function* meetingsIn(
  { ids, broader, narrower }: Meetings,
  kind: Meeting["in"],
  isWanted: (at: number) => boolean = () => true,
): Generator<Meeting> {
  for (let at = 0; at < broader.length; at++)
    if (isWanted(at)) yield { in: kind, items: [ids[broader[at]!]!, ids[narrower[at]!]!] };
}

/**
 * Whether the two orders agree of a meeting, by its number, or have nothing to say of it. By numbers, for of hundreds of thousands each
 * is looked at after every move.
 */
function agreement(
  { ids, broader, narrower }: Meetings,
  kind: Meeting["in"],
  sides: Sides,
): (at: number) => boolean {
  const spans = ids.map((id) => sides.spanOf(kind, id));
  const mod = Int32Array.from(spans, (span) => span?.[0] ?? -1);
  const first = Int32Array.from(spans, (span) => span?.[1] ?? -1);
  const last = Int32Array.from(spans, (span) => span?.[2] ?? -1);
  return (at) => {
    const [a, b] = [broader[at]!, narrower[at]!];
    if (mod[a]! < 0 || mod[b]! < 0 || mod[a] === mod[b]) return true;
    return mod[a]! < mod[b]! ? last[a]! < first[b]! : last[b]! < first[a]!;
  };
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

  /**
   * Where the mod of an item stands, and from where to where what it has in the order of the plugins: a mod all its plugins, a plugin
   * itself. Null where it stands in one of the orders only.
   */
  spanOf(kind: Meeting["in"], id: string): [mod: number, first: number, last: number] | null {
    const mod = kind === "files" ? id : this.orders.modOf(id);
    const place = mod === null ? undefined : this.modPlace.get(mod);
    const plugins = kind === "files" ? (this.pluginsOf.get(id) ?? []) : [id];
    const places = plugins.flatMap((plugin) => this.pluginPlace.get(plugin) ?? []);
    return place === undefined || places.length === 0
      ? null
      : [place, Math.min(...places), Math.max(...places)];
  }

  /** The two mods of a meeting; null where it is of one mod, or of what is built in or stands in one of the orders only. */
  modsOf({ in: kind, items: [a, b] }: Meeting): Pair | null {
    if (!this.spanOf(kind, a) || !this.spanOf(kind, b)) return null;
    const [one, other] = kind === "files" ? [a, b] : [this.orders.modOf(a), this.orders.modOf(b)];
    return one === null || other === null || one === other ? null : [one, other];
  }

  inMods = (mods: Pair): Pair => sorted(this.modPlace, mods);

  ownersInPlugins(plugins: Pair): Pair {
    const [earlier, later] = sorted(this.pluginPlace, plugins);
    return [this.orders.modOf(earlier)!, this.orders.modOf(later)!];
  }

  /** Whose plugins all stand before the other's; null where they are mixed. */
  inPlugins([a, b]: Pair): Pair | null {
    const [[, firstOfA, lastOfA], [, firstOfB, lastOfB]] = [
      this.spanOf("files", a)!,
      this.spanOf("files", b)!,
    ];
    if (lastOfA < firstOfB) return [a, b];
    return lastOfB < firstOfA ? [b, a] : null;
  }

  /** What the other order says of a meeting, as pairs of items of `list`, the earlier first. */
  wanted(meeting: Meeting, list: "mods" | "plugins"): Pair[] {
    const mods = this.modsOf(meeting);
    if (!mods) return [];
    if (list === "mods") {
      const pair = meeting.in === "records" ? this.ownersInPlugins(meeting.items) : this.inPlugins(mods);
      return pair ? [pair] : [];
    }
    const pair = this.inMods(mods);
    if (meeting.in === "records") {
      const [a, b] = meeting.items;
      return [this.orders.modOf(a) === pair[0] ? [a, b] : [b, a]];
    }
    const [earlier, later] = pair.map((mod) => this.pluginsOf.get(mod)!);
    return earlier!.flatMap((a) => later!.map((b): Pair => [a, b]));
  }
}

const sorted = (placeOf: ReadonlyMap<string, number>, [a, b]: Pair): Pair =>
  placeOf.get(a)! < placeOf.get(b)! ? [a, b] : [b, a];
