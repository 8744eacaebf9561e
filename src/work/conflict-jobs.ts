import { ContentLibrary } from "@/core/conflict/content-library";
import {
  aboutItem,
  aboutKey,
  aboutPair,
  winnerWithout,
  type AboutItem,
  type AboutKey,
  type AboutPair,
} from "@/core/conflict/about";
import { Conflicts, contentsNeeded, type Contested } from "@/core/conflict/conflicts";
import { surveyOf, type ConflictQuery, type ConflictSurvey } from "@/core/conflict/survey";
import { summaryOf, type HandSummary } from "@/core/conflict/hand-summary";
import { aboutLeftOut, type AboutLeftOut } from "@/core/conflict/left-out";
import { overlapsIn } from "@/core/conflict/overlaps";
import { learnPacked, type PackedLibrary } from "@/core/conflict/packed-library";
import type { GameDefinition } from "@/core/model/game";
import type { Profile } from "@/core/model/profile";
import type { Overlaps } from "@/core/roster/overlaps";
import { makeRoster, type Roster, type Stock } from "@/core/roster/roster";

/** What the worker that keeps the index of conflicts can be asked; `know` comes before all others. */
export class ConflictJobs {
  private game: GameDefinition | null = null;
  private stock!: Stock;
  private library!: ContentLibrary;
  private conflicts!: Conflicts;
  private isOwnKnown = false;
  private shown: Roster | null = null;
  /** What was provided when it was last told who meets whom. */
  private told = -1;

  /** Other laws may find other things in the same contents; another stock, other files of the game itself. */
  know(game: GameDefinition, stock: Stock): void {
    if (JSON.stringify(this.game) !== JSON.stringify(game)) {
      this.library = new ContentLibrary(game);
      this.conflicts = new Conflicts(this.library);
      this.told = -1;
    }
    Object.assign(this, { game, stock, isOwnKnown: false, shown: null });
  }

  /** Contents that have to be learnt before a profile can be shown; null where nothing has. */
  needed(profile: Profile): string[] | null {
    const missing = contentsNeeded(this.rosterOf(profile)).filter((content) => !this.library.has(content));
    return missing.length === 0 && this.isOwnKnown ? null : missing;
  }

  /** What was asked for and is nowhere known brings nothing, and is not asked for again. */
  learn(asked: readonly string[], packed: PackedLibrary): void {
    const { shelf, kept } = this.stock;
    const manifests = new Map([...kept, ...shelf].map(({ content, manifest }) => [content, manifest]));
    learnPacked(this.library, packed, (content) => manifests.get(content) ?? null);
    for (const content of asked)
      if (!this.library.has(content)) this.library.learn({ content, files: [], records: [] }, null);
    this.isOwnKnown = true;
  }

  /** Who meets whom in a profile; null where that is as it was told last. */
  show(profile: Profile): Overlaps | null {
    this.look(profile);
    if (this.conflicts.provided === this.told) return null;
    this.told = this.conflicts.provided;
    return overlapsIn(this.conflicts);
  }

  /** What would change hands if a profile were shown instead of the one that is. */
  preview(profile: Profile): HandSummary {
    return summaryOf(this.conflicts.preview(this.shown!, this.rosterOf(profile)));
  }

  /** What of a profile's conflicts fits a question; `most`: how many of its rows are told. */
  survey(profile: Profile, of: Contested, query: ConflictQuery, most: number): ConflictSurvey {
    return surveyOf(this.conflicts, this.look(profile), of, query, most);
  }

  aboutKey(profile: Profile, of: Contested, name: string): AboutKey | null {
    return aboutKey(this.conflicts, this.look(profile), of, name);
  }

  winnerWithout(profile: Profile, of: Contested, name: string, id: string): string | null {
    return winnerWithout(this.conflicts, this.look(profile), of, name, id);
  }

  aboutPair(profile: Profile, of: Contested, pair: readonly [string, string]): AboutPair {
    return aboutPair(this.conflicts, this.look(profile), of, pair);
  }

  aboutItem(profile: Profile, of: Contested, id: string): AboutItem | null {
    return aboutItem(this.conflicts, this.look(profile), of, id);
  }

  aboutLeftOut(profile: Profile): AboutLeftOut[] {
    const roster = this.look(profile);
    return aboutLeftOut(this.conflicts, roster);
  }

  private look(profile: Profile): Roster {
    this.shown = this.rosterOf(profile);
    this.conflicts.show(this.shown);
    return this.shown;
  }

  private rosterOf = (profile: Profile): Roster =>
    makeRoster(this.game!, profile, this.stock, this.shown ?? undefined);
}
