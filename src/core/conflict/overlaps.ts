import { packOverlaps, type Overlap } from "../order/overlap";
import type { Overlaps } from "../roster/overlaps";
import { blockedIn } from "./blocked";
import type { Conflicts } from "./conflicts";
import type { ProviderIndex } from "./provider-index";
import type { Roster } from "../roster/roster";
import { standingIn } from "./standing";

/** Who meets whom, of all that a roster loads, and what that comes to; what the game itself brings meets nobody. `conflicts` shows the roster. */
export function overlapsIn(conflicts: Conflicts, roster: Roster): Overlaps {
  const mods = packOverlaps(pairsIn(conflicts.files, conflicts.modId, (id) => id === ""));
  const plugins = packOverlaps(pairsIn(conflicts.records, conflicts.pluginId, conflicts.isOwnPlugin));
  return {
    mods,
    plugins,
    blocked: blockedIn(conflicts),
    standing: standingIn(conflicts, roster, { mods, plugins }),
  };
}

/** Each pair once, under the broader of the two, in the order of the items. */
function* pairsIn(
  index: ProviderIndex,
  idOf: (item: number) => string,
  isOwn: (id: string) => boolean,
): Generator<Overlap> {
  for (let item = 0; item < index.items; item++) {
    const id = idOf(item);
    if (isOwn(id)) continue;
    const { files } = index.figuresOf(item);
    for (const [other, shared] of index.differencesOf(item)) {
      const theirs = idOf(other);
      const less = files - index.figuresOf(other).files;
      if (isOwn(theirs) || less < 0 || (less === 0 && id > theirs)) continue;
      yield { broader: id, narrower: theirs, shared, ...(less === 0 && { equal: true as const }) };
    }
  }
}
