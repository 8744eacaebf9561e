import { say } from "../language/say";
import type { BesidePart, Claim, UnsaidPart } from "../model/claim";
import type { GameDefinition } from "../model/game";
import type { Lineup } from "../model/lineup";
import type { Listing } from "../model/listing";
import { alteredIn } from "./digests";
import { namesSections } from "./seat-listing";
import { factsOfLineup, fingerprintOf, loadingPlugins } from "./fingerprint";
import type { MatchedLine } from "./match-lines";
import type { SharedSetup } from "./share";

/** What a whole lineup claims. */
export const claimOfLineup = (lineup: Lineup, format: string): Claim => ({
  format,
  fingerprint: lineup.fingerprint ?? null,
  altered: alteredIn(lineup),
  unsaid: [],
  unmatched: [],
  unsure: [],
  beside: [],
  implied: [],
});

/** A code says all but what is left out; `unknown` are the mods of it that nothing here knows. */
export const claimOfCode = (setup: SharedSetup, unknown: readonly SharedSetup["mods"][number][]): Claim => ({
  format: say("common.shareCode"),
  fingerprint: setup.fingerprint.length === 64 ? setup.fingerprint : null,
  altered: [],
  unsaid: ["left-out"],
  unmatched: unknown.map(({ named, start }) => named?.name ?? start),
  unsure: [],
  beside: besideOf(setup.sections !== null),
  implied: [],
});

/** No list but a whole one carries rules, notes, and what its curator says of it. */
const besideOf = (hasSections: boolean, isNumbered = false): BesidePart[] => [
  ...(hasSections ? [] : (["sections"] as const)),
  ...(isNumbered ? [] : (["numbers"] as const)),
  "rules",
  "notes",
  "facts",
];

/** A list of names says what its lines say; of a line that is no name at all nothing is to be understood. */
export function claimOfListing(
  game: Pick<GameDefinition, "lists">,
  listing: Listing,
  matches: readonly MatchedLine[],
  format: string,
  lineup: Lineup,
): Claim {
  const text = ({ line }: MatchedLine) => line.text.slice(0, 600);
  // What is off need not be here.
  const on = matches.filter(({ line }) => line.on);
  const claim: Claim = {
    format,
    fingerprint: listing.fingerprint ?? null,
    altered: [...(listing.altered ?? [])],
    unsaid: unsaidOf(game, listing, matches),
    unmatched: on
      .filter(({ how, known }) => known === null && how !== "game" && how !== "talk" && how !== "answer")
      .map(text),
    unsure: on.filter(({ known, how, sure }) => (known !== null || how === "game") && !sure).map(text),
    beside: besideOf(namesSections(matches), listing.numbered === true),
    implied: impliedIn(matches),
  };
  return claim.altered.length === 0 && isOtherThanItsFingerprint(listing, matches, lineup, claim)
    ? { ...claim, altered: ["fingerprint"] }
    : claim;
}

function impliedIn(matches: readonly MatchedLine[]): string[] {
  const named = new Set(
    matches.flatMap(({ plugin, known }) => (plugin === null && known ? [known.mod.id] : [])),
  );
  const owners = matches.flatMap(({ plugin, known }) => (plugin !== null && known ? [known.mod.id] : []));
  return [...new Set(owners)].filter((id) => !named.has(id));
}

/**
 * Whether a list that says all that decides, down to each file, is not what its fingerprint was worked out of. `lineup` is what it was
 * understood as.
 */
function isOtherThanItsFingerprint(
  listing: Listing,
  matches: readonly MatchedLine[],
  lineup: Lineup,
  claim: Claim,
): boolean {
  const isWhole =
    claim.fingerprint !== null &&
    claim.unsaid.every((part) => part === "off") &&
    claim.unmatched.length + claim.unsure.length === 0;
  if (!isWhole) return false;
  const said = new Set(
    matches.flatMap(({ plugin, line }) => (plugin !== null && line.sha256 ? [plugin.toLowerCase()] : [])),
  );
  const isSaid = loadingPlugins(lineup).every(({ name }) => said.has(name.toLowerCase()));
  return isSaid && fingerprintOf(factsOfLineup(lineup)) !== listing.fingerprint;
}

function unsaidOf(
  { lists }: Pick<GameDefinition, "lists">,
  { game, lines, settings }: Listing,
  matches: readonly MatchedLine[],
): UnsaidPart[] {
  const mods = matches.filter(({ plugin, known }) => plugin === null && known !== null);
  const plugins = matches.filter(({ plugin }) => plugin !== null);
  const all = mods.map(({ line }) => line);
  const says = (told: (line: (typeof all)[number]) => unknown) =>
    all.length > 0 && all.every((line) => told(line) !== undefined);
  const unsaid: Readonly<Record<UnsaidPart, boolean>> = {
    game: game === null,
    mods: lists.includes("mods") && mods.length === 0,
    plugins: lists.includes("plugins") && plugins.length === 0,
    versions: !says(({ version, content }) => version ?? content),
    hashes: !says(({ content }) => content),
    off: lines.every(({ on }) => on),
    parts: !says(({ parts }) => parts),
    "left-out": !says(({ leftOut }) => leftOut),
    settings: settings === undefined,
    // What the game itself is no list of names says, and the fingerprint tells.
    base: false,
  };
  return (Object.keys(unsaid) as UnsaidPart[]).filter((part) => unsaid[part]);
}

/**
 * What is to be assumed of a list that was kept before claims were: one that Seating made has a date; of what was made here of
 * a list of names, or of a code, the fingerprint was worked out here and proves nothing.
 */
export const claimOfKept = (lineup: Lineup): Claim =>
  lineup.date !== ""
    ? claimOfLineup(lineup, "lineup")
    : {
        format: "list",
        fingerprint: null,
        altered: [],
        unsaid: ["hashes", "parts", "left-out", "settings"],
        unmatched: [],
        unsure: [],
        beside: besideOf(false),
        implied: [],
      };
