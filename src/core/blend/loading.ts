import type { AdditiveList } from "../model/additive-list";
import { foldName } from "../roster/fold";
import { fixedPlugins } from "../roster/laws";
import type { Roster, SeatedPlugin } from "../roster/roster";
import type { Blended } from "./blend";
import { markOf, type GivenMarks } from "./marks";

/** A mod that holds a blend that was made earlier. */
export const isBlend = ({ mod }: SeatedPlugin): boolean => mod?.mod?.manifest?.generated === "blend";

/**
 * The plugins of a profile that load, as the game loads them: what is built in first, in its own order, wherever it stands. Earlier
 * blends are left out.
 */
function loadingIn({ game, profile, plugins }: Roster): SeatedPlugin[] {
  const fold = (name: string) => foldName(game, name);
  const turn = new Map(fixedPlugins(game, profile.state.expansions).map((name, at) => [fold(name), at]));
  const loading = plugins.filter((plugin) => plugin.loads && !isBlend(plugin));
  const own = loading.filter(({ fixed }) => fixed);
  return [
    ...own.sort((a, b) => turn.get(fold(a.id))! - turn.get(fold(b.id))!),
    ...loading.filter(({ fixed }) => !fixed),
  ];
}

/** What a blend is made of; `listsOf`: the additive lists of a plugin that is there. */
export function blendedIn(
  roster: Roster,
  listsOf: (plugin: SeatedPlugin) => readonly AdditiveList[],
  given: GivenMarks = {},
): Blended[] {
  const loading = loadingIn(roster);
  const placeOf = new Map<string, number>(loading.map(({ id }, place) => [id, place]));
  return loading.map((plugin) => ({
    name: plugin.id,
    masters: plugin.masters.flatMap(({ id }) => placeOf.get(id ?? "") ?? []),
    lists: listsOf(plugin),
    marks: markOf(roster, plugin, given)?.marks,
  }));
}
