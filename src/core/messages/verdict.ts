import type { Lack, Verdict } from "../lineup/verdict";
import type { AlteredPlace, Claim, UnsaidPart } from "../model/claim";
import type { Roster } from "../roster/roster";
import { plural } from "./parts";

/** What a verdict says in a few words. */
export function verdictTitle(verdict: Verdict): string {
  switch (verdict.kind) {
    case "exact":
      return "Reproduced exactly";
    case "as-far":
      return "As far as the list says";
    case "differs":
      return verdict.differences.length > 0
        ? `Not the same setup: ${plural(verdict.differences.length, "difference")}`
        : "Not the same setup";
    case "not-yet":
      return `Not yet: ${plural(verdict.lacks.length, "thing")} of the list ${verdict.lacks.length === 1 ? "is" : "are"} not here`;
    case "altered":
      return "The list was changed after it went out";
  }
}

/** The same for a line of many. */
export function verdictMark(verdict: Verdict): string {
  switch (verdict.kind) {
    case "exact":
      return "exactly its list";
    case "as-far":
      return "as far as its list says";
    case "differs":
      return "not the setup of its list";
    case "not-yet":
      return `${verdict.lacks.length} of its list not here`;
    case "altered":
      return "its list was changed";
  }
}

/** Why, and what can be done. */
export function verdictText(
  verdict: Verdict,
  { format, fingerprint }: Pick<Claim, "format" | "fingerprint">,
): string {
  switch (verdict.kind) {
    case "exact":
      return "The fingerprint that its author’s Seating wrote is the one here, and nothing of it is missing.";
    case "as-far":
      return verdict.unsaid.length > 0
        ? "It carries no fingerprint of its author’s. What it says holds here; what it does not say is as this profile has it:"
        : "It carries no fingerprint of its author’s. What it says holds here.";
    case "differs":
      if (fingerprint === null) return "Not all that the list says holds here:";
      return verdict.differences.length > 0
        ? "The fingerprint that its author’s Seating wrote is another one. This is what differs from what the list says:"
        : `All that the list says holds here, but the fingerprint that its author’s Seating wrote is another one. A list of this format (${format}) does not carry where the two differ; ask for the JSON. It can be:`;
    case "not-yet":
      return verdict.lacks.some(({ what }) => what !== "missing")
        ? "What is on in the list has to be here, in the contents that it names, and every line of it understood, before anything is proved. Open the list again to be asked about its lines:"
        : "What is on in the list has to be here, in the contents that it names, before anything is proved:";
    case "altered":
      return "What it says is not what its author’s Seating wrote. Ask its author for it anew. Changed were:";
  }
}

/** What the sentence before introduces, one by one; what differs is told with what it does, and so apart. */
export function verdictReasons(verdict: Verdict, sayUnsaid: (part: UnsaidPart) => string): string[] {
  switch (verdict.kind) {
    case "exact":
      return [];
    case "altered":
      return verdict.places.map((place) => placeWords[place]);
    case "not-yet":
      return verdict.lacks.map(lackText);
    case "as-far":
      return verdict.unsaid.map(sayUnsaid);
    case "differs":
      return verdict.differences.length > 0 ? [] : [...verdict.unsaid, "base" as const].map(sayUnsaid);
  }
}

export const placeWords: Readonly<Record<AlteredPlace, string>> = {
  mods: "the mods: which, in what order, on or off, in which version",
  plugins: "the plugins: which, in what order, on or off",
  options: "the parts that are chosen",
  leftOut: "the files that are left out",
  expansions: "the expansions",
  baseItems: "the parts of the game that are off",
  launch: "the launch settings",
  sections: "the sections, and what stands in them",
  rules: "the rules and rulebooks",
  digests: "what proves it: its digests are gone",
  fingerprint: "something of which its fingerprint was worked out, or the fingerprint itself",
};

/** What a list does not say. */
export const unsaidWords: Readonly<Record<UnsaidPart, string>> = {
  game: "the version of the game",
  mods: "the order of the mods",
  plugins: "the plugins and their order",
  versions: "which version of each mod is meant",
  hashes: "which contents each mod has",
  off: "what is off",
  parts: "the parts of packages",
  "left-out": "files left out",
  settings: "expansions, parts of the game and launch settings",
  base: "the game’s own plugins",
};

/** The same, with what the profile has instead. */
export function unsaidText(part: UnsaidPart, roster: Roster): string {
  return `${unsaidWords[part]}: here ${hereInstead[part](roster)}`;
}

const loading = (all: readonly { readonly loads: boolean }[]) => all.filter(({ loads }) => loads).length;

const hereInstead: Readonly<Record<UnsaidPart, (roster: Roster) => string>> = {
  game: ({ game }) => game.version,
  mods: ({ profile }) => `as ${profile.name} has it`,
  plugins: ({ plugins }) => `${loading(plugins)} load`,
  versions: () => "those that the profile holds",
  hashes: () => "those that the profile holds",
  off: ({ mods }) => plural(mods.length - loading(mods), "mod"),
  parts: ({ profile: { state } }) =>
    `${plural(state.choices.length, "choice")} of one’s own, else as their authors propose`,
  "left-out": ({ profile: { state } }) =>
    state.leftOut.length === 0 ? "none" : String(state.leftOut.length),
  settings: ({ profile: { state } }) =>
    `${plural(state.expansions.length, "expansion")} on, ${plural(state.baseOff.length, "part")} of the game off, ${plural(Object.keys(state.launch).length, "setting")} of one’s own`,
  base: ({ stock }) => plural(stock.base.length, "file"),
};

export function lackText({ what, item }: Lack): string {
  switch (what) {
    case "missing":
      return `${item}: not here`;
    case "unmatched":
      return `“${item}”: nothing was known by that name`;
    case "unsure":
      return `“${item}”: nobody has said what it means`;
  }
}

/** Where a list is not as it went out. */
export const alteredText = (places: readonly AlteredPlace[]): string =>
  `The list was changed after it went out. Changed were: ${places.map((place) => placeWords[place]).join("; ")}.`;
