import { proposeOrder, type OrderProposal } from "@/core/profile/accept";
import { alignOrder } from "@/core/profile/two-orders";
import { makeRoster, type Roster, type Stock } from "@/core/profile/roster";
import { ruleEffect, type RuleEffect } from "@/core/profile/rules";
import type { GameDefinition } from "@/core/model/game";
import type { ListName, Profile } from "@/core/model/profile";

/** For which of the orders a proposal is wanted, and whether it shall come to agree with the other one too. */
export interface Question {
  readonly list: ListName;
  readonly how: "propose" | "align";
}

/** What the worker can be asked: every job takes and gives plain data. `know` comes before all others. */
export class Jobs {
  private known: { readonly game: GameDefinition; readonly stock: Stock } | null = null;

  know(game: GameDefinition, stock: Stock): void {
    this.known = { game, stock };
  }

  propose(profile: Profile, { list, how }: Question): OrderProposal {
    return (how === "align" ? alignOrder : proposeOrder)(this.roster(profile), list);
  }

  ruleEffect(profile: Profile, rule: string): RuleEffect | null {
    return ruleEffect(this.roster(profile), rule);
  }

  private roster(profile: Profile): Roster {
    if (!this.known) throw new Error("the worker has not been told of a game yet");
    return makeRoster(this.known.game, profile, this.known.stock);
  }
}
