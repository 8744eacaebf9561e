import type { BlendedView, BlendView } from "@/formats/blend-view";
import type { LeftList } from "@/core/blend/blend";

/** A list that several plugins have: blended, or left for a reason. */
export interface ListRow {
  readonly record: string;
  readonly blended: BlendedView | null;
  readonly left: LeftList["why"] | null;
}

export const listRows = ({ lists, left }: BlendView): ListRow[] => [
  ...lists.map((blended) => ({ record: blended.record, blended, left: null })),
  ...left.map(({ record, why }) => ({ record, blended: null, left: why })),
];

/** A list is called by its record without the file that has it. */
export function listName(record: string): string {
  const at = record.lastIndexOf("@");
  return at > 0 ? record.slice(0, at) : record;
}
