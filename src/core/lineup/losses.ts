import type { Lineup } from "../model/lineup";
import type { GameDefinition } from "../model/game";

/** What a format may or may not carry of a lineup. */
export const aspects = [
  "off",
  "versions",
  "hashes",
  "mods",
  "plugins",
  "sections",
  "numbers",
  "parts",
  "left-out",
  "settings",
  "rules",
  "notes",
  "advice",
  "facts",
] as const;
export type Aspect = (typeof aspects)[number];

/** Without these a receiver may not get the same setup; the others are words beside it. */
export const decisive: ReadonlySet<Aspect> = new Set([
  "versions",
  "hashes",
  "mods",
  "plugins",
  "parts",
  "left-out",
  "settings",
]);

export interface Loss {
  readonly aspect: Aspect;
  /** How much of it this lineup has. */
  readonly count: number;
}

/** What of this lineup a format does not carry; nothing that the lineup does not have. */
export function lossesOf(lineup: Lineup, game: GameDefinition, carries: readonly Aspect[]): Loss[] {
  return aspects
    .filter((aspect) => !carries.includes(aspect))
    .map((aspect) => ({ aspect, count: counts[aspect](lineup, game) }))
    .filter(({ count }) => count > 0);
}

const counts: Readonly<Record<Aspect, (lineup: Lineup, game: GameDefinition) => number>> = {
  off: ({ mods, plugins }) => [...mods, ...plugins].filter(({ on }) => !on).length,
  versions: ({ mods }) => mods.length,
  hashes: ({ mods }) => mods.length,
  mods: ({ mods }, game) => (game.lists.includes("mods") ? mods.length : 0),
  plugins: ({ plugins }) => plugins.filter(({ mod }) => mod !== null).length,
  sections: ({ sections }) => sections.length,
  numbers: ({ numbers = [] }) => numbers.length,
  parts: ({ mods }) =>
    mods.filter(({ options, components }) => components.length + Object.keys(options).length > 0).length,
  "left-out": ({ mods }) => mods.reduce((sum, { hidden }) => sum + hidden.length, 0),
  settings: ({ expansions, baseOff, launch, settings = [] }, game) =>
    game.expansions.filter(({ id }) => !expansions.includes(id)).length +
    baseOff.length +
    Object.keys(launch).length +
    settings.length,
  rules: ({ rules }) => rules.length,
  notes: ({ mods }) => mods.filter(({ note, role, terms }) => note !== "" || role || terms).length,
  advice: ({ advice = [], setAside = [], reminders = [], startNotes = [], blend = [] }) =>
    advice.length + setAside.length + reminders.length + startNotes.length + blend.length,
  facts: ({ author, note, readMe, keys, pictures, changelog }) =>
    [author, note, readMe, keys?.length, pictures?.length, changelog?.length].filter(Boolean).length,
};
