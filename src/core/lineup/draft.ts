import { MODS_RANK, type GameDefinition, type Section } from "../model/game";
import type { ModId, SectionId } from "../model/ids";
import type { Lineup, LineupMod, LineupPlugin } from "../model/lineup";
import type { Listing, ListLine } from "../model/listing";
import type { ListName } from "../model/profile";
import type { PluginFile } from "../model/shelf";
import { longestIncreasing } from "../graph/longest-increasing";
import { foldName } from "../roster/fold";
import { arrivalSection, fixedPlugins, loadRankOf, sectionsOf } from "../roster/laws";
import { choiceWith, chosenParts } from "../roster/parts";
import { compareVersions } from "../version/version";
import type { KnownMod } from "./known";
import { numbersSaid } from "./numbers";
import type { MatchedLine } from "./match-lines";
import { basePluginsOf, lineupModOf } from "./of-known";

type KnownFile = KnownMod["mod"];

/** Something that is to take its seat: in which section a list says, and which would take it as an arrival. */
interface ToSeat {
  readonly said: string | null;
  readonly rank: string;
  readonly tags: readonly string[];
  /** The list itself says where it stands. */
  readonly stated: boolean;
}

/**
 * The lineup that a list of names stands for, of what its lines mean: the order that it states, and for all that it does
 * not say what the authors and the game propose. `title` is what it is called where it says nothing of that.
 */
export function lineupOfListing(
  game: GameDefinition,
  listing: Listing,
  matches: readonly MatchedLine[],
  here: { readonly base: readonly PluginFile[]; readonly owned: readonly string[] },
  title: string,
): Lineup {
  const settings = listing.settings ?? { expansions: here.owned, baseOff: [], launch: {} };
  const mods = modsOf(matches);
  const plugins = game.lists.includes("plugins") ? pluginsOf(game, matches, mods, settings.expansions) : [];
  const modSeats = seat(game, "mods", mods, listing.byTags);
  const pluginSeats = seat(game, "plugins", plugins, listing.byTags);
  const numbers = [
    ...numbersSaid(
      "mods",
      modSeats.sections,
      modSeats.seated.map(({ item: { file, line }, section }) => ({ id: file.id, section, line })),
    ),
    ...numbersSaid(
      "plugins",
      pluginSeats.sections,
      pluginSeats.seated.map(({ item: { file, line }, section }) => ({ id: file.name, section, line })),
    ),
  ];
  const fixed = basePluginsOf(game, settings.expansions, here.base, pluginSeats.sections[0]?.id ?? null).map(
    (plugin) => ({ ...plugin, ...hashSaid(game, matches, plugin.name) }),
  );
  return {
    format: "seating-lineup/2",
    game: listing.game ?? { id: game.id, version: game.version },
    title: (listing.title || title).slice(0, 200),
    author: "",
    note: "",
    listVersion: "",
    date: "",
    sections: [...pluginSeats.sections, ...modSeats.sections],
    mods: modSeats.seated.map(({ item, section, home }) => ({
      ...lineupModOf(
        item.file,
        item.line?.parts ??
          choiceWith(item.file.id, item.file.manifest, partsNamed(game, item.file, matches)),
        item.on,
        section,
      ),
      ...asSaid(item),
      ...(home === undefined ? {} : { home }),
    })),
    plugins: game.lists.includes("plugins")
      ? [
          ...fixed,
          ...pluginSeats.seated.map(({ item, section, home }) => ({
            name: item.file.name,
            sha256: item.sha256 ?? item.file.sha256,
            on: item.on,
            section,
            mod: item.mod,
            ...(home === undefined ? {} : { home }),
          })),
        ]
      : [],
    rules: [],
    ...(numbers.length > 0 && { numbers }),
    launch: settings.launch,
    expansions: [...settings.expansions],
    baseOff: [...settings.baseOff],
    followUps: [],
    ...(listing.fingerprint === undefined ? {} : { fingerprint: listing.fingerprint }),
  };
}

interface ModToSeat extends ToSeat {
  readonly file: KnownFile;
  readonly on: boolean;
  /** The line that names the mod itself. */
  readonly line: ListLine | null;
}

