import type { Section } from "@/core/model/game";
import { barrierAt, type Barrier, type FreeGaps } from "@/core/profile/place";
import { inLookOrder, type PlanSort } from "@/core/profile/plan-filter";
import type { Roster, SeatedPlugin } from "@/core/profile/roster";

export const rowHeight = 32;
export const bandHeight = 30;

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
  | {
      readonly kind: "plugin";
      readonly key: string;
      readonly plugin: SeatedPlugin;
      readonly sectionIndex: number;
    };

export interface PlanRows {
  readonly rows: readonly PlanRow[];
  /** Where each row begins, in pixels; one more than there are rows. */
  readonly tops: readonly number[];
  readonly rowOf: ReadonlyMap<string, number>;
  /** False where they are sorted to be looked at; nothing can be arranged then. */
  readonly isRealOrder: boolean;
}

/** How the plan is looked at; what is collapsed shows its band only, and `sortBy` another order than the real one. */
export interface PlanLook {
  readonly shown: ReadonlySet<string> | null;
  readonly collapsed: ReadonlySet<string>;
  readonly sortBy: PlanSort | null;
}

/** Where a filter narrows the list, bands of sections that show nothing are left out. */
export function planRows(roster: Roster, look: PlanLook): PlanRows {
  const shown = look.shown ? roster.plugins.filter((plugin) => look.shown!.has(plugin.id)) : roster.plugins;
  const rows = look.sortBy ? sortedRows(roster, shown, look.sortBy) : sectionRows(roster, shown, look);
  const tops = [0];
  for (const row of rows) tops.push(tops.at(-1)! + (row.kind === "section" ? bandHeight : rowHeight));
  return {
    rows,
    tops,
    rowOf: new Map(rows.map((row, at) => [row.key, at])),
    isRealOrder: look.sortBy === null,
  };
}

function sectionRows(roster: Roster, shown: readonly SeatedPlugin[], look: PlanLook): PlanRow[] {
  const rows: PlanRow[] = [];
  const { sections } = roster.profile.state.plugins;
  const groups = new Map<string | null, SeatedPlugin[]>(sections.map((section) => [section.id, []]));
  for (const plugin of shown) groups.get(plugin.entry.section)?.push(plugin);
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
    for (const plugin of group) rows.push({ kind: "plugin", key: plugin.id, plugin, sectionIndex: index });
  });
  return rows;
}

function sortedRows(roster: Roster, shown: readonly SeatedPlugin[], by: PlanSort): PlanRow[] {
  const { sections } = roster.profile.state.plugins;
  const indexOf = new Map(sections.map((section, at) => [section.id as string | null, at]));
  return inLookOrder(shown, by).map((plugin) => ({
    kind: "plugin",
    key: plugin.id,
    plugin,
    sectionIndex: indexOf.get(plugin.entry.section) ?? 0,
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
 * collapsed section has one, its end.
 */
export function findSlots(
  { rows }: PlanRows,
  free: FreeGaps,
  rank: string,
  carried: ReadonlySet<string>,
  roster: Roster,
): Slot[] {
  const gapAfter = new Map(free.rest.map((id, at) => [id, at + 1]));
  const spans = spansOf(free, roster);
  const slots: Slot[] = [];
  rows.forEach((row, at) => {
    if (row.kind === "section") {
      const { start, end } = spans.get(row.section.id)!;
      slots.push(slotAt(at, row.collapsed ? end : start, row.section, free, rank));
      return;
    }
    if (carried.has(row.plugin.id)) return;
    slots.push(slotAt(at, gapAfter.get(row.plugin.id)!, row.plugin.section!, free, rank));
  });
  return slots;
}

/** The gaps at the start and at the end of every section, among what stays. */
function spansOf({ rest }: FreeGaps, { pluginOf, profile }: Roster) {
  const counts = new Map<string | null, number>();
  for (const id of rest) {
    const { section } = pluginOf.get(id)!.entry;
    counts.set(section, (counts.get(section) ?? 0) + 1);
  }
  let end = 0;
  return new Map(
    profile.state.plugins.sections.map(({ id }) => {
      const start = end;
      end += counts.get(id) ?? 0;
      return [id, { start, end }];
    }),
  );
}

function slotAt(row: number, gap: number, section: Section, free: FreeGaps, rank: string): Slot {
  const border = gap <= free.from ? free.above : free.below;
  return {
    row,
    gap,
    section: section.id,
    barrier: barrierAt(free, gap) ?? (section.rank === rank ? null : border),
  };
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
