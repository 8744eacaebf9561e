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

const framework: DemoMod = {
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

const touches: DemoMod = {
  ...framework,
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
  return [...mods, touches, touchesBefore];
}

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
