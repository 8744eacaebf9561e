/** Who wins what in a profile: the files of its mods, by the order of the mods, and the records of its plugins, by theirs. */
import { movedPlaces } from "../graph/moved";
import { hashDigits, unknownHash } from "../model/packed-files";
import type { ListName } from "../model/profile";
import { leavesOut } from "../roster/left-out";
import { chosenParts } from "../roster/parts";
import type { Roster, SeatedMod, SeatedPlugin } from "../roster/roster";
import { ownContent, type ContentLibrary } from "./content-library";
import type { Contents } from "./contents";
import { ProviderIndex, type Provides } from "./provider-index";

/** Files go by the order of the mods, records by that of the plugins. */
export const contestedIn = { files: "mods", records: "plugins" } as const satisfies Record<string, ListName>;
export type Contested = keyof typeof contestedIn;

/**
 * Why an item does not provide what it brings: it does not load, a part is not taken, the profile leaves it out, or the packed file in
 * which it lies loses its path.
 */
export type NotProvided = "off" | "part" | "left-out" | "container";

const all: Provides = () => true;
const none: Provides = () => false;

/** One of the two lists as an index knows it. */
interface Indexed<Item> {
  readonly index: ProviderIndex;
  /** By the numbers that the index has for them. */
  readonly contents: readonly Contents[];
  readonly ids: readonly string[];
  readonly numberOf: ReadonlyMap<string, number>;
  shown: ReadonlyMap<string, Item>;
  /** Of the mods' list those that are on, whose files the game has. */
  expansions?: readonly string[];
  places: Int32Array;
}

/** Who provides what differently; of files first by path, of records by name. "": the game itself; null: nobody. */
export interface HandChange {
  readonly key: string;
  readonly from: string | null;
  readonly to: string | null;
}

export interface HandChanges {
  readonly files: readonly HandChange[];
  readonly records: readonly HandChange[];
}

/** The contents that a profile needs to be known. */
export const contentsNeeded = (roster: Roster): string[] => [
  ...new Set(roster.mods.flatMap(({ mod }) => mod?.content ?? [])),
];

export class Conflicts {
  private mods: Indexed<SeatedMod> | null = null;
  private plugins: Indexed<SeatedPlugin> | null = null;
  /** Another number whenever something is provided that was not, or the other way round; not where things only move. */
  provided = 0;

  /** The library has to know all that a roster needs before it is shown. */
  constructor(readonly library: ContentLibrary) {}

  get files(): ProviderIndex {
    return this.mods!.index;
  }

  get records(): ProviderIndex {
    return this.plugins!.index;
  }

  /** The id of an item of the files' index; "" is the game itself. */
  modId = (item: number): string => this.mods!.ids[item]!;
  pluginId = (item: number): string => this.plugins!.ids[item]!;
  /** Whether a plugin is the game's own. */
  isOwnPlugin = (id: string): boolean => this.plugins!.shown.get(id)?.fixed === true;
  modNumber = (id: string): number => this.mods!.numberOf.get(id) ?? -1;
  pluginNumber = (id: string): number => this.plugins!.numberOf.get(id) ?? -1;
  path = (key: number): string => this.library.paths.text(key);
  record = (key: number): string => this.library.records.text(key);

  idOf = (of: Contested, item: number): string => (of === "files" ? this.modId(item) : this.pluginId(item));
  numberOf = (of: Contested, id: string): number =>
    of === "files" ? this.modNumber(id) : this.pluginNumber(id);
  nameOf = (of: Contested, key: number): string => (of === "files" ? this.path(key) : this.record(key));
  keyOf = (of: Contested, name: string): number =>
    this.library[of === "files" ? "paths" : "records"].find(name);

  /** All that an item could provide, by its key, with why it does not; null where it does. */
  broughtBy(of: Contested, id: string): Map<number, NotProvided | null> {
    const brought = new Map<number, NotProvided | null>();
    const item = this.numberOf(of, id);
    if (item < 0) return brought;
    const { keys } = (of === "files" ? this.mods! : this.plugins!).contents[item]!;
    for (const [at, key] of keys.entries()) {
      if (brought.get(key) === null) continue;
      brought.set(key, this[of].isProvided(item, at) ? null : this.whyNot(of, id, at));
    }
    return brought;
  }

