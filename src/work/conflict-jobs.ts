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
import { standingIn } from "@/core/conflict/standing";
import { learnPacked, type PackedLibrary } from "@/core/conflict/packed-library";
import { blendStanding, withBlend } from "@/formats/profile-blend";
import { blendView, type BlendView } from "@/formats/blend-view";
import { keepSame } from "@/core/keep-same";
import type { GameDefinition } from "@/core/model/game";
import type { Profile } from "@/core/model/profile";
import type { Overlaps } from "@/core/roster/overlaps";
import { makeRoster, type Roster, type Stock } from "@/core/roster/roster";

/** What the worker that keeps the index of conflicts can be asked: after `know`, and after `bring`, of the profile that was brought. */
export class ConflictJobs {
  private game: GameDefinition | null = null;
  private stock!: Stock;
  private library!: ContentLibrary;
  private conflicts!: Conflicts;
  private isOwnKnown = false;
  private brought!: Roster;
  private shown: Roster | null = null;
  /** What was provided when it was last told who meets whom, and who that was. */
  private told = -1;
  private meeting: Overlaps | null = null;

  /** Other laws may find other things in the same contents; another stock, other files of the game itself. */
  know(game: GameDefinition, stock: Stock): void {
    if (JSON.stringify(this.game) !== JSON.stringify(game)) {
      this.library = new ContentLibrary(game);
      this.conflicts = new Conflicts(this.library);
      this.told = -1;
    }
    Object.assign(this, { game, stock, isOwnKnown: false, shown: null });
  }

  /**
   * The profile that is asked about. Contents that have to be learnt before; null where nothing has. What comes from another thread is
   * new in all its parts, and what is written the same must not look like a change.
   */
  bring(profile: Profile): string[] | null {
    const { shown } = this;
    const state = shown ? keepSame(shown.profile.state, profile.state) : profile.state;
    this.brought = makeRoster(this.game!, { ...profile, state }, this.stock, shown ?? undefined);
    const missing = contentsNeeded(this.brought).filter((content) => !this.library.has(content));
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

  /** Who meets whom, and what that comes to: what of it is not as it was told last; null where all of it is. */
  show(): Partial<Overlaps> | null {
    const roster = this.look();
    const before = this.meeting;
    if (!before || this.conflicts.provided !== this.told) {
      this.told = this.conflicts.provided;
      return (this.meeting = withBlend(overlapsIn(this.conflicts, roster), roster, this.library));
    }
    const standing = {
      ...standingIn(this.conflicts, roster, before),
      blend: blendStanding(roster, this.library),
    };
    if (JSON.stringify(standing) === JSON.stringify(before.standing)) return null;
    this.meeting = { ...before, standing };
    return { standing };
  }

  /** What would change hands if it were shown instead of the one that is. */
  preview(): HandSummary {
    return summaryOf(this.conflicts.preview(this.shown!, this.brought));
  }

  /** What of the conflicts fits a question; `most`: how many of its rows are told. */
  survey(of: Contested, query: ConflictQuery, most: number): ConflictSurvey {
    return surveyOf(this.conflicts, this.look(), of, query, most);
  }

  aboutKey(of: Contested, name: string): AboutKey | null {
    return aboutKey(this.conflicts, this.look(), of, name);
  }

  winnerWithout(of: Contested, name: string, id: string): string | null {
    return winnerWithout(this.conflicts, this.look(), of, name, id);
  }

  aboutPair(of: Contested, pair: readonly [string, string]): AboutPair {
    return aboutPair(this.conflicts, this.look(), of, pair);
  }

  aboutItem(of: Contested, id: string): AboutItem | null {
    return aboutItem(this.conflicts, this.look(), of, id);
  }

  aboutLeftOut(): AboutLeftOut[] {
    const roster = this.look();
    return aboutLeftOut(this.conflicts, roster);
  }

  /** What a blend of it would come to. */
  blend(): BlendView {
    const roster = this.look();
    return blendView(roster, this.library);
  }

  private look(): Roster {
    this.conflicts.show(this.brought);
    return (this.shown = this.brought);
  }
}
