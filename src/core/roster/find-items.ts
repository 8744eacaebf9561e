import { titleOf, type SeatedItem, type SeatedList } from "./roster";

const bare = (name: string): string => name.toLowerCase().replace(/\.[a-z0-9]+$/, "");

/** By seat, by whole name or id, by name without its extension, else by a part of the name: the first way that finds any. */
export function findItems({ items }: SeatedList, text: string): readonly SeatedItem[] {
  const wanted = text.trim().toLowerCase();
  if (wanted === "") return [];
  const ways: ((item: SeatedItem) => boolean)[] = [
    ({ seat }) => seat.toLowerCase() === wanted,
    (item) => item.id.toLowerCase() === wanted || titleOf(item).toLowerCase() === wanted,
    ({ id }) => bare(id) === wanted,
    (item) => titleOf(item).toLowerCase().includes(wanted),
  ];
  for (const way of ways) {
    const found = items.filter(way);
    if (found.length > 0) return found;
  }
  return [];
}
