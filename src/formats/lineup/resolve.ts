import { lineupOfListing } from "@/core/lineup/draft";
import { factsOfLineup, fingerprintOf } from "@/core/lineup/fingerprint";
import type { KnownMod } from "@/core/lineup/known";
import { matchLines, type Answers, type MatchedLine } from "@/core/lineup/match-lines";
import { lineupOfShare, type SharedMod } from "@/core/lineup/share";
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
  /**
   * `claimed`: the lineup has the fingerprint that it names; `altered`: it has another one, so it was changed after it went
   * out; `short`: a code of which not everything is known here; `none`: it names none.
   */
  readonly proof: "claimed" | "altered" | "short" | "none";
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
    const intact = fingerprintOf(factsOfLineup(list.lineup)) === list.lineup.fingerprint;
    return { ...plain, lineup: list.lineup, proof: intact ? "claimed" : "altered" };
  }
  if (list.kind === "code") {
    const { lineup, unknown, proved } = lineupOfShare(list.setup, game, known, here.base);
    return {
      ...plain,
      lineup,
      unknown,
      proof: proved ? "claimed" : unknown.length > 0 ? "short" : "altered",
    };
  }
  const matches = matchLines(game, list.listing.lines, known, answers);
  return {
    ...plain,
    lineup: lineupOfListing(game, list.listing, matches, here, title),
    matches,
    proof: "none",
  };
}
