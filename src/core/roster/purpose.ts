import type { GameDefinition, LaunchSetting } from "../model/game";
import type { LaunchValue } from "../model/launch";
import type { Roster } from "./roster";

export const lawOfPurpose = ({ purposes }: Pick<GameDefinition, "purposes">, purpose: string) =>
  purposes?.find((law) => law.purpose === purpose);

interface AgainstPurpose {
  readonly expansions: GameDefinition["expansions"];
  readonly baseItems: NonNullable<GameDefinition["baseItems"]>;
  readonly launch: readonly { readonly setting: LaunchSetting; readonly wanted: LaunchValue }[];
}

/** What of a profile is not as the game says that profiles of its purpose are. */
export function againstPurpose({ game, profile: { purpose, state } }: Roster): AgainstPurpose {
  const { expansionsOff = [], baseOff = [], launch = {} } = lawOfPurpose(game, purpose) ?? {};
  return {
    expansions: game.expansions.filter(
      ({ id }) => expansionsOff.includes(id) && state.expansions.includes(id),
    ),
    baseItems: (game.baseItems ?? []).filter(({ id }) => baseOff.includes(id) && !state.baseOff.includes(id)),
    launch: (game.launchSettings ?? []).flatMap((setting) => {
      const wanted = launch[setting.id];
      const is = state.launch[setting.id] ?? setting.standard;
      return wanted === undefined || wanted === is ? [] : [{ setting, wanted }];
    }),
  };
}
