import type { Section } from "@/core/model/game";
import { barrierAt, closedTo, type Barrier, type FreeGaps } from "@/core/edit/place";
import type { SeatedItem, SeatedList } from "@/core/roster/roster";

/** Pixels at the usual size of text. */
const heights = { plain: 32, compact: 28, band: 30 } as const;

/** What the plan lists, top to bottom: a band for every section, then what stands in it. */
export type PlanRow =
  | {
      readonly kind: "section";
      readonly key: string;
      readonly section: Section;
      readonly index: number;
      readonly count: number;
      readonly collapsed: boolean;
    }
  | { readonly kind: "off"; readonly key: string; readonly count: number }
  | {
      readonly kind: "item";
      readonly key: string;
      readonly item: SeatedItem;
      readonly sectionIndex: number;
      /** What is gathered apart from where it stands is no neighbour of what is put down. */
      readonly gathered: boolean;
    };

export interface PlanRows {
  readonly rows: readonly PlanRow[];
  /** Where each row begins, in pixels; one more than there are rows. */
  readonly tops: readonly number[];
  readonly rowOf: ReadonlyMap<string, number>;
  /** Of an item's row and of a band, in pixels. */
  readonly rowHeight: number;
  readonly bandHeight: number;
  /** False where they are sorted to be looked at; nothing can be arranged then. */
  readonly isRealOrder: boolean;
}

/**
 * How the plan is looked at: what is collapsed shows its band only, `sorted` all items in another order than the real one, and
 * `gatherOff` what does not load below all else, though it keeps its place.
 */
export interface PlanLook {
  readonly shown: ReadonlySet<string> | null;
  readonly collapsed: ReadonlySet<string>;
  readonly sorted: readonly SeatedItem[] | null;
  readonly gatherOff: boolean;
  readonly compact: boolean;
  /** How much larger than usual text is. */
  readonly textScale: number;
}

/** Where a filter narrows the list, bands of sections that show nothing are left out. */
export function planRows(list: SeatedList, look: PlanLook): PlanRows {
  const all = look.sorted ?? list.items;
  const shown = look.shown ? all.filter((item) => look.shown!.has(item.id)) : all;
  const rows = look.sorted ? sortedRows(list, shown) : sectionRows(list, shown, look);
  const height = heights[look.compact ? "compact" : "plain"] * look.textScale;
  const bandHeight = heights.band * look.textScale;
  const tops = [0];
  for (const row of rows) tops.push(tops.at(-1)! + (row.kind === "item" ? height : bandHeight));
  return {
    rows,
    tops,
    rowHeight: height,
    bandHeight,
    rowOf: new Map(rows.map((row, at) => [row.key, at])),
    isRealOrder: look.sorted === null,
  };
}

function sectionRows({ sections }: SeatedList, shown: readonly SeatedItem[], look: PlanLook): PlanRow[] {
  const rows: PlanRow[] = [];
  const groups = new Map<string | null, SeatedItem[]>(sections.map((section) => [section.id, []]));
  const off: PlanRow[] = [];
  const indexOf = new Map(sections.map((section, at) => [section.id as string | null, at]));
  for (const item of shown) {
    const sectionIndex = indexOf.get(item.entry.section) ?? 0;
    if (look.gatherOff && !item.loads)
      off.push({ kind: "item", key: item.id, item, sectionIndex, gathered: true });
    else groups.get(item.entry.section)?.push(item);
  }
  sections.forEach((section, index) => {
    const group = groups.get(section.id)!;
    if (look.shown && group.length === 0) return;
    const collapsed = look.collapsed.has(section.id) && !look.shown;
    rows.push({
      kind: "section",
      key: `section ${section.id}`,
      section,
      index,
      count: group.length,
      collapsed,
    });
    if (collapsed) return;
    for (const item of group)
      rows.push({ kind: "item", key: item.id, item, sectionIndex: index, gathered: false });
  });
  if (off.length > 0) rows.push({ kind: "off", key: "off", count: off.length }, ...off);
  return rows;
}

