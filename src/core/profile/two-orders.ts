import type { ListName } from "../model/profile";
import { findDisagreements, proposeAlignment, type Disagreement, type TwoOrders } from "../order/align";
import { asProposal, type OrderProposal } from "./accept";
import { foldName } from "./fold";
import { listProblem } from "./list-problem";
import type { Roster } from "./roster";

/** The orders of what loads, and where two of it meet in files or records. */
function twoOrders(roster: Roster): TwoOrders {
  const { game, mods, plugins, modOf, pluginOf, idOfName, stock } = roster;
  const pluginId = (name: string) => idOfName.get(foldName(game, name)) ?? "";
  const records = stock.overlaps.map(
    ({ broader, narrower }) => [pluginId(broader), pluginId(narrower)] as const,
  );
  const files = stock.fileOverlaps.map(({ broader, narrower }) => [broader, narrower] as const);
  return {
    mods: mods.filter((mod) => mod.loads).map((mod) => mod.id),
    plugins: plugins.filter((plugin) => plugin.loads).map((plugin) => plugin.id),
    modOf: (id) => pluginOf.get(id)?.mod?.id ?? null,
    meetings: [
      ...records
        .filter((items) => items.every((id) => pluginOf.get(id)?.loads))
        .map((items) => ({ in: "records" as const, items })),
      ...files
        .filter((items) => items.every((id) => modOf.get(id)?.loads))
        .map((items) => ({ in: "files" as const, items })),
    ],
  };
}

/** Two mods that meet: the one loads later by the mods' order, while its plugin loads earlier. */
export interface TwoWinners extends Disagreement {
  /** The lists in which the two are of one section, so that moving one of them can end it. */
  readonly alignable: readonly ListName[];
}

/** Mixed pairs, of which the plugins' order says neither, are left out. */
export const ordersDisagree = (roster: Roster): TwoWinners[] =>
  findDisagreements(twoOrders(roster))
    .filter(({ byPlugins }) => byPlugins !== null)
    .map((pair) => ({ ...pair, alignable: alignableLists(roster, pair) }));

function alignableLists({ lists }: Roster, { meeting, byMods }: Disagreement): ListName[] {
  const sectionOf = (list: ListName, id: string) => {
    const { home, section } = lists[list].itemOf.get(id)!.entry;
    return home ?? section;
  };
  const isOne = (list: ListName, [a, b]: readonly [string, string]) =>
    sectionOf(list, a) === sectionOf(list, b);
  const byFiles = meeting.in === "files";
  return [
    ...(isOne("mods", byMods) ? (["mods"] as const) : []),
    ...(byFiles || isOne("plugins", meeting.items) ? (["plugins"] as const) : []),
  ];
}

/** The fewest moves of one order that make it agree with the other. */
export function alignOrder(roster: Roster, list: ListName): OrderProposal {
  return asProposal(roster, list, proposeAlignment(listProblem(roster, list), list, twoOrders(roster)));
}
