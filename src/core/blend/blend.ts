import type { AdditiveList, BlendAct, ListEntry, Marks } from "../model/additive-list";
import { actsOf, BlendedList, type Act } from "./blended-list";
import { clashesOf, mastersThrough, type BlendClash, type Turn } from "./clashes";
import { sameEntries } from "./places";

/** A plugin that loads, with what it says of additive lists. */
export interface Blended {
  readonly name: string;
  /** Places in the load order of its direct masters that load. */
  readonly masters: readonly number[];
  /** Of a record that stands in it twice the last one counts. */
  readonly lists: readonly AdditiveList[];
  /** Undefined where nobody has marked it: what it adds counts. */
  readonly marks: Marks | undefined;
}

/** What a curator has decided about a blend. */
export interface BlendDecisions {
  /** Whose act holds where plugins clash, by `decisionKey`. */
  readonly winners: ReadonlyMap<string, string>;
  /** Records that are blended though the plugin that has them last says never. */
  readonly over: ReadonlySet<string>;
  /** Records that are left as they are. */
  readonly leave: ReadonlySet<string>;
}

export const nothingDecidedOfBlend: BlendDecisions = {
  winners: new Map(),
  over: new Set(),
  leave: new Set(),
};
export const decisionKey = (record: string, name: string): string => `${record}\u0000${name}`;

export interface BlendList extends AdditiveList {
  /** By name, the plugin that last set or altered its places. */
  readonly from: ReadonlyMap<string, string>;
  /** The first plugin that has it, and every one whose places or changes are in it. */
  readonly hands: ReadonlySet<string>;
}

/** `equal`: the last plugin that has it says the same; `never-last`: that one must not be blended over; `decided`: the curator wants it so. */
export interface LeftList {
  readonly record: string;
  readonly why: "equal" | "never-last" | "decided";
}

export interface Blend {
  readonly lists: readonly BlendList[];
  readonly left: readonly LeftList[];
  readonly clashes: readonly BlendClash[];
  /** Records that stand in one plugin twice. */
  readonly doubled: readonly { readonly plugin: string; readonly record: string }[];
}

const unmarked: readonly BlendAct[] = ["adds"];
export const countsOf = (marks: Marks | undefined): readonly BlendAct[] =>
  marks === "never" ? [] : (marks ?? unmarked);

/** A record as those plugins have it that have it, by their places in the load order. */
type Versions = ReadonlyMap<number, readonly ListEntry[]>;

const originOf = (versions: Versions): number => versions.keys().next().value!;

/** One list of each record that several plugins have, of all that load, in load order; earlier blends are none of them. */
export function blend(plugins: readonly Blended[], decisions: BlendDecisions = nothingDecidedOfBlend): Blend {
  const isMasterOf = mastersThrough(plugins.map(({ masters }) => masters));
  const lists: BlendList[] = [];
  const left: LeftList[] = [];
  const clashes: BlendClash[] = [];
  const { versions, doubled } = versionsByRecord(plugins);
  for (const [record, own] of versions) {
    if (own.size < 2) continue;
    const turns = turnsOf(plugins, own);
    const found = clashesOf(turns, isMasterOf);
    const winners = winnersOf(plugins, record, found, decisions);
    clashes.push(...toldClashes(plugins, record, found, winners));
    if (decisions.leave.has(record)) {
      left.push({ record, why: "decided" });
      continue;
    }
    const last = [...own.keys()].at(-1)!;
    if (plugins[last]!.marks === "never" && !decisions.over.has(record)) {
      left.push({ record, why: "never-last" });
      continue;
    }
    const list = blended(plugins, own, turns, found, winners);
    if (sameEntries(list.entries, own.get(last)!)) left.push({ record, why: "equal" });
    else {
      const hands = new Set([plugins[originOf(own)]!.name, ...list.hands]);
      lists.push({ record, entries: [...list.entries], from: list.from, hands });
    }
  }
  return { lists, left, clashes, doubled };
}

/** By record, in the order of the first plugin that has it and of its place there. */
export function versionsByRecord(plugins: readonly Blended[]) {
  const versions = new Map<string, Map<number, readonly ListEntry[]>>();
  const doubled: { plugin: string; record: string }[] = [];
  for (const [place, { name, lists }] of plugins.entries()) {
    const lastAt = new Map(lists.map(({ record }, at) => [record, at]));
    const told = new Set<string>();
    for (const [at, { record, entries }] of lists.entries()) {
      if (lastAt.get(record) !== at) {
        if (!told.has(record)) doubled.push({ plugin: name, record });
        told.add(record);
        continue;
      }
      const known = versions.get(record);
      if (known) known.set(place, entries);
      else versions.set(record, new Map([[place, entries]]));
    }
  }
  return { versions, doubled };
}

/** What each plugin but the first does that counts. */
function turnsOf(plugins: readonly Blended[], versions: Versions): Turn[] {
  const [, ...others] = versions;
  return others.map(([plugin]) => {
    const counted = countsOf(plugins[plugin]!.marks);
    if (counted.length === 0) return { plugin, acts: [] };
    return {
      plugin,
      acts: actsUpon(plugins, plugin, versions).filter(({ does }) => counted.includes(does)),
    };
  });
}

/** All that a plugin does to a record, whether it counts or not: against the version of the latest of its masters that has it. */
export function actsUpon(plugins: readonly Blended[], plugin: number, versions: Versions): Act[] {
  const { masters } = plugins[plugin]!;
  const base = Math.max(...masters.filter((master) => master < plugin && versions.has(master)));
  return actsOf(versions.get(base) ?? [], versions.get(plugin)!);
}

/** By name, the place of the plugin whose act holds. */
function winnersOf(
  plugins: readonly Blended[],
  record: string,
  clashes: ReadonlyMap<string, readonly number[]>,
  { winners }: BlendDecisions,
): ReadonlyMap<string, number> {
  return new Map(
    [...clashes].map(([name, by]) => {
      const wanted = winners.get(decisionKey(record, name));
      return [name, by.find((place) => plugins[place]!.name === wanted) ?? by.at(-1)!];
    }),
  );
}

const toldClashes = (
  plugins: readonly Blended[],
  record: string,
  clashes: ReadonlyMap<string, readonly number[]>,
  winners: ReadonlyMap<string, number>,
): BlendClash[] =>
  [...clashes]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([name, by]) => ({
      record,
      name,
      by: by.map((place) => plugins[place]!.name),
      won: plugins[winners.get(name)!]!.name,
    }));

/** All turns, less what a decision for an earlier plugin takes from those behind it. */
function blended(
  plugins: readonly Blended[],
  versions: Versions,
  turns: readonly Turn[],
  clashes: ReadonlyMap<string, readonly number[]>,
  winners: ReadonlyMap<string, number>,
): BlendedList {
  const origin = originOf(versions);
  const list = new BlendedList(plugins[origin]!.name, versions.get(origin)!);
  for (const { plugin, acts } of turns) {
    const isOverruled = (name: string) =>
      clashes.get(name)?.includes(plugin) === true && plugin > winners.get(name)!;
    const counted = acts.filter(({ does, name }) => does === "adds" || !isOverruled(name));
    list.turn(plugins[plugin]!.name, versions.get(plugin)!, counted);
  }
  return list;
}
