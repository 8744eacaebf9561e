import type { FacetName } from "../model/profile";

/** What one decision of each facet is called, and several. */
export const facetNouns: { readonly [Name in FacetName]: readonly [one: string, many: string] } = {
  mods: ["mod", "mods"],
  plugins: ["plugin", "plugins"],
  rules: ["rule", "rules"],
  expansions: ["expansion", "expansions"],
  broaderFirst: ["broader loads earlier", "broader loads earlier"],
  books: ["rulebook", "rulebooks"],
  notes: ["note", "notes"],
  choices: ["parts chosen", "parts chosen"],
  baseOff: ["part of the game", "parts of the game"],
  launch: ["launch setting", "launch settings"],
  leftOut: ["file left out", "files left out"],
  numbers: ["number of the sheet", "numbers of the sheet"],
};