/** The parts of a package of which the list names a plugin as on: without them it would not be there. */
function partsNamed(game: GameDefinition, file: KnownFile, matches: readonly MatchedLine[]): string[] {
  if (!file.plugins.some(({ part }) => part !== undefined)) return [];
  const named = new Set(
    matches.flatMap(({ known, plugin, line }) =>
      known?.mod.id === file.id && plugin !== null && line.on ? [foldName(game, plugin)] : [],
    ),
  );
  return file.plugins.flatMap(({ name, part }) =>
    part !== undefined && named.has(foldName(game, name)) ? [part] : [],
  );
}

/** Contents and version as the list names them, also where another one is known here. */
function asSaid({ line, file }: ModToSeat): Partial<LineupMod> {
  if (!line) return {};
  const content = line.content ?? file.content;
  const version = line.version ?? file.version;
  return {
    ...(content === file.content ? {} : { content, size: line.size ?? 0, archive: line.sha256 ?? null }),
    // Beside its contents it is a fact of the list; alone it may be written in several ways.
    ...(line.content === undefined && compareVersions(version, file.version) === 0
      ? {}
      : { version: version.slice(0, 100) }),
    ...(line.leftOut && { hidden: [...line.leftOut] }),
  };
}

/** Of a plugin of the game itself, where the list names it. */
function hashSaid(
  game: GameDefinition,
  matches: readonly MatchedLine[],
  name: string,
): Partial<LineupPlugin> {
  const key = foldName(game, name);
  const said = matches.find(
    ({ how, plugin }) => how === "game" && plugin !== null && foldName(game, plugin) === key,
  );
  return said?.line.sha256 === undefined ? {} : { sha256: said.line.sha256 };
}

/** Each mod once: those that the list names, in its order, then those whose plugins alone it names. */
function modsOf(matches: readonly MatchedLine[]): ModToSeat[] {
  const mods = new Map<string, ModToSeat>();
  const add = ({ known, line }: MatchedLine, stated: boolean) => {
    if (!known || mods.has(known.mod.id)) return;
    const said = stated ? (line.section ?? null) : null;
    const { mod } = known;
    mods.set(mod.id, {
      file: mod,
      on: stated ? line.on : true,
      stated,
      line: stated ? line : null,
      said,
      rank: MODS_RANK,
      tags: mod.tags,
    });
  };
  for (const match of matches) if (match.plugin === null) add(match, true);
  for (const match of matches) if (match.plugin !== null) add(match, false);
  return [...mods.values()];
}

interface PluginToSeat extends ToSeat {
  readonly file: PluginFile;
  readonly mod: ModId;
  readonly on: boolean;
  /** As the list names its contents. */
  readonly sha256: string | undefined;
  readonly line: ListLine | null;
}

/** Those that the list names, in its order; where it names none, all that the mods bring, switched on. */
function pluginsOf(
  game: GameDefinition,
  matches: readonly MatchedLine[],
  mods: readonly ModToSeat[],
  owned: readonly string[],
): PluginToSeat[] {
  const fixed = new Set(fixedPlugins(game, owned).map((name) => foldName(game, name)));
  const seatOf = (mod: KnownFile, file: PluginFile, line: ListLine | null): PluginToSeat => ({
    file,
    mod: mod.id,
    on: line?.on ?? true,
    stated: line !== null,
    said: line?.section ?? null,
    sha256: line?.sha256,
    line,
    rank: loadRankOf(game, file, fixed).id,
    tags: mod.tags,
  });
  const chosen = new Map(mods.map(({ file }) => [file.id, file]));
  const named = new Map<string, PluginToSeat>();
  for (const { known, plugin, line } of matches) {
    const mod = known && chosen.get(known.mod.id);
    const key = plugin === null ? "" : foldName(game, plugin);
    const file = mod?.plugins.find(({ name }) => foldName(game, name) === key);
    if (mod && file && !named.has(key)) named.set(key, seatOf(mod, file, line));
  }
  if (matches.some(({ plugin, how }) => plugin !== null && how !== "none")) return [...named.values()];
  return mods.flatMap(({ file: mod, line }) => {
    const taken = chosenParts(line?.parts ?? { options: {}, components: [] });
    return mod.plugins
      .filter(({ part }) => part === undefined || taken.has(part))
      .map((file) => seatOf(mod, file, null));
  });
}

