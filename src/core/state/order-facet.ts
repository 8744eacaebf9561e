import { movedBetween } from "../graph/moved";
import type { Step } from "../model/edit";
import type { Section } from "../model/game";
import type { ItemId, SectionId } from "../model/ids";
import type { Entry, ListName, Order, ProfileState } from "../model/profile";
import { differenceKey, type Facet, type FacetDifference, type JoinWay } from "./facet";
import { insertNear, type Grouped } from "./insert-near";
import { collection } from "./keyed-facet";
import { mergeOrders } from "./merge-orders";
import { sameValue } from "./three-way";

/** The sections of an order, as decisions of their own. */
const sectionsOf = collection<readonly Section[], Section>({
  items: (sections) => sections,
  from: (sections) => sections,
  keyOf: ({ id }) => id,
  ordered: true,
});

/** Entry by entry; whether nobody has placed an item yet, or a hand has, decides nothing. */
const sameEntry = (a: Entry, b: Entry): boolean =>
  a === b ||
  (a.id === b.id && a.on === b.on && a.content === b.content && a.section === b.section && a.home === b.home);

const sameSeatings = (a: readonly Entry[], b: readonly Entry[]): boolean =>
  a === b || (a.length === b.length && a.every((entry, at) => sameEntry(entry, b[at]!)));

const sameOrder = (a: Order, b: Order): boolean =>
  a === b || (sectionsOf.same(a.sections, b.sections) && sameSeatings(a.entries, b.entries));

const byId = ({ entries }: Order) => new Map(entries.map((entry) => [entry.id, entry]));

/** It stands in the same section in both, and belongs to the same one. */
const staysIn = (a: Entry, b: Entry): boolean => a.section === b.section && a.home === b.home;

/** Of what stands in the same section in both, the fewest that move within it. */
function movedWithin(here: Order, there: Order): string[] {
  const [mine, theirs] = [byId(here), byId(there)];
  const stays = ({ id }: Entry) => {
    const [a, b] = [mine.get(id), theirs.get(id)];
    return a !== undefined && b !== undefined && staysIn(a, b);
  };
  // Blocks of sections that stand the other way round move no item within its own.
  const inBlocks = ({ entries }: Order) => {
    const blocks = new Map<string, string[]>();
    for (const { id, section } of entries.filter(stays))
      if (blocks.has(section)) blocks.get(section)!.push(id);
      else blocks.set(section, [id]);
    return blocks;
  };
  const was = inBlocks(here);
  return [...inBlocks(there)].flatMap(([section, ids]) => movedBetween(was.get(section)!, ids));
}

function differences(here: Order, there: Order): FacetDifference[] {
  if (sameOrder(here, there)) return [];
  const [mine, theirs] = [byId(here), byId(there)];
  const known = new Set(here.sections.map(({ id }) => id));
  const into = (section: SectionId) =>
    known.has(section) ? {} : { needs: [differenceKey({ kind: "section-only-there", key: section })] };
  const found: FacetDifference[] = [];
  for (const { id } of here.entries) if (!theirs.has(id)) found.push({ kind: "only-here", key: id });
  for (const { id, section } of there.entries)
    if (!mine.has(id)) found.push({ kind: "only-there", key: id, ...into(section) });
  for (const own of here.entries) {
    const other = theirs.get(own.id);
    if (!other) continue;
    if (own.on !== other.on) found.push({ kind: "on", key: own.id });
    if (own.content !== other.content) found.push({ kind: "content", key: own.id });
    if (!staysIn(own, other)) found.push({ kind: "section", key: own.id, ...into(other.section) });
  }
  for (const key of movedWithin(here, there)) found.push({ kind: "place", key });
  return [...found, ...sectionDifferences(here, there)];
}

const ofSections = {
  "only-here": "section-only-here",
  "only-there": "section-only-there",
  changed: "section-changed",
  place: "section-place",
} as const;

