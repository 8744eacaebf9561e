import type { RuleOrigin } from "../model/problem";
import type { Edit } from "../model/edit";
import type { Section } from "../model/game";
import type { SectionId, ItemId } from "../model/ids";
import { done, refuse, type Outcome } from "../model/outcome";
import type { Entry, ListName } from "../model/profile";
import type { SeatedItem, SeatedList } from "../roster/roster";
import { label } from "./steps";
import type { TieIndex } from "../roster/ties";

/**
 * What stops a move: a tie with an item that stays, the load rank of one (`rank` is that of the moved item), or a
 * section into which nothing more goes.
 */
export type Barrier =
  | {
      readonly kind: "tie";
      readonly list: ListName;
      readonly with: string;
      readonly item: string;
      readonly because: "needs" | RuleOrigin;
    }
  | { readonly kind: "rank"; readonly with: string; readonly item: string; readonly rank: string }
  | { readonly kind: "closed"; readonly item: string; readonly section: string };

/**
 * The gaps that some items may go to together while all others stay put. A gap is named by the number of those
 * others that stand before it, so 0 is the very top. `above` and `below` name what bounds the range.
 */
export interface FreeGaps {
  readonly rest: readonly ItemId[];
  readonly from: number;
  readonly to: number;
  readonly above: Barrier | null;
  readonly below: Barrier | null;
}

/**
 * Must ties that are broken already do not bound the range, or an item in trouble could not be moved at all.
 * Ties of strength prefer never do. Takes time in proportion to the list and the ties of the items.
 */
export function freeGaps(list: SeatedList, ties: TieIndex, ids: readonly string[]): FreeGaps {
  const moving = new Set(ids);
  const rest = list.items.filter((item) => !moving.has(item.id));
  const gapOf = new Map<string, number>(rest.map((item, at) => [item.id, at]));
  const bounds: { from: number; to: number; above: Barrier | null; below: Barrier | null } = {
    ...rankBounds(list, rest, ids),
  };
  for (const item of ids) {
    const { place } = list.itemOf.get(item)!;
    for (const tie of ties.of(item)) {
      if (tie.strength !== "must" || !tie.kept) continue;
      const other = tie.earlier === item ? tie.later : tie.earlier;
      const at = gapOf.get(other);
      if (at === undefined) continue;
      const otherPlace = list.itemOf.get(other)!.place;
      const barrier: Barrier = { kind: "tie", list: list.name, with: other, item, because: tie.because };
      if (tie.later === item && otherPlace < place && at + 1 > bounds.from)
        Object.assign(bounds, { from: at + 1, above: barrier });
      if (tie.earlier === item && otherPlace > place && at < bounds.to)
        Object.assign(bounds, { to: at, below: barrier });
    }
  }
  return { rest: rest.map((item) => item.id), ...bounds };
}