interface Seated<T> {
  readonly sections: Section[];
  /** `home` is the section to which it belongs, where the list has it stand in another one. */
  readonly seated: readonly {
    readonly item: T;
    readonly section: SectionId;
    readonly home?: SectionId;
  }[];
}

/**
 * Seats items in sections. An order that the list states stays as it is, in the sections that it names, else in those that take
 * arrivals (`byTags`: as far as they can, without any being moved), else in one for each load rank; what stands among others in it does so here. What it does not state comes as an arrival
 * would, behind it.
 */
function seat<T extends ToSeat>(
  game: GameDefinition,
  list: ListName,
  items: readonly T[],
  byTags = false,
): Seated<T> {
  const told = seatStated(
    game,
    sectionsOf(game, list),
    items.filter(({ stated }) => stated),
    byTags,
  );
  const rest = items
    .filter(({ stated }) => !stated)
    .map((item) => ({ item, section: arriving(told.sections, item.rank, item.tags) }));
  const all = [...told.seated, ...rest];
  return {
    sections: told.sections,
    seated: told.sections.flatMap(({ id }) => all.filter(({ section }) => section === id)),
  };
}

const arriving = (sections: readonly Section[], rank: string, tags: readonly string[]): SectionId =>
  (
    arrivalSection(sections, rank, tags) ??
    sections.findLast((each) => each.rank === rank) ??
    sections.at(-1)!
  ).id;

function seatStated<T extends ToSeat>(
  game: GameDefinition,
  own: readonly Section[],
  items: readonly T[],
  byTags: boolean,
): Seated<T> {
  const told = saidSections(game, own, items);
  if (told) return told;
  if (byTags)
    return asStated(
      own,
      items,
      items.map(({ rank, tags }) => ownByTags(own, rank, tags)),
    );
  const arrivals = items.map(({ rank, tags }) => arriving(own, rank, tags));
  if (inOrder(own, arrivals)) return asStated(own, items, arrivals);
  return asStated(
    own,
    items,
    items.map(({ rank }) => arriving(own, rank, [])),
  );
}

function inOrder(sections: readonly Section[], ids: readonly SectionId[]): boolean {
  const placeOf = new Map(sections.map(({ id }, at) => [id, at]));
  return ids.every((id, at) => at === 0 || placeOf.get(ids[at - 1]!)! <= placeOf.get(id)!);
}

/** The section that takes such arrivals; null where they only wait there to be seated, so that they may stand in any. */
function ownByTags(sections: readonly Section[], rank: string, tags: readonly string[]): SectionId | null {
  const section = arrivalSection(sections, rank, tags);
  return section && !section.unseated ? section.id : null;
}

/** Stable: of one section the items stand as they did. */
function bySection<T>(
  sections: readonly Section[],
  items: readonly T[],
  ids: readonly SectionId[],
): Seated<T> {
  const seated = items.map((item, at) => ({ item, section: ids[at]! }));
  return {
    sections: [...sections],
    seated: sections.flatMap(({ id }) => seated.filter(({ section }) => section === id)),
  };
}

/**
 * In the order in which they come: as few as can be stand in another section than their own, that of the item before them, as does
 * what has none of its own.
 */
function asStated<T extends ToSeat>(
  sections: readonly Section[],
  items: readonly T[],
  ids: readonly (SectionId | null)[],
): Seated<T> {
  const placeOf = new Map(sections.map(({ id }, at) => [id, at]));
  const rankOf = new Map(sections.map(({ id, rank }) => [id, rank]));
  const owned = ids.flatMap((id, place) => (id === null ? [] : [{ id, place }]));
  const stay = longestIncreasing(owned.map(({ id, place }) => placeOf.get(id)! * ids.length + place));
  const home = new Map(stay.map((at) => [owned[at]!.place, owned[at]!.id]));
  let section = [...home.values()][0] ?? sections[0]?.id;
  const seated = items.map((item, place) => {
    const own = ids[place]!;
    section = home.get(place) ?? (own === null ? sectionAfter(section, item.rank) : section);
    return { item, section: section!, ...(own === null || own === section ? {} : { home: own }) };
  });
  return { sections: [...sections], seated };

  /** The section that an item of the rank joins which has none of its own. */
  function sectionAfter(last: SectionId | undefined, rank: string): SectionId {
    if (last !== undefined && rankOf.get(last) === rank) return last;
    const start = arriving(sections, rank, []);
    return last !== undefined && placeOf.get(start)! < placeOf.get(last)! ? last : start;
  }
}

