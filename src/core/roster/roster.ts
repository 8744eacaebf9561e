import type { Counting, GameDefinition, LoadRank, Section } from "../model/game";
import type { ItemId, ModId, PluginId } from "../model/ids";
import type { Choice, Entry, ListName, Order, Profile, SheetNumber } from "../model/profile";
import { compareVersions } from "../version/version";
import type { Rulebook } from "../model/rulebook";
import type { PluginFile, ShelfMod } from "../model/shelf";
import { remembered } from "../remembered";
import { foldName } from "./fold";
import { noOverlaps, type Overlaps } from "./overlaps";
import { leavesOut, leftOutByMod } from "./left-out";
import { countingOf, fixedPlugins, loadRankOf, modRank } from "./laws";
import { chosenParts, hasParts, proposedChoice, takenOf } from "./parts";
import { seatsOf } from "./seats";

/** What lies on the disk: the game's own plugins, the owned expansions, and the shelf. */
export interface Stock {
  readonly base: readonly PluginFile[];
  readonly owned: readonly string[];
  readonly shelf: readonly ShelfMod[];
  /** What is known of contents that a profile pins and that are not on the shelf any more. */
  readonly kept: readonly ShelfMod[];
  /** Ids of the mods that are their user's own work: profiles follow their contents. */
  readonly ownWork: readonly ModId[];
  /** Paths of the shelf of which their user has said what they are. */
  readonly identified: readonly string[];
  /** Every rulebook of the game that was brought in; a profile says by which it goes. */
  readonly books: readonly Rulebook[];
}

/** Of a game of which nothing lies anywhere. */
export const emptyStock: Stock = {
  base: [],
  owned: [],
  shelf: [],
  kept: [],
  ownWork: [],
  identified: [],
  books: [],
};

/** What an item of either order has. */
interface Seated<Id extends ItemId> {
  readonly id: Id;
  readonly entry: Entry<Id>;
  readonly place: number;
  readonly seat: string;
  readonly section: Section | null;
  readonly rank: LoadRank;
  /** Built in: always loads, cannot be moved or switched off. */
  readonly fixed: boolean;
  /** A mod is on; a plugin is on and so is its mod, or it is built in. */
  readonly loads: boolean;
}

export interface SeatedMod extends Seated<ModId> {
  readonly list: "mods";
  /** In the contents that the profile pins; null where nothing is known of them. */
  readonly mod: ShelfMod | null;
  /** These contents are not on the shelf, whatever is known of them. */
  readonly gone: boolean;
  /** What of its package the profile takes; of a mod without parts nothing is to be chosen. */
  readonly choice: Choice;
  /** What of that choice counts here: a part whose condition does not hold is not taken. */
  readonly taken: Choice;
  /** The files and folders of it that the profile leaves out. */
  readonly leftOut: readonly string[];
}

interface Master {
  readonly name: string;
  /** The item of the profile that it names; null if it is missing. */
  readonly id: PluginId | null;
}

export interface SeatedPlugin extends Seated<PluginId> {
  readonly list: "plugins";
  readonly counting: Counting | null;
  readonly file: PluginFile | null;
  /** The mod that supplies it: of several that are on, the one that loads later. */
  readonly mod: SeatedMod | null;
  /**
   * Why that mod does not bring it, though both are on: its part is not chosen, the profile leaves its file out, or the contents
   * that the profile pins are not on the shelf.
   */
  readonly withheld: Withheld | null;
  readonly masters: readonly Master[];
}

type Withheld = "part" | "left-out" | "gone";

export type SeatedItem = SeatedMod | SeatedPlugin;

/** One of the two orders with what stands in it. */
export interface SeatedList<Item extends SeatedItem = SeatedItem> {
  readonly name: ListName;
  readonly sections: Order["sections"];
  readonly ranks: readonly LoadRank[];
  readonly items: readonly Item[];
  readonly itemOf: ReadonlyMap<string, Item>;
  /** Those that a curator keeps of both orders. */
  readonly numbers: readonly SheetNumber[];
}