function sortedRows({ sections }: SeatedList, shown: readonly SeatedItem[]): PlanRow[] {
  const indexOf = new Map(sections.map((section, at) => [section.id as string | null, at]));
  return shown.map((item) => ({
    kind: "item",
    key: item.id,
    item,
    sectionIndex: indexOf.get(item.entry.section) ?? 0,
    gathered: false,
  }));
}

/** A place where carried items can be put down: right after a row that stays. */
export interface Slot {
  readonly row: number;
  readonly gap: number;
  readonly section: string;
  readonly barrier: Barrier | null;
}

/**
 * Every slot from top to bottom. A border between two sections gives two: the end of one and the start of the next. A
 * collapsed section has one, its end. What is hidden or gathered elsewhere is passed only by who passes what shows beside it: the slot
 * where the items are is their own place, whatever stands between it and the row above.
 */
export function findSlots(
  { rows }: PlanRows,
  free: FreeGaps,
  moving: readonly SeatedItem[],
  list: SeatedList,
): Slot[] {
  const gapAfter = new Map(free.rest.map((id, at) => [id, at + 1]));
  const spans = spansOf(free, list);
  const slots: Slot[] = [];
  const slot = (row: number, gap: number, section: Section) =>
    slots.push({ row, gap, section: section.id, barrier: barrierOf(gap, section, free, moving) });
  rows.forEach((row, at) => {
    if (row.kind === "section") {
      const { start, end } = spans.get(row.section.id)!;
      slot(at, row.collapsed ? end : start, row.section);
    }
    if (row.kind !== "item" || row.gathered) return;
    const gap = gapAfter.get(row.item.id);
    if (gap !== undefined) slot(at, gap, row.item.section!);
  });
  const { at, gap } = ownPlace(slots, free, moving, list);
  const own = slots[at];
  if (own && own.gap !== gap)
    slots[at] = { ...own, gap, barrier: barrierOf(gap, moving[0]!.section!, free, moving) };
  return slots;
}

/** The gap where the items are, the first of them, and the slot that leads there; -1 where none does, as in a folded section. */
export function ownPlace(
  slots: readonly Slot[],
  { rest }: FreeGaps,
  moving: readonly SeatedItem[],
  { itemOf }: SeatedList,
): { readonly at: number; readonly gap: number } {
  const [{ place, entry }] = moving as [SeatedItem];
  const after = rest.findIndex((id) => itemOf.get(id)!.place > place);
  const gap = after === -1 ? rest.length : after;
  return { gap, at: slots.findLastIndex((slot) => slot.section === entry.section && slot.gap <= gap) };
}

/** The gaps at the start and at the end of every section, among what stays. */
function spansOf({ rest }: FreeGaps, { itemOf, sections }: SeatedList) {
  const counts = new Map<string | null, number>();
  for (const id of rest) {
    const { section } = itemOf.get(id)!.entry;
    counts.set(section, (counts.get(section) ?? 0) + 1);
  }
  let end = 0;
  return new Map(
    sections.map(({ id }) => {
      const start = end;
      end += counts.get(id) ?? 0;
      return [id, { start, end }];
    }),
  );
}

function barrierOf(
  gap: number,
  section: Section,
  free: FreeGaps,
  moving: readonly SeatedItem[],
): Barrier | null {
  const border = gap <= free.from ? free.above : free.below;
  const foreign = section.rank === moving[0]!.rank.id ? null : border;
  return barrierAt(free, gap) ?? foreign ?? closedTo(section, moving);
}

/** The slot nearest to a height within the list. */
export function slotAtHeight(slots: readonly Slot[], tops: readonly number[], y: number): number {
  let low = 0;
  let high = slots.length - 1;
  while (low < high) {
    const middle = (low + high) >> 1;
    const here = tops[slots[middle]!.row + 1]!;
    const next = tops[slots[middle + 1]!.row + 1]!;
    if (y < (here + next) / 2) high = middle;
    else low = middle + 1;
  }
  return low;
}
