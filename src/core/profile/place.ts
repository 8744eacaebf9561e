import type { Edit } from "../model/edit";
import { done, refuse, type Outcome } from "../model/outcome";
import type { Entry } from "../model/profile";
import type { Roster } from "./roster";
import { label } from "./steps";
import type { TieIndex } from "./ties";

/** What stops a move: a tie with an item that stays, or the load rank of one (`rank` is that of the moved item). */
export type Barrier =
  | { readonly kind: "tie"; readonly with: string; readonly item: string; readonly because: string }
  | { readonly kind: "rank"; readonly with: string; readonly item: string; readonly rank: string };

/**
 * The gaps that some items may go to together while all others stay put. A gap is named by the number of those
 * others that stand before it, so 0 is the very top. `above` and `below` name what bounds the range.
 */
export interface FreeGaps {
  readonly rest: readonly string[];
  readonly from: number;
  readonly to: number;
  readonly above: Barrier | null;
  readonly below: Barrier | null;
}

/**
 * Must ties that are broken already do not bound the range, or an item in trouble could not be moved at all.
 * Ties of strength prefer never do. Takes time in proportion to the list and the ties of the items.
 */
export function freeGaps(roster: Roster, ties: TieIndex, ids: readonly string[]): FreeGaps {
  const moving = new Set(ids);
  const rest = roster.plugins.filter((plugin) => !moving.has(plugin.id));
  const gapOf = new Map(rest.map((plugin, at) => [plugin.id, at]));
  const bounds: { from: number; to: number; above: Barrier | null; below: Barrier | null } = {
    ...rankBounds(roster, rest, ids),
  };
  for (const item of ids) {
    const place = roster.pluginOf.get(item)!.place;
    for (const tie of ties.of(item)) {
      if (tie.strength !== "must" || !tie.kept) continue;
      const other = tie.earlier === item ? tie.later : tie.earlier;
      const at = gapOf.get(other);
      if (at === undefined) continue;
      const otherPlace = roster.pluginOf.get(other)!.place;
      const barrier: Barrier = { kind: "tie", with: other, item, because: tie.because };
      if (tie.later === item && otherPlace < place && at + 1 > bounds.from)
        Object.assign(bounds, { from: at + 1, above: barrier });
      if (tie.earlier === item && otherPlace > place && at < bounds.to)
        Object.assign(bounds, { to: at, below: barrier });
    }
  }
  return { rest: rest.map((plugin) => plugin.id), ...bounds };
}

function rankBounds(roster: Roster, rest: Roster["plugins"], ids: readonly string[]) {
  const ranks = roster.game.loadRanks.map((rank) => rank.id);
  const places = ids.map((id) => ranks.indexOf(roster.pluginOf.get(id)!.rank.id));
  const latest = Math.max(...places);
  const earliest = Math.min(...places);
  const item = ids[places.indexOf(latest)]!;
  const before = rest.findLastIndex((plugin) => ranks.indexOf(plugin.rank.id) < latest);
  const after = rest.findIndex((plugin) => ranks.indexOf(plugin.rank.id) > earliest);
  const bar = (rank: number, at: number): Barrier => ({
    kind: "rank",
    with: rest[at]!.id,
    item,
    rank: roster.game.loadRanks[rank]!.label,
  });
  return {
    from: before + 1,
    to: after === -1 ? rest.length : after,
    above: before === -1 ? null : bar(latest, before),
    below: after === -1 ? null : bar(earliest, after),
  };
}

/** The barrier that keeps the items from a gap; null where they may go. */
export function barrierAt(free: FreeGaps, gap: number): Barrier | null {
  if (gap < free.from) return free.above;
  if (gap > free.to) return free.below;
  return null;
}

/**
 * An edit that seats the items, in their present order, at a gap. `section` says which one is meant where a gap
 * lies on a border; null takes that of the item before it.
 */
export function placeEdit(
  roster: Roster,
  ties: TieIndex,
  ids: readonly string[],
  gap: number,
  section: string | null = null,
): Outcome<Edit | null> {
  const moving = roster.plugins.filter((plugin) => ids.includes(plugin.id));
  if (moving.length === 0) return done(null);
  const fixed = moving.find((plugin) => plugin.fixed);
  if (fixed) return refuse("built-in-stays", { item: fixed.id });
  const free = freeGaps(
    roster,
    ties,
    moving.map((plugin) => plugin.id),
  );
  const at = Math.max(0, Math.min(gap, free.rest.length));
  const barrier = barrierAt(free, at);
  if (barrier) return refuseAt(barrier, at < free.from ? "above" : "below");
  const target = targetSection(roster, free, at, section, moving[0]!.rank.id);
  const entries = moving.map((plugin): Entry => ({ id: plugin.id, on: plugin.entry.on, section: target }));
  const before = free.rest[at] ?? null;
  if (isThere(roster, moving[0]!.place, entries)(before)) return done(null);
  return done({
    label: label("move", { item: moving[0]!.id, count: moving.length }),
    steps: [{ kind: "put", list: "plugins", entries, before }],
  });
}

export function refuseAt(barrier: Barrier, side: "above" | "below") {
  const { kind, ...data } = barrier;
  return refuse(`${kind}-${side}`, data);
}

/** The section asked for if the gap touches it, else that of the neighbour before, else the one after. */
function targetSection(
  roster: Roster,
  free: FreeGaps,
  gap: number,
  wanted: string | null,
  rank: string,
): string | null {
  const { sections } = roster.profile.state.plugins;
  const at = (id: string | undefined) =>
    sections.findIndex((each) => each.id === roster.pluginOf.get(id ?? "")?.entry.section);
  const before = at(free.rest[gap - 1]);
  const afterAt = at(free.rest[gap]);
  const after = afterAt === -1 ? sections.length - 1 : afterAt;
  const possible = sections.filter((each, n) => n >= before && n <= after && each.rank === rank);
  const chosen = possible.find((each) => each.id === wanted) ?? possible.find((_, n) => n === 0);
  return chosen?.id ?? wanted;
}

function isThere(roster: Roster, place: number, entries: readonly Entry[]) {
  return (before: string | null) => {
    const present = roster.profile.state.plugins.entries;
    const same = entries.every((entry, n) => {
      const now = present[place + n];
      return now?.id === entry.id && now.section === entry.section && now.home === undefined;
    });
    return same && (present[place + entries.length]?.id ?? null) === before;
  };
}
