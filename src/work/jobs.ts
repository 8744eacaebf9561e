import { proposePlugins, type PluginProposal } from "@/core/profile/accept";
import { makeRoster, type Stock } from "@/core/profile/roster";
import type { GameDefinition } from "@/core/model/game";
import type { Profile } from "@/core/model/profile";

/** What the worker can be asked: every job takes and gives plain data. */
export const jobs = {
  propose: (game: GameDefinition, profile: Profile, stock: Stock): PluginProposal =>
    proposePlugins(makeRoster(game, profile, stock)),
};

export type Jobs = typeof jobs;
