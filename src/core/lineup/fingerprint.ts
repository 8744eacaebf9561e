import type { ModId, PluginId } from "../model/ids";
import { sha256 } from "@noble/hashes/sha2";
import { bytesToHex, utf8ToBytes } from "@noble/hashes/utils";
import canonicalize from "canonicalize";
import { inOrder, type SettingChoice } from "../model/settings";
import type { Lineup, LineupPlugin } from "../model/lineup";
import type { Roster, SeatedPlugin } from "../roster/roster";

/** What decides how a setup behaves, and nothing else: `seating-fingerprint/1` (docs/FORMATS.md). */
export interface FingerprintFacts {
  readonly game: { readonly id: string; readonly version: string };
  readonly expansions: readonly string[];
  readonly baseOff: readonly string[];
  /** Those that are on, in order. */
  readonly mods: readonly {
    readonly id: ModId;
    readonly version: string;
    readonly content: string;
    readonly options: Readonly<Record<string, readonly string[]>>;
    readonly components: readonly string[];
    readonly hidden: readonly string[];
  }[];
  readonly plugins: readonly { readonly name: PluginId; readonly sha256: string }[];
  readonly launch: Readonly<Record<string, string | number | boolean>>;
  readonly settings: readonly SettingChoice[];
}

export const sha256Hex = (text: string): string => bytesToHex(sha256(utf8ToBytes(text)));

/** By UTF-16 code units, as RFC 8785 orders keys. */
const sorted = (values: readonly string[]): string[] => [...values].sort();

/** SHA-256, lower-case hex, over the canonical JSON (RFC 8785) of the facts. */
export function fingerprintOf(facts: FingerprintFacts): string {
  const text = canonicalize({
    format: "seating-fingerprint/1",
    game: facts.game,
    expansions: sorted(facts.expansions),
    baseOff: sorted(facts.baseOff),
    mods: facts.mods.map((mod) => ({
      ...mod,
      options: Object.fromEntries(Object.entries(mod.options).map(([key, parts]) => [key, sorted(parts)])),
      components: sorted(mod.components),
      hidden: sorted(mod.hidden),
    })),
    plugins: facts.plugins,
    launch: facts.launch,
    // Where there are none it says what it said before there were any.
    ...(facts.settings.length > 0 && { settings: inOrder(facts.settings) }),
  });
  return sha256Hex(text!);
}

/** It would load if the pinned contents of its mod lay on the shelf: what the profile decides stays what it is. */
const isOnlyGone = ({ entry, mod, withheld }: SeatedPlugin): boolean =>
  withheld === "gone" && entry.on && mod?.loads === true;

/** What of it is here: without the mods whose pinned contents are not on the shelf, and their plugins. */
export function factsHere(roster: Roster): FingerprintFacts {
  const facts = factsOfRoster(roster);
  return {
    ...facts,
    mods: facts.mods.filter(({ id }) => !roster.modOf.get(id)!.gone),
    plugins: facts.plugins.filter(({ name }) => roster.pluginOf.get(name)!.loads),
  };
}

/** What a profile decides, whether or not all of it lies on the shelf. */
export function factsOfRoster(roster: Roster): FingerprintFacts {
  const { game, profile } = roster;
  return {
    game: { id: game.id, version: game.version },
    expansions: profile.state.expansions,
    baseOff: profile.state.baseOff,
    mods: roster.mods
      .filter((each) => each.loads && each.mod?.content)
      .map(({ id, mod, choice, leftOut }) => ({
        id,
        version: mod!.version,
        content: mod!.content!,
        options: choice.options,
        components: choice.components,
        hidden: leftOut,
      })),
    plugins: roster.plugins
      .filter((plugin) => (plugin.loads || isOnlyGone(plugin)) && plugin.file)
      .map((plugin) => ({ name: plugin.id, sha256: plugin.file!.sha256 })),
    launch: profile.state.launch,
    settings: profile.state.settings,
  };
}

/** The plugins that load: those that are on, of a mod that is on or of the game itself. */
export function loadingPlugins({ mods, plugins }: Lineup): LineupPlugin[] {
  const on = new Set(mods.filter((mod) => mod.on).map((mod) => mod.id));
  return plugins.filter((plugin) => plugin.on && (plugin.mod === null || on.has(plugin.mod)));
}

export function factsOfLineup(lineup: Lineup): FingerprintFacts {
  return {
    game: lineup.game,
    expansions: lineup.expansions,
    baseOff: lineup.baseOff,
    mods: lineup.mods
      .filter((mod) => mod.on)
      .map(({ id, version, content, options, components, hidden }) => ({
        id,
        version,
        content,
        options,
        components,
        hidden,
      })),
    plugins: loadingPlugins(lineup)
      .filter(({ sha256 }) => sha256 !== null)
      .map((plugin) => ({ name: plugin.name, sha256: plugin.sha256! })),
    launch: lineup.launch,
    settings: lineup.settings ?? [],
  };
}

/** The first twelve digits in groups of four, as a person reads them out. */
export const shortFingerprint = (fingerprint: string): string =>
  fingerprint.slice(0, 12).replace(/(.{4})(?=.)/g, "$1 ");