/** Items by the names of their sections; null where some name none, or a list comes back to a name: those are no sections. */
function blocksOf<T extends Pick<ToSeat, "said">>(
  items: readonly T[],
): { name: string; items: T[] }[] | null {
  if (items.length === 0 || items.some(({ said }) => said === null)) return null;
  const blocks: { name: string; items: T[] }[] = [];
  for (const item of items) {
    if (blocks.at(-1)?.name !== item.said) blocks.push({ name: item.said!, items: [] });
    blocks.at(-1)!.items.push(item);
  }
  return new Set(blocks.map(({ name }) => name)).size < blocks.length ? null : blocks;
}

/** Whether a list says in which sections its items stand, in each order that it names. */
export function namesSections(matches: readonly MatchedLine[]): boolean {
  const known = matches.filter((match) => match.known !== null);
  const saidIn = (some: readonly MatchedLine[]) =>
    some.length === 0 || blocksOf(some.map(({ line }) => ({ said: line.section ?? null }))) !== null;
  const isMod = ({ plugin }: MatchedLine) => plugin === null;
  return known.length > 0 && saidIn(known.filter(isMod)) && saidIn(known.filter((match) => !isMod(match)));
}

/** The sections of the list by their names, new ones where the game has none of a name; null where they are no blocks. */
function saidSections<T extends ToSeat>(
  game: GameDefinition,
  own: readonly Section[],
  items: readonly T[],
): Seated<T> | null {
  const blocks = blocksOf(items);
  if (!blocks) return null;
  const told = toldSections(game, own, blocks);
  const ids = blocks.flatMap(({ items: members }, at) => members.map(() => told[at]!.id));
  return bySection(withOthers(rankOrder(game), own, told), items, ids);
}

const rankOrder = ({ loadRanks }: GameDefinition): ReadonlyMap<string, number> =>
  new Map([...loadRanks.map(({ id }) => id), MODS_RANK].map((id, at) => [id, at]));

/** Each of the game's own of that name, else a new one of the rank that most in it have; none is of an earlier rank than one before it. */
function toldSections(
  game: GameDefinition,
  own: readonly Section[],
  blocks: readonly { readonly name: string; readonly items: readonly ToSeat[] }[],
): Section[] {
  const placeOf = rankOrder(game);
  let least = "";
  const isLater = (rank: string) => least === "" || placeOf.get(rank)! >= placeOf.get(least)!;
  return blocks.map(({ name, items }, at): Section => {
    const most = mostCommon(items.map(({ rank }) => rank));
    const section = own.find((each) => each.name === name && isLater(each.rank)) ?? {
      id: `list-${at + 1}` as SectionId,
      name: name.slice(0, 80),
      rank: isLater(most) ? most : least,
      guidance: "",
    };
    least = section.rank;
    return section;
  });
}

function mostCommon(ranks: readonly string[]): string {
  const count = (rank: string) => ranks.filter((each) => each === rank).length;
  return ranks.reduce((best, rank) => (count(rank) > count(best) ? rank : best));
}

/** The game's sections that the list does not name among those that it names: before what follows them in the game, or has a later rank. */
function withOthers(
  placeOf: ReadonlyMap<string, number>,
  own: readonly Section[],
  told: readonly Section[],
): Section[] {
  const named = new Set(told.map(({ id }) => id));
  const inGame = new Map(own.map(({ id }, at) => [id, at]));
  const waiting = own.filter(({ id }) => !named.has(id));
  const isBefore = (section: Section, other: Section) => {
    const byRank = placeOf.get(section.rank)! - placeOf.get(other.rank)!;
    if (byRank !== 0) return byRank < 0;
    const at = inGame.get(other.id);
    return at !== undefined && inGame.get(section.id)! < at;
  };
  const whole = told.flatMap((section) => {
    const before: Section[] = [];
    while (waiting.length > 0 && isBefore(waiting[0]!, section)) before.push(waiting.shift()!);
    return [...before, section];
  });
  return [...whole, ...waiting].sort((a, b) => placeOf.get(a.rank)! - placeOf.get(b.rank)!);
}
