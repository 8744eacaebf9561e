import type { Difference } from "../lineup/compare";

/** How what a difference names by an id is called: a mod or an expansion; what is not known stays as it is. */
export type TitleOf = (id: string) => string;

interface Words {
  /** In what the setup is not the one of the lineup. */
  readonly is: (d: Difference, titleOf: TitleOf) => string;
  /** What that may do. */
  readonly may: string;
}

const after = (id: string, titleOf: TitleOf): string => (id === "" ? "first" : `after ${titleOf(id)}`);

const moved = (d: Difference, titleOf: TitleOf): string =>
  `${titleOf(d.name)} stands ${after(d.here, titleOf)} here; in the lineup ${after(d.wanted, titleOf)}.`;

const words: Readonly<Record<Difference["kind"], Words>> = {
  "game-version": {
    is: (d) => `The game is ${d.here}; the lineup was made for ${d.wanted}.`,
    may: "What leans on how that version works may not load, or not work.",
  },
  "expansion-missing": {
    is: (d, titleOf) => `The expansion ${titleOf(d.name)} is not owned or not on here.`,
    may: "What needs it does not load.",
  },
  "expansion-extra": {
    is: (d, titleOf) => `The expansion ${titleOf(d.name)} is on here and not in the lineup.`,
    may: "Mods that know it do more here than their list was tried with.",
  },
  "base-missing": {
    is: (d) => `${d.name} of the game itself is off here.`,
    may: "What needs it does not load.",
  },
  "base-extra": {
    is: (d) => `${d.name} of the game itself is on here and off in the lineup.`,
    may: "Its records come into the game again.",
  },
  "mod-missing": {
    is: (d, titleOf) => `${titleOf(d.name)} ${d.wanted} is missing or off here.`,
    may: "What it brings is not there; what needs it fails or does not load.",
  },
  "mod-extra": {
    is: (d, titleOf) => `${titleOf(d.name)} ${d.here} is on here and not in the lineup.`,
    may: "Its files and records are added, and win over those that stand earlier.",
  },
  "mod-version": {
    is: (d, titleOf) => `${titleOf(d.name)} is ${d.here} here; the lineup has ${d.wanted}.`,
    may: "It may behave otherwise, and patches made for the other version may not fit.",
  },
  "mod-contents": {
    is: (d, titleOf) => `${titleOf(d.name)} ${d.here} has other contents here, under the same version.`,
    may: "It may behave otherwise: somebody changed it, or took it from elsewhere.",
  },
  "mod-parts": {
    is: (d, titleOf) => `Of ${titleOf(d.name)} other parts are chosen here.`,
    may: "Files of it are there, or missing, that are not so in the lineup.",
  },
  "mod-moved": { is: moved, may: "Of files that it shares with others, another one may win." },
  "plugin-missing": {
    is: (d) => `${d.name} does not load here.`,
    may: "Its records are not in the game; plugins with it as a master do not load.",
  },
  "plugin-extra": {
    is: (d) => `${d.name} loads here and not in the lineup.`,
    may: "Its records are added, and win over those that load earlier.",
  },
  "plugin-contents": {
    is: (d) => `${d.name} is another file here.`,
    may: "Its records may say something else.",
  },
  "plugin-moved": { is: moved, may: "Of records that it shares with others, another one may win." },
  launch: {
    is: (d) =>
      `The launch setting ${d.name} is ${d.here || "not set"} here; in the lineup ${d.wanted || "not set"}.`,
    may: "The game starts otherwise.",
  },
};

/** How a setup differs from what its lineup describes. */
export const differenceText = (difference: Difference, titleOf: TitleOf): string =>
  words[difference.kind].is(difference, titleOf);

/** What the difference may do to the game. */
export const differenceEffect = ({ kind }: Difference): string => words[kind].may;

/** Titles from what is known of mods and expansions; of two with the same id the later. */
export function titlesFrom(known: Iterable<{ readonly id: string; readonly name: string }>): TitleOf {
  const names = new Map([...known].map(({ id, name }) => [id, name]));
  return (id) => names.get(id) ?? id;
}
