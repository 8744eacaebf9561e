import { say } from "@/core/language/say";
import type { DepotMod } from "@/core/model/depot";
import type { ShelfMod } from "@/core/model/shelf";
import { newestById } from "@/core/roster/roster";
import { compareVersions } from "@/core/version/version";

/** How what lies here compares to the newest that the depot has. */
export type Standing = "here" | "newer" | "not-here";

export const standingWords: Readonly<Record<Standing, string>> = {
  get here() {
    return say("common.onTheShelf");
  },
  get newer() {
    return say("depot.newerThanHere");
  },
  get "not-here"() {
    return say("common.notHere");
  },
};

/** A mod of the depot with all of its versions, the newest first. */
export interface DepotRow {
  readonly id: string;
  readonly newest: DepotMod;
  readonly versions: readonly DepotMod[];
  readonly here: ShelfMod | null;
  readonly standing: Standing;
}

export function depotRows(mods: readonly DepotMod[], shelf: readonly ShelfMod[]): DepotRow[] {
  const onShelf = newestById(shelf);
  const byId = new Map<string, DepotMod[]>();
  for (const each of mods) byId.set(each.mod.id, [...(byId.get(each.mod.id) ?? []), each]);
  const rows = [...byId].map(([id, versions]): DepotRow => {
    const sorted = [...versions].sort((a, b) => compareVersions(b.mod.version, a.mod.version));
    const here = onShelf.get(id) ?? null;
    const isNewer = here !== null && compareVersions(sorted[0]!.mod.version, here.version) > 0;
    return {
      id,
      newest: sorted[0]!,
      versions: sorted,
      here,
      standing: here === null ? "not-here" : isNewer ? "newer" : "here",
    };
  });
  return rows.sort((a, b) => (a.newest.mod.name < b.newest.mod.name ? -1 : 1));
}

/** The kinds of what is offered, by how many there are of each. */
export function kindsOf(rows: readonly DepotRow[]): [string, number][] {
  const counts = new Map<string, number>();
  for (const { newest } of rows)
    for (const tag of newest.mod.tags) counts.set(tag, (counts.get(tag) ?? 0) + 1);
  return [...counts].sort(([a, x], [b, y]) => y - x || (a < b ? -1 : 1));
}
