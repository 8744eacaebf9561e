/** What there is to say of a single path or record, of two items, and of one. */
import type { Link } from "../model/problem";
import { Chains } from "./chains";
import { copyOf } from "./copies";
import { stateAfter } from "../edit/steps";
import { makeRoster, type Roster } from "../roster/roster";
import { contestedIn, type Conflicts, type Contested, type NotProvided } from "./conflicts";

/** One that provides a path or a record. */
export interface AboutProvider {
  /** `""` is the game itself. */
  readonly id: string;
  readonly part: string | null;
  /** The packed file in which it lies; null where it lies loose. */
  readonly container: string | null;
  /** The same contents as the winner's. */
  readonly equal: boolean;
  /** Whether a chain says that it loses to the winner; true of the winner. */
  readonly decided: boolean;
}

/** First to last: the last one wins. */
export interface AboutKey {
  readonly key: string;
  readonly providers: readonly AboutProvider[];
}

/** Null where nobody provides it. */
export function aboutKey(conflicts: Conflicts, roster: Roster, of: Contested, name: string): AboutKey | null {
  const chains = new Chains(roster, contestedIn[of]);
  const key = conflicts.keyOf(of, name);
  const index = conflicts[of];
  if (key < 0 || index.winnerOf(key) < 0) return null;
  const winner = index.winnerOf(key);
  const providers = index.providedBy(key).map(({ item, at }): AboutProvider => {
    const id = conflicts.idOf(of, item);
    return {
      id,
      part: of === "files" ? conflicts.partOf(id, at) : null,
      container: of === "files" ? conflicts.containerOf(id, at) : null,
      equal: item === winner || index.areEqual(key, item, winner),
      decided: item === winner || chains.isDecided(id, conflicts.idOf(of, winner)),
    };
  });
  return { key: name, providers };
}

/**
 * Who would win a path or record if an item were off; null: nobody. As a preview says: with a mod goes what lies in its packed files,
 * and so another's may come up.
 */
export function winnerWithout(
  conflicts: Conflicts,
  roster: Roster,
  of: Contested,
  name: string,
  id: string,
): string | null {
  const winner = conflicts.idOf(of, conflicts[of].winnerOf(conflicts.keyOf(of, name)));
  const list = contestedIn[of];
  const item = roster.lists[list].itemOf.get(id);
  if (!item || item.fixed) return winner;
  const state = stateAfter(roster.profile.state, {
    steps: [{ kind: "switch", list, ids: [item.id], on: false }],
  })!;
  const then = makeRoster(roster.game, { ...roster.profile, state }, roster.stock, roster);
  const change = conflicts.preview(roster, then)[of].find(({ key }) => key === name);
  return change ? change.to : winner;
}

/**
 * Why two that bring the same do not contest it: one does not provide it, both have the same contents, or one lies packed and loses to
 * the loose one in whatever order. `of`: the item that it is about.
 */
export type NoConflict =
  { readonly because: NotProvided | "packed"; readonly of: string } | { readonly because: "equal" };

/** Something that two items bring. */
export interface PairRow {
  readonly key: string;
  /** Who wins it, which may be a third; null where nobody provides it. */
  readonly winner: string | null;
  readonly equal: boolean;
  readonly none: NoConflict | null;
}

export interface AboutPair {
  /** Both in the order in which they load. */
  readonly items: readonly [string, string];
  /** Why the one comes before the other; null where nothing says so. `own`: one is the game itself. */
  readonly decided: readonly Link[] | "own" | null;
  readonly rows: readonly PairRow[];
}

