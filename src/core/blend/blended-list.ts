import { remembered } from "../remembered";
import type { ListEntry } from "../model/additive-list";
import { placeOf, placesByName, samePlaces, unionOf, type Places } from "./places";

/** What one plugin does to a name of a list. */
export type Act =
  | { readonly does: "adds" | "changes"; readonly name: string; readonly places: Places }
  | { readonly does: "removes"; readonly name: string };

/** Many plugins build on one list. */
const placesOf = remembered(placesByName);

/** What a version does against what it builds on: all removals first, then changes, then additions. */
export function actsOf(base: readonly ListEntry[], version: readonly ListEntry[]): Act[] {
  const [before, after] = [placesOf(base), placesOf(version)];
  const removes = [...before.keys()].filter((name) => !after.has(name));
  const kept = [...after].filter(([name]) => before.has(name));
  return [
    ...removes.map((name): Act => ({ does: "removes", name })),
    ...kept
      .filter(([name, places]) => !samePlaces(before.get(name)!, places))
      .map(([name, places]): Act => ({ does: "changes", name, places })),
    ...[...after]
      .filter(([name]) => !before.has(name))
      .map(([name, places]): Act => ({ does: "adds", name, places })),
  ];
}

/** A list while plugins take their turns at it. */
export class BlendedList {
  private list: readonly ListEntry[];
  private readonly setBy: Map<string, string>;
  /** Whose places or removal make a name what it is. */
  private readonly madeBy: Map<string, readonly string[]>;

  constructor(origin: string, entries: readonly ListEntry[]) {
    this.list = entries;
    this.setBy = new Map(entries.map(({ name }) => [name, origin]));
    this.madeBy = new Map(entries.map(({ name }) => [name, [origin]]));
  }

  get entries(): readonly ListEntry[] {
    return this.list;
  }

  /** Which plugin last set or altered the places of each name that is in the list. */
  get from(): ReadonlyMap<string, string> {
    return this.setBy;
  }

  /** Every plugin whose places or changes are in it. */
  get hands(): ReadonlySet<string> {
    return new Set([...this.madeBy.values()].flat());
  }

  /** What is new comes to the end of the list, in the order of the plugin's own. */
  turn(plugin: string, version: readonly ListEntry[], acts: readonly Act[]): void {
    if (acts.length === 0) return;
    const touched = new Set(acts.map(({ name }) => name));
    const present = placesByName(this.list.filter(({ name }) => touched.has(name)));
    const wanted = new Map<string, Places>();
    for (const act of acts) {
      const { name } = act;
      if (act.does === "removes") wanted.set(name, new Map());
      else
        wanted.set(
          name,
          act.does === "adds" ? unionOf(present.get(name) ?? new Map(), act.places) : act.places,
        );
    }
    const kept = this.keep(wanted);
    const added = comingFrom(version, wanted, kept);
    if (added.length > 0) this.list = [...this.list, ...added];
    for (const { does, name } of acts) {
      const before = present.get(name);
      if (does === "removes") {
        this.setBy.delete(name);
        if (before) this.madeBy.set(name, [plugin]);
      } else if (does === "changes" || !before) this.sets(name, [plugin]);
      else if (!samePlaces(before, wanted.get(name)!)) this.sets(name, [...this.madeBy.get(name)!, plugin]);
    }
  }

  /** The last of them set or altered it last. */
  private sets(name: string, plugins: readonly string[]): void {
    this.setBy.set(name, plugins.at(-1)!);
    this.madeBy.set(name, plugins);
  }

  /** Of the names that are touched only what stays, of several equal entries the first; answers how many of each stay. */
  private keep(wanted: ReadonlyMap<string, Places>): Map<string, Map<number, number>> {
    const kept = new Map([...wanted.keys()].map((name) => [name, new Map<number, number>()]));
    this.list = this.list.filter((entry) => {
      const counts = kept.get(entry.name);
      if (!counts) return true;
      const place = placeOf(entry);
      const count = counts.get(place) ?? 0;
      if (count >= (wanted.get(entry.name)!.get(place) ?? 0)) return false;
      counts.set(place, count + 1);
      return true;
    });
    return kept;
  }
}

/** The entries of a version that are not there yet: of several equal ones the first are those that are. */
function comingFrom(
  version: readonly ListEntry[],
  wanted: ReadonlyMap<string, Places>,
  kept: ReadonlyMap<string, ReadonlyMap<number, number>>,
): ListEntry[] {
  const passed = new Map<string, Map<number, number>>();
  return version.filter((entry) => {
    const places = wanted.get(entry.name);
    if (!places) return false;
    const place = placeOf(entry);
    let counts = passed.get(entry.name);
    if (!counts) passed.set(entry.name, (counts = new Map<number, number>()));
    const count = (counts.get(place) ?? 0) + 1;
    counts.set(place, count);
    return count > (kept.get(entry.name)?.get(place) ?? 0) && count <= (places.get(place) ?? 0);
  });
}
