import { lineupOfListing } from "@/core/lineup/draft";
import { claimOfCode, claimOfLineup, claimOfListing } from "@/core/lineup/claim";
import type { KnownMod } from "@/core/lineup/known";
import { matchLines, type Answers, type MatchedLine } from "@/core/lineup/match-lines";
import { lineupOfShare, type SharedMod } from "@/core/lineup/share";
import type { Claim } from "@/core/model/claim";
import type { GameDefinition } from "@/core/model/game";
import type { Lineup } from "@/core/model/lineup";
import type { PluginFile } from "@/core/model/shelf";
import type { Aspect } from "@/core/lineup/losses";
import type { ListIn } from "./read";

type Beside = Extract<Aspect, "sections" | "rules" | "notes" | "facts">;

/** What came in as a lineup, of all that is known here. */
export interface ResolvedList {
  readonly format: string;
  readonly lineup: Lineup;
  /** What each line of a list of names means; empty of a whole lineup and of a code. */
  readonly matches: readonly MatchedLine[];
  /** Mods of a code that nothing here knows. */
  readonly unknown: readonly SharedMod[];
  /** What it says of itself, and how far it was understood. */
  readonly claim: Claim;
  /** What decides nothing of a setup and did not come along. */
  readonly beside: readonly Beside[];
}

interface Here {
  readonly base: readonly PluginFile[];
  readonly owned: readonly string[];
}

/** `title` is what a list is called that says nothing of that. */
export function resolveList(
  list: ListIn,
  game: GameDefinition,
  known: readonly KnownMod[],
  here: Here,
  title: string,
  answers: Answers = {},
): ResolvedList {
  const plain = { format: list.format, matches: [], unknown: [], beside: besideOf(list) };
  if (list.kind === "lineup") {
    return { ...plain, lineup: list.lineup, claim: claimOfLineup(list.lineup, list.format) };
  }
  if (list.kind === "code") {
    const { lineup, unknown } = lineupOfShare(list.setup, game, known, here.base);
    return { ...plain, lineup, unknown, claim: claimOfCode(list.setup, unknown) };
  }
  const matches = matchLines(game, list.listing.lines, known, answers);
  return {
    ...plain,
    lineup: lineupOfListing(game, list.listing, matches, here, title),
    matches,
    claim: claimOfListing(game, list.listing, matches, list.format),
  };
}

/** No format but that of a whole lineup carries rules, notes, and what its curator says of the list. */
function besideOf(list: ListIn): Beside[] {
  if (list.kind === "lineup") return [];
  const hasSections =
    list.kind === "code"
      ? list.setup.sections !== null
      : list.listing.lines.some(({ section }) => section !== undefined);
  return hasSections ? ["rules", "notes", "facts"] : ["sections", "rules", "notes", "facts"];
}
