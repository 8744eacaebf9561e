import { makeRandom, type Random } from "../../core/random";
import { slug, type DemoMod } from "./catalogue";

interface Kind {
  readonly tag: string;
  readonly folder: string;
  readonly nouns: readonly string[];
  readonly summaries: readonly string[];
  /** How many files of the game its mods replace among themselves. */
  readonly pool: number;
}

const kinds: readonly Kind[] = [
  {
    tag: "menus",
    folder: "menus",
    nouns: ["Scoreboard", "Hangar", "Start Screen", "Dials"],
    summaries: ["Larger letters, fewer colours.", "Shows the wind where one looks anyway."],
    pool: 12,
  },
  {
    tag: "fields",
    folder: "fields",
    nouns: ["Dunes", "Pier", "Rooftops", "Meadow", "Quarry"],
    summaries: ["A place with its own gusts.", "Wide, flat, and windy after noon."],
    pool: 24,
  },
  {
    tag: "skies",
    folder: "skies",
    nouns: ["Dusk", "Haze", "Front", "Mackerel Sky"],
    summaries: ["Clouds that tell what the wind does.", "Softer light near the ground."],
    pool: 14,
  },
  {
    tag: "kites",
    folder: "kites",
    nouns: ["Delta", "Box Kite", "Parafoil", "Sled", "Twin Line"],
    summaries: ["Two sails and six colours.", "Turns late and holds long."],
    pool: 20,
  },
  {
    tag: "sounds",
    folder: "sounds",
    nouns: ["Surf", "Flutter", "Crowd", "Rigging"],
    summaries: ["Recorded on a pier, they say.", "Quieter when one is losing."],
    pool: 10,
  },
];

const firsts =
  "Bright Cotton Feather Gull Idle Larkspur Linen Lofty Marram Paper Plover Salt Thistle Whirling Willow".split(
    " ",
  );
const authors = "gullfoot ninebells marramgrass ash-and-reed tackle lowcloud".split(" ");

const plain: DemoMod = {
  id: "bridle-kit",
  name: "Bridle Kit",
  version: "2.0.1",
  author: "tackle",
  tags: ["framework"],
  summary: "Lets mods add lines and knots of their own.",
  requires: [],
  plugins: [],
  loose: [{ path: "kites/bridle/lines.dat", size: 1800 }],
  shape: "archive",
};

const framework: DemoMod = {
  ...plain,
  manifest: {
    settings: [
      { file: "flight", at: "/lines/most", value: 6, reason: "Knots of its own take up to six lines" },
    ],
  },
};

const touches: DemoMod = {
  ...plain,
  id: "seam-repair",
  name: "Seam Repair",
  version: "1.1.0",
  author: "ninebells",
  tags: ["patch"],
  summary: "Closes the seam between two sails and the sky.",
  requires: ["bridle-kit"],
  loose: [
    { path: "kites/plain-3.dat", size: 700 },
    { path: "skies/plain-2.dat", size: 700 },
  ],
};

/** The version before it lies beside it, for a profile that still holds that one. */
const touchesBefore: DemoMod = {
  ...touches,
  version: "1.0.0",
  requires: [],
  loose: touches.loose.slice(0, 1).map((file) => ({ ...file, size: 650 })),
};

const made = (
  name: string,
  author: string,
  tags: readonly string[],
  summary: string,
  facts: Partial<DemoMod>,
): DemoMod => ({
  ...plain,
  id: slug(name),
  name,
  version: "1.0.0",
  author,
  tags,
  summary,
  loose: [],
  ...facts,
});

const lamps = "fields/pier/lamps.dat";

