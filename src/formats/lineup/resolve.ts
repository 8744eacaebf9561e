import { lineupOfListing } from "@/core/lineup/draft";
import { claimOfCode, claimOfLineup, claimOfListing } from "@/core/lineup/claim";
import type { KnownMod } from "@/core/lineup/known";
import { matchLines, type Answers, type MatchedLine } from "@/core/lineup/match-lines";
import { lineupOfShare, type SharedMod } from "@/core/lineup/share";
import type { Claim } from "@/core/model/claim";
import type { GameDefinition } from "@/core/model/game";
import type { Lineup } from "@/core/model/lineup";
import type { PluginFile } from "@/core/model/shelf";
import type { ListIn } from "./read";

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
  const plain = { format: list.format, matches: [], unknown: [] };
  if (list.kind === "lineup") {
    return { ...plain, lineup: list.lineup, claim: claimOfLineup(list.lineup, list.format) };
  }
  if (list.kind === "code") {
    const { lineup, unknown } = lineupOfShare(list.setup, game, known, here.base);
    return { ...plain, lineup, unknown, claim: claimOfCode(list.setup, unknown) };
  }
  const matches = matchLines(game, list.listing.lines, known, answers);
  const lineup = lineupOfListing(game, list.listing, matches, here, title);
  const claim = claimOfListing(game, list.listing, matches, list.format, lineup);
  return { ...plain, lineup, matches, claim };
}
