import type { ModManifest } from "@/core/model/shelf";
import type { AdditiveList } from "@/core/model/additive-list";
import { blendWords, listsOf } from "./finds";

export interface DemoPlugin {
  readonly name: string;
  /** Folder of the part that brings it, ending in a slash; absent where it lies in the root. */
  readonly below?: string;
  readonly flags: number;
  readonly masters: readonly string[];
  readonly records: readonly string[];
  readonly lists: readonly AdditiveList[];
}

export interface DemoFile {
  readonly path: string;
  /** Bytes. */
  readonly size: number;
  /** Files of one size and kind have the same contents, whoever brings them; without one they are the mod's own. */
  readonly like?: string;
}

export interface DemoMod {
  readonly id: string;
  readonly name: string;
  readonly version: string;
  readonly author: string;
  readonly tags: readonly string[];
  readonly summary: string;
  readonly requires: readonly string[];
  readonly plugins: readonly DemoPlugin[];
  readonly loose: readonly DemoFile[];
  /** Packed files that the game opens by itself, with what lies in each, as the game sees it. */
  readonly packed?: readonly { readonly path: string; readonly files: readonly DemoFile[] }[];
  /** What its manifest says besides: options, components, clashes, expansions, versions of the game. */
  readonly manifest?: Partial<ModManifest>;
  readonly shape: "archive" | "archive with a top folder" | "folder";
}

const base = "Brinehollow.keel";

function plugin(name: string, masters: readonly string[], changes = 12): DemoPlugin {
  const stem = name
    .replace(/\.[a-z]+$/, "")
    .toLowerCase()
    .replaceAll(/[^a-z]+/g, "-");
  // Each begins elsewhere, so that they meet here and there and not all in the same.
  const first = [...name].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 60, 7);
  const records = Array.from({ length: changes }, (_, at) =>
    at % 3 === 0
      ? `${stem}-${at}@${name}`
      : `${["reef", "tide", "hull", "lamp", "fish"][(first + at) % 5]}-${(first + at * 7) % 60}@${base}`,
  );
  return { name, flags: flagsOf(name), masters, records, lists: listsOf(name) };
}

/** Bit 0 loads first, bit 1 counts as light; the demo's extensions say the same. */
export const flagsOf = (name: string): number =>
  (name.endsWith(".keel") ? 1 : 0) | (name.endsWith(".skiff") ? 2 : 0);

type Facts = Pick<DemoMod, "name" | "version" | "author" | "summary"> & {
  tags: string;
  requires?: string;
  plugins?: readonly DemoPlugin[];
  loose?: readonly string[];
  shape?: DemoMod["shape"];
};

export const slug = (name: string): string =>
  name
    .toLowerCase()
    .replaceAll("×", "x")
    .replaceAll(/[^a-z0-9]+/g, "-")
    .replaceAll(/^-|-$/g, "");

function mod(facts: Facts): DemoMod {
  const {
    name,
    version,
    author,
    summary,
    tags,
    requires = "",
    plugins = [],
    loose = [],
    shape = "archive",
  } = facts;
  return {
    id: slug(name),
    name,
    version,
    author,
    summary,
    tags: tags.split(" "),
    requires: requires.split(" ").filter(Boolean),
    plugins,
    loose: loose.map((path, at) => ({ path, size: 600 + 350 * at })),
    shape,
    ...(blendWords[name] !== undefined && { manifest: { blend: blendWords[name] } }),
  };
}

const abyss = "Abyss Lib.keel";
const tidal = "Tidal Core.keel";
const currents = "Deep Currents.keel";
const murk = "Murk and Silt.plank";
const weather = "Abyssal Weather.plank";
const glass = "Glass Tides.plank";
const lamplight = "Lamplight Rework.plank";
const quay = "Ropewalk Quay.plank";

