import type { Edit } from "../model/edit";
import type { ModId } from "../model/ids";
import type { ListName, ProfileState } from "../model/profile";
import { label, stepsBetween } from "../edit/steps";
import { proposedChoice } from "../roster/parts";
import type { Roster } from "../roster/roster";
import { facets } from "../state/facets";
import { applyDifferences, compareStates, listOfFacet, type Difference } from "./states";

/** Pairs of a list whose order means something, for whatever reason. */
export type Tied = Readonly<Record<ListName, readonly (readonly [earlier: string, later: string])[]>>;

/** Everything in which two profiles of a game differ; of what stands elsewhere, whether that turns one of the pairs. */
export function compareRosters(here: Roster, there: Roster, ties: Tied): Difference[] {
  const turned = {
    mods: turnedIn(here, there, "mods", ties),
    plugins: turnedIn(here, there, "plugins", ties),
  };
  return compareStates(settled(here), besideShared(here, settled(there))).map((difference) => {
    const list = listOfFacet(difference.facet);
    if (list === null || (difference.kind !== "place" && difference.kind !== "section")) return difference;
    return { ...difference, matters: turned[list].has(difference.key) };
  });
}

/** What a profile decides, with what it leaves to authors and the game said, so that the same is equal however it was said. */
function settled({ game, profile, modOf }: Roster): ProfileState {
  const { state } = profile;
  const proposed = (mod: ModId) => proposedChoice(mod, modOf.get(mod)?.mod?.manifest ?? null);
  const isProposed = (choice: ProfileState["choices"][number]) =>
    facets.choices.same([choice], [proposed(choice.mod)]);
  const standard = new Map(game.launchSettings?.map((setting) => [setting.id, setting.standard]));
  return {
    ...state,
    choices: state.choices.filter((choice) => !isProposed(choice)),
    launch: Object.fromEntries(
      Object.entries(state.launch).filter(([id, value]) => standard.get(id) !== value),
    ),
  };
}

/** Theirs without the rules that all profiles share here: a list names them as its own, and they hold in both. */
function besideShared({ profile }: Roster, theirs: ProfileState): ProfileState {
  const shared = new Set(profile.state.rules.filter((rule) => rule.shared).map(({ id }) => id));
  if (shared.size === 0) return theirs;
  return { ...theirs, rules: theirs.rules.filter((rule) => rule.shared || !shared.has(rule.id)) };
}

/** Items of tied or meeting pairs that stand the other way round there. */
function turnedIn(here: Roster, there: Roster, list: ListName, ties: Tied): Set<string> {
  const turned = new Set<string>();
  const [mine, theirs] = [here.lists[list].itemOf, there.lists[list].itemOf];
  for (const [a, b] of ties[list]) {
    const [one, other, oneThere, otherThere] = [mine.get(a), mine.get(b), theirs.get(a), theirs.get(b)];
    if (!one || !other || !oneThere || !otherThere) continue;
    if (one.place < other.place !== oneThere.place < otherThere.place) turned.add(a).add(b);
  }
  return turned;
}

/** Makes the profile here agree with the one there in some of their differences. Null where nothing changes. */
export function takeOver(
  here: Roster,
  there: Roster,
  differences: readonly Difference[],
  name: string,
): Edit | null {
  const { state } = here.profile;
  const theirs = besideShared(here, settled(there));
  const steps = stepsBetween(state, applyDifferences(state, theirs, differences));
  if (steps.length === 0) return null;
  return { label: label("take-over", { count: differences.length, name }), steps };
}

/**
 * What was changed from `pure` to `here` and would be lost by going to `there`. Of something that was moved: whatever it was
 * moved past stands again on the side where it stood before.
 */
export function changesOverwritten(pure: Roster, here: Roster, there: Roster): Difference[] {
  // A single decision can become another one in several ways; of an item of an order each way is a decision of its own.
  const keyOf = ({ facet, kind, key }: Difference) =>
    JSON.stringify([facet, listOfFacet(facet) === null ? null : kind, key]);
  const undone = new Set(compareRosters(here, there, noTies).map(keyOf));
  return compareRosters(here, pure, noTies).filter((change) => {
    const list = listOfFacet(change.facet);
    return list !== null && change.kind === "place"
      ? isTurnedBack(list, change.key, pure, here, there)
      : undone.has(keyOf(change));
  });
}

const noTies: Tied = { mods: [], plugins: [] };

function isTurnedBack(list: ListName, id: string, ...rosters: readonly [Roster, Roster, Roster]): boolean {
  const [before, now, next] = rosters.map((roster) => {
    const { itemOf } = roster.lists[list];
    const own = itemOf.get(id)?.place;
    return (other: string) => {
      const place = itemOf.get(other)?.place;
      return own === undefined || place === undefined ? null : place < own;
    };
  }) as [SideOf, SideOf, SideOf];
  return rosters[1].lists[list].items.some(({ id: other }) => {
    const [was, is, willBe] = [before(other), now(other), next(other)];
    return was !== null && willBe !== null && is !== was && willBe === was;
  });
}

/** Whether another item stands before the one that is asked about; null where one of the two is not there. */
type SideOf = (other: string) => boolean | null;
