import { say } from "@/core/language/say";
import { loadingPlugins } from "@/core/lineup/fingerprint";
import type { GameDefinition } from "@/core/model/game";
import type { Lineup } from "@/core/model/lineup";
import { settingsText } from "@/core/lineup/table";
import type { LineupFormat } from "./format";

/** One line: a name, and of a mod the version behind it. */
const named = (name: string, version: string): string => (version === "" ? name : `${name} ${version}`);

/** A line that would be read as a comment or a heading gets a bullet. */
const asLine = (words: string): string => (/^\s*(?:#|\/\/|;|--|\[)/.test(words) ? `- ${words}` : words);

/** Comments say what stands below them, so that the reader of texts takes each name for what it is. */
function inParts(
  lineup: Lineup,
  game: GameDefinition,
  ofMod: (mod: Lineup["mods"][number]) => string | null,
  ofPlugin: (plugin: Lineup["plugins"][number]) => string | null,
): string {
  const part = (heading: string, lines: (string | null)[]) => [
    "",
    `# ${heading}`,
    ...lines.filter((line) => line !== null),
  ];
  return [
    `# ${lineup.title}`,
    `# Game: ${lineup.game.id} ${lineup.game.version}`,
    `# Settings: ${settingsText(lineup)}`,
    ...(lineup.fingerprint === undefined ? [] : [`# Fingerprint: ${lineup.fingerprint}`]),
    ...part("Mods", lineup.mods.map(ofMod)),
    ...(game.lists.includes("plugins") ? part("Plugins", lineup.plugins.map(ofPlugin)) : []),
    "",
  ].join("\n");
}

/** What is on, one name a line. */
export const plainLines: LineupFormat = {
  id: "lines",
  get label() {
    return say("formats.plainLines");
  },
  extension: ".lines.txt",
  mime: "text/plain",
  carries: ["versions", "plugins", "mods", "settings"],
  write: (lineup, game) => {
    const loading = new Set(loadingPlugins(lineup));
    return inParts(
      lineup,
      game,
      (mod) => (mod.on ? asLine(named(mod.name, mod.version)) : null),
      (plugin) => (loading.has(plugin) ? asLine(plugin.name) : null),
    );
  },
};

const mark = (on: boolean): string => (on ? "[x]" : "[ ]");

export const markedLines: LineupFormat = {
  id: "marked",
  get label() {
    return say("formats.linesWithMarks");
  },
  extension: ".marked.txt",
  mime: "text/plain",
  carries: ["off", "versions", "plugins", "mods", "settings"],
  write: (lineup, game) =>
    inParts(
      lineup,
      game,
      (mod) => `${mark(mod.on)} ${named(mod.name, mod.version)}`,
      (plugin) => `${mark(plugin.on)} ${plugin.name}`,
    ),
};

export const keyedLines: LineupFormat = {
  id: "keyed",
  get label() {
    return say("formats.namesAsKeys");
  },
  extension: ".ini",
  mime: "text/plain",
  carries: ["off", "plugins", "mods", "settings"],
  write: (lineup, game) =>
    inParts(
      lineup,
      game,
      (mod) => asLine(`${mod.name}=${Number(mod.on)}`),
      (plugin) => asLine(`${plugin.name}=${Number(plugin.on)}`),
    ),
};
