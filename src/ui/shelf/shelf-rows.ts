import type { ShelfMod } from "@/core/model/shelf";
import { newestById, type Roster, type SeatedMod } from "@/core/profile/roster";

export interface ShelfRow {
  readonly key: string;
  readonly id: string;
  readonly name: string;
  readonly version: string;
  /** Null where the profile lists a mod that is not on the shelf. */
  readonly mod: ShelfMod | null;
  readonly seated: SeatedMod | null;
  /** Version of the same mod that counts instead of this one. */
  readonly supersededBy: string | null;
  /** Everything that a filter looks through, in lower case. */
  readonly searched: string;
}

/** What lies on the shelf and what the profile misses, by name. */
export function shelfRows(roster: Roster): ShelfRow[] {
  const newest = newestById(roster.stock.shelf);
  const here = roster.stock.shelf.map((mod): ShelfRow => {
    const seated = mod.problem ? null : (roster.modOf.get(mod.id) ?? null);
    const counts = seated?.mod ?? newest.get(mod.id);
    return {
      key: mod.path,
      id: mod.id,
      name: mod.name,
      version: mod.version,
      mod,
      seated,
      supersededBy: !mod.problem && counts && counts !== mod ? counts.version : null,
      searched: [mod.name, mod.author, mod.path, ...mod.tags, ...mod.plugins.map((plugin) => plugin.name)]
        .join(" ")
        .toLowerCase(),
    };
  });
  const missing = roster.mods
    .filter((seated) => !seated.mod)
    .map((seated): ShelfRow => ({
      key: `missing ${seated.id}`,
      id: seated.id,
      name: seated.id,
      version: "",
      mod: null,
      seated,
      supersededBy: null,
      searched: seated.id.toLowerCase(),
    }));
  const order = (a: ShelfRow, b: ShelfRow) => (a.name.toLowerCase() < b.name.toLowerCase() ? -1 : 1);
  return [...here, ...missing].sort(order);
}
