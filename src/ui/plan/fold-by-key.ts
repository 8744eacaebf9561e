import type { PlanRows } from "./plan-rows";

/** The section that a key folds or unfolds, and the item on which the keyboard stands then. */
interface Fold {
  readonly section: string;
  readonly focused: string | null;
}

/**
 * Left folds the section of the focused item, and the keyboard goes to the item before it, else to the one after it. Right unfolds the
 * next folded section below, else the last one above. Null where there is none.
 */
export function foldByKey(
  { rows, rowOf }: PlanRows,
  focused: string | null,
  key: "ArrowLeft" | "ArrowRight",
): Fold | null {
  const at = focused === null ? undefined : rowOf.get(focused);
  if (key === "ArrowRight") {
    const folded = rows.flatMap((row, place) =>
      row.kind === "section" && row.collapsed ? [{ row, place }] : [],
    );
    const next = folded.find(({ place }) => place > (at ?? -1)) ?? folded.at(-1);
    return next ? { section: next.row.section.id, focused } : null;
  }
  if (at === undefined) return null;
  const band = rows.findLastIndex((row, place) => place < at && row.kind === "section");
  const row = rows[band];
  if (row?.kind !== "section") return null;
  const end = rows.findIndex((each, place) => place > band && each.kind !== "item");
  const before = rows.findLast((each, place) => place < band && each.kind === "item");
  const after = end < 0 ? undefined : rows.find((each, place) => place > end && each.kind === "item");
  return { section: row.section.id, focused: (before ?? after)?.key ?? null };
}
