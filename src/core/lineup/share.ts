import type { SettingChoice } from "../model/settings";
import { MODS_RANK, type GameDefinition, type Section } from "../model/game";
import type { SectionId } from "../model/ids";
import type { Lineup, LineupMod, LineupPlugin } from "../model/lineup";
import type { ListName } from "../model/profile";
import type { PluginFile, ShelfMod } from "../model/shelf";
import { foldName } from "../roster/fold";
import { sectionsOf } from "../roster/laws";
import { factsOfLineup, fingerprintOf } from "./fingerprint";
import type { KnownMod } from "./known";
import { basePluginsOf, lineupModOf } from "./of-known";

/** Hex digits of a whole fingerprint. */
const whole = 64;
/** Hex digits of a hash by which a code names a mod. */
const startLength = 6;
/** So many ways to read a code are tried where its starts fit several mods. */
const mostReadings = 64;

/** A mod as a share code names it: by the first digits of its contents' hash; one that only the sender has, by name too. */
export interface SharedMod {
  /** Six hex digits: that two known mods share them is rare, and then the fingerprint tells which one is meant. */
  readonly start: string;
  /** How many plugins it brings. */
  readonly plugins: number;
  readonly options: Readonly<Record<string, readonly string[]>>;
  readonly components: readonly string[];
  readonly named: { readonly id: string; readonly name: string; readonly version: string } | null;
}

/** How many items stand in a section, and its id; a section that is none of the game's own with its name and rank. */
interface SharedSection {
  readonly id: string;
  readonly count: number;
  readonly name?: string;
  readonly rank?: string;
}

/** Everything that decides how a setup behaves, as small as it can be said. */
export interface SharedSetup {
  readonly game: { readonly id: string; readonly version: string };
  readonly title: string;
  readonly author: string;
  readonly listVersion: string;
  readonly expansions: readonly string[];
  readonly baseOff: readonly string[];
  readonly launch: Readonly<Record<string, string | number | boolean>>;
  readonly settings: readonly SettingChoice[];
  readonly mods: readonly SharedMod[];
  /** Places in the list of all the mods' plugins: mod by mod, those of one by name. */
  readonly order: readonly number[];
  readonly on: readonly boolean[];
  readonly sections: Readonly<Record<ListName, readonly SharedSection[]>> | null;
  /** Of a code of the first form only the first sixteen digits; empty where the list carries none. */
  readonly fingerprint: string;
}

const byName = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/**
 * What is on of a lineup. `fileOf` is the mod as the sender has it, which brings more plugins than the lineup lists where
 * parts of a package were left; `isKnown` tells which mods a receiver will find by the hash alone.
 */
export function shareSetup(
  lineup: Lineup,
  game: GameDefinition,
  fileOf: (mod: LineupMod) => Pick<ShelfMod, "plugins"> | null,
  isKnown: (mod: LineupMod) => boolean,
): SharedSetup {
  const fold = (name: string) => foldName(game, name);
  const mods = lineup.mods.filter((mod) => mod.on);
  const listed = new Map<string, string[]>(mods.map(({ id }) => [id, []]));
  for (const plugin of lineup.plugins) listed.get(plugin.mod ?? "")?.push(plugin.name);
  const brought = mods.map((mod) =>
    [...new Set((fileOf(mod)?.plugins.map(({ name }) => name) ?? listed.get(mod.id)!).map(fold))].sort(
      byName,
    ),
  );
  const placeOf = new Map(brought.flat().map((name, at) => [name, at]));
  const shared = lineup.plugins.filter(
    ({ mod, name }) => mod !== null && listed.has(mod) && placeOf.has(fold(name)),
  );
  return {
    game: lineup.game,
    title: lineup.title,
    author: lineup.author,
    listVersion: lineup.listVersion,
    expansions: lineup.expansions,
    baseOff: lineup.baseOff,
    launch: lineup.launch,
    settings: lineup.settings ?? [],
    mods: mods.map((mod, at) => ({
      start: mod.content.slice(0, startLength),
      plugins: brought[at]!.length,
      options: mod.options,
      components: mod.components,
      named: isKnown(mod) ? null : { id: mod.id, name: mod.name, version: mod.version },
    })),
    order: shared.map(({ name }) => placeOf.get(fold(name))!),
    on: shared.map((plugin) => plugin.on),
    sections: {
      mods: sectionRuns(mods, lineup.sections, sectionsOf(game, "mods")),
      plugins: sectionRuns(shared, lineup.sections, sectionsOf(game, "plugins")),
    },
    fingerprint: lineup.fingerprint ?? "",
  };
}

