import type { FacetName, ListName, Order, ProfileState } from "../model/profile";
import {
  differenceKey,
  type ClashSide,
  type FacetClash,
  type FacetDifference,
  type JoinWay,
  type Three,
} from "../state/facet";
import { mapFacets, overFacets } from "../state/facets";
import { joinOrders } from "../state/order-facet";
import type { Side } from "../state/three-way";

/** One thing in which two states differ. */
export interface Difference extends FacetDifference {
  readonly facet: FacetName;
  /** Of what stands elsewhere: it changes a tie, or which of two that meet wins. Absent where that was not looked at. */
  readonly matters?: boolean;
}

/** By which a difference is told from all others between the same two states. */
export const keyOfDifference = ({ facet, ...rest }: Pick<Difference, "facet" | "kind" | "key">): string =>
  `${facet} ${differenceKey(rest)}`;

export const compareStates = (here: ProfileState, there: ProfileState): Difference[] =>
  overFacets((facet, { differences }) =>
    differences(here[facet], there[facet]).map((difference): Difference => ({ facet, ...difference })),
  ).flat();

export const sameState = (a: ProfileState, b: ProfileState): boolean =>
  overFacets((name, { same }) => same(a[name], b[name])).every(Boolean);

/** What is here with these of the differences, and those that they need, as they are there. */
export function applyDifferences(
  here: ProfileState,
  there: ProfileState,
  wanted: readonly Pick<Difference, "facet" | "kind" | "key">[],
): ProfileState {
  return mapFacets(here, (name, facet) => {
    const keys = wanted.filter((each) => each.facet === name).map(differenceKey);
    if (keys.length === 0) return here[name];
    const all = new Map(
      facet.differences(here[name], there[name]).map((each) => [differenceKey(each), each.needs ?? []]),
    );
    return facet.apply(here[name], there[name], withNeeds(keys, all));
  });
}

function withNeeds(
  keys: readonly string[],
  needs: ReadonlyMap<string, readonly string[]>,
): ReadonlySet<string> {
  const reached = new Set<string>();
  const open = [...keys];
  for (let key = open.pop(); key !== undefined; key = open.pop()) {
    if (reached.has(key)) continue;
    reached.add(key);
    open.push(...(needs.get(key) ?? []));
  }
  return reached;
}

/** One thing that both sides changed, each in another way. */
export interface Clash extends FacetClash {
  readonly facet: FacetName;
  readonly mine: ClashSide;
  readonly theirs: ClashSide;
}

export const clashKey = ({ facet, what, key }: Pick<Clash, "facet" | "what" | "key">): string =>
  `${facet} ${what} ${key}`;

/** Which side holds, by `clashKey`; mine where nothing is said, so that nothing of one's own goes by itself. */
type Decisions = Readonly<Record<string, Side>>;

/** The mod that brings a plugin, by its name; undefined where that is not known. */
type OwnerOf = (plugin: string) => string | null | undefined;

/**
 * Merges what became of a list on its author's side with what became of it on mine, facet by facet. The plugins of a mod that one
 * side took out stay or go with it.
 */
export function mergeStates(
  states: Three<ProfileState>,
  decisions: Decisions = {},
  ownerOf: OwnerOf = () => undefined,
): { readonly state: ProfileState; readonly clashes: readonly Clash[] } {
  const clashes: Clash[] = [];
  let three = states;
  const state = mapFacets(states[1], (name, facet) => {
    const [base, mine, theirs] = three;
    const merged = facet.merge(
      [base[name], mine[name], theirs[name]],
      (what, key) => decisions[clashKey({ facet: name, what, key })] ?? "mine",
    );
    clashes.push(...merged.clashes.map((clash) => ({ ...clash, facet: name })));
    // Mods come first among the facets: what became of them decides which plugins there are to merge.
    if (name === "mods") three = withPluginsOf(states, merged.value as Order, ownerOf);
    return merged.value;
  });
  return { state, clashes };
}

/** The three with the plugins of a mod that a side took out there, or not, as the mod is in the result. */
function withPluginsOf(states: Three<ProfileState>, merged: Order, ownerOf: OwnerOf): Three<ProfileState> {
  const [base] = states;
  const idsOf = ({ entries }: Order) => new Set<string>(entries.map(({ id }) => id));
  const [was, is] = [idsOf(base.mods), idsOf(merged)];
  const taken = states.map(({ mods }) => {
    const present = idsOf(mods);
    return new Set([...was].filter((id) => !present.has(id)));
  });
  const isDecided = (plugin: string) => taken.some((ids) => ids.has(ownerOf(plugin) ?? ""));
  const adjust = (state: ProfileState): ProfileState => {
    const { sections, entries } = state.plugins;
    const own = entries.filter(({ id }) => !isDecided(id) || is.has(ownerOf(id)!));
    const kept = own.length === entries.length ? state.plugins : { sections, entries: own };
    const present = idsOf(kept);
    const back = base.plugins.entries.filter(
      ({ id }) => !present.has(id) && isDecided(id) && is.has(ownerOf(id)!),
    );
    if (back.length === 0) return kept === state.plugins ? state : { ...state, plugins: kept };
    const wanted = new Set(back.map(({ id }) => id));
    const model = base.plugins.entries.filter(({ id }) => present.has(id) || wanted.has(id));
    return { ...state, plugins: joinOrders(kept, { ...base.plugins, entries: model }) };
  };
  const [a, b, c] = states;
  return [adjust(a), adjust(b), adjust(c)];
}

/**
 * The state of a profile after a list has come in. `into`: everything of the list, and what only the profile has keeps
 * its neighbours; `order`: nothing comes and nothing is switched, what both have stands as in the list.
 */
export function takeInState(mine: ProfileState, theirs: ProfileState, way: JoinWay): ProfileState {
  const listed = new Set(theirs.mods.entries.map(({ id }) => id));
  return mapFacets(mine, (name, facet) => facet.takeIn(mine[name], theirs[name], way, listed));
}

/** Of which list a facet is an order; null of those that are none. */
export const listOfFacet = (facet: FacetName): ListName | null =>
  facet === "mods" || facet === "plugins" ? facet : null;