  private whyNot(of: Contested, id: string, at: number): NotProvided {
    if (of === "records") return "off";
    const { contents, numberOf, shown } = this.mods!;
    const mod = shown.get(id);
    if (!mod || !isThere(mod)) return "off";
    const { keys, parts, partKeys } = contents[numberOf.get(id)!]!;
    if (parts && parts[at]! >= 0 && !chosenParts(mod.taken).has(partKeys[parts[at]!]!)) return "part";
    return leavesOut(mod.leftOut)(this.path(keys[at]!)) ? "left-out" : "container";
  }

  /** Of a file of a mod the part of its package that brings it; null where it always comes. */
  partOf(id: string, at: number): string | null {
    const { contents, numberOf } = this.mods!;
    const { parts, partKeys } = contents[numberOf.get(id)!]!;
    return parts && parts[at]! >= 0 ? (partKeys[parts[at]!] ?? null) : null;
  }

  /** Of a file of a mod the path of the packed file in which it lies; null where it lies loose. */
  containerOf(id: string, at: number): string | null {
    const { contents, numberOf } = this.mods!;
    const { inside, keys } = contents[numberOf.get(id)!]!;
    return inside && inside[at]! >= 0 ? this.path(keys[inside[at]!]!) : null;
  }

  /** Of each part of a mod that is taken what its files are called and hold, as one text; of what was not read that is not known, and not said. */
  partPrints(id: string): { readonly part: string; readonly print: string }[] {
    const item = this.modNumber(id);
    const { keys, hashes, parts, partKeys } = this.mods!.contents[item]!;
    if (!parts || !hashes) return [];
    const files = new Map<number, string[]>();
    for (const [at, part] of parts.entries()) {
      if (part < 0 || !this.files.isProvided(item, at)) continue;
      const print = `${keys[at]} ${hashes.slice(at * hashDigits, (at + 1) * hashDigits)}`;
      const known = files.get(part);
      if (known) known.push(print);
      else files.set(part, [print]);
    }
    return [...files]
      .filter(([, prints]) => !prints.some((print) => print.endsWith(unknownHash)))
      .map(([part, prints]) => ({ part: partKeys[part]!, print: prints.sort().join("\n") }));
  }

  /** Brings everything to what a roster says; what has not changed is not looked at again. */
  show(roster: Roster): void {
    this.showMods(roster);
    this.showPlugins(roster);
  }

  /** What would change hands if a roster were shown; all stays as it is. */
  preview(now: Roster, then: Roster): HandChanges {
    if (!this.holdsSame(then)) {
      const other = new Conflicts(this.library);
      other.show(then);
      return changesBetween(this, other);
    }
    const { provided } = this;
    this.show(then);
    const changes = {
      files: this.said(this.mods!, this.path),
      records: this.said(this.plugins!, this.record),
    };
    this.show(now);
    this.provided = provided;
    return changes;
  }

  /** Whether a roster is of the same mods in the same contents, so that it can be shown in place. */
  private holdsSame = ({ mods, plugins }: Roster): boolean =>
    isSame(this.mods, this.contentsOfMods(mods)) && isSame(this.plugins, this.contentsOfPlugins(plugins));

  private contentsOfMods = (mods: readonly SeatedMod[]): Brings[] => [
    { id: ownContent, contents: this.library.filesOf(ownContent) },
    ...mods.map(({ id, mod }) => ({ id, contents: this.library.filesOf(mod?.content ?? null) })),
  ];

  private contentsOfPlugins = (plugins: readonly SeatedPlugin[]): Brings[] =>
    plugins.map(({ id, fixed, mod }) => ({
      id,
      contents: this.library.recordsOf(fixed ? ownContent : (mod?.mod?.content ?? null), id),
    }));

  private showMods({ mods, profile }: Roster): void {
    const brings = this.contentsOfMods(mods);
    const isNew = !isSame(this.mods, brings);
    if (isNew) this.mods = indexed(brings, this.library.paths.size, true);
    const known = this.mods!;
    const changed = new Map<number, Provides>();
    const { expansions } = profile.state;
    if (known.expansions !== expansions) changed.set(0, this.ownProvided(expansions, known));
    known.expansions = expansions;
    for (const mod of mods) {
      const before = known.shown.get(mod.id);
      if (before && decidesSame(before, mod)) continue;
      changed.set(known.numberOf.get(mod.id)!, this.providesOf(mod, known));
    }
    if (isNew || changed.size > 0) this.provided++;
    update(known, [ownContent, ...mods.map(({ id }) => id)], changed);
    known.shown = new Map(mods.map((mod) => [mod.id, mod]));
  }