function sectionRuns(
  items: readonly { readonly section: string | null }[],
  sections: readonly Section[],
  own: readonly Section[],
): SharedSection[] {
  const runs: { id: string; count: number; name?: string; rank?: string }[] = [];
  const ownIds = new Set(own.map(({ id }) => id));
  for (const { section } of items) {
    const last = runs.at(-1);
    const whole = sections.find(({ id }) => id === section);
    if (!whole) continue;
    if (last?.id === whole.id) last.count++;
    else
      runs.push({
        id: whole.id,
        count: 1,
        ...(ownIds.has(whole.id) ? {} : { name: whole.name, rank: whole.rank }),
      });
  }
  return runs;
}

interface FromShare {
  readonly lineup: Lineup;
  /** Mods of the code that nothing here knows; of them only what the code names. */
  readonly unknown: readonly SharedMod[];
  /** With the game's own plugins as they are here the lineup has the code's fingerprint. */
  readonly fits: boolean;
}

/** The lineup that a code stands for, as far as the mods that it names are known. */
export function lineupOfShare(
  setup: SharedSetup,
  game: GameDefinition,
  known: readonly KnownMod[],
  base: readonly PluginFile[],
): FromShare {
  const byStart = new Map<string, KnownMod["mod"][]>();
  for (const { mod } of known) {
    const start = mod.content.slice(0, startLength);
    const others = byStart.get(start);
    if (!others) byStart.set(start, [mod]);
    else if (others.every(({ content }) => content !== mod.content)) others.push(mod);
  }
  let first: FromShare | null = null;
  for (const found of readings(setup.mods, byStart)) {
    const read = lineupOfFound(setup, game, found, base);
    if (read.fits) return read;
    first ??= read;
  }
  return first!;
}

interface FoundMod {
  readonly shared: SharedMod;
  readonly mod: KnownMod["mod"] | null;
}

/** Every way to read the mods of a code, up to a bound; one where each start fits at most one mod. */
function* readings(
  mods: readonly SharedMod[],
  byStart: ReadonlyMap<string, readonly KnownMod["mod"][]>,
): Generator<FoundMod[]> {
  const choices = mods.map(({ start }) => byStart.get(start) ?? [null]);
  const ways = choices.reduce((product, each) => Math.min(mostReadings, product * each.length), 1);
  for (let way = 0; way < ways; way++) {
    let rest = way;
    yield mods.map((shared, at) => {
      const own = choices[at]!;
      const mod = own[rest % own.length]!;
      rest = Math.floor(rest / own.length);
      return { shared, mod };
    });
  }
}

function lineupOfFound(
  setup: SharedSetup,
  game: GameDefinition,
  found: readonly FoundMod[],
  base: readonly PluginFile[],
): FromShare {
  const mods = found.filter(({ mod }) => mod !== null).map(({ shared, mod }) => modOf(shared, mod!));
  const sections = sectionsOfShare(setup, game);
  const seated = seatRuns(found, setup.sections?.mods ?? [], sections.mods, ({ mod }) => mod !== null);
  const plugins = pluginsOf(setup, game, found);
  const own = basePluginsOf(game, setup.expansions, base, sectionsOf(game, "plugins")[0]?.id ?? null);
  const lineup: Lineup = {
    format: "seating-lineup/2",
    game: setup.game,
    title: setup.title,
    author: setup.author,
    note: "",
    listVersion: setup.listVersion,
    date: "",
    sections: [...sections.plugins, ...sections.mods],
    mods: mods.map((mod, at) => ({ ...mod, section: seated[at] ?? sections.mods[0]!.id })),
    plugins: game.lists.includes("plugins")
      ? [...own, ...placePlugins(setup, sections.plugins, plugins)]
      : [],
    rules: [],
    launch: { ...setup.launch },
    ...(setup.settings.length > 0 && { settings: [...setup.settings] }),
    expansions: [...setup.expansions],
    baseOff: [...setup.baseOff],
    followUps: [],
    ...(setup.fingerprint.length === whole ? { fingerprint: setup.fingerprint } : {}),
  };
  return {
    lineup,
    unknown: found.filter(({ mod }) => mod === null).map(({ shared }) => shared),
    fits: fingerprintOf(factsOfLineup(lineup)).startsWith(setup.fingerprint),
  };
}

