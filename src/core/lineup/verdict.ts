/**
 * Whether a profile is the setup that a list describes. Exactly one of five, the first that holds: the list was *altered* after
 * it went out; *not yet*, for something of it is not here; it *differs*; it is so *as far* as the list says; *exact*.
 *
 * Only what the author's Seating wrote into the list proves anything: of a list that carries no fingerprint of its author's,
 * nothing that was worked out here is ever compared with itself and called a proof.
 */
import type { AlteredPlace, Claim, UnsaidPart } from "../model/claim";
import type { Lineup, LineupMod } from "../model/lineup";
import { foldName } from "../roster/fold";
import type { Roster, Stock } from "../roster/roster";
import { compareVersions } from "../version/version";
import { compareFacts, type SetupDifference } from "./compare";
import {
  factsHere,
  factsOfLineup,
  fingerprintOf,
  loadingPlugins,
  type FingerprintFacts,
} from "./fingerprint";

/** Something that is on in a list and not here: as it is called, with the version that the list names. */
export interface Lack {
  readonly what: "missing" | "unmatched" | "unsure";
  readonly item: string;
}

export type Verdict =
  | { readonly kind: "altered"; readonly places: readonly AlteredPlace[] }
  | { readonly kind: "not-yet"; readonly lacks: readonly Lack[] }
  /** `unsaid` is where the difference must lie when nothing that the list says differs. */
  | {
      readonly kind: "differs";
      readonly differences: readonly SetupDifference[];
      readonly unsaid: readonly UnsaidPart[];
    }
  | { readonly kind: "as-far"; readonly unsaid: readonly UnsaidPart[] }
  | { readonly kind: "exact" };

export function verdictOf(lineup: Lineup, claim: Claim, roster: Roster): Verdict {
  const { unsaid } = claim;
  if (claim.altered.length > 0) return { kind: "altered", places: claim.altered };
  const here = factsHere(roster);
  const differences = saidDifferences(factsOfLineup(lineup), here, claim);
  const isProved = claim.fingerprint !== null && fingerprintOf(here) === claim.fingerprint;
  // What is here is what its author had, and yet not what the list says.
  if (isProved && differences.length > 0) return { kind: "altered", places: placesOf(differences) };
  const lacks = lacksOf(lineup, claim, roster);
  if (lacks.length > 0) return { kind: "not-yet", lacks };
  if (isProved) return { kind: "exact" };
  if (claim.fingerprint !== null || differences.length > 0) return { kind: "differs", differences, unsaid };
  return { kind: "as-far", unsaid };
}

/** By what two setups differ of all that a list says; what it does not say was filled in here. */
export const saidDifferences = (
  wanted: FingerprintFacts,
  here: FingerprintFacts,
  { unsaid, implied }: Pick<Claim, "unsaid" | "implied">,
): SetupDifference[] =>
  compareFacts(asSaid(wanted, unsaid), asSaid(here, unsaid)).filter(
    (each) =>
      isSaid(each, unsaid) && !(each.facet === "mods" && each.kind === "place" && implied.includes(each.key)),
  );

/** Contents are not compared of a list that names none. */
function asSaid(facts: FingerprintFacts, unsaid: readonly UnsaidPart[]): FingerprintFacts {
  const mute = {
    ...(unsaid.includes("hashes") && { content: "" }),
    ...(unsaid.includes("versions") && { version: "" }),
  };
  return { ...facts, mods: facts.mods.map((mod) => ({ ...mod, ...mute })) };
}

const placeOf = {
  mods: "mods",
  plugins: "plugins",
  choices: "options",
  leftOut: "leftOut",
  expansions: "expansions",
  baseOff: "baseItems",
  launch: "launch",
  settings: "launch",
  game: "fingerprint",
} as const satisfies Partial<Record<SetupDifference["facet"], AlteredPlace>>;

const placesOf = (differences: readonly SetupDifference[]): AlteredPlace[] => [
  ...new Set(
    differences.map(({ facet }) =>
      facet in placeOf ? placeOf[facet as keyof typeof placeOf] : "fingerprint",
    ),
  ),
];

/** Whether a list says anything of what differs; what it does not say was filled in here. */
function isSaid({ facet, kind }: SetupDifference, unsaid: readonly UnsaidPart[]): boolean {
  const isUnsaid = (part: UnsaidPart) => unsaid.includes(part);
  switch (facet) {
    case "game":
      return !isUnsaid("game");
    case "choices":
      return !isUnsaid("parts");
    case "leftOut":
      return !isUnsaid("left-out");
    case "expansions":
    case "baseOff":
    case "launch":
    case "settings":
      return !isUnsaid("settings");
    case "plugins":
      return !isUnsaid("plugins");
    case "mods":
      if (kind === "place") return !isUnsaid("mods");
      return kind !== "content" || !(isUnsaid("hashes") && isUnsaid("versions"));
    default:
      return true;
  }
}

/** What is on in a list and not on the shelf as the list names it. */
export function missingMods(lineup: Lineup, claim: Pick<Claim, "unsaid">, stock: Stock): LineupMod[] {
  const sound = stock.shelf.filter(({ problem }) => !problem);
  const contents = new Set(sound.map(({ content }) => content));
  const versionsOf = new Map<string, string[]>();
  for (const { id, version } of sound) versionsOf.set(id, [...(versionsOf.get(id) ?? []), version]);
  // Where the list names no contents, its version has to be here.
  const isHere = ({ id, version, content }: LineupMod) =>
    claim.unsaid.includes("hashes")
      ? (versionsOf.get(id) ?? []).some((each) => compareVersions(each, version) === 0)
      : contents.has(content);
  return lineup.mods.filter((mod) => mod.on && !isHere(mod));
}

/** What is on in a list and not here, or not sound. */
export function lacksOf(lineup: Lineup, claim: Claim, roster: Roster): Lack[] {
  const mods = missingMods(lineup, claim, roster.stock).map(({ name, version }) =>
    [name, version].filter(Boolean).join(" "),
  );
  const expansions = missingExpansions(lineup, roster).map(({ name }) => name);
  const own = missingOwnPlugins(lineup, roster);
  return [...[...mods, ...expansions, ...own].map(lack("missing")), ...lacksOfClaim(claim)];
}

/** Expansions that are on in a list and not owned here. */
export const missingExpansions = (
  { expansions }: Lineup,
  { game, stock }: Pick<Roster, "game" | "stock">,
): { readonly id: string; readonly name: string }[] =>
  expansions
    .filter((id) => !stock.owned.includes(id))
    .map((id) => ({ id, name: game.expansions.find((each) => each.id === id)?.name ?? id }));

/** Plugins of the game itself that a list knows and that do not lie here. */
export function missingOwnPlugins(lineup: Lineup, { game, stock }: Pick<Roster, "game" | "stock">): string[] {
  const base = new Set(stock.base.map(({ name }) => foldName(game, name)));
  return loadingPlugins(lineup)
    .filter(({ mod, name, sha256 }) => mod === null && sha256 !== null && !base.has(foldName(game, name)))
    .map(({ name }) => name);
}

/** What was not understood of a list. */
export const lacksOfClaim = ({ unmatched, unsure }: Claim): Lack[] => [
  ...unmatched.map(lack("unmatched")),
  ...unsure.map(lack("unsure")),
];

const lack =
  (what: Lack["what"]) =>
  (item: string): Lack => ({ what, item });
