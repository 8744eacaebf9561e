import type { Difference } from "../lineup/compare";

/** How a setup differs from what its lineup describes, and what that may do. */
const words: Record<Difference["kind"], (d: Difference) => string> = {
  "game-version": (d) => `The game is ${d.here}; the lineup was made for ${d.wanted}.`,
  "expansion-missing": (d) => `The expansion ${d.name} is not owned or not on here.`,
  "expansion-extra": (d) => `The expansion ${d.name} is on here and not in the lineup.`,
  "mod-missing": (d) => `${d.name} ${d.wanted} is missing: what it brings is not there.`,
  "mod-extra": (d) => `${d.name} ${d.here} is on here and not in the lineup.`,
  "mod-different": (d) =>
    d.wanted === d.here
      ? `${d.name} ${d.here} has other contents here, under the same version.`
      : `${d.name} is ${d.here} here; the lineup has ${d.wanted}.`,
  "plugin-missing": (d) => `${d.name} does not load here.`,
  "plugin-extra": (d) => `${d.name} loads here and not in the lineup.`,
  "plugin-different": (d) => `${d.name} is another file here.`,
  "mods-order": (d) => `The mods stand in another order: ${d.here} would have to move.`,
  "plugins-order": (d) => `The plugins stand in another order: ${d.here} would have to move.`,
  launch: () => "The launch settings differ.",
};

export const differenceText = (difference: Difference): string => words[difference.kind](difference);