const modOf = ({ options, components }: SharedMod, mod: KnownMod["mod"]): LineupMod => {
  const taken = Object.entries(options).map(([key, parts]) => [key, [...parts]] as [string, string[]]);
  return lineupModOf(mod, { options: Object.fromEntries(taken), components: [...components] }, true, null);
};

/** The plugins of the mods in the order of the code; null for those of mods that are unknown. */
function pluginsOf(
  setup: SharedSetup,
  game: GameDefinition,
  found: readonly FoundMod[],
): (LineupPlugin | null)[] {
  const fold = (name: string) => foldName(game, name);
  const all = found.flatMap(({ shared, mod }) => {
    const own = [...(mod?.plugins ?? [])].sort((a, b) => byName(fold(a.name), fold(b.name)));
    return Array.from({ length: shared.plugins }, (_, at) => {
      const plugin = own.length === shared.plugins ? own[at] : undefined;
      return plugin && mod ? { plugin, mod: mod.id } : null;
    });
  });
  return setup.order.map((place, at) => {
    const known = all[place];
    return known
      ? {
          name: known.plugin.name,
          sha256: known.plugin.sha256,
          on: setup.on[at] ?? true,
          section: null,
          mod: known.mod,
        }
      : null;
  });
}

function placePlugins(
  setup: SharedSetup,
  sections: readonly Section[],
  plugins: readonly (LineupPlugin | null)[],
): LineupPlugin[] {
  const seated = seatRuns(plugins, setup.sections?.plugins ?? [], sections, (plugin) => plugin !== null);
  return plugins
    .filter((plugin) => plugin !== null)
    .map((plugin, at) => ({ ...plugin, section: seated[at] ?? sections.at(-1)?.id ?? null }));
}

/** The sections of items that are known, from runs over all of them. */
function seatRuns<T>(
  items: readonly T[],
  runs: readonly SharedSection[],
  sections: readonly Section[],
  isKnown: (item: T) => boolean,
): (SectionId | undefined)[] {
  const known = new Map<string, SectionId>(sections.map(({ id }) => [id, id]));
  const all = runs.flatMap(({ id, count }) =>
    Array.from({ length: Math.min(count, items.length) }, () => known.get(id)),
  );
  return items
    .map((item, at) => (isKnown(item) ? { section: all[at] } : null))
    .filter((each) => each !== null)
    .map(({ section }) => section);
}

/**
 * The game's own sections, and those of the code that are none of them, each before the one that follows it there, and behind all of
 * an earlier load rank, of which a code may name none.
 */
function sectionsOfShare({ sections }: SharedSetup, game: GameDefinition): Record<ListName, Section[]> {
  const rankOf = new Map(game.loadRanks.map(({ id }, at) => [id, at]));
  const merged = (list: ListName): Section[] => {
    const result = sectionsOf(game, list);
    const order = [...result];
    let at = 0;
    for (const { id, name, rank } of sections?.[list] ?? []) {
      const own = order.findIndex((section) => section.id === id);
      if (own >= 0) at = own + 1;
      else if (name !== undefined && rank !== undefined) {
        const isEarlier = (section: Section) => (rankOf.get(section.rank) ?? 0) < (rankOf.get(rank) ?? 0);
        at = Math.max(at, order.findLastIndex(isEarlier) + 1);
        order.splice(at, 0, { id: id as SectionId, name, rank, guidance: "" });
        at++;
      }
    }
    return order;
  };
  return { mods: merged("mods").filter(({ rank }) => rank === MODS_RANK), plugins: merged("plugins") };
}