/** A profile with everything that its game and the shelf say about its items. */
export interface Roster {
  readonly game: GameDefinition;
  readonly profile: Profile;
  readonly stock: Stock;
  readonly lists: { readonly mods: SeatedList<SeatedMod>; readonly plugins: SeatedList<SeatedPlugin> };
  readonly mods: readonly SeatedMod[];
  readonly modOf: ReadonlyMap<string, SeatedMod>;
  readonly plugins: readonly SeatedPlugin[];
  readonly pluginOf: ReadonlyMap<string, SeatedPlugin>;
  readonly idOfName: ReadonlyMap<string, PluginId>;
  readonly overlaps: Overlaps;
}

/** The item of this id in either list; ids of plugins are names of files and so no ids of mods. */
export const findItem = (roster: Roster, id: string): SeatedItem | undefined =>
  roster.pluginOf.get(id) ?? roster.modOf.get(id);

/** What an item is called. */
export const titleOf = (item: SeatedItem): string =>
  item.list === "mods" ? (item.mod?.name ?? item.id) : item.id;

export function titleOfId(roster: Roster, id: string): string {
  const item = findItem(roster, id);
  return item ? titleOf(item) : id;
}

/** An item as plain text calls it: its seat, if it has one, and its name. */
export function seatAndTitle(roster: Roster, id: string): string {
  const item = findItem(roster, id);
  return item ? `${item.seat} ${titleOf(item)}` : id;
}

/** Which of two shelf entries of one mod counts where nothing pins the other: the newer, then the later name. */
function isNewer(a: ShelfMod, b: ShelfMod): boolean {
  return (compareVersions(a.version, b.version) || (a.path > b.path ? 1 : -1)) > 0;
}

/** The shelf by id and by content, and what is kept beside it by content, worked out once for a stock. */
interface ShelfIndex {
  readonly byId: ReadonlyMap<string, ShelfMod>;
  readonly byContent: ReadonlyMap<string, ShelfMod>;
  readonly kept: ReadonlyMap<string, ShelfMod>;
}

const indexShelf = remembered((stock: Stock): ShelfIndex => ({
  byId: newestById(stock.shelf),
  byContent: contentsOf(stock.shelf),
  kept: contentsOf(stock.kept),
}));

const contentsOf = (mods: readonly ShelfMod[]) =>
  new Map(mods.filter((mod) => !mod.problem).map((mod) => [`${mod.id} ${mod.content}`, mod]));

/** The newest version of a mod that lies on the shelf; undefined where none does. */
export const newestHere = (stock: Stock, id: string): ShelfMod | undefined => indexShelf(stock).byId.get(id);

/** The sound mods of the shelf by id, of several versions the newest. */
export function newestById(shelf: readonly ShelfMod[]): Map<string, ShelfMod> {
  const byId = new Map<string, ShelfMod>();
  for (const mod of shelf) {
    if (mod.problem) continue;
    const known = byId.get(mod.id);
    if (!known || isNewer(mod, known)) byId.set(mod.id, mod);
  }
  return byId;
}

/**
 * What an earlier roster of the same stock and mods has found is taken over from `before`; items with nothing new to
 * say of them stay the same objects.
 */
export function makeRoster(
  game: GameDefinition,
  profile: Profile,
  stock: Stock,
  before?: Roster,
  overlaps: Overlaps = before?.overlaps ?? noOverlaps,
): Roster {
  const sameGround = before?.stock === stock && before.game === game ? before : null;
  const mods = listMods(profile, stock, sameGround);
  const sameMods = sameGround?.lists.mods === mods ? sameGround : null;
  const suppliers = sameMods ? suppliersKnown.get(mods.items)! : suppliersOf(game, mods.items);
  suppliersKnown.set(mods.items, suppliers);
  const known = sameMods && holdsTheSame(sameMods, profile) ? sameMods : null;
  const idOfName =
    known?.idOfName ?? new Map(profile.state.plugins.entries.map(({ id }) => [foldName(game, id), id]));
  const items = seatPlugins(profile, describer(game, profile, stock, suppliers, idOfName), known);
  const plugins: SeatedList<SeatedPlugin> = {
    name: "plugins",
    sections: profile.state.plugins.sections,
    ranks: game.loadRanks,
    items,
    itemOf: known?.plugins === items ? known.pluginOf : new Map(items.map((plugin) => [plugin.id, plugin])),
    numbers: profile.state.numbers,
  };
  return {
    game,
    profile,
    stock,
    lists: { mods, plugins },
    mods: mods.items,
    modOf: mods.itemOf,
    plugins: plugins.items,
    pluginOf: plugins.itemOf,
    idOfName,
    overlaps,
  };
}

