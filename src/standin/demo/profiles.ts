import { makeRoster, newestById, type Roster, type Stock } from "@/core/profile/roster";
import { addAbsentMods, addAbsentPlugins, emptyState } from "@/core/profile/arrivals";
import { proposeOrder } from "@/core/profile/accept";
import type { GameDefinition } from "@/core/model/game";
import type { Entry, ListName, Order, ProfileState, Rule } from "@/core/model/profile";

/** A profile of the demo as it is written to `demo.json` and taken up by the server. */
export interface DemoProfile {
  readonly name: string;
  readonly purpose: "play" | "make" | "test";
  readonly state: ProfileState;
}

const made = "2026-11-02T19:30:00.000Z";

const rules: readonly Rule[] = [
  {
    id: "storm-before-kelp",
    rule: { kind: "after", item: "Kelp Shelf Seams.skiff", other: "Storm Ledger.plank", strength: "must" },
    note: "the seam shows again if storms are written down after it",
    made,
  },
  {
    id: "weather-before-glass",
    rule: { kind: "after", item: "Glass Tides.plank", other: "Abyssal Weather.plank", strength: "prefer" },
    note: "fog must be set first",
    made,
  },
  {
    id: "prices-last",
    rule: { kind: "last", item: "Honest Prices.plank", within: "section", strength: "must" },
    note: "prices go over everything that is sold",
    made,
  },
];

/** What the curator got wrong: each plugin is put before the other one. */
const misplaced: readonly (readonly [string, string])[] = [
  ["Glass Tides - Reefs.skiff", "Murk and Silt.plank"],
  ["Tides × Weather.plank", "Abyssal Weather.plank"],
  ["Kelp Shelf Seams.skiff", "Storm Ledger.plank"],
  ["Ropewalk Interiors.plank", "Ropewalk Quay.plank"],
  ["Honest Prices.plank", "Salvage Rights.plank"],
];

const leftOut = ["twin-lanterns-east", "twin-lanterns-west"];
const offMods = ["porthole-classic"];
const offPlugins = ["Divers for Hire.plank", "Sounding Line.plank"];

export function demoProfiles(game: GameDefinition, stock: Stock): DemoProfile[] {
  const all = stock.shelf.filter((mod) => !mod.problem && !leftOut.includes(mod.id)).map((mod) => mod.id);
  const long = spoil(game, arrange(game, stock, all, rules));
  const bench = [
    "abyss-library",
    "tidal-core",
    "glass-tides",
    "lamplight-rework",
    "ropewalk-quay",
    "quiet-compass",
    "legible-ledgers",
    "small-fry",
    "tides-x-lamps",
    ...leftOut,
  ];
  return [
    { name: "Long Descent", purpose: "play", state: long },
    { name: "Harbour Lights", purpose: "make", state: arrange(game, stock, bench, []) },
  ];
}

/** Adds the mods to an empty profile, all on, and accepts the order that is proposed. */
function arrange(
  game: GameDefinition,
  stock: Stock,
  ids: readonly string[],
  own: readonly Rule[],
): ProfileState {
  const shelf = newestById(stock.shelf);
  const mods = ids.map((id) => shelf.get(id)!);
  const bare = emptyState(game, stock.owned);
  const listed = addAbsentMods({ ...bare, rules: [...own] }, mods, true);
  const state = addAbsentPlugins(game, listed, mods, true);
  const accepted = (list: ListName): Order => {
    const { entries } = proposeOrder(rosterOf(game, stock, state), list);
    return { ...state[list], entries: [...entries] };
  };
  return { ...state, mods: accepted("mods"), plugins: accepted("plugins") };
}

function rosterOf(game: GameDefinition, stock: Stock, state: ProfileState): Roster {
  const profile = { id: "demo", game: game.id, name: "Demo", purpose: "play" as const, version: 1, state };
  return makeRoster(game, profile, stock);
}

function spoil(_game: GameDefinition, state: ProfileState): ProfileState {
  let entries: readonly Entry[] = state.plugins.entries;
  for (const [id, other] of misplaced) entries = putBefore(entries, id, other);
  return {
    ...state,
    mods: { ...state.mods, entries: switchOff(state.mods.entries, offMods) },
    plugins: { ...state.plugins, entries: switchOff(entries, offPlugins) },
  };
}

function putBefore(entries: readonly Entry[], id: string, other: string): readonly Entry[] {
  const entry = entries.find((each) => each.id === id)!;
  const rest = entries.filter((each) => each !== entry);
  const at = rest.findIndex((each) => each.id === other);
  return [...rest.slice(0, at), { id, on: entry.on, section: rest[at]!.section }, ...rest.slice(at)];
}

const switchOff = (entries: readonly Entry[], ids: readonly string[]): Entry[] =>
  entries.map((entry) => (ids.includes(entry.id) ? { ...entry, on: false } : entry));
