import { flagsOf, slug, type DemoMod, type DemoPlugin } from "./catalogue";

const base = "Brinehollow.keel";

const part = (name: string, masters: readonly string[], below?: string): DemoPlugin => ({
  name,
  flags: flagsOf(name),
  masters,
  records: [`gauge-0@${name}`, `gauge-1@${name}`],
  lists: [],
  ...(below === undefined ? {} : { below }),
});

const made = (
  name: string,
  version: string,
  author: string,
  facts: Partial<DemoMod> & Pick<DemoMod, "summary" | "tags">,
): DemoMod => ({
  id: slug(name),
  name,
  version,
  author,
  requires: [],
  plugins: [],
  loose: [],
  shape: "archive",
  ...facts,
});

const room = "Instrument Room.plank";

/** One that profiles still name and that no shelf holds. */
export const goneMod = { id: "drowned-bells", plugin: "Drowned Bells.keel" };

/** A package that asks questions, and mods that need, clash or come too early for the game. */
export const brinehollowPackages: readonly DemoMod[] = [
  made("Instrument Room", "1.2.0", "inkfathom", {
    tags: ["interface"],
    summary: "Gauges for every taste; asks which.",
    plugins: [
      part(room, [base]),
      part("Instrument Room - Wide.skiff", [base, room], "options/wide/"),
      part("Instrument Room - Narrow.skiff", [base, room], "options/narrow/"),
      part("Instrument Room - Night Ink.skiff", [base, room, "Lamplighters.keel"], "options/ink/"),
    ],
    loose: [
      { path: "textures/interface/room.tex", size: 900 },
      { path: "options/wide/textures/interface/gauges.tex", size: 1200 },
      { path: "options/narrow/textures/interface/gauges.tex", size: 700 },
      { path: "options/rose/textures/interface/compass.tex", size: 800, like: "rose" },
    ],
    manifest: {
      options: [
        {
          id: "gauges",
          label: "Gauges",
          choose: "one",
          parts: [
            {
              id: "wide",
              label: "Spread wide",
              paths: ["options/wide/"],
              when: { mod: "wide-lens" },
              note: "Lines up with Wide Lens",
            },
            { id: "narrow", label: "Close together", paths: ["options/narrow/"], note: "For small screens" },
          ],
        },
        {
          id: "extras",
          label: "Extras",
          choose: "any",
          parts: [
            {
              id: "rose",
              label: "Compass rose",
              paths: ["options/rose/"],
              caution: "replaces the one of Quiet Compass, which is better",
            },
            {
              id: "ink",
              label: "Night ink",
              paths: ["options/ink/"],
              when: { expansion: "lamplighters" },
              note: "Ink that glows with the lamps",
            },
          ],
        },
      ],
      startNotes: [
        {
          id: "gauges",
          kind: "look",
          text: "The gauges at the helm: no figure is cut off.",
          how: "Sit down at the helm and press F6.",
        },
      ],
      settings: [
        { file: "deck", at: "Gauges/scale", value: "1.25", reason: "Its figures are small" },
        { file: "deck", at: "Gauges/spread", value: "1", part: "gauges/wide" },
      ],
    },
  }),
  made("Loud Compass", "0.8.0", "oldrope", {
    tags: ["interface"],
    summary: "A compass that rings.",
    loose: [
      { path: "textures/interface/compass.tex", size: 600 },
      { path: "gong/sounds/interface/gong.snd", size: 300 },
    ],
    manifest: {
      settings: [
        { file: "deck", at: "Gauges/scale", value: "1.5" },
        { file: "keys", at: "bind F6", value: "gong", reason: "A key of the game that is free" },
      ],
      clashes: [{ mod: "quiet-compass", reason: "both draw the same needle" }],
      components: [
        {
          id: "gong",
          label: "Its gong",
          paths: ["gong/"],
          clashes: [
            { mod: "instrument-room", part: "extras/rose", reason: "it rings at every turn of the rose" },
          ],
        },
      ],
    },
  }),
  made("Trench Lamps", "1.0.0", "basaltine", {
    tags: ["light"],
    summary: "Lamps for the halls under the ice.",
    loose: [{ path: "textures/light/trench.tex", size: 700 }],
    manifest: { expansions: ["cold-trench"], requires: [{ mod: "abyss-library", versions: ">=4" }] },
  }),
  made("Far Bells", "0.4.0", "wickward", {
    tags: ["light"],
    summary: "Bells that carry over water, for the first release.",
    loose: [{ path: "sounds/bells/far.snd", size: 900 }],
    manifest: { gameVersions: "<1.4", requires: [{ mod: "bell-foundry" }] },
  }),
  {
    ...made("Far Bells", "0.6.0", "wickward", {
      tags: ["light"],
      summary: "The same bells, by another hand.",
      loose: [{ path: "sounds/bells/farther.snd", size: 900 }],
      manifest: { expansions: ["lamplighters"] },
    }),
    id: "far-bells-anew",
  },
  made("Narrow Numerals", "1.0.1", "inkfathom", {
    tags: ["interface"],
    summary: "Figures for the narrow gauges, and for no others.",
    plugins: [
      part("Narrow Numerals.skiff", [base, "Instrument Room - Narrow.skiff"]),
      // All that the older ones change is changed again.
      {
        ...part("Older Numerals.skiff", [base]),
        records: ["gauge-0@Narrow Numerals.skiff", "gauge-1@Narrow Numerals.skiff"],
      },
    ],
  }),
  made("Bell Ropes", "2.1.0", "wickward", {
    tags: ["places"],
    summary: "Ropes for bells that nobody keeps any more.",
    plugins: [part("Bell Ropes.plank", [base, goneMod.plugin])],
  }),
  made("Hull Talk", "0.7.0", "marrow", {
    tags: ["interface"],
    summary: "What the crew says, as captions.",
    plugins: [part("Hull Talk.skiff", [base, "Divers for Hire.plank"])],
    loose: [{ path: "rose/textures/interface/compass.tex", size: 800, like: "rose" }],
    manifest: {
      components: [{ id: "rose", label: "Compass rose, as in Instrument Room", paths: ["rose/"] }],
    },
  }),
  made("Chart of Squares", "1.0.0", "basaltine", {
    tags: ["places"],
    summary: "The whole chart, each square a plugin of its own.",
    plugins: Array.from({ length: 36 }, (_, at) => {
      const name = `Chart of Squares - ${String(at + 1).padStart(2, "0")}.plank`;
      // One square was saved over itself, and names itself as its master since.
      return part(name, at === 8 ? [base, name] : [base]);
    }),
  }),
];
