import type { Act } from "./blended-list";
import { samePlaces } from "./places";

/** Plugins that want different things of one name, none building on the other, in load order. */
export interface BlendClash {
  readonly record: string;
  readonly name: string;
  readonly by: readonly string[];
  /** Whose act holds: the last one's, or that of the one that the curator chose. */
  readonly won: string;
}

/** Acts that count of one plugin, by its place in the load order. */
export interface Turn {
  readonly plugin: number;
  readonly acts: readonly Act[];
}

/** By name, the places of the plugins of each clash in a list, in load order; the names in no order. */
export function clashesOf(
  turns: readonly Turn[],
  isMasterOf: (master: number, plugin: number) => boolean,
): Map<string, readonly number[]> {
  const byName = new Map<string, { plugin: number; act: Act }[]>();
  for (const { plugin, acts } of turns)
    for (const act of acts) {
      if (act.does === "adds") continue;
      const known = byName.get(act.name);
      if (known) known.push({ plugin, act });
      else byName.set(act.name, [{ plugin, act }]);
    }
  const clashes = new Map<string, readonly number[]>();
  for (const [name, all] of byName) {
    if (all.length < 2) continue;
    const isAgainst = (one: (typeof all)[number], other: (typeof all)[number]) =>
      differ(one.act, other.act) &&
      !isMasterOf(one.plugin, other.plugin) &&
      !isMasterOf(other.plugin, one.plugin);
    const by = all.filter((one) => all.some((other) => other !== one && isAgainst(one, other)));
    if (by.length > 0)
      clashes.set(
        name,
        by.map(({ plugin }) => plugin),
      );
  }
  return clashes;
}

/** One changes and one removes, or both change to different places. */
const differ = (one: Act, other: Act): boolean =>
  one.does === "changes" && other.does === "changes"
    ? !samePlaces(one.places, other.places)
    : one.does !== other.does;

/** Whether a plugin is a master of another, directly or through others; `masters`: of each the places of its direct ones. */
export function mastersThrough(
  masters: readonly (readonly number[])[],
): (master: number, plugin: number) => boolean {
  const known = new Map<number, ReadonlySet<number>>();
  const allOf = (plugin: number): ReadonlySet<number> => {
    let all = known.get(plugin);
    if (!all) {
      const reached = new Set(masters[plugin]);
      // Grows while it is walked.
      for (const each of reached) for (const other of masters[each]!) reached.add(other);
      known.set(plugin, (all = reached));
    }
    return all;
  };
  return (master, plugin) => allOf(plugin).has(master);
}