function sectionDifferences(here: Order, there: Order): FacetDifference[] {
  const theirs = byId(there);
  /** What stands in a section that is not there has to leave it first. */
  const leaving = (section: string) =>
    here.entries
      .filter((entry) => entry.section === section)
      .map(({ id }) => differenceKey({ kind: theirs.has(id) ? "section" : "only-here", key: id }));
  return sectionsOf.differences(here.sections, there.sections).map(({ kind, key }) => ({
    kind: ofSections[kind as keyof typeof ofSections],
    key,
    ...(kind === "only-here" ? { needs: leaving(key) } : {}),
  }));
}

function apply(here: Order, there: Order, wanted: ReadonlySet<string>): Order {
  if (wanted.size === 0) return here;
  const is = (kind: FacetDifference["kind"], key: string) => wanted.has(differenceKey({ kind, key }));
  const ofSection = new Set(
    Object.entries(ofSections).flatMap(([kind, own]) =>
      [...here.sections, ...there.sections].filter(({ id }) => is(own, id)).map(({ id }) => `${kind} ${id}`),
    ),
  );
  const sections = sectionsOf.apply(here.sections, there.sections, ofSection);
  const theirs = byId(there);
  const isPlaced = ({ id }: Entry) => is("only-there", id) || is("section", id) || is("place", id);
  const told = (entry: Entry): Entry => {
    const other = theirs.get(entry.id);
    if (!other) return entry;
    const on = is("on", entry.id) ? other.on : entry.on;
    const content = is("content", entry.id) ? other.content : entry.content;
    const seat = is("section", entry.id) ? other : entry;
    const next = withSeat({ ...entry, on, ...(content === undefined ? {} : { content }) }, seat);
    if (content === undefined) delete next.content;
    return sameEntry(next, entry) ? entry : next;
  };
  const mine = byId(here);
  const kept = here.entries.filter((entry) => !isPlaced(entry) && !is("only-here", entry.id)).map(told);
  // Only what stands alike in both says where something else stands.
  const moved = new Set(movedWithin(here, there));
  const isAlike = (entry: Entry) => {
    const own = mine.get(entry.id);
    return own !== undefined && staysIn(own, entry) && !moved.has(entry.id);
  };
  const model = there.entries
    .filter((entry) => isPlaced(entry) || isAlike(entry))
    .map((entry) => {
      const own = isPlaced(entry) ? mine.get(entry.id) : undefined;
      return own ? told(own) : entry;
    });
  return orderOf(sections, kept, model);
}

const withSeat = ({ home: _, ...entry }: Entry, { section, home }: Entry): Entry => ({
  ...entry,
  section,
  ...(home === undefined ? {} : { home }),
});

interface Seating<Id extends ItemId> extends Grouped {
  readonly entry: Entry<Id>;
}
const seating = <Id extends ItemId>(entry: Entry<Id>): Seating<Id> => ({
  id: entry.id,
  group: entry.section,
  entry,
});

/** An order under these sections: `kept`, and what of `model` is not among it near its neighbours there. */
const orderOf = <Id extends ItemId>(
  sections: readonly Section[],
  kept: readonly Entry<Id>[],
  model: readonly Entry<Id>[],
): Order<Id> => ({
  sections: [...sections],
  entries: insertNear(
    sections.map(({ id }) => id),
    kept.map(seating<Id>),
    model.map(seating<Id>),
  ).map(({ entry }) => entry),
});

/** Their order, and what only I have near its neighbours here, in sections that come along where theirs lack them. */
export function joinOrders<Id extends ItemId>(theirs: Order<Id>, mine: Order<Id>): Order<Id> {
  const sections = sectionsOf.apply(
    theirs.sections,
    mine.sections,
    new Set(mine.sections.map(({ id }) => differenceKey({ kind: "only-there", key: id }))),
  );
  return orderOf(sections, theirs.entries, mine.entries);
}

/** Of theirs what is mine too, as it is here but for its place. */
function asInMine(theirs: Order, mine: Order): Order {
  const here = byId(mine);
  return {
    sections: theirs.sections,
    entries: theirs.entries.flatMap((entry) => {
      const own = here.get(entry.id);
      return own ? [withSeat(own, entry)] : [];
    }),
  };
}

