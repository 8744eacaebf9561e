import type { GameDefinition } from "@/core/model/game";
import { bookMarks, marksOf } from "./finds";
import type { Rulebook } from "@/core/model/rulebook";
import type { Stock } from "@/core/roster/roster";

/** What somebody once heard; the profile that holds everything goes by it. */
export const hearsay: Rulebook = {
  format: "seating-rulebook/2",
  id: "hearsay",
  game: "brinehollow",
  name: "Hearsay of the Quay",
  version: "3",
  author: "tallyhand",
  changelog: [{ version: "3", text: "As told last winter." }],
  sections: [],
  rules: [],
  advice: [
    { kind: "known-bad", on: { plugin: "Old Porthole.plank" }, text: "it empties the chart table" },
    { kind: "outdated", on: { plugin: "Old Porthole.plank" }, other: { plugin: "Quiet Compass.skiff" } },
    {
      kind: "needs",
      on: { plugin: "Small Fry.skiff" },
      other: { plugin: "Drowned Bells.keel" },
      text: "else the shoals stand still",
    },
    { kind: "leftover", on: { plugin: "Murk and Silt.plank" }, count: 3 },
    {
      kind: "clashes",
      on: { mod: "cinder-reef" },
      other: { plugin: "Glass Tides - Reefs.skiff" },
      text: "both lay the same reef",
      source: "heard on the quay",
      date: "2026-02",
    },
    {
      kind: "recommended",
      on: { mod: "instrument-room" },
      other: { mod: "wide-lens" },
      text: "its gauges were drawn for it",
    },
    {
      kind: "note",
      on: { plugin: "Storm Ledger.plank" },
      text: "open the ledger once before the first storm",
    },
  ],
};

/** Two versions of a rulebook about the demo's own mods: the one to bring in, and its update. */
export function demoRulebooks(game: GameDefinition, stock: Stock): Rulebook[] {
  const silt = stock.shelf.flatMap((mod) => mod.plugins).find(({ name }) => name === "Murk and Silt.plank");
  const first: Rulebook = {
    format: "seating-rulebook/2",
    id: "soundings",
    game: game.id,
    name: "Soundings",
    version: "1.0",
    author: "siltwarden",
    changelog: [{ version: "1.0", text: "The first soundings: weather, water and prices." }],
    sections: [],
    rules: [
      {
        id: "fog-before-light",
        rule: {
          kind: "before",
          item: "Abyssal Weather.plank",
          other: "Lamplight Rework.plank",
          strength: "must",
        },
        note: "lamps read the fog that is there when they load",
      },
      {
        id: "silt-after-tides",
        rule: { kind: "after", item: "Murk and Silt.plank", other: "Glass Tides.plank", strength: "prefer" },
        note: "silt settles on the tides’ floor",
      },
      {
        id: "dials-together",
        rule: {
          kind: "together",
          items: ["Verdigris Dials.plank", "Verdigris Dials - Extras.skiff"],
          strength: "prefer",
        },
        note: "the extras look for their neighbour",
      },
      {
        id: "prices-first",
        rule: { kind: "first", item: "Honest Prices.plank", within: "section", strength: "prefer" },
        note: "",
      },
    ],
    advice: [
      { kind: "known-bad", on: { plugin: "Old Porthole.plank" }, text: "it empties the chart table" },
      { kind: "needs", on: { plugin: "Chalk Foam.plank" }, other: { plugin: "Deep Currents.keel" } },
      ...marksOf(bookMarks),
      {
        kind: "note",
        on: { plugin: "Murk and Silt.plank" },
        text: "Most people turn its thickness down to 0.6.",
      },
    ],
  };
  const second: Rulebook = {
    ...first,
    version: "1.1",
    changelog: [
      { version: "1.1", text: "Prices go last, not first; leftovers of Murk and Silt counted." },
      ...first.changelog,
    ],
    rules: [
      ...first.rules.slice(0, 3),
      {
        id: "prices-first",
        rule: { kind: "last", item: "Honest Prices.plank", within: "section", strength: "prefer" },
        note: "prices go over everything that is sold",
      },
      {
        id: "reefs-after-tides",
        rule: { kind: "after", item: "Cinder Reef.plank", other: "Glass Tides.plank", strength: "prefer" },
        note: "the reef stands on the new floor",
      },
    ],
    advice: [
      ...first.advice,
      ...(silt
        ? [{ kind: "leftover" as const, on: { plugin: silt.name, sha256: silt.sha256 }, count: 3 }]
        : []),
    ],
  };
  return [first, second];
}
