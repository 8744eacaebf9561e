import type { ProblemRule } from "../model/problem";

/** Two plugins that change the same records; `broader` changes more records in all, or as many where they are `equal`. */
export interface Overlap {
  readonly broader: string;
  readonly narrower: string;
  /** How many records both change. */
  readonly shared: number;
  readonly equal?: true;
}

const weight = 0.1;

/** Of more plugins than this every two would make a pair. */
const mostTouching = 24;

/**
 * Pairs that change the same records, by the records that each plugin changes, in the order of the plugins. What very
 * many change is passed over: it says nothing about two of them.
 */
export function findOverlaps(plugins: ReadonlyMap<string, ReadonlySet<string>>): Overlap[] {
  // Most are touched by one alone: an array for each of half a million would take more than all else.
  const first = new Map<string, string>();
  const touching = new Map<string, string[]>();
  for (const [plugin, records] of plugins)
    for (const record of records) {
      const one = first.get(record);
      if (one === undefined) first.set(record, plugin);
      else if (touching.has(record)) touching.get(record)!.push(plugin);
      else touching.set(record, [one, plugin]);
    }
  for (const [record, all] of touching) if (all.length > mostTouching) touching.delete(record);
  return [...plugins.keys()].flatMap((plugin) => overlapsOf(plugin, plugins, touching));
}

/** Those in which the plugin is the broader one. */
function overlapsOf(
  plugin: string,
  plugins: ReadonlyMap<string, ReadonlySet<string>>,
  touching: ReadonlyMap<string, readonly string[]>,
): Overlap[] {
  const records = plugins.get(plugin)!;
  const isFirstOf = (other: string) => {
    const less = records.size - plugins.get(other)!.size;
    return less > 0 || (less === 0 && plugin < other);
  };
  const shared = new Map<string, number>();
  for (const record of records)
    for (const other of touching.get(record) ?? [])
      if (isFirstOf(other)) shared.set(other, (shared.get(other) ?? 0) + 1);
  return [...shared].map(([narrower, count]) => ({
    broader: plugin,
    narrower,
    shared: count,
    ...(plugins.get(narrower)!.size === records.size ? { equal: true as const } : {}),
  }));
}

/**
 * The faint preference that the broader of two loads earlier, so that the narrower, which was made with one thing in
 * mind, wins. Only for pairs with a plugin that nobody has placed yet: what is arranged stays as it is.
 */
export function broaderFirstRules(
  overlaps: readonly Overlap[],
  isUnplaced: (plugin: string) => boolean,
): ProblemRule[] {
  return overlaps
    .filter(({ equal }) => !equal)
    .filter(({ broader, narrower }) => isUnplaced(broader) || isUnplaced(narrower))
    .map(({ broader, narrower }) => ({
      id: `broader-first:${broader} ${narrower}`,
      source: { kind: "broader-first" },
      kind: "before",
      item: broader,
      other: narrower,
      strength: "prefer",
      weight,
    }));
}