function takeIn(mine: Order, theirs: Order, way: JoinWay): Order {
  const next = joinOrders(way === "order" ? asInMine(theirs, mine) : theirs, mine);
  return sameOrder(next, mine) ? mine : next;
}

/**
 * What goes and what is to stand elsewhere leaves first, so that no order in between breaks the sections; then come the sections,
 * the rest in runs before what stays, and what only changes where it stands.
 */
function stepsTo(list: ListName, from: Order, to: Order): Step[] {
  if (from === to) return [];
  const [was, is] = [byId(from), byId(to)];
  const sections = sameValue(from.sections, to.sections) ? null : to.sections;
  const ids = ({ entries }: Order) => entries.map(({ id }) => id);
  const moved = new Set(movedBetween(ids(from), ids(to)));
  const stays = ({ id, section }: Entry) => was.get(id)?.section === section && !moved.has(id);
  const staying = to.entries.filter(stays);
  const standing = new Set(staying.map(({ id }) => id));
  const leaving = ids(from).filter((id) => !standing.has(id));
  const steps: Step[] = leaving.length > 0 ? [{ kind: "drop", list, ids: leaving }] : [];
  if (sections)
    steps.push({ kind: "arrange", list, entries: staying.map(({ id }) => was.get(id)!), sections });
  for (const run of runsBetween(to.entries, standing))
    steps.push({ kind: "put", list, entries: run.entries, before: run.before });
  return [...steps, ...changesInPlace(list, to, was, is, standing)];
}

function runsBetween(entries: readonly Entry[], standing: ReadonlySet<string>) {
  const runs: { entries: Entry[]; before: ItemId | null }[] = [];
  let open: Entry[] = [];
  for (const entry of entries) {
    if (!standing.has(entry.id)) open.push(entry);
    else if (open.length > 0) {
      runs.push({ entries: open, before: entry.id });
      open = [];
    }
  }
  if (open.length > 0) runs.push({ entries: open, before: null });
  return runs;
}

/** Switches together, whatever else of an entry has changed by itself. */
function changesInPlace(
  list: ListName,
  to: Order,
  was: ReadonlyMap<string, Entry>,
  is: ReadonlyMap<string, Entry>,
  standing: ReadonlySet<string>,
): Step[] {
  const changed = to.entries.filter(
    (entry) => standing.has(entry.id) && !sameValue(was.get(entry.id), entry),
  );
  const isSwitch = (entry: Entry) => sameValue({ ...was.get(entry.id), on: entry.on }, entry);
  const turned = (on: boolean): Step[] => {
    const ids = changed.filter((entry) => entry.on === on && isSwitch(entry)).map(({ id }) => id);
    return ids.length > 0 ? [{ kind: "switch", list, ids, on }] : [];
  };
  const places = new Map(to.entries.map(({ id }, at) => [id, at]));
  const puts = changed
    .filter((entry) => !isSwitch(entry))
    .map((entry): Step => ({
      kind: "put",
      list,
      entries: [is.get(entry.id)!],
      before: to.entries[places.get(entry.id)! + 1]?.id ?? null,
    }));
  return [...turned(true), ...turned(false), ...puts];
}

const anyOrderFacet = (list: ListName): Facet<Order> => ({
  same: sameOrder,
  differences,
  apply,
  merge: (three, decide) => {
    const { order, clashes } = mergeOrders(three, decide, sameOrder);
    return { value: order, clashes };
  },
  takeIn,
  replace: (mine, theirs) => (sameValue(mine, theirs) ? mine : theirs),
  steps: (from, to) => stepsTo(list, from, to),
  gameSees: true,
  fingerprinted: true,
});

/** Of one list; what it gives back holds only ids that it was given. */
export const orderFacet = <List extends ListName>(list: List): Facet<ProfileState[List]> =>
  anyOrderFacet(list) as unknown as Facet<ProfileState[List]>;
