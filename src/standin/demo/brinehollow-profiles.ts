import { z } from "zod";
import { chooseEdit } from "@/core/edit/choices";
import type { Edit } from "@/core/model/edit";
import { makeRoster, newestById, type Roster, type Stock } from "@/core/roster/roster";
import { expansionEdit } from "@/core/edit/settings";
import { applySteps } from "@/core/edit/steps";
import type { GameDefinition } from "@/core/model/game";
import { ModId, PluginId, SectionId, type ItemId } from "@/core/model/ids";
import type { Reminder } from "@/core/model/reminder";
import type { StartNote } from "@/core/model/start-note";
import { Rule, type Choice, type Entry, type ProfileState } from "@/core/model/profile";
import { arrange, demoProfile, type DemoProfile } from "./arrange";
import { goneMod } from "./brinehollow-packages";
import { marksOf, ownMarks } from "./finds";
import { catalogue } from "./catalogue";
import { hearsay } from "./rulebooks";

const made = "2026-11-02T19:30:00.000Z";

const rules = z.array(Rule).parse([
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
]);

const squaresTogether = Rule.parse({
  id: "squares-together",
  rule: {
    kind: "together",
    items: ["Chart of Squares - 01.plank", "Chart of Squares - 07.plank"],
    strength: "prefer",
  },
  note: "the two of the harbour",
  made,
});

/** What the curator got wrong: each plugin is put before the other one. */
const misplaced: readonly (readonly [string, string])[] = [
  ["Glass Tides - Reefs.skiff", "Murk and Silt.plank"],
  ["Tides × Weather.plank", "Abyssal Weather.plank"],
  ["Kelp Shelf Seams.skiff", "Storm Ledger.plank"],
  ["Ropewalk Interiors.plank", "Ropewalk Quay.plank"],
  ["Honest Prices.plank", "Salvage Rights.plank"],
];

/** What only the profile of everything holds. */
const troublesome = [
  "loud-compass",
  "trench-lamps",
  "far-bells",
  "far-bells-anew",
  "narrow-numerals",
  "bell-ropes",
  "hull-talk",
  "chart-of-squares",
];

/** Mods at most: of the first profile, what fits below the game's cap; of the second, a handful to make things with. */
const fitting = 200;
const handful = 40;

const leftOut = ["twin-lanterns-east", "twin-lanterns-west"];
const offMods = ["porthole-classic"];
const offPlugins = ["Divers for Hire.plank", "Sounding Line.plank"];

export function brinehollowProfiles(game: GameDefinition, stock: Stock): DemoProfile[] {
  const sound = stock.shelf.filter((mod) => !mod.problem).map((mod) => mod.id);
  const all = sound.filter((id) => !leftOut.includes(id) && !troublesome.includes(id));
  const long = spoil(
    arrange(game, stock, fillUp(stock, all.filter(isTold), all, fitting), rules, [gauges("narrow")]),
  );
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
    {
      name: "Long Descent",
      purpose: "play",
      hue: 1,
      note: "The one for the long winter evenings. Tested down to ninety fathoms.",
      state: { ...long, advice: [...long.advice, ...marksOf(ownMarks)] },
    },
    {
      name: "Harbour Lights",
      purpose: "make",
      hue: 5,
      state: {
        ...arrange(game, stock, fillUp(stock, bench, all, handful), []),
        startNotes: [...beforeMaking],
      },
    },
    {
      name: "All at Once",
      purpose: "to see what breaks",
      state: breakAll(
        game,
        stock,
        arrange(
          game,
          stock,
          sound.filter((id) => id !== "wide-lens"),
          [],
          [gauges("narrow")],
        ),
      ),
    },
  ];
}

const told = new Set(catalogue.map((mod) => mod.id));
const isTold = (id: string): boolean => told.has(id);

/** The mods that are wanted, and as many invented ones of `mods` as there is room for, whose masters are among them. */
function fillUp(
  { shelf }: Stock,
  wanted: readonly string[],
  mods: readonly string[],
  room: number,
): string[] {
  const known = newestById(shelf);
  const pluginsOf = (id: string) => known.get(id)!.plugins;
  const taken = new Set(wanted);
  const invented = mods.filter((id) => !isTold(id));
  const brought = new Set<string>(mods.flatMap((id) => pluginsOf(id).map((plugin) => plugin.name)));
  const present = new Set<string>(wanted.flatMap((id) => pluginsOf(id).map((plugin) => plugin.name)));
  const lacksMaster = (id: string) => {
    const own: readonly string[] = pluginsOf(id).map((plugin) => plugin.name);
    const isMissing = (name: string) => brought.has(name) && !present.has(name) && !own.includes(name);
    return pluginsOf(id).some((plugin) => plugin.header?.masters.some(isMissing));
  };
  for (let before = -1; before < taken.size;) {
    before = taken.size;
    for (const id of invented) {
      if (taken.size >= room || taken.has(id) || lacksMaster(id)) continue;
      taken.add(id);
      for (const plugin of pluginsOf(id)) present.add(plugin.name);
    }
  }
  return [...new Set([...mods, ...wanted])].filter((id) => taken.has(id));
}

const gauges = (part: string): Choice => ({
  mod: ModId.parse("instrument-room"),
  options: { gauges: [part] },
  components: [],
});

