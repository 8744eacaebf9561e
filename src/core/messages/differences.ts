import type { SetupDifference } from "../lineup/compare";
import type { FingerprintFacts } from "../lineup/fingerprint";
import type { DifferenceKind } from "../state/facet";
import type { FacetName } from "../model/profile";

/** How what a difference names by an id is called: a mod or an expansion; what is not known stays as it is. */
type TitleOf = (id: string) => string;

/** The two setups that differ, and how things in them are called. */
interface Setups {
  readonly wanted: FingerprintFacts;
  readonly here: FingerprintFacts;
  readonly titleOf: TitleOf;
}

interface Words {
  /** In what the setup is not the one of the list. */
  readonly is: (key: string, setups: Setups) => string;
  /** What that may do. */
  readonly may: string;
}

const modOf = ({ mods }: FingerprintFacts, id: string) => mods.find((mod) => mod.id === id);

const keysOf = {
  mods: ({ mods }: FingerprintFacts): string[] => mods.map(({ id }) => id),
  plugins: ({ plugins }: FingerprintFacts): string[] => plugins.map(({ name }) => name),
};

const moved =
  (list: "mods" | "plugins"): Words["is"] =>
  (key, { wanted, here, titleOf }) => {
    const after = (facts: FingerprintFacts) => {
      const keys = keysOf[list](facts);
      const before = keys[keys.indexOf(key) - 1];
      return before === undefined ? "first" : `after ${titleOf(before)}`;
    };
    return `${titleOf(key)} stands ${after(here)} here; in the lineup ${after(wanted)}.`;
  };

const otherParts: Words = {
  is: (id, { titleOf }) => `Of ${titleOf(id)} other parts are chosen here.`,
  may: "Files of it are there, or missing, that are not so in the lineup.",
};

const otherLaunch: Words = {
  is: (key, { wanted, here }) =>
    `The launch setting ${key} is ${String(here.launch[key] ?? "not set")} here; in the lineup ${String(wanted.launch[key] ?? "not set")}.`,
  may: "The game starts otherwise.",
};

type Table = Partial<Readonly<Record<FacetName | "game", Partial<Readonly<Record<DifferenceKind, Words>>>>>>;

const words: Table = {
  game: {
    changed: {
      is: (_, { wanted, here }) =>
        `The game is ${here.game.id} ${here.game.version}; the lineup was made for ${wanted.game.id} ${wanted.game.version}.`,
      may: "What leans on how that version works may not load, or not work.",
    },
  },
  expansions: {
    "only-there": {
      is: (id, { titleOf }) => `The expansion ${titleOf(id)} is not owned or not on here.`,
      may: "What needs it does not load.",
    },
    "only-here": {
      is: (id, { titleOf }) => `The expansion ${titleOf(id)} is on here and not in the lineup.`,
      may: "Mods that know it do more here than their list was tried with.",
    },
  },
  baseOff: {
    "only-here": {
      is: (id) => `${id} of the game itself is off here.`,
      may: "What needs it does not load.",
    },
    "only-there": {
      is: (id) => `${id} of the game itself is on here and off in the lineup.`,
      may: "Its records come into the game again.",
    },
  },
  mods: {
    "only-there": {
      is: (id, { wanted, titleOf }) =>
        `${titleOf(id)} ${modOf(wanted, id)?.version ?? ""} is missing or off here.`,
      may: "What it brings is not there; what needs it fails or does not load.",
    },
    "only-here": {
      is: (id, { here, titleOf }) =>
        `${titleOf(id)} ${modOf(here, id)?.version ?? ""} is on here and not in the lineup.`,
      may: "Its files and records are added, and win over those that stand earlier.",
    },
    content: {
      is: (id, { wanted, here, titleOf }) => {
        const [mine, theirs] = [modOf(here, id)?.version ?? "", modOf(wanted, id)?.version ?? ""];
        return mine === theirs
          ? `${titleOf(id)} ${mine} has other contents here, under the same version.`
          : `${titleOf(id)} is ${mine} here; the lineup has ${theirs}.`;
      },
      may: "It may behave otherwise, and patches made for other contents may not fit.",
    },
    place: { is: moved("mods"), may: "Of files that it shares with others, another one may win." },
  },
  plugins: {
    "only-there": {
      is: (name) => `${name} does not load here.`,
      may: "Its records are not in the game; plugins with it as a master do not load.",
    },
    "only-here": {
      is: (name) => `${name} loads here and not in the lineup.`,
      may: "Its records are added, and win over those that load earlier.",
    },
    content: { is: (name) => `${name} is another file here.`, may: "Its records may say something else." },
    place: { is: moved("plugins"), may: "Of records that it shares with others, another one may win." },
  },
  choices: { "only-here": otherParts, "only-there": otherParts, changed: otherParts },
  launch: { "only-here": otherLaunch, "only-there": otherLaunch, changed: otherLaunch },
  leftOut: {
    "only-here": {
      is: (key, setups) => `${leftOutWords(key, setups)} is left out here.`,
      may: "Another mod's file wins in its place, or none is there.",
    },
    "only-there": {
      is: (key, setups) => `${leftOutWords(key, setups)} is left out in the lineup and there here.`,
      may: "It wins over others, or is there, which it is not in the lineup.",
    },
  },
};

function leftOutWords(key: string, { titleOf }: Setups): string {
  const at = key.indexOf(" ");
  return `${key.slice(at + 1)} of ${titleOf(key.slice(0, at))}`;
}

/** How a setup differs from what its list describes. */
export const differenceText = ({ facet, kind, key }: SetupDifference, setups: Setups): string =>
  words[facet]?.[kind]?.is(key, setups) ?? `${facet} ${key}`;

/** What the difference may do to the game. */
export const differenceEffect = ({ facet, kind }: SetupDifference): string => words[facet]?.[kind]?.may ?? "";

/** What would mend a difference that no edit of the profile can. */
export const differenceElsewhere = ({ facet }: SetupDifference): string =>
  elsewhere[facet] ?? "Ask its curator for the list anew.";

const elsewhere: Partial<Readonly<Record<SetupDifference["facet"], string>>> = {
  game: "Play that version of the game, or ask its curator for a list for yours.",
  expansions: "It has to be owned, and lie in the game’s folder.",
  plugins: "The game’s own file: repair the game, or bring it to the list’s version.",
};

/** Titles from what is known of mods and expansions; of two with the same id the later. */
export function titlesFrom(known: Iterable<{ readonly id: string; readonly name: string }>): TitleOf {
  const names = new Map([...known].map(({ id, name }) => [id, name]));
  return (id) => names.get(id) ?? id;
}
