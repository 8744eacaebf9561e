import type { BlendAct } from "../model/additive-list";
import { actsUpon, versionsByRecord, type Blended } from "./blend";

/** What an unmarked plugin does to lists and that does not count as long as nobody marks it. */
export interface MarkSuggestion {
  readonly plugin: string;
  /** With what counts already. */
  readonly marks: BlendAct[];
  /** How many names of lists it takes out, and of how many it changes the places. */
  readonly removes: number;
  readonly changes: number;
}

/** Marks by which everything would count that unmarked plugins do, in load order. */
export function markSuggestions(plugins: readonly Blended[]): MarkSuggestion[] {
  const counts = new Map<number, { removes: number; changes: number }>();
  for (const versions of versionsByRecord(plugins).versions.values()) {
    const [, ...others] = versions.keys();
    for (const plugin of others) {
      if (plugins[plugin]!.marks !== undefined) continue;
      const count = counts.get(plugin) ?? { removes: 0, changes: 0 };
      for (const { does } of actsUpon(plugins, plugin, versions)) if (does !== "adds") count[does]++;
      counts.set(plugin, count);
    }
  }
  return [...counts]
    .filter(([, { removes, changes }]) => removes + changes > 0)
    .sort(([a], [b]) => a - b)
    .map(([plugin, { removes, changes }]) => ({
      plugin: plugins[plugin]!.name,
      marks: [
        "adds",
        ...(removes > 0 ? ["removes" as const] : []),
        ...(changes > 0 ? ["changes" as const] : []),
      ],
      removes,
      changes,
    }));
}