/** The same plugins under the same sections and expansions, in whatever order. */
function holdsTheSame({ profile: old, pluginOf }: Roster, { state }: Profile): boolean {
  const { entries, sections } = state.plugins;
  return (
    old.state.plugins.sections === sections &&
    old.state.expansions === state.expansions &&
    old.state.plugins.entries.length === entries.length &&
    entries.every((entry) => pluginOf.has(entry.id))
  );
}

function listMods({ state }: Profile, stock: Stock, before: Roster | null): SeatedList<SeatedMod> {
  const old = before?.profile.state;
  const isSame =
    old?.mods === state.mods &&
    old.choices === state.choices &&
    old.leftOut === state.leftOut &&
    old.expansions === state.expansions;
  if (isSame)
    return old.numbers === state.numbers
      ? before!.lists.mods
      : { ...before!.lists.mods, numbers: state.numbers };
  const { byId, byContent, kept } = indexShelf(stock);
  const { sections, entries } = state.mods;
  const sectionOf = new Map(sections.map((section) => [section.id, section]));
  const seats = seatsOf(state.mods);
  const choices = new Map(state.choices.map((choice) => [choice.mod, choice]));
  const leftOut = leftOutByMod(state.leftOut);
  const on = new Set(entries.filter((entry) => entry.on).map(({ id }) => id));
  const present = { isModOn: (id: string) => on.has(id as ModId), expansions: state.expansions };
  const items = entries.map((entry, place): SeatedMod => {
    const pinned = `${entry.id} ${entry.content}`;
    const here = entry.content === undefined ? byId.get(entry.id) : byContent.get(pinned);
    const mod = here ?? kept.get(pinned) ?? null;
    const manifest = mod?.manifest ?? null;
    const choice = choices.get(entry.id) ?? (mod ? proposedBy(mod) : proposedChoice(entry.id, null));
    return {
      list: "mods",
      id: entry.id,
      entry,
      place,
      seat: seats.get(entry.id)!,
      section: sectionOf.get(entry.section) ?? null,
      rank: modRank,
      fixed: false,
      loads: entry.on,
      mod,
      gone: !here,
      choice,
      taken: hasParts(manifest) ? takenOf(choice, manifest, present) : choice,
      leftOut: leftOut.get(entry.id) ?? nothing,
    };
  });
  return {
    name: "mods",
    sections,
    ranks: [modRank],
    items,
    itemOf: new Map(items.map((mod) => [mod.id, mod])),
    numbers: state.numbers,
  };
}

const nothing: readonly string[] = [];

/** One object for a mod, by which is seen that nothing changed. */
const proposedBy = remembered(({ id, manifest }: ShelfMod) => proposedChoice(id, manifest));

interface Supplier extends Pick<SeatedPlugin, "withheld"> {
  readonly mod: SeatedMod;
  readonly file: PluginFile;
}

type Suppliers = ReadonlyMap<string, Supplier>;

/** By the seated mods that it was worked out for. */
const suppliersKnown = new WeakMap<readonly SeatedMod[], Suppliers>();

type Description = Omit<SeatedPlugin, "place" | "seat">;

function seatPlugins(
  { state }: Profile,
  describe: (entry: Entry<PluginId>) => Description,
  known: Roster | null,
): readonly SeatedPlugin[] {
  const seats = seatsOf(state.plugins);
  const plugins = state.plugins.entries.map((entry, place) => {
    const seat = seats.get(entry.id)!;
    const beside = known?.plugins[place];
    const old = beside?.entry === entry ? beside : known?.pluginOf.get(entry.id);
    if (old?.entry !== entry) return seated(describe(entry), place, seat);
    return old.place === place && old.seat === seat ? old : seated(old, place, seat);
  });
  return known && plugins.every((plugin, place) => plugin === known.plugins[place]) ? known.plugins : plugins;
}

