import type { SectionId } from "../model/ids";
import type { Entry } from "../model/profile";
import { overlapsOf } from "../order/overlap";
import type { OrderProposal } from "./accept";
import type { Roster, SeatedList } from "../roster/roster";
import type { TieIndex } from "../roster/ties";

/** Two that change the same records, or bring the same files, in the order in which a proposal has them: the later one wins. */
interface WinnerChange {
  readonly winner: string;
  readonly loser: string;
  readonly shared: number;
}

/** What a move does in the game beside tidying the list. */
export interface MoveEffect {
  /** It mends a tie of masters, load ranks or rules, not only of sections. */
  readonly mends: boolean;
  readonly winners: readonly WinnerChange[];
}

/** The effect of each move of a proposal, by the item's id. */
export function moveEffects(roster: Roster, proposal: OrderProposal): Map<string, MoveEffect> {
  const placeThen = new Map<string, number>(proposal.entries.map((entry, place) => [entry.id, place]));
  const { itemOf } = roster.lists[proposal.list];
  const winners = new Map<string, WinnerChange[]>(proposal.moves.map(({ id }) => [id, []]));
  for (const { broader: a, narrower: b, shared } of overlapsOf(roster.overlaps[proposal.list])) {
    const [one, other] = [itemOf.get(a), itemOf.get(b)];
    if (!one || !other) continue;
    const aLater = placeThen.get(a)! > placeThen.get(b)!;
    if (one.place > other.place === aLater) continue;
    const change = { winner: aLater ? a : b, loser: aLater ? b : a, shared };
    winners.get(a)?.push(change);
    winners.get(b)?.push(change);
  }
  return new Map(
    proposal.moves.map(({ id, because }) => [
      id,
      { mends: because.links.some((link) => link.because !== "section"), winners: winners.get(id)! },
    ]),
  );
}

/** Some of the moves of a proposal, and the order that comes of them. */
export interface ProposalPart {
  readonly entries: readonly Entry[];
  /** The moves that are taken: those asked for, and those without which one of them would break a must tie that holds. */
  readonly taken: ReadonlySet<string>;
}

/**
 * The proposal's order with only some of its moves. What stays and what is left keep their places among themselves;
 * each move that is taken goes right behind what it follows in the proposal.
 */
export function takeMoves(
  roster: Roster,
  ties: TieIndex,
  proposal: OrderProposal,
  wanted: ReadonlySet<string>,
): ProposalPart {
  const moved = new Set(proposal.moves.map(({ id }) => id));
  const taken = new Set([...wanted].filter((id) => moved.has(id)));
  for (;;) {
    if (taken.size === moved.size) return { entries: proposal.entries, taken };
    const entries = arrangePart(roster, proposal, moved, taken);
    const missing = leftButNeeded(roster.lists[proposal.list], ties, entries, moved, taken);
    if (missing.length === 0) return { entries, taken };
    for (const id of missing) taken.add(id);
  }
}

function arrangePart(
  roster: Roster,
  proposal: OrderProposal,
  moved: ReadonlySet<string>,
  taken: ReadonlySet<string>,
): Entry[] {
  const { sections, entries: present } = roster.profile.state[proposal.list];
  const rankOf = new Map(sections.map((section, at) => [section.id, at]));
  const proposed = new Map(proposal.entries.map((entry) => [entry.id, entry]));
  const order = present
    .filter((entry) => !taken.has(entry.id))
    .map((entry) => (moved.has(entry.id) ? entry : proposed.get(entry.id)!));
  let behind: string | null = null;
  for (const entry of proposal.entries) {
    if (taken.has(entry.id)) {
      let at = behind === null ? 0 : order.findIndex((each) => each.id === behind) + 1;
      while (at < order.length && rankOf.get(order[at]!.section)! < rankOf.get(entry.section)!) at++;
      order.splice(at, 0, entry);
    }
    if (taken.has(entry.id) || !moved.has(entry.id)) behind = entry.id;
  }
  return intoSections(
    order,
    sections.map((section) => section.id),
    rankOf,
  );
}

/** What comes to stand behind a later section's items joins that section, and remembers its own as its home. */
function intoSections(
  order: readonly Entry[],
  sections: readonly SectionId[],
  rankOf: ReadonlyMap<SectionId, number>,
): Entry[] {
  let reached = 0;
  return order.map((entry) => {
    const own = rankOf.get(entry.section) ?? reached;
    reached = Math.max(reached, own);
    if (own === reached) return entry;
    return { ...entry, section: sections[reached]!, home: entry.home ?? entry.section };
  });
}

/** Moves that are left though a must tie with one that is taken would break for it. */
function leftButNeeded(
  { itemOf }: SeatedList,
  ties: TieIndex,
  entries: readonly Entry[],
  moved: ReadonlySet<string>,
  taken: ReadonlySet<string>,
): string[] {
  const placeOf = new Map<string, number>(entries.map((entry, place) => [entry.id, place]));
  const now = (id: string) => itemOf.get(id)!.place;
  return ties.all
    .filter(({ strength, kept }) => strength === "must" && kept)
    .filter(({ earlier, later }) => now(earlier) < now(later) && placeOf.get(earlier)! > placeOf.get(later)!)
    .flatMap(({ earlier, later }) => [earlier, later])
    .filter((id) => moved.has(id) && !taken.has(id));
}
