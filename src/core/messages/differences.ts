import { say } from "../language/say";
import type { SetupDifference } from "../lineup/compare";
import type { FingerprintFacts } from "../lineup/fingerprint";
import { settingKey } from "../model/settings";
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
      return before === undefined
        ? say("differences.first")
        : say("differences.after", { titleOf: titleOf(before) });
    };
    return say("differences.standsHereInTheLineup", {
      titleOf: titleOf(key),
      after: after(here),
      after2: after(wanted),
    });
  };

const otherParts: Words = {
  is: (id, { titleOf }) => say("differences.otherParts.is", { titleOf: titleOf(id) }),
  get may() {
    return say("differences.otherParts.may");
  },
};

const otherLaunch: Words = {
  is: (key, { wanted, here }) =>
    say("differences.otherLaunch.is", {
      key,
      launch: String(here.launch[key] ?? say("differences.notSet")),
      launch2: String(wanted.launch[key] ?? say("differences.notSet")),
    }),
  get may() {
    return say("differences.otherLaunch.may");
  },
};

const settingAt = (key: string, { settings }: Pick<FingerprintFacts, "settings">): string => {
  const value = settings.find((each) => settingKey(each) === key)?.value;
  return value === undefined || value === null ? say("differences.notSet") : String(value);
};

const otherSetting: Words = {
  is: (key, { wanted, here }) =>
    say("differences.otherLaunch.is", {
      key,
      launch: settingAt(key, here),
      launch2: settingAt(key, wanted),
    }),
  get may() {
    return say("differences.otherLaunch.may");
  },
};

type Table = Partial<Readonly<Record<FacetName | "game", Partial<Readonly<Record<DifferenceKind, Words>>>>>>;

const words: Table = {
  game: {
    changed: {
      is: (_, { wanted, here }) =>
        say("differences.words.is", {
          id: here.game.id,
          version: here.game.version,
          id2: wanted.game.id,
          version2: wanted.game.version,
        }),
      get may() {
        return say("differences.words.may");
      },
    },
  },
  expansions: {
    "only-there": {
      is: (id, { titleOf }) => say("differences.words.is2", { titleOf: titleOf(id) }),
      get may() {
        return say("differences.words.may2");
      },
    },
    "only-here": {
      is: (id, { titleOf }) => say("differences.words.is3", { titleOf: titleOf(id) }),
      get may() {
        return say("differences.words.may3");
      },
    },
  },
  baseOff: {
    "only-here": {
      is: (id) => say("differences.words.is4", { id }),
      get may() {
        return say("differences.words.may2");
      },
    },
    "only-there": {
      is: (id) => say("differences.words.is5", { id }),
      get may() {
        return say("differences.words.may4");
      },
    },
  },
  mods: {
    "only-there": {
      is: (id, { wanted, titleOf }) =>
        say("differences.words.is6", { titleOf: titleOf(id), version: modOf(wanted, id)?.version ?? "" }),
      get may() {
        return say("differences.words.may5");
      },
    },
    "only-here": {
      is: (id, { here, titleOf }) =>
        say("differences.words.is7", { titleOf: titleOf(id), version: modOf(here, id)?.version ?? "" }),
      get may() {
        return say("differences.words.may6");
      },
    },
    content: {
      is: (id, { wanted, here, titleOf }) => {
        const [mine, theirs] = [modOf(here, id)?.version ?? "", modOf(wanted, id)?.version ?? ""];
        return mine === theirs
          ? say("differences.hasOtherContentsHereUnderThe", { titleOf: titleOf(id), mine })
          : say("differences.isHereTheLineupHas", { titleOf: titleOf(id), mine, theirs });
      },
      get may() {
        return say("differences.words.may7");
      },
    },
    place: {
      is: moved("mods"),
      get may() {
        return say("differences.words.may8");
      },
    },
  },
  plugins: {
    "only-there": {
      is: (name) => say("differences.words.is8", { name }),
      get may() {
        return say("differences.words.may9");
      },
    },
    "only-here": {
      is: (name) => say("differences.words.is9", { name }),
      get may() {
        return say("differences.words.may10");
      },
    },
    content: {
      is: (name) => say("differences.words.is10", { name }),
      get may() {
        return say("differences.words.may11");
      },
    },
    place: {
      is: moved("plugins"),
      get may() {
        return say("differences.words.may12");
      },
    },
  },
  choices: { "only-here": otherParts, "only-there": otherParts, changed: otherParts },
  launch: { "only-here": otherLaunch, "only-there": otherLaunch, changed: otherLaunch },
  settings: { "only-here": otherSetting, "only-there": otherSetting, changed: otherSetting },
  leftOut: {
    "only-here": {
      is: (key, setups) => say("differences.words.is11", { leftOutWords: leftOutWords(key, setups) }),
      get may() {
        return say("differences.words.may13");
      },
    },
    "only-there": {
      is: (key, setups) => say("differences.words.is12", { leftOutWords: leftOutWords(key, setups) }),
      get may() {
        return say("differences.words.may14");
      },
    },
  },
};

function leftOutWords(key: string, { titleOf }: Setups): string {
  const at = key.indexOf(" ");
  return say("differences.of", { key: key.slice(at + 1), titleOf: titleOf(key.slice(0, at)) });
}

/** How a setup differs from what its list describes. */
export const differenceText = ({ facet, kind, key }: SetupDifference, setups: Setups): string =>
  words[facet]?.[kind]?.is(key, setups) ?? `${facet} ${key}`;

/** What the difference may do to the game. */
export const differenceEffect = ({ facet, kind }: SetupDifference): string => words[facet]?.[kind]?.may ?? "";

/** What would mend a difference that no edit of the profile can. */
export const differenceElsewhere = ({ facet }: SetupDifference): string =>
  elsewhere[facet] ?? say("differences.askItsCuratorForTheList");

const elsewhere: Partial<Readonly<Record<SetupDifference["facet"], string>>> = {
  get game() {
    return say("differences.elsewhere.game");
  },
  get expansions() {
    return say("differences.elsewhere.expansions");
  },
  get plugins() {
    return say("differences.elsewhere.plugins");
  },
};

/** Titles from what is known of mods and expansions; of two with the same id the later. */
export function titlesFrom(known: Iterable<{ readonly id: string; readonly name: string }>): TitleOf {
  const names = new Map([...known].map(({ id, name }) => [id, name]));
  return (id) => names.get(id) ?? id;
}
