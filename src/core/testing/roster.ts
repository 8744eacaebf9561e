import type { GameDefinition } from "../model/game";
import type { ModId, PluginId } from "../model/ids";
import type { Entry, Profile, ProfileState, Rule } from "../model/profile";
import type { OrderRule } from "../model/problem";
import type { PluginFile, ShelfMod } from "../model/shelf";
import { emptyStock, makeRoster, type Roster, type Stock } from "../roster/roster";
import { nothingDecided } from "../state/facets";
import { testGame } from "./game";
import { aMod, aPlugin, aProfile, aRule, aSection } from "./ids";

/** A plugin of a test: it comes with a mod of the same name in lower case, and both are on unless said otherwise. */
export interface TestPlugin {
  readonly name: string;
  readonly masters?: readonly string[];
  readonly flags?: number;
  readonly section?: string;
  readonly home?: string;
  readonly on?: boolean;
  readonly modOn?: boolean;
  readonly fresh?: true;
}

export function pluginFile(name: string, masters: readonly string[] = [], flags = 0): PluginFile {
  const header = {
    flags,
    title: name,
    author: null,
    description: null,
    date: null,
    masters: [...masters],
    records: 1,
    lists: 0,
  };
  return { name: aPlugin(name), size: 10, sha256: hex(name), header, problem: null };
}

/** Looks like a hash, and differs by name. */
export function hex(text: string): string {
  const digits = [...text].map((letter) => letter.charCodeAt(0).toString(16).padStart(2, "0")).join("");
  return digits.padEnd(64, "0").slice(0, 64);
}

export function shelfMod(id: string, plugins: readonly PluginFile[] = [], version = "1.0.0"): ShelfMod {
  return {
    path: `${id}-${version}.zip`,
    kind: "archive",
    size: 100,
    stamp: "1",
    id: aMod(id),
    name: id,
    version,
    author: null,
    summary: null,
    tags: [],
    files: 1,
    content: hex(id + version),
    archiveSha256: hex(version + id),
    manifest: null,
    plugins: [...plugins],
    problem: null,
    updated: null,
  };
}

export const modIdOf = (plugin: string): ModId => aMod(plugin.toLowerCase().replace(/\.[a-z]+$/, ""));

const sectionOf = (name: string): string => (name.endsWith(".keel") ? "base" : "world");

/** A roster of `Pond.keel` and the given plugins, in this order; sections as given, or by extension. */
export function testRoster(plugins: readonly TestPlugin[], rules: readonly OrderRule[] = []): Roster {
  const mods = plugins.map(({ name, masters, flags }) =>
    shelfMod(modIdOf(name), [pluginFile(name, masters, flags)]),
  );
  const entries = plugins.map(({ name, on = true, section, home, fresh }): Entry<PluginId> => ({
    id: aPlugin(name),
    on,
    section: aSection(section ?? sectionOf(name)),
    ...(home === undefined ? {} : { home: aSection(home) }),
    ...(fresh === undefined ? {} : { fresh }),
  }));
  const stock: Stock = {
    ...emptyStock,
    base: [pluginFile("Pond.keel", [], 1)],
    shelf: mods,
  };
  const profile: Profile = {
    id: aProfile("p1"),
    game: testGame.id,
    name: "Test",
    purpose: "play",
    version: 1,
    state: {
      mods: {
        sections: [{ id: aSection("mods"), name: "Mods", rank: "mods", guidance: "" }],
        entries: plugins.map(({ name, modOn = true }, at) => ({
          id: modIdOf(name),
          on: modOn,
          section: aSection("mods"),
          content: mods[at]!.content!,
        })),
      },
      plugins: {
        sections: testGame.sections,
        entries: [{ id: aPlugin("Pond.keel"), on: true, section: aSection("game") }, ...entries],
      },
      ...nothingDecided,
      rules: rules.map((rule, at): Rule => ({
        id: aRule(rule.id ?? `r${at}`),
        rule,
        note: "",
        made: "2026-01-01",
      })),
    },
  };
  return makeRoster(testGame, profile, stock);
}

/** The same profile in another state. */
export const withState = (roster: Roster, state: Profile["state"]): Roster =>
  makeRoster(roster.game, { ...roster.profile, state }, roster.stock, undefined, roster.overlaps);

export const orderOf = (roster: Roster): string[] => roster.plugins.map((plugin) => plugin.id);

/** The same with the plugins of the expansions of `gameOfSettings`, which are owned. */
export const withExpansions = (stock: Stock): Stock => ({
  ...stock,
  owned: ["island", "north"],
  base: [...stock.base, ...["Island.keel", "North.keel", "Ice.keel"].map((name) => pluginFile(name, [], 1))],
});

/** A profile that decides this, on this machine. */
export function rosterOfState(game: GameDefinition, stock: Stock, state: ProfileState): Roster {
  const profile: Profile = {
    id: aProfile("p"),
    game: game.id,
    name: "Any",
    purpose: "play",
    version: 1,
    state,
  };
  return makeRoster(game, profile, stock);
}