/** What meets in every way that there is. */
const meeting: readonly DemoMod[] = [
  // Packed: loose files win over what lies in it, wherever it stands.
  made("Whole Sky", "lowcloud", ["skies"], "All skies at once, packed into one file.", {
    loose: [{ path: "skies/whole/note.txt", size: 200 }],
    packed: [
      {
        path: "skies/whole-sky.spool",
        files: [
          ...[0, 1, 2, 3, 4, 5].map((number) => ({ path: `skies/plain-${number}.dat`, size: 900 })),
          { path: "skies/whole/dome.dat", size: 1600 },
        ],
      },
    ],
  }),
  made("Whole Sky at Night", "lowcloud", ["skies"], "The same packed file for late evenings.", {
    packed: [
      {
        path: "skies/whole-sky-night.spool",
        files: [
          { path: "skies/whole/dome.dat", size: 1500 },
          { path: "skies/whole/stars.dat", size: 1200 },
        ],
      },
    ],
  }),
  // All that it brings is overridden by what comes last.
  made("Thin Seam", "ninebells", ["skies"], "A first try at the seam, from before it was repaired.", {
    loose: [
      { path: "kites/plain-3.dat", size: 640 },
      { path: "skies/plain-2.dat", size: 640 },
    ],
  }),
  // The same files as those of another one, under another name.
  made("Bridle Kit Again", "gullfoot", ["kites"], "Bridle Kit, uploaded once more.", {
    loose: framework.loose.map((file) => ({ ...file, like: `${framework.id}/${file.path}` })),
  }),
  // Each requires the one before, so that the first and the last are decided over the second.
  made("Pier Lights", "tackle", ["fields"], "Lamps along the pier.", { loose: [{ path: lamps, size: 900 }] }),
  made("Pier Lights at Dusk", "tackle", ["fields"], "They go on by themselves.", {
    requires: ["pier-lights"],
    loose: [{ path: "fields/pier/hours.txt", size: 200 }],
  }),
  made("Pier Crowd by Lamplight", "tackle", ["fields"], "Somebody stands below each of them.", {
    requires: ["pier-lights-at-dusk"],
    loose: [
      { path: lamps, size: 950 },
      { path: "fields/pier/hours.txt", size: 200 },
    ],
  }),
];

/** Only for the profile in which things are tried out: one has a file where the other has a folder. */
export const blocking: readonly DemoMod[] = [
  made("Flat Dials", "ninebells", ["menus"], "All dials in one file.", {
    loose: [{ path: "menus/dials", size: 800 }],
  }),
  made("Round Dials", "gullfoot", ["menus"], "A file for each dial.", {
    loose: [{ path: "menus/dials/height.dat", size: 500 }],
  }),
];

/** Everybody brings the card of the evening, and few a card of their own. */
const card = "menus/evening-card.txt";
const mostCards = 42;

/** Mods without a plugin, of which many bring the same files of the game; the same seed gives the same ones. */
export function kitefallMods(seed: number, count: number): DemoMod[] {
  const random = makeRandom(seed);
  const mods: DemoMod[] = [framework];
  const taken = new Set<string>();
  while (mods.length < count - 1) {
    const kind = random.pick(kinds);
    const name = `${random.pick(firsts)} ${random.pick(kind.nouns)}`;
    if (taken.has(name)) continue;
    taken.add(name);
    mods.push(inventMod(random, kind, name));
  }
  const withCards = mods.map((mod, at) => (at > 0 && at <= mostCards ? withCard(mod) : mod));
  return [...withCards, ...meeting, ...blocking, touches, touchesBefore];
}

const withCard = (mod: DemoMod): DemoMod => ({
  ...mod,
  loose: [
    ...mod.loose,
    { path: card, size: 200, like: ["gullfoot", "tackle"].includes(mod.author) ? mod.id : "card" },
  ],
});

function inventMod(random: Random, kind: Kind, name: string): DemoMod {
  const replaced = new Set(Array.from({ length: 2 + random.below(4) }, () => random.below(kind.pool)));
  return {
    id: slug(name),
    name,
    version: `${1 + random.below(3)}.${random.below(9)}.0`,
    author: random.pick(authors),
    // Some come without a tag, and wait to be seated.
    tags: random.chance(0.1) ? [] : [kind.tag],
    summary: random.pick(kind.summaries),
    requires: kind.tag === "kites" && random.chance(0.4) ? [framework.id] : [],
    plugins: [],
    loose: [
      { path: `${kind.folder}/${slug(name)}/main.dat`, size: 400 + random.below(3000) },
      ...[...replaced].map((number) => ({
        path: `${kind.folder}/plain-${number}.dat`,
        size: 300 + random.below(1500),
      })),
    ],
    shape: random.pick(["archive", "archive", "folder"]),
  };
}
