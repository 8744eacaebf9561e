import { movedBetween } from "../graph/moved";
import type { Section } from "../model/game";
import type { OrderRule } from "../model/problem";
import type { Entry, Order } from "../model/profile";
import { propose } from "../order/propose";
import type { ClashSide, Decide, FacetClash, Three as ThreeOf } from "./facet";
import { insertNear } from "./insert-near";
import { mergeOrderOf } from "./keyed-facet";
import { sameValue, threeWay, type Side } from "./three-way";

export type ItemChange = "on" | "off" | "content" | "section";

interface MergedOrder {
  readonly order: Order;
  readonly clashes: FacetClash[];
}

type Three = ThreeOf<Order>;

/**
 * Merges two orders that come from one. What a side moved or added keeps its neighbours of that side, as ties; the order
 * is the one nearest to mine that keeps them all. Ties of the two that contradict are a clash.
 */
export function mergeOrders(
  orders: Three,
  decide: Decide,
  same: (a: Order, b: Order) => boolean,
): MergedOrder {
  const [base, mine, theirs] = orders;
  if (same(mine, base)) return { order: same(mine, theirs) ? mine : theirs, clashes: [] };
  if (same(theirs, base) || same(mine, theirs)) return { order: mine, clashes: [] };
  const clashes: FacetClash[] = [];
  const entries = mergeEntries(orders, decide, clashes);
  const sections = mergeSections(orders, new Set([...entries.values()].map(({ section }) => section)));
  const seated = withSections(entries, sections);
  const order = arrange(orders, seated, sections, decide, clashes);
  return { order: { sections, entries: order }, clashes };
}

const byId = ({ entries }: Order) => new Map(entries.map((entry) => [entry.id, entry]));

/** Which items stay or come, and everything of them but their places. */
function mergeEntries(
  [base, mine, theirs]: Three,
  decide: Decide,
  clashes: FacetClash[],
): Map<string, Entry> {
  const [a, b, c] = [byId(base), byId(mine), byId(theirs)];
  const merged = new Map<string, Entry>();
  for (const id of new Set([...b.keys(), ...c.keys()])) {
    const [was, own, other] = [a.get(id), b.get(id), c.get(id)];
    if (own && other) merged.set(id, mergeEntry(was, own, other, decide, clashes));
    else {
      const left = (own ?? other)!;
      const isAdded = was === undefined;
      const isChanged = !isAdded && !sameValue(facts(was), facts(left));
      if (isChanged) {
        const say = (entry: Entry | undefined): ClashSide => ({
          value: entry ? changesOf(was, entry).join(" ") : "removed",
        });
        clashes.push({ what: "removed", key: id, mine: say(own), theirs: say(other) });
      }
      const keeps = isAdded || (isChanged && (decide("removed", id) === "mine") === (own !== undefined));
      if (keeps) merged.set(id, left);
    }
  }
  return merged;
}

/** What became of an item that the other side took out, in words that messages know. */
function changesOf(was: Entry, is: Entry): ItemChange[] {
  const [before, now] = [facts(was), facts(is)];
  const changes: ItemChange[] = [];
  if (before.on !== now.on) changes.push(now.on ? "on" : "off");
  if (before.content !== now.content) changes.push("content");
  if (before.belongs !== now.belongs) changes.push("section");
  return changes;
}

const facts = ({ on, content, section, home }: Entry) => ({ on, content, belongs: home ?? section });

function mergeEntry(
  was: Entry | undefined,
  own: Entry,
  other: Entry,
  decide: Decide,
  clashes: FacetClash[],
): Entry {
  const { id } = own;
  const field = <T extends string | boolean | undefined>(
    what: FacetClash["what"],
    read: (entry: Entry) => T,
  ): T => {
    const merged = threeWay(was && read(was), read(own), read(other), decide(what, id));
    const say = (value: T): ClashSide => (value === undefined ? {} : { value });
    if (merged.clash) clashes.push({ what, key: id, mine: say(read(own)), theirs: say(read(other)) });
    return merged.value as T;
  };
  const belongs = (entry: Entry) => entry.home ?? entry.section;
  const section = field("section", belongs);
  const content = field("content", (entry) => entry.content);
  const on = field("on", (entry) => entry.on);
  // Where it stands comes from the side whose section it is.
  const seat = belongs(own) === section ? own : other;
  return {
    id,
    on,
    section: seat.section,
    ...(seat.home === undefined ? {} : { home: seat.home }),
    ...(content === undefined ? {} : { content }),
    ...(own.fresh && other.fresh ? { fresh: true as const } : {}),
    ...(own.placed ? { placed: true as const } : {}),
  };
}

/** What only one side changed of them, mine where both did; those in use stay in any case. */
function mergeSections([base, mine, theirs]: Three, used: ReadonlySet<string>): Section[] {
  const index = ({ sections }: Order) => new Map(sections.map((section) => [section.id, section]));
  const [a, b, c] = [index(base), index(mine), index(theirs)];
  const kept = new Map<string, Section>();
  for (const id of new Set([...b.keys(), ...c.keys()])) {
    const { value } = threeWay(a.get(id), b.get(id), c.get(id), "mine");
    const section = value ?? (used.has(id) ? (b.get(id) ?? c.get(id)) : undefined);
    if (section) kept.set(id, section);
  }
  const order = mergeOrderOf([[...a.keys()], [...b.keys()], [...c.keys()]], new Set(kept.keys()));
  return order.map((id) => kept.get(id)!);
}

