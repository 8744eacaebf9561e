import { catalogue, type DemoMod } from "./catalogue";
import { goneMod } from "./brinehollow-packages";
import type { DepotPlan } from "./make-depot";

const newer = (id: string, version: string, summary: string): DemoMod => {
  const mod = catalogue.find((each) => each.id === id)!;
  return {
    ...mod,
    version,
    summary,
    shape: "archive",
    loose: [...mod.loose, { path: `textures/${id}/new.tex`, size: 900 }],
  };
};

const base = "Brinehollow.keel";

/** What everybody misses: a mod whose page was gone and is back. */
const bells: DemoMod = {
  id: goneMod.id,
  name: "Drowned Bells",
  version: "1.2.0",
  author: "oldrope",
  summary: "Bells below the tide, and what answers them.",
  tags: ["framework"],
  requires: [],
  manifest: {},
  plugins: [
    { name: goneMod.plugin, flags: 1, masters: [base], records: [`bell-1@${goneMod.plugin}`], lists: [] },
  ],
  loose: [{ path: "sounds/bells/toll.snd", size: 4000 }],
  shape: "archive",
};

type Extras = Pick<DepotPlan, "more" | "terms" | "faults">;

export const brinehollowDepot: Extras = {
  more: [
    bells,
    newer("glass-tides", "2.4.0", "Clear water, and now clear ice."),
    newer("quiet-compass", "1.9.0", "A compass that is quiet also in storms."),
  ],
  terms: {
    "lamplight-rework": { kind: "not-passed-on", where: "only from its author’s own page" },
    "ropewalk-quay": { kind: "paid", where: "three shells at the Slipway" },
  },
  faults: {
    busy: { "small-fry": 1 },
    breaksOff: { "abyss-library": 3, "drowned-bells": 1 },
    damaged: { "legible-ledgers": 1 },
  },
};

export const plainDepot: Extras = { more: [], terms: {}, faults: {} };