/** The mods that the demo's story is about; `invent` adds as many more as are asked for. */
export const catalogue: readonly DemoMod[] = [
  mod({
    name: "Abyss Library",
    version: "3.2.0",
    author: "kelpwright",
    tags: "framework",
    summary: "Shared functions that many plugins call.",
    plugins: [plugin(abyss, [base], 30)],
  }),
  mod({
    name: "Tidal Core",
    version: "2.1.0",
    author: "kelpwright",
    tags: "framework water",
    requires: "abyss-library",
    summary: "One tide clock for everything that rises and falls.",
    plugins: [plugin(tidal, [base, abyss], 24)],
    loose: ["charts/tides/spring.tbl", "charts/tides/neap.tbl"],
  }),
  mod({
    name: "Deep Currents",
    version: "1.4.2",
    author: "ferrow",
    tags: "framework water",
    summary: "Currents that carry boats, silt and sound.",
    plugins: [plugin(currents, [base, "Brinehollow - Tides.keel"], 20)],
  }),
  mod({
    name: "Quiet Compass",
    version: "1.0.3",
    author: "inkfathom",
    tags: "interface",
    summary: "A compass that shows only what you know.",
    plugins: [plugin("Quiet Compass.skiff", [base], 5)],
    loose: ["textures/interface/compass.tex"],
  }),
  mod({
    name: "Wide Lens",
    version: "0.9.1",
    author: "inkfathom",
    tags: "interface",
    summary: "Instruments spread for wide screens.",
    plugins: [plugin("Wide Lens HUD.plank", [base], 6)],
    loose: ["textures/interface/gauges.tex", "textures/interface/dial.tex"],
  }),
  mod({
    name: "Porthole Classic",
    version: "1.2",
    author: "oldrope",
    tags: "interface",
    summary: "The round view of the first release.",
    plugins: [plugin("Old Porthole.plank", [base], 4)],
  }),
  mod({
    name: "Legible Ledgers",
    version: "2.0.0",
    author: "marrow",
    tags: "interface",
    summary: "Larger figures in every ledger and manifest.",
    loose: ["textures/interface/ledger.tex", "charts/fonts/ledger.fnt"],
  }),
  mod({
    name: "Murk and Silt",
    version: "1.8.0",
    author: "siltwarden",
    tags: "water",
    requires: "deep-currents",
    summary: "Water that clouds when it is stirred.",
    plugins: [plugin(murk, [base, currents], 26)],
    loose: ["textures/water/silt.tex"],
  }),
  mod({
    name: "Abyssal Weather",
    version: "3.0.1",
    author: "ferrow",
    tags: "weather",
    requires: "tidal-core",
    summary: "Storms seen from below, and what they do to a hull.",
    plugins: [plugin(weather, [base, tidal], 34)],
  }),
  mod({
    name: "Glass Tides",
    version: "2.3.0",
    author: "lanternfish",
    tags: "water light",
    requires: "tidal-core",
    summary: "Clear shallows at slack water.",
    plugins: [plugin(glass, [base, tidal], 41), plugin("Glass Tides - Reefs.skiff", [base, glass], 8)],
    loose: ["textures/water/shallow.tex", "textures/water/caustic.tex"],
  }),
  mod({
    name: "Lamplight Rework",
    version: "1.1.0",
    author: "wickward",
    tags: "light",
    summary: "Lamps that reach as far as the water lets them.",
    plugins: [plugin(lamplight, [base, "Lamplighters.keel"], 22)],
  }),
  mod({
    name: "Kelp Shelf Repairs",
    version: "1.0.0b",
    author: "marrow",
    tags: "water",
    requires: "glass-tides",
    summary: "Closes the seam at the kelp shelf.",
    plugins: [plugin("Kelp Shelf Seams.skiff", [base, glass], 6)],
  }),
  mod({
    name: "Storm Ledger",
    version: "1.5.0",
    author: "marrow",
    tags: "weather",
    requires: "abyssal-weather",
    summary: "Storms are written down and can be looked up.",
    plugins: [plugin("Storm Ledger.plank", [base, weather], 9)],
  }),
  mod({
    name: "Ropewalk Quay",
    version: "2.2.0",
    author: "harbourmouse",
    tags: "places",
    summary: "A working quay with a ropewalk, nine rooms, and a crane.",
    plugins: [plugin(quay, [base, "Brinehollow - Harbours.keel"], 44)],
    loose: ["meshes/quay/crane.msh", "meshes/quay/walk.msh", "textures/quay/rope.tex"],
    shape: "archive with a top folder",
  }),
  mod({
    name: "Ropewalk Quay Interiors",
    version: "1.0.1",
    author: "harbourmouse",
    tags: "places",
    requires: "ropewalk-quay",
    summary: "Four more rooms behind the ropewalk.",
    plugins: [plugin("Ropewalk Interiors.plank", [base, quay], 19)],
  }),
  mod({
    name: "Cinder Reef",
    version: "1.3.0",
    author: "basaltine",
    tags: "places",
    requires: "abyss-library",
    summary: "A reef over warm vents.",
    plugins: [plugin("Cinder Reef.plank", [base, abyss], 38)],
    loose: ["meshes/reef/vent.msh"],
  }),
  mod({
    name: "Frozen Galleries",
    version: "0.7.0",
    author: "basaltine",
    tags: "places",
    summary: "Halls under the ice, for owners of The Cold Trench.",
    plugins: [plugin("Frozen Galleries.plank", [base, "Cold Trench.keel"], 17)],
  }),
  mod({
    name: "Leviathan Habits",
    version: "2.0.0",
    author: "siltwarden",
    tags: "creatures",
    requires: "murk-and-silt",
    summary: "Large animals rest, feed and remember.",
    plugins: [plugin("Leviathan Habits.plank", [base, murk], 29)],
  }),
  mod({
    name: "Small Fry",
    version: "1.0.0",
    author: "gillet",
    tags: "creatures",
    summary: "Shoals that scatter.",
    plugins: [plugin("Small Fry.skiff", [base], 7)],
  }),
  mod({
    name: "Moult Season",
    version: "1.2.0",
    author: "gillet",
    tags: "creatures",
    requires: "cinder-reef",
    summary: "Shells to be found where crabs outgrow them.",
    plugins: [plugin("Moult Season.plank", [base, "Cinder Reef.plank"], 14)],
  }),
  mod({
    name: "Salvage Rights",
    version: "1.6.0",
    author: "tallyhand",
    tags: "salvage trade",
    requires: "abyss-library",
    summary: "Who may keep what is found, and who asks for a share.",
    plugins: [plugin("Salvage Rights.plank", [base, abyss], 25)],
  }),
  mod({
    name: "Honest Prices",
    version: "1.1.4",
    author: "tallyhand",
    tags: "trade",
    requires: "salvage-rights",
    summary: "Prices follow what the harbour lacks.",
    plugins: [plugin("Honest Prices.plank", [base, "Salvage Rights.plank"], 16)],
  }),
  mod({
    name: "Divers for Hire",
    version: "1.9.0",
    author: "harbourmouse",
    tags: "crew",
    summary: "Nine divers with opinions.",
    plugins: [
      plugin("Divers for Hire.plank", [base, "Brinehollow - Voices.keel"], 31),
      plugin("Divers - More Voices.skiff", [base, "Divers for Hire.plank"], 9),
    ],
    loose: ["sounds/voices/ansa.snd", "sounds/voices/orrin.snd"],
  }),
  mod({
    name: "The Pale Errand",
    version: "1.0.2",
    author: "wickward",
    tags: "tasks",
    requires: "divers-for-hire",
    summary: "Someone below keeps ringing a bell.",
    plugins: [plugin("The Pale Errand.plank", [base, "Sunken City.keel", "Divers for Hire.plank"], 27)],
  }),
  mod({
    name: "Tides × Weather",
    version: "1.0.0",
    author: "marrow",
    tags: "patch",
    requires: "glass-tides abyssal-weather",
    summary: "Lets Glass Tides and Abyssal Weather agree on swell.",
    plugins: [plugin("Tides × Weather.plank", [base, glass, weather], 14)],
  }),
  mod({
    name: "Tides × Lamps",
    version: "1.0.1",
    author: "marrow",
    tags: "patch",
    requires: "glass-tides lamplight-rework",
    summary: "Lamplight in clear water.",
    plugins: [plugin("Tides × Lamps.plank", [base, glass, lamplight], 11)],
  }),
  mod({
    name: "Quay × Reef",
    version: "0.3.0",
    author: "basaltine",
    tags: "patch",
    requires: "ropewalk-quay cinder-reef",
    summary: "Moves three crates out of the vents.",
    plugins: [plugin("Quay × Reef.skiff", [quay, "Cinder Reef.plank"], 5)],
  }),
  mod({
    name: "Sounding Line",
    version: "1.1",
    author: "oldrope",
    tags: "interface",
    summary: "Depth by hand, with lead and line.",
    plugins: [plugin("Sounding Line.plank", [base], 5)],
  }),
  mod({
    name: "Twin Lanterns East",
    version: "1.0.0",
    author: "wickward",
    tags: "places light",
    summary: "The eastern of two lights that answer each other.",
    plugins: [plugin("Twin Lanterns East.plank", [base, "Twin Lanterns West.plank"], 8)],
  }),
  mod({
    name: "Twin Lanterns West",
    version: "1.0.0",
    author: "wickward",
    tags: "places light",
    summary: "The western of two lights that answer each other.",
    plugins: [plugin("Twin Lanterns West.plank", [base, "Twin Lanterns East.plank"], 8)],
  }),
];