/** Field by field, for spread objects come in as many hidden classes as there are plugins, and all that reads them is slow. */
const seated = (plugin: Description, place: number, seat: string): SeatedPlugin => ({
  list: plugin.list,
  id: plugin.id,
  entry: plugin.entry,
  place,
  seat,
  section: plugin.section,
  rank: plugin.rank,
  fixed: plugin.fixed,
  loads: plugin.loads,
  counting: plugin.counting,
  file: plugin.file,
  mod: plugin.mod,
  withheld: plugin.withheld,
  masters: plugin.masters,
});

/** Says of an entry everything that does not depend on where it stands. */
function describer(
  game: GameDefinition,
  { state }: Profile,
  stock: Stock,
  suppliers: Suppliers,
  idOfName: ReadonlyMap<string, PluginId>,
): (entry: Entry<PluginId>) => Description {
  const fold = (name: string) => foldName(game, name);
  const fixed = new Set(fixedPlugins(game, state.expansions).map(fold));
  const base = new Map(stock.base.map((file) => [fold(file.name), file]));
  const sectionOf = new Map(state.plugins.sections.map((section) => [section.id, section]));
  const rankOf = new Map(game.loadRanks.map((rank) => [rank.id, rank]));
  return (entry) => {
    const key = fold(entry.id);
    const isFixed = fixed.has(key);
    const supplier = isFixed ? undefined : suppliers.get(key);
    const file = isFixed ? (base.get(key) ?? null) : (supplier?.file ?? null);
    const section = sectionOf.get(entry.section) ?? null;
    const named = { name: entry.id, header: file?.header ?? null };
    const rank = file || !section ? loadRankOf(game, named, fixed) : rankOf.get(section.rank);
    return {
      list: "plugins",
      id: entry.id,
      entry,
      section,
      rank: rank ?? loadRankOf(game, named, fixed),
      counting: isFixed ? null : countingOf(game, named),
      fixed: isFixed,
      file,
      mod: supplier?.mod ?? null,
      withheld: supplier?.withheld ?? null,
      loads: isFixed || (entry.on && supplier !== undefined && supplies(supplier)),
      masters: (file?.header?.masters ?? []).map((name) => ({ name, id: idOfName.get(fold(name)) ?? null })),
    };
  };
}

const supplies = ({ mod, withheld }: Supplier): boolean => mod.loads && withheld === null;

/** For every plugin name the mod that supplies it: the last of those that are on and take its part, else the last of all. */
function suppliersOf(game: GameDefinition, mods: readonly SeatedMod[]): Suppliers {
  const suppliers = new Map<string, Supplier>();
  for (const mod of mods) {
    const chosen = chosenParts(mod.taken);
    const isLeftOut = leavesOut(mod.leftOut);
    for (const file of mod.mod?.plugins ?? []) {
      const key = foldName(game, file.name);
      const isTaken = file.part === undefined || chosen.has(file.part);
      const withheld = !isTaken ? "part" : isLeftOut(key) ? "left-out" : mod.gone ? "gone" : null;
      const supplier: Supplier = { mod, file, withheld };
      const known = suppliers.get(key);
      if (!known || supplies(supplier) || !supplies(known)) suppliers.set(key, supplier);
    }
  }
  return suppliers;
}

/** How many of its mods are on and there. */
export const modsOn = (roster: Roster): number => roster.mods.filter(({ loads, mod }) => loads && mod).length;

/** Used and available places of each counted class; plugins that do not load use none. */
export function placesUsed(roster: Roster): { counting: Counting; used: number }[] {
  return roster.game.counting.map((counting) => ({
    counting,
    used: roster.plugins.filter((plugin) => plugin.loads && plugin.counting?.id === counting.id).length,
  }));
}
