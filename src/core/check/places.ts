import type { Counting } from "../model/game";
import type { Fix } from "../model/finding";
import { adviceIn } from "../roster/advice";
import { placesUsed, type Roster, type SeatedPlugin } from "../roster/roster";
import { type Check } from "./check";
import { switchOff } from "./fixes";

/** More plugins of a counted class load than the game has places, or nearly as many. */
export const places: Check = {
  reads: ["plugins", "game", "stock", "overlaps", "advice", "books"],
  find: ({ roster }) =>
    placesUsed(roster)
      .filter(({ counting, used }) => isNear(counting.cap - used, counting))
      .map(({ counting, used }) => {
        const { label, cap } = counting;
        const freeing = freeingPlaces(roster, counting);
        const is = used > cap ? "exceeded" : "near";
        return {
          check: "places",
          id: `cap-${is}` as const,
          data: { label, used, cap, over: used - cap, idle: freeing.length },
          level: is === "exceeded" ? ("blocker" as const) : ("hint" as const),
          subjects: [],
          besides: [{ kind: "list" as const, id: "" }],
          fixes: freeing.slice(0, mostOffered).map(({ id }): Fix => switchOff("plugins", id)),
        };
      }),
};

const mostOffered = 5;

/** Fewer than one place in twenty is free. */
const isNear = (free: number, { cap }: Counting): boolean => free < cap / 20;

/** What takes a place of a class and would hardly be missed: it changes nothing, others win all of it, or it is known to be no good. */
function freeingPlaces(roster: Roster, { id }: Counting): SeatedPlugin[] {
  const isCovered = new Set(roster.overlaps.standing.covered.plugins);
  const needed = new Set(
    roster.plugins.flatMap(({ loads, masters }) => (loads ? masters.map((each) => each.id) : [])),
  );
  const isNoGood = (plugin: SeatedPlugin) =>
    adviceIn(roster)
      .of(plugin)
      .some(({ advice: { kind } }) => kind === "known-bad" || kind === "outdated");
  return roster.plugins.filter(
    (plugin) =>
      plugin.loads &&
      plugin.counting?.id === id &&
      !needed.has(plugin.id) &&
      (plugin.file?.header?.records === 0 || isCovered.has(plugin.id) || isNoGood(plugin)),
  );
}