  private ownProvided(expansions: readonly string[], { contents }: Indexed<SeatedMod>): Provides {
    const { parts, partKeys } = contents[0]!;
    const isOn = partKeys.map((key) => expansions.includes(key));
    return (at) => parts === null || parts[at]! < 0 || isOn[parts[at]!]!;
  }

  private providesOf(mod: SeatedMod, { contents, numberOf }: Indexed<SeatedMod>): Provides {
    if (!isThere(mod)) return none;
    const { keys, parts, partKeys } = contents[numberOf.get(mod.id)!]!;
    const taken = chosenParts(mod.taken);
    const isTaken = partKeys.map((key) => taken.has(key));
    const isLeftOut = mod.leftOut.length === 0 ? null : leavesOut(mod.leftOut);
    return (at) =>
      (parts === null || parts[at]! < 0 || isTaken[parts[at]!]!) && !isLeftOut?.(this.path(keys[at]!));
  }

  private showPlugins({ plugins }: Roster): void {
    const brings = this.contentsOfPlugins(plugins);
    const isNew = !isSame(this.plugins, brings);
    if (isNew) this.plugins = indexed(brings, this.library.records.size, false);
    const known = this.plugins!;
    const changed = new Map<number, Provides>();
    for (const plugin of plugins)
      if (known.shown.get(plugin.id)?.loads !== plugin.loads)
        changed.set(known.numberOf.get(plugin.id)!, plugin.loads ? all : none);
    if (isNew || changed.size > 0) this.provided++;
    update(
      known,
      plugins.map(({ id }) => id),
      changed,
    );
    known.shown = new Map(plugins.map((plugin) => [plugin.id, plugin]));
  }

  private said<Item>({ index, ids }: Indexed<Item>, name: (key: number) => string): HandChange[] {
    return index
      .changes()
      .map(({ key, from, to }) => ({ key: name(key), from: ids[from] ?? null, to: ids[to] ?? null }));
  }
}

interface Brings {
  readonly id: string;
  readonly contents: Contents;
}

/** A mod that is on and lies on the shelf. */
const isThere = ({ loads, mod, gone }: SeatedMod): boolean => loads && mod !== null && !gone;

const decidesSame = (a: SeatedMod, b: SeatedMod): boolean =>
  isThere(a) === isThere(b) && a.taken === b.taken && a.leftOut === b.leftOut;

/** The same items with the same contents, in whatever order. */
const isSame = (known: Indexed<unknown> | null, brings: readonly Brings[]): boolean =>
  known?.ids.length === brings.length &&
  brings.every(({ id, contents }) => {
    const number = known.numberOf.get(id);
    return number !== undefined && known.contents[number] === contents;
  });

function indexed<Item>(brings: readonly Brings[], keys: number, own: boolean): Indexed<Item> {
  const contents = brings.map((each) => each.contents);
  return {
    index: new ProviderIndex(contents, keys, own),
    contents,
    ids: brings.map(({ id }) => id),
    numberOf: new Map(brings.map(({ id }, number) => [id, number])),
    shown: new Map(),
    places: Int32Array.from(brings, (_, place) => place),
  };
}

/** `order`: the ids as they stand now. */
function update<Item>(
  known: Indexed<Item>,
  order: readonly string[],
  changed: ReadonlyMap<number, Provides>,
): void {
  const places = new Int32Array(order.length);
  for (const [place, id] of order.entries()) places[known.numberOf.get(id)!] = place;
  const moved = movedPlaces(known.places, places);
  known.places = places;
  known.index.update(places, moved, changed);
}

/** Of two indexes over one library. */
function changesBetween(before: Conflicts, after: Conflicts): HandChanges {
  const changes = (
    kind: "files" | "records",
    idOf: (of: Conflicts, item: number) => string,
    name: (key: number) => string,
  ) => {
    const [one, other] = [before[kind], after[kind]];
    const found: HandChange[] = [];
    for (let key = 0; key < Math.max(one.keys, other.keys); key++) {
      const [from, to] = (
        [
          [before, one],
          [after, other],
        ] as const
      ).map(([of, index]) => {
        const winner = key < index.keys ? index.winnerOf(key) : -1;
        return winner < 0 ? null : idOf(of, winner);
      });
      if (from !== to) found.push({ key: name(key), from: from!, to: to! });
    }
    return found;
  };
  return {
    files: changes("files", (of, item) => of.modId(item), after.path),
    records: changes("records", (of, item) => of.pluginId(item), after.record),
  };
}