const taking = (mod: string, component: string): Choice => ({
  mod: ModId.parse(mod),
  options: {},
  components: [component],
});

function after(
  game: GameDefinition,
  stock: Stock,
  state: ProfileState,
  make: (roster: Roster) => Edit | null,
): ProfileState {
  const applied = applySteps(state, make(makeRoster(game, demoProfile(game, state), stock))!.steps);
  if (!applied.ok) throw new Error(applied.refusal.code);
  return applied.value.state;
}

/** Two that no order keeps together. */
const contradicting = z.array(Rule).parse(
  (["after", "before"] as const).map((kind) => ({
    id: `fry-${kind}-ledger`,
    rule: { kind, item: "Small Fry.skiff", other: "Storm Ledger.plank", strength: "must" },
    note: kind === "after" ? "shoals read the ledger" : "somebody at the quay said so",
    made,
  })),
);

const beforeMaking: readonly StartNote[] = [
  {
    id: "bench",
    kind: "condition",
    text: "The drawing bench runs.",
    how: "Without it the game shows the harbour of the day before.",
  },
  { id: "signed-in", kind: "condition", text: "The harbour mail is signed in.", keeps: true },
  {
    id: "lamps",
    kind: "look",
    text: "The lamps at the quay: all lit, none doubled.",
    how: "Load the save “Quay at night”.",
  },
];

const reminders: readonly Reminder[] = [
  { id: "frames", text: "Look again at Instrument Room", when: { kind: "arrives", mod: "wide-lens" } },
  { id: "bells", text: "See whether Far Bells came along", when: { kind: "updated", version: "1.4.0" } },
  { id: "winter", text: "Ask about the winter release", when: { kind: "day", date: "2026-11-02" } },
];

/** At least one of everything that can be wrong with a profile stands in this one. */
function breakAll(game: GameDefinition, stock: Stock, whole: ProfileState): ProfileState {
  const unlit = after(game, stock, whole, (roster) => expansionEdit(roster, "lamplighters", false));
  const state = after(game, stock, unlit, (roster) =>
    chooseEdit(roster, roster.modOf.get("instrument-room")!, {
      ...gauges("wide"),
      options: { gauges: ["wide"], extras: ["rose"] },
    }),
  );
  const { mods, plugins } = state;
  const foundations = plugins.entries.findIndex((entry) => entry.section === "foundations");
  const gone = {
    id: PluginId.parse(goneMod.plugin),
    on: true,
    section: SectionId.parse("foundations"),
  };
  return {
    ...state,
    mods: {
      ...mods,
      entries: [
        ...switchOff(mods.entries, ["lamplight-rework", "quay-x-reef"]).map((entry) =>
          // In contents that lie nowhere any more.
          entry.id === "legible-ledgers" ? { ...entry, content: "0".repeat(64) } : entry,
        ),
        { id: ModId.parse(goneMod.id), on: true, section: mods.sections.at(-1)!.id },
      ],
    },
    plugins: {
      sections: plugins.sections.map((section) =>
        section.id === "crew" ? { ...section, closed: true as const } : section,
      ),
      entries: [...plugins.entries.slice(0, foundations), gone, ...strayed(plugins.entries, foundations)],
    },
    choices: [...state.choices, taking("loud-compass", "gong"), taking("hull-talk", "rose")],
    rules: [...state.rules, squaresTogether, ...contradicting],
    reminders: [...reminders],
    blend: [{ kind: "recipe", mod: ModId.parse("blend-for-everything"), name: "Blend of Everything" }],
    books: [{ id: hearsay.id, version: hearsay.version, off: [] }],
    leftOut: [{ mod: ModId.parse("abyss-library"), path: "abyss lib.keel" }],
  };
}

/** Those from a place on, one of which stands among the foundations, which it is none of. */
function strayed(entries: readonly Entry<PluginId>[], from: number): Entry<PluginId>[] {
  const rest = entries.slice(from);
  const stray = rest.find(({ id }) => id === "Sounding Line.plank")!;
  return [{ ...stray, section: SectionId.parse("foundations") }, ...rest.filter((entry) => entry !== stray)];
}

function spoil(state: ProfileState): ProfileState {
  let entries: readonly Entry<PluginId>[] = state.plugins.entries;
  for (const [id, other] of misplaced) entries = putBefore(entries, id, other);
  return {
    ...state,
    mods: { ...state.mods, entries: switchOff(state.mods.entries, offMods) },
    plugins: { ...state.plugins, entries: switchOff(entries, offPlugins) },
  };
}

function putBefore(
  entries: readonly Entry<PluginId>[],
  id: string,
  other: string,
): readonly Entry<PluginId>[] {
  const entry = entries.find((each) => each.id === id)!;
  const rest = entries.filter((each) => each !== entry);
  const at = rest.findIndex((each) => each.id === other);
  return [
    ...rest.slice(0, at),
    { id: entry.id, on: entry.on, section: rest[at]!.section },
    ...rest.slice(at),
  ];
}

const switchOff = <Id extends ItemId>(entries: readonly Entry<Id>[], ids: readonly string[]): Entry<Id>[] =>
  entries.map((entry) => (ids.includes(entry.id) ? { ...entry, on: false } : entry));
