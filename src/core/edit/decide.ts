/** What decides who wins: rules for pairs, with the moves that they ask for, and files that are left out. */
import { Chains, type Pair } from "../conflict/chains";
import type { Edit, Step } from "../model/edit";
import { done, refuse, type Outcome } from "../model/outcome";
import type { OrderRule } from "../model/problem";
import type { Entry, LeftOut, ListName, ProfileState, Rule } from "../model/profile";
import { foldName } from "../roster/fold";
import { leavesOut } from "../roster/left-out";
import { makeRoster, type Roster, type SeatedList } from "../roster/roster";
import { indexTies, type TieIndex } from "../roster/ties";
import { barrierAt, freeGaps, refuseAt } from "./place";
import { label, stateAfter, stepsBetween } from "./steps";

/** Makes a rule of the profile, with a name and a time of its own. */
type MakeRule = (list: ListName, rule: OrderRule) => Rule;

/**
 * Of each pair the later one wins from now on: a rule says so that must hold, where no chain says it already, and what stands the
 * other way is moved, with all that a tie takes along. Refused where a chain says the opposite, where the rules would close a
 * circle, or where a load rank or a closed section bars the way. Null where nothing changes.
 */
export function decideEdit(
  roster: Roster,
  list: ListName,
  pairs: readonly Pair[],
  makeRule: MakeRule,
): Outcome<Edit | null> {
  const chains = new Chains(roster, list);
  const barred = pairs.find(
    ({ earlier, later }) => chains.isOwn(later) || chains.leads(later, earlier) || later === earlier,
  );
  if (barred) return refuse("decided-otherwise", { ...barred, list });
  const open = pairs.filter(({ earlier, later }) => !chains.isOwn(earlier) && !chains.leads(earlier, later));
  const rules = open.map(({ earlier, later }): Step => {
    const rule = makeRule(list, { kind: "after", item: later, other: earlier, strength: "must" });
    return { kind: "decide", facet: "rules", key: rule.id, item: rule, before: null };
  });
  const ruled = stateAfter(roster.profile.state, { steps: rules })!;
  const decided = withState(roster, ruled);
  const after = new Chains(decided, list);
  const circle = open.find(({ earlier, later }) => after.leads(later, earlier));
  if (circle) return refuse("decided-otherwise", { ...circle, list });
  const moved = inOrder(roster, list, pairs);
  if (!moved.ok) return moved;
  const steps = [...rules, ...stepsBetween(roster.profile.state, moved.value)];
  if (steps.length === 0) return done(null);
  return done({ label: label("decide", { item: pairs[0]!.later, count: pairs.length }), steps });
}

/**
 * The fewest rules after which all of the pairs are decided as they stand; nothing moves. Refused where the order breaks a rule with
 * which they would close a circle.
 */
export function keepEdit(
  roster: Roster,
  list: ListName,
  pairs: readonly Pair[],
  makeRule: MakeRule,
): Outcome<Edit | null> {
  const { itemOf } = roster.lists[list];
  const standing = pairs.map(({ earlier, later }) =>
    itemOf.get(earlier)!.place < itemOf.get(later)!.place
      ? { earlier, later }
      : { earlier: later, later: earlier },
  );
  return decideEdit(roster, list, new Chains(roster, list).fewestToKeep(standing), makeRule);
}

const withState = (roster: Roster, state: ProfileState): Roster =>
  makeRoster(roster.game, { ...roster.profile, state }, roster.stock, roster);

/** What a profile decides once all of the pairs stand in order. */
function inOrder(roster: Roster, list: ListName, pairs: readonly Pair[]): Outcome<ProfileState> {
  let now = roster;
  // What has to get past most goes first, and so mostly spares the others their move.
  const { itemOf } = roster.lists[list];
  const farthest = [...pairs].sort((a, b) => itemOf.get(b.earlier)!.place - itemOf.get(a.earlier)!.place);
  for (const { earlier, later } of farthest) {
    const seated = now.lists[list];
    if (seated.itemOf.get(earlier)!.place < seated.itemOf.get(later)!.place) continue;
    const step = putBehind(seated, indexTies(now, list), earlier, later);
    if (!step.ok) return step;
    now = withState(now, stateAfter(now.profile.state, { steps: [step.value] })!);
  }
  return done(now.profile.state);
}

/** Seats an item right behind another one, with all that has to come after it; what comes into a later section keeps its own as its home. */
function putBehind(list: SeatedList, ties: TieIndex, earlier: string, later: string): Outcome<Step> {
  const moving = new Set([later]);
  const target = list.itemOf.get(earlier)!.entry.section;
  for (;;) {
    const free = freeGaps(list, ties, [...moving]);
    const gap = free.rest.indexOf(list.itemOf.get(earlier)!.id) + 1;
    const barrier = barrierAt(free, gap);
    if (barrier?.kind === "tie") {
      moving.add(barrier.with);
      continue;
    }
    if (barrier) return refuseAt(barrier, "below");
    const entries = list.items
      .filter(({ id }) => moving.has(id))
      .map(({ entry: { fresh: _, ...entry } }): Entry => {
        if (entry.section === target) return { ...entry, placed: true };
        const { home = entry.section, ...kept } = entry;
        return { ...kept, section: target, ...(home !== target && { home }), placed: true };
      });
    return done({ kind: "put", list: list.name, entries, before: free.rest[gap] ?? null });
  }
}

/** A path and the mods that provide it, first to last; `""` is the game itself, which is never left out. */
interface ContestedPath {
  readonly key: string;
  readonly providers: readonly string[];
}

/**
 * Lets a mod win one path: those that would win over it leave the path out, and so do earlier ones of which nothing else says that
 * they lose. Null where nothing changes.
 */
export function letWinEdit(roster: Roster, { key, providers }: ContestedPath, winner: string): Edit | null {
  const chains = new Chains(roster, "mods");
  const at = providers.indexOf(winner);
  const out = providers.filter(
    (id, place) => id !== "" && id !== winner && (place > at || !chains.isDecided(id, winner)),
  );
  const { state } = roster.profile;
  const added = out
    .filter((mod) => !leavesOut(roster.modOf.get(mod)!.leftOut)(key))
    .map((mod): LeftOut => ({ mod: roster.modOf.get(mod)!.id, path: foldName(roster.game, key) }));
  if (added.length === 0) return null;
  return {
    label: label("let-win", { item: winner, path: key }),
    steps: stepsBetween(state, { ...state, leftOut: [...state.leftOut, ...added] }),
  };
}
