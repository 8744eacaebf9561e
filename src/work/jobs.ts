import { say } from "@/core/language/say";
import { proposeOrder, type OrderProposal } from "@/core/edit/accept";
import { alignOrder } from "@/core/roster/two-orders";
import { makeRoster, type Roster, type Stock } from "@/core/roster/roster";
import { contradictionsOf, ruleEffect, type ListContradiction, type RuleEffect } from "@/core/roster/rules";
import type { CheckInput } from "@/core/check/check";
import { previewWays, sureWays, type SureWays, type WayOut } from "@/core/check/ways-out";
import { explore, type Explored } from "@/core/needs/explore";
import type { Fix } from "@/core/model/finding";
import { allTies } from "@/core/roster/ties";
import { knownMods } from "@/core/lineup/known";
import type { Answers } from "@/core/lineup/match-lines";
import { done, type Outcome } from "@/core/model/outcome";
import type { ShelfMod } from "@/core/model/shelf";
import { readList } from "@/formats/lineup/read";
import { resolveList, type ResolvedList } from "@/formats/lineup/resolve";
import type { GameDefinition } from "@/core/model/game";
import type { ListName } from "@/core/model/profile";

/** For which of the orders a proposal is wanted, and whether it shall come to agree with the other one too. */
export interface Question {
  readonly list: ListName;
  readonly how: "propose" | "align";
}

/** A profile, with what is known of who meets whom in it. */
export type Asked = Pick<Roster, "profile" | "overlaps">;

/** What the checks look at beside the profile. */
export type Around = Pick<CheckInput, "onDisk" | "today">;

/** What the worker can be asked: every job takes and gives plain data. `know` comes before all others. */
export class Jobs {
  private known: { readonly game: GameDefinition; readonly stock: Stock } | null = null;

  know(game: GameDefinition, stock: Stock): void {
    this.known = { game, stock };
  }

  propose(asked: Asked, { list, how }: Question): OrderProposal {
    return (how === "align" ? alignOrder : proposeOrder)(this.roster(asked), list);
  }

  ruleEffect(asked: Asked, rule: string): RuleEffect | null {
    return ruleEffect(this.roster(asked), rule);
  }

  contradictions(asked: Asked): ListContradiction[] {
    return contradictionsOf(this.roster(asked));
  }

  /** What each way out would come to; null of one that is no edit, or cannot be taken. */
  previewWays(asked: Asked, around: Around, fixes: readonly Pick<Fix, "does">[]): (WayOut | null)[] {
    return previewWays(this.input(asked, around), fixes);
  }

  /** All that is sure, taken together; null where nothing is. */
  sureWays(asked: Asked, around: Around): SureWays | null {
    return sureWays(this.input(asked, around));
  }

  /** What an item needs and what needs it, and what would come of switching it; null of one that is not known. */
  explore(asked: Asked, around: Around, key: string): Explored | null {
    return explore(this.input(asked, around), key);
  }

  private input(asked: Asked, around: Around): CheckInput {
    const roster = this.roster(asked);
    return { roster, ties: allTies(roster), ...around };
  }

  /** What came in as a lineup, of all that lies on the shelf and is offered by the depot. */
  readList(
    bytes: Uint8Array,
    name: string,
    depot: readonly ShelfMod[],
    answers: Answers,
  ): Outcome<ResolvedList> {
    const { game, stock } = this.told();
    const list = readList(bytes, name, game);
    if (!list.ok) return list;
    const title = name.replace(/\.[^.]{1,8}$/, "") || say("common.list");
    return done(resolveList(list.value, game, knownMods(stock.shelf, depot), stock, title, answers));
  }

  private told() {
    if (!this.known) throw new Error("the worker has not been told of a game yet");
    return this.known;
  }

  private roster({ profile, overlaps }: Asked): Roster {
    const { game, stock } = this.told();
    return makeRoster(game, profile, stock, undefined, overlaps);
  }
}