/** An item whose section is gone stands in the last one. */
function withSections(entries: ReadonlyMap<string, Entry>, sections: readonly Section[]): Map<string, Entry> {
  const known = new Set(sections.map(({ id }) => id));
  const last = sections.at(-1)?.id;
  return new Map(
    [...entries].map(([id, entry]) => [
      id,
      known.has(entry.section) || last === undefined ? entry : { ...entry, section: last },
    ]),
  );
}

/** Ids of what a side moved, the fewest that explain its order, and of what it added. */
function placedBy(base: Order, side: Order): Set<string> {
  const [was, is] = [base, side].map(({ entries }) => entries.map(({ id }): string => id)) as [
    string[],
    string[],
  ];
  const known = new Set(was);
  return new Set([...movedBetween(was, is), ...is.filter((id) => !known.has(id))]);
}

/** Which side wants it; null of what neither moved. */
type Tie = Extract<OrderRule, { kind: "after" | "before" }> & { readonly side: Side | null };

/** What a side placed keeps its neighbours of that side, of those that are still here and in its section. */
function tiesOf(
  side: Side,
  order: Order,
  placed: ReadonlySet<string>,
  entries: ReadonlyMap<string, Entry>,
): Tie[] {
  const ids = order.entries.map(({ id }) => id).filter((id) => entries.has(id));
  return ids.flatMap((id, at): Tie[] => {
    if (!placed.has(id)) return [];
    const near = (other: string | undefined) =>
      other !== undefined && entries.get(other)!.section === entries.get(id)!.section ? other : null;
    const [before, after] = [near(ids[at - 1]), near(ids[at + 1])];
    const tie = (kind: "after" | "before", other: string): Tie => ({
      kind,
      item: id,
      other,
      strength: "must",
      side,
    });
    return [
      ...(before === null ? [] : [tie("after", before)]),
      ...(after === null ? [] : [tie("before", after)]),
    ];
  });
}

function arrange(
  [base, mine, theirs]: Three,
  entries: ReadonlyMap<string, Entry>,
  sections: readonly Section[],
  decide: Decide,
  clashes: FacetClash[],
): Entry[] {
  const placed = { mine: placedBy(base, mine), theirs: placedBy(base, theirs) };
  const ties = [
    ...tiesOf("mine", mine, placed.mine, entries),
    ...tiesOf("theirs", theirs, placed.theirs, entries),
  ];
  const left = base.entries
    .map(({ id }) => id)
    .filter((id) => entries.has(id) && !placed.mine.has(id) && !placed.theirs.has(id));
  const holds = ({ side, item }: Tie) => decide("place", item) === side;
  const { result } = propose({
    format: "seating-order-problem/1",
    items: startOf(mine, theirs, sections, entries).map((id) => ({ id, section: entries.get(id)!.section })),
    sections: sections.map(({ id }) => id),
    // Of two musts that contradict, the engine keeps the one that is listed first.
    rules: [...chainOf(left, entries), ...ties.filter(holds), ...ties.filter((tie) => !holds(tie))].map(
      ({ side: _, ...rule }) => rule,
    ),
  });
  const contested = new Set(
    result.setAside.flatMap(({ rule }) => ("item" in rule && rule.kind !== "needs" ? [rule.item] : [])),
  );
  for (const id of contested)
    clashes.push({ what: "place", key: id, mine: placeIn(mine, id), theirs: placeIn(theirs, id) });
  return result.order.map((id) => entries.get(id)!);
}

/** What nobody moved stays in its order, above all. */
function chainOf(ids: readonly string[], entries: ReadonlyMap<string, Entry>): Tie[] {
  const last = new Map<string, string>();
  return ids.flatMap((id): Tie[] => {
    const { section } = entries.get(id)!;
    const before = last.get(section);
    last.set(section, id);
    return before === undefined
      ? []
      : [{ kind: "after", item: id, other: before, strength: "must", side: null }];
  });
}

const placeIn = ({ entries }: Order, id: string): ClashSide => {
  const at = entries.findIndex((entry) => entry.id === id);
  const before = entries[at - 1];
  return at < 0 ? {} : { after: before?.section === entries[at]!.section ? before.id : null };
};

/** My order, with what they brought near its neighbours there; sections together, as the engine expects of what stays. */
function startOf(
  mine: Order,
  theirs: Order,
  sections: readonly Section[],
  entries: ReadonlyMap<string, Entry>,
): string[] {
  const grouped = ({ entries: all }: Order) =>
    all.flatMap(({ id }) => (entries.has(id) ? [{ id, group: entries.get(id)!.section }] : []));
  const groups = sections.map(({ id }) => id);
  return insertNear(groups, grouped(mine), grouped(theirs)).map(({ id }) => id);
}
