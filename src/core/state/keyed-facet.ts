import { movedBetween } from "../graph/moved";
import type { DecideStep } from "../model/edit";
import type { Decision, KeyedName, ProfileState } from "../model/profile";
import {
  differenceKey,
  type Decide,
  type Facet,
  type FacetClash,
  type FacetDifference,
  type Three,
} from "./facet";
import { insertKeys } from "./insert-near";
import { sameValue, threeWay } from "./three-way";

/** A facet whose value is a collection of single decisions, at most one a key. */
export interface KeyedFacet<Value, Item> extends Facet<Value> {
  readonly items: (value: Value) => readonly Item[];
  readonly from: (items: readonly Item[]) => Value;
  readonly keyOf: (item: Item) => string;
  /** False of what all profiles of the game share. */
  readonly isOwn: (item: Item) => boolean;
  /** The value with one decision set, or taken away (null). */
  readonly set: (value: Value, key: string, item: Item | null, before?: string | null) => Value;
  /** The key of what follows; null of the last. Undefined where the order does not count. */
  readonly next: (value: Value, key: string) => string | null | undefined;
}

interface Collection<Value, Item> {
  readonly items: (value: Value) => readonly Item[];
  readonly from: (items: readonly Item[]) => Value;
  readonly keyOf: (item: Item) => string;
  /** The order of the decisions is one itself: which comes first counts. Else they stand by their keys. */
  readonly ordered?: boolean;
  /** False of what all profiles of the game share: it is nobody's to compare, merge or replace. */
  readonly isOwn?: (item: Item) => boolean;
  /** The decision without what may differ although the same is decided. */
  readonly core?: (item: Item) => unknown;
  /** What of that is kept all the same, as somebody's words. */
  readonly remarks?: (item: Item) => unknown;
}

interface Incoming<Item> {
  /**
   * How a list's decisions come into a profile: `replace` mine; go before mine of the same keys (`theirs`); come only where I
   * have none of that key (`mine`).
   */
  readonly incoming: "replace" | "theirs" | "mine";
  /** The mod that it is about: of a mod that is in the list, what the list does not say goes. */
  readonly about?: (item: Item) => string;
}

type Flags = Pick<Facet<unknown>, "gameSees" | "fingerprinted">;

export function keyedFacet<Name extends KeyedName>(
  name: Name,
  spec: Collection<ProfileState[Name], Decision<Name>> & Incoming<Decision<Name>> & Flags,
): KeyedFacet<ProfileState[Name], Decision<Name>> {
  type Value = ProfileState[Name];
  type Item = Decision<Name>;
  const core = collection(spec);
  const step = (key: string, item: Item | null, before: string | null | undefined) =>
    ({ kind: "decide", facet: name, key, item, ...(before === undefined ? {} : { before }) }) as DecideStep;
  const takeIn: Facet<Value>["takeIn"] = (mine, theirs, way, mods) => {
    if (way === "order") return mine;
    if (spec.incoming === "replace") return core.replace(mine, theirs);
    const { about } = spec;
    const stays = spec.items(mine).filter((item) => !about || !mods.has(about(item)));
    // What all profiles share here stays what it is, and mine goes before theirs where a list only adds.
    const held = new Set(
      stays.filter((item) => !core.isOwn(item) || spec.incoming === "mine").map(spec.keyOf),
    );
    return spec
      .items(theirs)
      .filter((item) => core.isOwn(item) && !held.has(spec.keyOf(item)))
      .reduce<Value>(
        (value, item) => core.set(value, spec.keyOf(item), item),
        stays.length === spec.items(mine).length ? mine : spec.from(stays),
      );
  };
  return {
    ...core,
    takeIn,
    steps: (from, to) => core.changes(from, to).map(({ key, item, before }) => step(key, item, before)),
    gameSees: spec.gameSees,
    fingerprinted: spec.fingerprinted,
  };
}

