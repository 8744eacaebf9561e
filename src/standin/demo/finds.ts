import type { Advice } from "@/core/model/advice";
import type { AdditiveList, ListEntry, Marks } from "@/core/model/additive-list";

/** What a plugin makes of a list of the game: what it adds at a depth with a share, leaves out, and puts elsewhere. */
interface Change {
  readonly adds?: Readonly<Record<string, readonly [depth: number, share: number]>>;
  readonly leaves?: readonly string[];
  readonly moves?: Readonly<Record<string, readonly [depth: number, share: number]>>;
}

const base = "Brinehollow.keel";
const entriesOf = (places: NonNullable<Change["adds"]>): ListEntry[] =>
  Object.entries(places).map(([name, [depth, share]]) => ({ name, depth, share }));

/** What lies on the sea bed, swims and blows where, before anybody adds to it. */
const ofTheGame: Readonly<Record<string, NonNullable<Change["adds"]>>> = {
  "finds-shallow": { cockle: [5, 9], driftwood: [8, 6], "net-float": [12, 4] },
  "finds-reef": { "coral-twig": [20, 8], urchin: [25, 5] },
  "finds-deep": { "black-pebble": [180, 6], "whale-ear": [220, 2] },
  "finds-wreck": { nail: [40, 9], "bell-clapper": [60, 1] },
  "finds-kelp": { "kelp-bulb": [15, 9], "float-egg": [18, 3] },
  "shoals-shallow": { sprat: [6, 9], wrasse: [10, 5] },
  "shoals-deep": { lanternfish: [200, 6], "gulper-eel": [300, 2] },
  "crabs-reef": { "shore-crab": [20, 7], "squat-lobster": [30, 3] },
  "weather-harbour": { haze: [0, 6], drizzle: [0, 3] },
  "weather-open": { swell: [0, 7], squall: [0, 3] },
  "goods-market": { rope: [0, 9], "lamp-oil": [0, 5] },
  "talk-quay": { gossip: [0, 6], "tide-table": [0, 4] },
};

export const listsOfTheGame: readonly AdditiveList[] = Object.entries(ofTheGame).map(([record, places]) => ({
  record: `${record}@${base}`,
  entries: entriesOf(places),
}));

const changes: Readonly<Record<string, Readonly<Record<string, Change>>>> = {
  "Moult Season.plank": {
    "finds-shallow": { adds: { "crab-shell": [10, 5], "soft-claw": [30, 6] } },
    "crabs-reef": { adds: { "moulting-crab": [22, 4] }, moves: { "shore-crab": [16, 9] } },
  },
  "Salvage Rights.plank": {
    "finds-shallow": { adds: { "brass-plate": [10, 5], "sealed-crate": [30, 6] } },
    "finds-wreck": { adds: { "owner-tag": [40, 3] } },
    "goods-market": { adds: { "scrap-brass": [0, 4] } },
  },
  "Cinder Reef.plank": {
    "finds-reef": { adds: { "vent-glass": [35, 3] }, leaves: ["urchin"] },
    "crabs-reef": { adds: { "ash-crab": [40, 5] }, leaves: ["squat-lobster"] },
    "shoals-deep": { adds: { "vent-shrimp": [240, 4] } },
  },
  "Leviathan Habits.plank": {
    "shoals-deep": { adds: { "pilot-fish": [260, 2] }, moves: { "gulper-eel": [420, 1] } },
    "finds-deep": { adds: { ambergris: [200, 1] } },
  },
  "Small Fry.skiff": {
    "shoals-shallow": { adds: { "sand-eel": [4, 7], goby: [8, 6] } },
    "shoals-deep": { adds: { bristlemouth: [260, 7] }, moves: { "gulper-eel": [340, 3] } },
  },
  "Storm Ledger.plank": {
    "weather-open": { adds: { waterspout: [0, 1] }, moves: { squall: [0, 5] } },
    "weather-harbour": { adds: { "storm-warning": [0, 2] } },
  },
  "Tides × Weather.plank": { "weather-open": { adds: { "tide-rip": [0, 2] }, leaves: ["squall"] } },
  "Honest Prices.plank": {
    "goods-market": { adds: { sailcloth: [0, 3] }, moves: { rope: [0, 4] } },
    "talk-quay": { adds: { haggling: [0, 5] } },
  },
  "Divers for Hire.plank": {
    "talk-quay": { adds: { "diver-for-hire": [0, 4] } },
    "finds-wreck": { adds: { "lost-helmet": [70, 1] } },
  },
  "Kelp Shelf Seams.skiff": { "finds-kelp": { adds: { "kelp-knot": [16, 4] } } },
  "Glass Tides.plank": { "finds-kelp": { adds: { "sea-glass": [12, 6] }, moves: { "kelp-bulb": [22, 8] } } },
  "Sounding Line.plank": { "finds-deep": { adds: { "lead-weight": [190, 3] } } },
};

/** The additive lists of a plugin of the story: each as the game has it, with what the plugin makes of it. */
export const listsOf = (plugin: string): AdditiveList[] =>
  Object.entries(changes[plugin] ?? {}).map(([record, change]) => listWith(record, change));

/** A list of the game with more in it. */
export const listWith = (record: string, { adds = {}, leaves = [], moves = {} }: Change): AdditiveList => ({
  record: `${record}@${base}`,
  entries: entriesOf({
    ...Object.fromEntries(
      Object.entries({ ...ofTheGame[record], ...moves }).filter(([name]) => !leaves.includes(name)),
    ),
    ...adds,
  }),
});

/** What the manifest of a mod says of its lists, by the mod's name. */
export const blendWords: Readonly<Record<string, string>> = {
  "Cinder Reef": "all",
  "Moult Season": "additions",
  "Tides × Weather": "all",
  "Kelp Shelf Repairs": "never",
};

/** What the curator of the demo's first profile has found out about lists. */
export const ownMarks: Readonly<Record<string, Marks>> = { "Storm Ledger.plank": ["adds", "changes"] };

/** What a rulebook says of lists. */
export const bookMarks: Readonly<Record<string, Marks>> = {
  "Leviathan Habits.plank": ["adds", "removes", "changes"],
  "Small Fry.skiff": ["adds", "changes"],
};

/** What is told of the lists of plugins, as advice. */
export const marksOf = (marks: Readonly<Record<string, Marks>>): Advice[] =>
  Object.entries(marks).map(([plugin, each]) => ({ kind: "marks", on: { plugin }, marks: each }));
