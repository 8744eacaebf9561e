import { ModId } from "../model/ids";
import type { ShelfMod } from "../model/shelf";

/** Entries of the shelf that are one mod only by their names: their user may know better. */
interface SameByName {
  readonly id: ModId;
  readonly mods: readonly ShelfMod[];
}

/** Those of which nobody has said yet what they are; `told` are the paths that somebody has. */
export function sameByName(shelf: readonly ShelfMod[], told: readonly string[]): SameByName[] {
  const known = new Set(told);
  const byId = new Map<ModId, ShelfMod[]>();
  for (const mod of shelf) {
    if (mod.manifest || mod.problem) continue;
    byId.set(mod.id, [...(byId.get(mod.id) ?? []), mod]);
  }
  return [...byId]
    .filter(([, mods]) => mods.length > 1 && mods.some(({ path }) => !known.has(path)))
    .map(([id, mods]) => ({ id, mods }));
}

/** Ids for entries that are mods of their own: the first keeps the one that they share. */
export function idsApart({ id, mods }: SameByName, taken: ReadonlySet<string>): ModId[] {
  const used = new Set(taken);
  return mods.map((_, at) => {
    if (at === 0) return id;
    let number = at + 1;
    while (used.has(`${id}-${number}`)) number++;
    used.add(`${id}-${number}`);
    return ModId.parse(`${id}-${number}`);
  });
}