export function aboutPair(
  conflicts: Conflicts,
  roster: Roster,
  of: Contested,
  pair: readonly [string, string],
): AboutPair {
  const chains = new Chains(roster, contestedIn[of]);
  const index = conflicts[of];
  const place = (id: string) => index.placeOf(conflicts.numberOf(of, id));
  const items = [...pair].sort((a, b) => place(a) - place(b)) as [string, string];
  const [first, second] = items;
  const theirs = conflicts.broughtBy(of, second);
  const rows = [...conflicts.broughtBy(of, first)].flatMap(([key, why]): PairRow[] => {
    const other = theirs.get(key);
    if (other === undefined) return [];
    const winner = index.winnerOf(key);
    const numbers = [conflicts.numberOf(of, first), conflicts.numberOf(of, second)] as const;
    const equal = of === "files" && index.areEqual(key, ...numbers);
    const notProvided = why ? { because: why, of: first } : other ? { because: other, of: second } : null;
    return [
      {
        key: conflicts.nameOf(of, key),
        winner: winner < 0 ? null : conflicts.idOf(of, winner),
        equal,
        none: notProvided ?? (equal ? { because: "equal" } : packedUnder(conflicts, of, key, items)),
      },
    ];
  });
  const isOwn = chains.isOwn(first) || chains.isOwn(second);
  return {
    items,
    decided: isOwn ? "own" : chains.between(first, second),
    rows: rows.sort((a, b) => (a.key < b.key ? -1 : Number(a.key > b.key))),
  };
}

function packedUnder(
  conflicts: Conflicts,
  of: Contested,
  key: number,
  items: readonly string[],
): NoConflict | null {
  const [one, other] = items.map((id) => {
    const item = conflicts.numberOf(of, id);
    return { id, packed: conflicts[of].providedBy(key).find((each) => each.item === item)!.packed };
  });
  if (one!.packed === other!.packed || items.includes("")) return null;
  return { because: "packed", of: (one!.packed ? one : other)!.id };
}

/** With whom an item meets: how much one of the two wins over the other, and how much of that is unequal. */
export interface Meets {
  readonly id: string;
  readonly count: number;
  readonly unequal: number;
  readonly decided: boolean;
}

export interface AboutItem {
  readonly id: string;
  readonly files: number;
  readonly wins: number;
  readonly loses: number;
  readonly alone: number;
  readonly covered: boolean;
  /** One that brings all of it too, in the same contents; null where none does. */
  readonly copyOf: string | null;
  /** Most first. */
  readonly overrides: readonly Meets[];
  readonly overriddenBy: readonly Meets[];
  /** What the game has of it in the end, the first by name. */
  readonly left: readonly string[];
}

/** More of what is left of an item is not listed. */
const mostLeft = 500;

/** Null where it provides nothing. */
export function aboutItem(conflicts: Conflicts, roster: Roster, of: Contested, id: string): AboutItem | null {
  const chains = new Chains(roster, contestedIn[of]);
  const index = conflicts[of];
  const item = conflicts.numberOf(of, id);
  if (item < 0 || index.figuresOf(item).files === 0) return null;
  const over = new Map<number, { count: number; unequal: number }>();
  const under = new Map<number, { count: number; unequal: number }>();
  const left: string[] = [];
  for (const key of index.keysOf(item)) {
    const winner = index.winnerOf(key);
    if (winner === item) left.push(conflicts.nameOf(of, key));
    const sums = winner === item ? over : under;
    for (const { item: other, equal } of index.comparedTo(key, item)) {
      if (other === item || (winner !== item && other !== winner)) continue;
      const sum = sums.get(other) ?? { count: 0, unequal: 0 };
      sums.set(other, { count: sum.count + 1, unequal: sum.unequal + Number(!equal) });
    }
  }
  const told = (sums: typeof over): Meets[] =>
    [...sums]
      .map(([other, sum]) => {
        const theirs = conflicts.idOf(of, other);
        return { id: theirs, ...sum, decided: chains.isDecided(id, theirs) };
      })
      .sort((a, b) => b.count - a.count || (a.id < b.id ? -1 : 1));
  return {
    id,
    ...index.figuresOf(item),
    covered: index.isCovered(item),
    copyOf: of === "files" ? copyOf(conflicts, item) : null,
    overrides: told(over),
    overriddenBy: told(under),
    left: left.sort().slice(0, mostLeft),
  };
}
