import { proposePlugins, type PluginProposal } from "@/core/profile/accept";
import { makeRoster, type Stock } from "@/core/profile/roster";
import type { GameDefinition } from "@/core/model/game";
import type { Profile } from "@/core/model/profile";

/** What the worker can be asked: every job takes and gives plain data. `know` comes before all others. */
export class Jobs {
  private known: { readonly game: GameDefinition; readonly stock: Stock } | null = null;

  know(game: GameDefinition, stock: Stock): void {
    this.known = { game, stock };
  }

  propose(profile: Profile): PluginProposal {
    if (!this.known) throw new Error("the worker has not been told of a game yet");
    return proposePlugins(makeRoster(this.known.game, profile, this.known.stock));
  }
}
