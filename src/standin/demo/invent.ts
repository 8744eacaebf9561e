import { flagsOf, slug, type DemoMod, type DemoPlugin } from "./catalogue";
import { listWith } from "./finds";
import { makeRandom, type Random } from "../../core/random";

interface Kind {
  readonly tag: string;
  readonly share: number;
  readonly nouns: readonly string[];
  readonly summaries: readonly string[];
  readonly folder: string;
}

const firsts =
  "Amber Barnacle Bellbuoy Bitter Brass Chalk Copper Coral Dredger Drowned Eelgrass Fathom Gannet Gilded Hollow Hushed Iron Lantern Limpet Marl Mooring Nacre Narrow Pearl Petrel Quicksand Rusted Saltglass Sargasso Shallow Slack Spindrift Sunless Tallow Thrift Undertow Verdigris Weathered Whalebone Windless".split(
    " ",
  );
const authors =
  "kelpwright ferrow inkfathom marrow siltwarden lanternfish wickward harbourmouse basaltine gillet tallyhand oldrope".split(
    " ",
  );

const kinds: readonly Kind[] = [
  {
    tag: "interface",
    share: 3,
    nouns: ["Charts", "Dials", "Logbook", "Signals", "Manifest"],
    folder: "textures/interface",
    summaries: ["Redrawn for small screens.", "Sorted by depth instead of name."],
  },
  {
    tag: "water",
    share: 3,
    nouns: ["Swell", "Shallows", "Foam", "Eddies", "Clarity"],
    folder: "textures/water",
    summaries: ["Changes how the water moves near walls.", "Softer light below ten fathoms."],
  },
  {
    tag: "places",
    share: 6,
    nouns: ["Reef", "Wreck", "Grotto", "Causeway", "Narrows", "Shelf", "Lock"],
    folder: "meshes/places",
    summaries: [
      "A place to find, with two ways in.",
      "An old work site and what was left there.",
      "Small, and easily missed.",
    ],
  },
  {
    tag: "creatures",
    share: 4,
    nouns: ["Eels", "Rays", "Anemones", "Crabs", "Lampreys"],
    folder: "sounds/creatures",
    summaries: ["They keep to their own hours.", "Adds three kinds, one of them shy."],
  },
  {
    tag: "salvage",
    share: 4,
    nouns: ["Winch", "Diving Bell", "Cutters", "Cargo", "Tackle"],
    folder: "meshes/gear",
    summaries: ["Gear that wears out and can be mended.", "More to find, and harder to lift."],
  },
  {
    tag: "crew",
    share: 3,
    nouns: ["Stokers", "Pilots", "Menders", "Cook", "Bargemen"],
    folder: "sounds/voices",
    summaries: ["Two more people who can be hired.", "They talk while they work."],
  },
];

/** Mods besides the catalogue's, with names that are not taken yet; about one in seven brings no plugin. */
export function invent(random: Random, present: readonly DemoMod[], count: number): DemoMod[] {
  const taken = new Set(present.map((mod) => mod.id));
  const bag = kinds.flatMap((kind) => Array.from({ length: kind.share }, () => kind));
  const replacing = makeRandom(replacingSeed);
  const mods: DemoMod[] = [];
  for (let turn = 0; mods.length < count; turn++) {
    const kind = random.pick(bag);
    const name = `${random.pick(firsts)} ${random.pick(kind.nouns)}${turn > 4000 ? ` ${turn}` : ""}`;
    if (taken.has(slug(name))) continue;
    taken.add(slug(name));
    const mod = inventMod(random, kind, name, [...present, ...mods]);
    mods.push({ ...mod, loose: [...mod.loose, ...replacedFiles(replacing, kind)] });
  }
  return mods;
}

/** A stream of its own, so that what is replaced does not decide how mods are called. */
const replacingSeed = 41;

/** Files of the game that a mod brings its own versions of: here mods meet each other. */
function replacedFiles(random: Random, kind: Kind): DemoMod["loose"] {
  if (!random.chance(0.5)) return [];
  const numbers = new Set(Array.from({ length: 1 + random.below(4) }, () => random.below(30)));
  return [...numbers].map((number) => ({
    path: `${kind.folder}/plain-${number}.dat`,
    size: 300 + random.below(2000),
  }));
}

function inventMod(random: Random, kind: Kind, name: string, present: readonly DemoMod[]): DemoMod {
  const author = random.pick(authors);
  const hasPlugin = !random.chance(0.1);
  const needed = hasPlugin && random.chance(0.45) ? pickMaster(random, kind, present) : null;
  const plugins = hasPlugin ? inventPlugins(random, kind, name, needed?.plugins[0]?.name ?? null) : [];
  const looseCount = hasPlugin ? random.below(4) : 3 + random.below(5);
  return {
    id: slug(name),
    name,
    version: `${1 + random.below(3)}.${random.below(9)}.${random.below(6)}`,
    author,
    tags: [kind.tag],
    summary: random.pick(kind.summaries),
    requires: needed ? [needed.id] : [],
    plugins,
    loose: Array.from({ length: looseCount }, (_, at) => ({
      path: `${kind.folder}/${slug(name)}/${["main", "far", "night", "worn", "wet", "spare", "old", "low"][at]}.dat`,
      size: 300 + random.below(4000),
    })),
    shape: random.pick(["archive", "archive", "archive", "archive with a top folder", "folder"]),
  };
}

/** Frameworks most of the time, else something of the same kind. */
function pickMaster(random: Random, kind: Kind, present: readonly DemoMod[]): DemoMod | null {
  const tag = random.chance(0.6) ? "framework" : kind.tag;
  const possible = present.filter((mod) => mod.tags.includes(tag) && mod.plugins.length > 0);
  return possible.length > 0 ? random.pick(possible) : null;
}

function inventPlugins(random: Random, kind: Kind, name: string, master: string | null): DemoPlugin[] {
  const light = random.chance(0.3);
  const main = `${name}.${light ? "skiff" : "plank"}`;
  const masters = ["Brinehollow.keel", ...(master ? [master] : [])];
  const plugins = [inventPlugin(random, kind, main, masters)];
  if (random.chance(0.6))
    plugins.push(inventPlugin(random, kind, `${name} - Extras.skiff`, ["Brinehollow.keel", main]));
  return plugins;
}

function inventPlugin(random: Random, kind: Kind, name: string, masters: readonly string[]): DemoPlugin {
  const own = Array.from({ length: 2 + random.below(10) }, (_, at) => `${kind.tag}-${at}@${name}`);
  const shared = Array.from(
    { length: random.below(8) },
    () => `${kind.tag}-${random.below(60)}@Brinehollow.keel`,
  );
  const place = () => [10 + random.below(90), 1 + random.below(9)] as const;
  const lists =
    kind.tag === "salvage" && random.chance(0.5)
      ? [listWith("finds-shallow", { adds: { [slug(name.replace(/\.[a-z]+$/, ""))]: place() } })]
      : [];
  return { name, flags: flagsOf(name), masters, records: [...own, ...new Set(shared)], lists };
}
