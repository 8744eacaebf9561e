import type { Choice, ListName, Note, Order, ProfileState, Rule } from "../model/profile";
import type { ProfileBook } from "../model/rulebook";
import { mergeOrders, type ClashSide } from "./merge-order";
import { joinOrders } from "./take-in";
import { mergeByKey, sameValue, threeWay, type Clash, type Side } from "./three-way";

/** One thing that both sides changed, each in another way. */
export interface MergeClash {
  readonly what: "removed" | "on" | "version" | "section" | "place" | "parts" | "rule" | "setting" | "note";
  readonly list: ListName | null;
  /** An item, a rule, a setting. */
  readonly id: string;
  readonly mine: ClashSide;
  readonly theirs: ClashSide;
}

export interface MergedState {
  readonly state: ProfileState;
  readonly clashes: readonly MergeClash[];
}

export const clashKey = ({ what, list, id }: Pick<MergeClash, "what" | "list" | "id">): string =>
  `${what} ${list ?? "-"} ${id}`;

/** Which side holds, by `clashKey`; mine where nothing is said, so that nothing of one's own goes by itself. */
export type Decisions = Readonly<Record<string, Side>>;

type Three<T> = readonly [base: T, mine: T, theirs: T];

/** The mod that brings a plugin, by its name; undefined where that is not known. */
export type OwnerOf = (plugin: string) => string | null | undefined;

/**
 * Merges what became of a list on its author's side with what became of it on mine: what only one side changed counts,
 * and what both changed is a clash, one by one. The plugins of a mod that one side took out stay or go with it. Shared
 * rules are mine.
 */
export function mergeStates(
  states: Three<ProfileState>,
  decisions: Decisions = {},
  ownerOf: OwnerOf = () => undefined,
): MergedState {
  const [base, mine, theirs] = states;
  const clashes: MergeClash[] = [];
  const sideFor = (what: MergeClash["what"], list: ListName | null, id: string): Side =>
    decisions[clashKey({ what, list, id })] ?? "mine";
  const order = (list: ListName, orders: Three<Order>) => {
    const merged = mergeOrders(orders, (what, id) => sideFor(what, list, id));
    clashes.push(...merged.clashes.map((clash) => ({ ...clash, list })));
    return merged.order;
  };
  const collect = <T>(
    what: MergeClash["what"],
    keyOf: (value: T) => string,
    read: (state: ProfileState) => readonly T[],
  ): T[] => {
    const merged = mergeByKey(keyOf, [read(base), read(mine), read(theirs)], (key) =>
      sideFor(what, null, key),
    );
    clashes.push(...merged.clashes.map((clash) => ({ what, list: null, id: clash.key, ...sidesOf(clash) })));
    return merged.values;
  };
  const mods = order("mods", [base.mods, mine.mods, theirs.mods]);
  const plugins = order("plugins", pluginsWithMods(states, mods, ownerOf));
  const launch = collect<[string, string | number | boolean]>(
    "setting",
    ([id]) => id,
    ({ launch = {} }) => Object.entries(launch),
  );
  const choices = collect<Choice>(
    "parts",
    ({ mod }) => mod,
    ({ choices: own = [] }) => own,
  );
  const rules = collect<Rule>(
    "rule",
    ({ id }) => id,
    ({ rules: all }) => all.filter(({ shared }) => !shared),
  );
  const notes = collect<Note>(
    "note",
    ({ list, item }) => `${list}:${item}`,
    ({ notes: own = [] }) => own,
  );
  const books = collect<ProfileBook>(
    "setting",
    ({ id }) => `book:${id}`,
    ({ books: own = [] }) => own,
  );
  const baseOff = mergeSets(states, ({ baseOff: off = [] }) => off);
  const broader = threeWay(base.broaderFirst, mine.broaderFirst, theirs.broaderFirst, "mine").value;
  const state: ProfileState = {
    mods,
    plugins,
    rules: [...rules, ...mine.rules.filter(({ shared }) => shared)],
    expansions: mergeSets(states, ({ expansions }) => expansions),
    ...(broader === undefined ? {} : { broaderFirst: broader }),
    ...(books.length > 0 ? { books } : {}),
    ...(notes.length > 0 ? { notes } : {}),
    ...(choices.length > 0 ? { choices } : {}),
    ...(baseOff.length > 0 ? { baseOff } : {}),
    ...(launch.length > 0 ? { launch: Object.fromEntries(launch) } : {}),
  };
  return { state, clashes };
}

/** The plugins of the three, where those of a mod that a side took out are there, or not, as the mod is in the result. */
function pluginsWithMods(states: Three<ProfileState>, merged: Order, ownerOf: OwnerOf): Three<Order> {
  const [base, mine, theirs] = states;
  const idsOf = ({ entries }: Order) => new Set(entries.map(({ id }) => id));
  const [was, is] = [idsOf(base.mods), idsOf(merged)];
  const taken = states.map(({ mods }) => {
    const present = idsOf(mods);
    return new Set([...was].filter((id) => !present.has(id)));
  });
  const isDecided = (plugin: string) => taken.some((ids) => ids.has(ownerOf(plugin) ?? ""));
  const adjust = ({ plugins }: ProfileState): Order => {
    const own = {
      ...plugins,
      entries: plugins.entries.filter(({ id }) => !isDecided(id) || is.has(ownerOf(id)!)),
    };
    const present = idsOf(own);
    const entries = base.plugins.entries.filter(
      ({ id }) => present.has(id) || (isDecided(id) && is.has(ownerOf(id)!)),
    );
    return entries.every(({ id }) => present.has(id)) ? own : joinOrders(own, { ...base.plugins, entries });
  };
  return [adjust(base), adjust(mine), adjust(theirs)];
}

const sidesOf = <T>({ mine, theirs }: Clash<T>): Pick<MergeClash, "mine" | "theirs"> => ({
  mine: sideOf(mine),
  theirs: sideOf(theirs),
});

/** A value that is no word is told by what it says. */
function sideOf(value: unknown): ClashSide {
  if (value === undefined) return {};
  const told: unknown = Array.isArray(value) ? value.at(-1) : value;
  return { value: typeof told === "string" || typeof told === "boolean" ? told : JSON.stringify(told) };
}

/** Of sets nothing clashes: an element is in or out, and who changed that decides. */
function mergeSets(states: Three<ProfileState>, read: (state: ProfileState) => readonly string[]): string[] {
  const [base, mine, theirs] = states.map(read) as [string[], string[], string[]];
  if (sameValue(mine, base)) return [...theirs];
  const all = [...new Set([...mine, ...theirs])];
  return all.filter((id) => (mine.includes(id) === base.includes(id) ? theirs : mine).includes(id));
}
