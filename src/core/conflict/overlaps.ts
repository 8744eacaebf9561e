import { packOverlaps, type Overlap } from "../order/overlap";
import type { Overlaps } from "../roster/overlaps";
import { blockedIn } from "./blocked";
import type { Conflicts } from "./conflicts";
import type { ProviderIndex } from "./provider-index";

/** Who meets whom, of all that is shown and loads; what the game itself brings meets nobody. */
export const overlapsIn = (conflicts: Conflicts): Overlaps => ({
  mods: packOverlaps(pairsIn(conflicts.files, conflicts.modId, (id) => id === "")),
  plugins: packOverlaps(pairsIn(conflicts.records, conflicts.pluginId, conflicts.isOwnPlugin)),
  blocked: blockedIn(conflicts),
});

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
