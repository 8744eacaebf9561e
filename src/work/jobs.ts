import { proposePlugins, type PluginProposal } from "@/core/profile/accept";
import { makeRoster, type Roster, type Stock } from "@/core/profile/roster";
import { ruleEffect, type RuleEffect } from "@/core/profile/rules";
import type { GameDefinition } from "@/core/model/game";
import type { Profile } from "@/core/model/profile";

/** What the worker can be asked: every job takes and gives plain data. `know` comes before all others. */
export class Jobs {
  private known: { readonly game: GameDefinition; readonly stock: Stock } | null = null;

  know(game: GameDefinition, stock: Stock): void {
    this.known = { game, stock };
  }

  propose(profile: Profile): PluginProposal {
    return proposePlugins(this.roster(profile));
  }

  ruleEffect(profile: Profile, rule: string): RuleEffect | null {
    return ruleEffect(this.roster(profile), rule);
  }

  private roster(profile: Profile): Roster {
    if (!this.known) throw new Error("the worker has not been told of a game yet");
    return makeRoster(this.known.game, profile, this.known.stock);
  }
}
