import { needsOf } from "./list-problem";
import type { SeatedItem, SeatedList } from "./roster";

/** The items that load and that could not without this one, directly or by others, in order. */
export function dependentsOf({ items }: SeatedList, id: string): SeatedItem[] {
  const fallen = new Set([id]);
  const loading = items.filter((item) => item.loads).map((item) => ({ item, needs: needsOf(item) }));
  let size = 0;
  while (size !== fallen.size) {
    size = fallen.size;
    for (const { item, needs } of loading) if (needs.some((need) => fallen.has(need))) fallen.add(item.id);
  }
  return items.filter((item) => item.id !== id && fallen.has(item.id));
}