function rankBounds(list: SeatedList, rest: readonly SeatedItem[], ids: readonly string[]) {
  const ranks = list.ranks.map((rank) => rank.id);
  const places = ids.map((id) => ranks.indexOf(list.itemOf.get(id)!.rank.id));
  const latest = Math.max(...places);
  const earliest = Math.min(...places);
  const item = ids[places.indexOf(latest)]!;
  const before = rest.findLastIndex((each) => ranks.indexOf(each.rank.id) < latest);
  const after = rest.findIndex((each) => ranks.indexOf(each.rank.id) > earliest);
  const bar = (rank: number, at: number): Barrier => ({
    kind: "rank",
    with: rest[at]!.id,
    item,
    rank: list.ranks[rank]!.label,
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

/** A closed section lets nobody in; who is in, or belongs there, may move about in it. */
export function closedTo(section: Section, moving: readonly SeatedItem[]): Barrier | null {
  const stranger = moving.find(({ entry }) => entry.section !== section.id && entry.home !== section.id);
  return section.closed && stranger ? { kind: "closed", item: stranger.id, section: section.name } : null;
}

/** Of the gaps that nothing bars, runs of those that lie in some section which lets the items in. */
export function openRuns(
  list: SeatedList,
  free: FreeGaps,
  moving: readonly SeatedItem[],
): { readonly from: number; readonly to: number }[] {
  const runs: { from: number; to: number }[] = [];
  for (let gap = free.from; gap <= free.to; gap++) {
    const possible = sectionsAt(list, free, gap, moving);
    if (possible.length > 0 && possible.every((section) => closedTo(section, moving))) continue;
    if (runs.at(-1)?.to === gap - 1) runs.at(-1)!.to = gap;
    else runs.push({ from: gap, to: gap });
  }
  return runs;
}

/**
 * An edit that seats the items, in their present order, at a gap. `section` says which one is meant where a gap
 * lies on a border; null takes that of the item before it.
 */
export function placeEdit(
  list: SeatedList,
  ties: TieIndex,
  ids: readonly string[],
  gap: number,
  section: string | null = null,
): Outcome<Edit | null> {
  const moving = list.items.filter((item) => ids.includes(item.id));
  if (moving.length === 0) return done(null);
  const fixed = moving.find((item) => item.fixed);
  if (fixed) return refuse("built-in-stays", { item: fixed.id });
  const free = freeGaps(
    list,
    ties,
    moving.map((item) => item.id),
  );
  const at = Math.max(0, Math.min(gap, free.rest.length));
  const barrier = barrierAt(free, at);
  if (barrier) return refuseAt(barrier, at < free.from ? "above" : "below");
  const target = targetSection(list, free, at, section, moving);
  if (!target.ok) return target;
  const entries = moving.map(({ entry: { home: _, fresh: __, ...kept } }): Entry => ({
    ...kept,
    section: target.value,
    placed: true,
  }));
  const before = free.rest[at] ?? null;
  if (isThere(list, moving[0]!.place, entries)(before)) return done(null);
  return done({
    label: label("move", { item: moving[0]!.id, count: moving.length }),
    steps: [{ kind: "put", list: list.name, entries, before }],
  });
}

export function refuseAt(barrier: Barrier, side: "above" | "below") {
  switch (barrier.kind) {
    case "tie": {
      const { kind: _, ...data } = barrier;
      return refuse(`tie-${side}`, data);
    }
    case "rank": {
      const { kind: _, ...data } = barrier;
      return refuse(`rank-${side}`, data);
    }
    case "closed": {
      const { kind: _, ...data } = barrier;
      return refuse("section-closed", data);
    }
  }
}

/** The section asked for if the gap touches it, else that of the neighbour before, else the one after. */
function targetSection(
  list: SeatedList,
  free: FreeGaps,
  gap: number,
  wanted: string | null,
  moving: readonly SeatedItem[],
): Outcome<SectionId> {
  const possible = sectionsAt(list, free, gap, moving);
  const asked = possible.find((each) => each.id === wanted);
  const chosen = asked ?? possible.find((each) => !closedTo(each, moving)) ?? possible[0];
  const barrier = chosen && closedTo(chosen, moving);
  return barrier ? refuseAt(barrier, "above") : done(chosen?.id ?? moving[0]!.entry.section);
}

/** The sections of their rank in which a gap can be meant to lie. */
function sectionsAt(
  { sections, itemOf }: SeatedList,
  { rest }: FreeGaps,
  gap: number,
  moving: readonly SeatedItem[],
): Section[] {
  const at = (id: string | undefined) =>
    sections.findIndex((each) => each.id === itemOf.get(id ?? "")?.entry.section);
  const before = at(rest[gap - 1]);
  const afterAt = at(rest[gap]);
  const after = afterAt === -1 ? sections.length - 1 : afterAt;
  return sections.filter((each, n) => n >= before && n <= after && each.rank === moving[0]!.rank.id);
}

/** Whether they stand there already, side by side. */
function isThere({ items }: SeatedList, place: number, entries: readonly Entry[]) {
  return (before: string | null) => {
    const same = entries.every((entry, n) => {
      const now = items[place + n]?.entry;
      return now?.id === entry.id && now.section === entry.section && now.home === undefined;
    });
    return same && (items[place + entries.length]?.id ?? null) === before;
  };
}
