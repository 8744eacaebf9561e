import { MODS_RANK, type GameDefinition } from "../model/game";
import type { ModId } from "../model/ids";
import type { Lineup, LineupMod, LineupPlugin } from "../model/lineup";
import type { Listing, ListLine, ListSettings } from "../model/listing";
import type { PluginFile } from "../model/shelf";
import { foldName } from "../roster/fold";
import { fixedPlugins, loadRankOf } from "../roster/laws";
import { choiceWith, chosenParts } from "../roster/parts";
import { compareVersions } from "../version/version";
import type { KnownMod } from "./known";
import { numbersSaid } from "./numbers";
import type { MatchedLine } from "./match-lines";
import { seat, type ToSeat } from "./seat-listing";
import { basePluginsOf, lineupModOf } from "./of-known";

type KnownFile = KnownMod["mod"];

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
  const settings: ListSettings = listing.settings ?? { expansions: here.owned, baseOff: [], launch: {} };
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
    ...(settings.settings && { settings: [...settings.settings] }),
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
