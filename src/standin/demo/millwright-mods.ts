import type { ModComponent } from "@/core/model/shelf";
import { makeRandom, type Random } from "../../core/random";
import { slug, type DemoMod } from "./catalogue";

interface Kind {
  readonly tag: string;
  readonly folder: string;
  readonly nouns: readonly string[];
  readonly pieces: readonly string[];
  readonly summaries: readonly string[];
}

const kinds: readonly Kind[] = [
  {
    tag: "buildings",
    folder: "buildings",
    nouns: ["Barns", "Cottages", "Bridges", "Granary Set", "Lofts"],
    pieces:
      "Long barn,Low barn,Gable,Porch,Lean-to,Stair,Chimney,Dormer,Cellar door,Weather vane,Stone foot,Thatch,Slate roof,Shutter,Well house".split(
        ",",
      ),
    summaries: ["A set to build with, piece by piece.", "Timber, stone and a little lead."],
  },
  {
    tag: "wheels",
    folder: "wheels",
    nouns: ["Waterwheels", "Sluices", "Gearing", "Hoists"],
    pieces:
      "Breast wheel,Overshot wheel,Pit wheel,Wallower,Lantern pinion,Stone nut,Sack hoist,Hatch,Trash rack,Tail race".split(
        ",",
      ),
    summaries: ["All of it turns.", "Wood on wood, greased."],
  },
  {
    tag: "terrain",
    folder: "terrain",
    nouns: ["Streams", "Meadows", "Weirs", "Stones"],
    pieces: "Riffle,Pool,Gravel bar,Alder row,Hedge bank,Ford,Boulder,Reed bed".split(","),
    summaries: ["Softer banks.", "Water that finds its way."],
  },
  {
    tag: "folk",
    folder: "folk",
    nouns: ["Carters", "Neighbours", "Geese", "Drovers"],
    pieces: "Miller,Apprentice,Carter,Grey goose,White goose,Pony,Drover,Dog".split(","),
    summaries: ["They have errands of their own.", "Quieter than those of the game."],
  },
  {
    tag: "sounds",
    folder: "audio",
    nouns: ["Creaks", "Mill Race", "Evening Birds"],
    pieces: "Wheel,Stones,Race,Owl,Wren,Rain on slate".split(","),
    summaries: ["Recorded beside a stream, they say."],
  },
];

const firsts =
  "Alder Ashlar Bracken Coldbrook Ember Fennel Hazel Hollin Larch Mossy Nettle Quern Rushy Sorrel Tansy Wattle".split(
    " ",
  );
const authors = "alderman quernstone penstock lowmeadow tailrace wattle".split(" ");

const gameVersions = ">=3 <4";

const plain = (name: string, tag: string, summary: string): DemoMod => ({
  id: slug(name),
  name,
  version: "1.4.0",
  author: "penstock",
  tags: [tag],
  summary,
  requires: [],
  plugins: [],
  loose: [],
  shape: "archive",
  manifest: { gameVersions },
});

/** Packages that the demo's story is about: a framework, one that asks, one that needs an expansion, two that clash. */
const told: readonly DemoMod[] = [
  {
    ...plain("Joinery Kit", "framework", "Joints that other packages cut."),
    loose: [{ path: "buildings/joinery/joints.dat", size: 2400 }],
  },
  {
    ...plain("Clear Panels", "panels", "Lettering that can be read, in three sizes."),
    loose: [
      { path: "panels/shared.dat", size: 500 },
      { path: "sizes/small/panels/letters.dat", size: 400 },
      { path: "sizes/large/panels/letters.dat", size: 900 },
      { path: "sizes/market/panels/stalls.dat", size: 300 },
    ],
    manifest: {
      gameVersions,
      settings: [{ file: "view", at: "/view/letters/@size", value: "large", part: "size/large" }],
      options: [
        {
          id: "size",
          label: "Size of the letters",
          choose: "one",
          parts: [
            { id: "small", label: "Small", paths: ["sizes/small/"], note: "More lines on the screen" },
            { id: "large", label: "Large", paths: ["sizes/large/"], note: "For those who sit far away" },
          ],
        },
        {
          id: "boards",
          label: "Boards",
          choose: "any",
          parts: [
            {
              id: "market",
              label: "Market boards",
              paths: ["sizes/market/"],
              when: { expansion: "market-days" },
            },
          ],
        },
      ],
    },
  },
  {
    ...plain("Frost on the Race", "terrain", "Ice that holds, and ice that does not."),
    loose: [{ path: "terrain/ice.dat", size: 1500 }],
    manifest: { gameVersions, expansions: ["winter-ice"] },
  },
  {
    ...plain("Lively Carts", "folk", "Carts that swerve."),
    loose: [{ path: "folk/carts.dat", size: 800 }],
    manifest: {
      gameVersions,
      awards: false,
      clashes: [{ mod: "steady-carts", reason: "both steer the same carts" }],
    },
  },
  {
    ...plain("Steady Carts", "folk", "Carts that keep to the road."),
    loose: [{ path: "folk/carts.dat", size: 700 }],
  },
];

/** Packages of many components each; the same seed gives the same ones. */
export function millwrightMods(seed: number, count: number): DemoMod[] {
  const random = makeRandom(seed);
  const mods = [...told];
  const taken = new Set(mods.map((mod) => mod.name));
  while (mods.length < count) {
    const kind = random.pick(kinds);
    const name = `${random.pick(firsts)} ${random.pick(kind.nouns)}`;
    if (taken.has(name)) continue;
    taken.add(name);
    mods.push(inventPackage(random, kind, name));
  }
  return mods;
}

function inventPackage(random: Random, kind: Kind, name: string): DemoMod {
  const pieces = kind.pieces.filter(() => random.chance(0.8));
  const components = pieces.map((piece): ModComponent => ({
    id: slug(piece),
    label: piece,
    paths: [`pieces/${slug(piece)}/`],
    ...(random.chance(0.55) ? { on: true } : {}),
    ...(random.chance(0.1) ? { note: "Large; needs room" } : {}),
    ...(random.chance(0.06) ? { when: { expansion: "upland-weirs" } } : {}),
    ...(random.chance(0.05) ? { caution: "flickers at dusk" } : {}),
  }));
  return {
    ...plain(name, kind.tag, random.pick(kind.summaries)),
    version: `${1 + random.below(4)}.${random.below(9)}.0`,
    author: random.pick(authors),
    requires: kind.tag === "buildings" && random.chance(0.3) ? ["joinery-kit"] : [],
    loose: [
      { path: `${kind.folder}/${slug(name)}/set.dat`, size: 500 + random.below(2500) },
      ...pieces.map((piece) => ({
        path: `pieces/${slug(piece)}/${kind.folder}/${slug(name)}/${slug(piece)}.dat`,
        size: 300 + random.below(4000),
      })),
    ],
    manifest: { gameVersions, components },
    shape: random.pick(["archive", "archive", "archive with a top folder", "folder"]),
  };
}
