import type { Section } from "@/core/model/game";
import { barrierAt, type Barrier, type FreeGaps } from "@/core/profile/place";
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
}

/** `shown` narrows the plugins; bands of sections that show nothing are left out then. */
export function planRows(roster: Roster, shown: ((plugin: SeatedPlugin) => boolean) | null): PlanRows {
  const rows: PlanRow[] = [];
  const { sections } = roster.profile.state.plugins;
  const groups = new Map<string | null, SeatedPlugin[]>(sections.map((section) => [section.id, []]));
  for (const plugin of roster.plugins)
    if (!shown || shown(plugin)) groups.get(plugin.entry.section)?.push(plugin);
  sections.forEach((section, index) => {
    const group = groups.get(section.id)!;
    if (shown && group.length === 0) return;
    rows.push({ kind: "section", key: `section ${section.id}`, section, index, count: group.length });
    for (const plugin of group) rows.push({ kind: "plugin", key: plugin.id, plugin, sectionIndex: index });
  });
  const tops = [0];
  for (const row of rows) tops.push(tops.at(-1)! + (row.kind === "section" ? bandHeight : rowHeight));
  return { rows, tops, rowOf: new Map(rows.map((row, at) => [row.key, at])) };
}

/** A place where carried items can be put down: right after a row that stays. */
export interface Slot {
  readonly row: number;
  readonly gap: number;
  readonly section: string;
  readonly barrier: Barrier | null;
}

/** Every slot from top to bottom. A border between two sections gives two: the end of one and the start of the next. */
export function findSlots(
  { rows }: PlanRows,
  free: FreeGaps,
  rank: string,
  carried: ReadonlySet<string>,
): Slot[] {
  const slots: Slot[] = [];
  let gap = 0;
  rows.forEach((row, at) => {
    if (row.kind === "section") {
      slots.push(slotAt(at, gap, row.section, free, rank));
      return;
    }
    if (carried.has(row.plugin.id)) return;
    gap++;
    slots.push(slotAt(at, gap, row.plugin.section!, free, rank));
  });
  return slots;
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
