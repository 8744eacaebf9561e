/** What the conflicts of a profile come to, as far as somebody should look at it. */
import type { ListName } from "../model/profile";
import { overlapsOf, type OverlapList } from "../order/overlap";
import type { ConflictStanding, Hidden, Undecided } from "../model/conflict-standing";
import type { Roster } from "../roster/roster";
import { Chains } from "./chains";
import type { Conflicts } from "./conflicts";
import { copyOf } from "./copies";

/** Of what `conflicts` shows now, which is `roster`; `meeting`: who meets whom in it. */
export function standingIn(
  conflicts: Conflicts,
  roster: Roster,
  meeting: Readonly<Record<ListName, OverlapList>>,
): ConflictStanding {
  const copies = copiesIn(conflicts);
  const isCopy = new Set(copies.map(({ id }) => id));
  return {
    copies,
    covered: {
      mods: coveredIn(conflicts, "files").filter((id) => !isCopy.has(id)),
      plugins: coveredIn(conflicts, "records"),
    },
    undecided: {
      mods: undecidedIn(roster, "mods", meeting.mods),
      plugins: undecidedIn(roster, "plugins", meeting.plugins),
    },
    hidden: hiddenIn(conflicts),
    twice: takenTwice(conflicts, roster),
    // Whoever can write plugins finds it out.
    blend: "none",
  };
}

function* numbersOf({ items }: Conflicts["files"]): Generator<number> {
  for (let item = 0; item < items; item++) yield item;
}

function coveredIn(conflicts: Conflicts, of: "files" | "records"): string[] {
  return [...numbersOf(conflicts[of])]
    .filter((item) => conflicts[of].isCovered(item))
    .map((item) => conflicts.idOf(of, item))
    .filter((id) => id !== "" && !conflicts.isOwnPlugin(id));
}

function copiesIn(conflicts: Conflicts): { id: string; of: string }[] {
  const { files } = conflicts;
  return [...numbersOf(files)].flatMap((item) => {
    const { files: all, alone, wins } = files.figuresOf(item);
    if (all === 0 || alone > 0) return [];
    const of = copyOf(conflicts, item);
    if (of === null) return [];
    // Of two that are copies of one another it is the one that loses.
    return wins > 0 && copyOf(conflicts, conflicts.modNumber(of)) !== null
      ? []
      : [{ id: conflicts.modId(item), of }];
  });
}

/** Pairs that meet in what is unlike, and of which no chain of needs and rules says who comes first. */
function undecidedIn(roster: Roster, list: ListName, meeting: OverlapList): Undecided | null {
  const chains = new Chains(roster, list);
  let count = 0;
  let most: { readonly pair: readonly [string, string]; readonly shared: number } | null = null;
  for (const { broader, narrower, shared } of overlapsOf(meeting)) {
    if (chains.isDecided(broader, narrower)) continue;
    count++;
    if (!most || shared > most.shared) most = { pair: [broader, narrower], shared };
  }
  if (!most) return null;
  const { itemOf } = roster.lists[list];
  const [loser, winner] = [...most.pair].sort(
    (a, b) => (itemOf.get(a)?.place ?? 0) - (itemOf.get(b)?.place ?? 0),
  ) as [string, string];
  return { count, loser, winner, shared: most.shared };
}

/** Packed files of a mod that lose to loose ones of a mod that stands before it, as the order does not say. */
function hiddenIn(conflicts: Conflicts): Hidden[] {
  const { files } = conflicts;
  const found = new Map<string, { hidden: string; by: string; count: number; path: string }>();
  if (!files.hasPacked) return [];
  for (const key of files.provided()) {
    const providers = files.providedBy(key);
    const winner = providers.at(-1);
    if (!winner || winner.packed || providers.length < 2) continue;
    for (const { item, packed } of providers) {
      if (!packed || files.placeOf(item) < files.placeOf(winner.item)) continue;
      const [hidden, by] = [conflicts.modId(item), conflicts.modId(winner.item)];
      if (hidden === by) continue;
      const pair = `${hidden}\n${by}`;
      const known = found.get(pair);
      if (known) known.count++;
      else found.set(pair, { hidden, by, count: 1, path: conflicts.path(key) });
    }
  }
  return [...found.values()];
}

/** Parts of two packages that bring the same files in the same contents, and are both taken. */
function takenTwice(conflicts: Conflicts, roster: Roster): ConflictStanding["twice"] {
  const first = new Map<string, { readonly mod: string; readonly part: string }>();
  return roster.mods.flatMap(({ id }) =>
    conflicts.partPrints(id).flatMap(({ part, print }) => {
      const before = first.get(print);
      if (!before) first.set(print, { mod: id, part });
      return before && before.mod !== id
        ? [{ mods: [before.mod, id], parts: [before.part, part] } as const]
        : [];
    }),
  );
}