interface Change<Item> {
  readonly key: string;
  readonly item: Item | null;
  readonly before?: string | null;
}

/** What can be asked of any collection of decisions; the sections of an order are one too. */
export function collection<Value, Item>({
  items,
  from,
  keyOf,
  ordered = false,
  isOwn = () => true,
  core = (item) => item,
  remarks = () => null,
}: Collection<Value, Item>) {
  const index = (value: Value) =>
    new Map(
      items(value)
        .filter(isOwn)
        .map((item) => [keyOf(item), item] as const),
    );
  const sameItem = (a: Item, b: Item) => a === b || sameValue(core(a), core(b));
  const isUnchanged = (a: Item, b: Item) => sameItem(a, b) && sameValue(remarks(a), remarks(b));
  const byKey = (a: Item, b: Item) => (keyOf(a) < keyOf(b) ? -1 : 1);
  const make = (all: readonly Item[]): Value => from(ordered ? all : [...all].sort(byKey));
  const sharedOf = (value: Value) => items(value).filter((item) => !isOwn(item));
  /** Own decisions, and behind them what is shared of `mine`; what is shared here is nobody's own as well. */
  const withShared = (own: readonly Item[], mine: Value): Value => {
    const shared = sharedOf(mine);
    const known = new Set(shared.map(keyOf));
    return make([...own.filter((item) => !known.has(keyOf(item))), ...shared]);
  };

  const same = (a: Value, b: Value): boolean => {
    if (a === b) return true;
    const [one, other] = [index(a), index(b)];
    if (one.size !== other.size) return false;
    for (const [key, item] of one) {
      const there = other.get(key);
      if (there === undefined || !sameItem(item, there)) return false;
    }
    return !ordered || sameValue([...one.keys()], [...other.keys()]);
  };

  const differences = (here: Value, there: Value): FacetDifference[] => {
    const [mine, theirs] = [index(here), index(there)];
    const [keysHere, keysThere] = [[...mine.keys()], [...theirs.keys()]];
    const both = keysHere.filter((key) => theirs.has(key));
    const of = (kind: FacetDifference["kind"]) => (key: string) => ({ kind, key });
    return [
      ...keysHere.filter((key) => !theirs.has(key)).map(of("only-here")),
      ...keysThere.filter((key) => !mine.has(key)).map(of("only-there")),
      ...both.filter((key) => !sameItem(mine.get(key)!, theirs.get(key)!)).map(of("changed")),
      ...(ordered ? movedBetween(keysHere, keysThere).map(of("place")) : []),
    ];
  };

  const apply = (here: Value, there: Value, wanted: ReadonlySet<string>): Value => {
    if (wanted.size === 0) return here;
    const [mine, theirs] = [index(here), index(there)];
    const is = (kind: FacetDifference["kind"], key: string) => wanted.has(differenceKey({ kind, key }));
    const kept = [...mine.keys()].filter((key) => !is("only-here", key) && !is("place", key));
    const placed = new Set([...theirs.keys()].filter((key) => is("only-there", key) || is("place", key)));
    // Only what stands alike in both says where something else stands.
    const moved = new Set(ordered ? movedBetween([...mine.keys()], [...theirs.keys()]) : []);
    const model = [...theirs.keys()].filter((key) => placed.has(key) || (mine.has(key) && !moved.has(key)));
    const value = (key: string) => (mine.has(key) && !is("changed", key) ? mine.get(key)! : theirs.get(key)!);
    return withShared(insertKeys(kept, model).map(value), here);
  };

  const merge = (
    [base, mine, theirs]: Three<Value>,
    decide: Decide,
  ): { value: Value; clashes: FacetClash[] } => {
    if (same(mine, base)) return { value: replace(mine, theirs), clashes: [] };
    if (same(theirs, base) || same(mine, theirs)) return { value: mine, clashes: [] };
    const [a, b, c] = [index(base), index(mine), index(theirs)];
    const clashes: FacetClash[] = [];
    const merged = new Map<string, Item>();
    for (const key of new Set([...b.keys(), ...c.keys()])) {
      const told = threeWay(a.get(key), b.get(key), c.get(key), decide("changed", key), sameItemOrNone);
      if (told.clash)
        clashes.push({ what: "changed", key, mine: { value: b.get(key) }, theirs: { value: c.get(key) } });
      if (told.value !== undefined) merged.set(key, told.value);
    }
    const order = mergeOrderOf([[...a.keys()], [...b.keys()], [...c.keys()]], new Set(merged.keys()));
    return {
      value: withShared(
        order.map((key) => merged.get(key)!),
        mine,
      ),
      clashes,
    };
  };
  const sameItemOrNone = (one: Item | undefined, other: Item | undefined) =>
    one === other || (one !== undefined && other !== undefined && sameItem(one, other));

  const replace = (mine: Value, theirs: Value): Value => {
    const next = [...index(theirs).values()];
    return sameValue([...index(mine).values()], next) ? mine : withShared(next, mine);
  };

  const set = (value: Value, key: string, item: Item | null, before?: string | null): Value => {
    const all = items(value);
    const at = all.findIndex((each) => keyOf(each) === key);
    if (item === null) return at < 0 ? value : make(all.filter((_, place) => place !== at));
    if (at >= 0 && before === undefined)
      return isUnchanged(all[at]!, item)
        ? value
        : make(all.map((each, place) => (place === at ? item : each)));
    const rest = all.filter((_, place) => place !== at);
    const found =
      before === undefined || before === null ? -1 : rest.findIndex((each) => keyOf(each) === before);
    const place = found < 0 ? rest.length : found;
    const next = [...rest.slice(0, place), item, ...rest.slice(place)];
    const made = make(next);
    const stays = items(made).every((each, at) => all[at] !== undefined && keyOf(all[at]) === keyOf(each));
    return at >= 0 && stays && isUnchanged(all[at]!, item) ? value : made;
  };

  const next = (value: Value, key: string): string | null | undefined => {
    if (!ordered) return undefined;
    const all = items(value);
    const after = all[all.findIndex((each) => keyOf(each) === key) + 1];
    return after === undefined ? null : keyOf(after);
  };

  /** From the end on, so that what a decision is put before is there already. */
  const changes = (old: Value, now: Value): Change<Item>[] => {
    const [was, is] = [index(old), index(now)];
    const keys = [...is.keys()];
    const gone = [...was.keys()].filter((key) => !is.has(key)).map((key) => ({ key, item: null }));
    const moved = new Set(ordered ? movedBetween([...was.keys()], keys) : []);
    const shared = items(old).find((item) => !isOwn(item));
    const last = shared === undefined ? null : keyOf(shared);
    const set = keys.flatMap((key, at): Change<Item>[] => {
      const item = is.get(key)!;
      const stays = was.has(key) && !moved.has(key);
      if (stays) return isUnchanged(was.get(key)!, item) ? [] : [{ key, item }];
      return [{ key, item, ...(ordered ? { before: keys[at + 1] ?? last } : {}) }];
    });
    return [...gone, ...set.reverse()];
  };

  return { items, from, keyOf, isOwn, same, differences, apply, merge, replace, set, next, changes };
}

/** The order of the side that changed it, mine where both did, with what the other brings behind its neighbours there. */
export function mergeOrderOf(
  [base, mine, theirs]: Three<readonly string[]>,
  kept: ReadonlySet<string>,
): string[] {
  const known = new Set(base);
  const here = new Set(mine);
  const isMoved = !sameValue(
    mine.filter((key) => known.has(key)),
    base.filter((key) => here.has(key)),
  );
  const [first, second] = isMoved ? [mine, theirs] : [theirs, mine];
  const still = (keys: readonly string[]) => keys.filter((key) => kept.has(key));
  return insertKeys(still(first), still(second));
}
