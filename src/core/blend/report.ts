import type { BlendOutput, BlendReport } from "../model/blend-report";
import type { Roster } from "../roster/roster";
import type { Blend, Blended } from "./blend";

/** What a blend comes to, for other programs. */
export const blendOutput = ({ lists, left, clashes }: Blend): BlendOutput => ({
  format: "seating-blend/1",
  lists: lists.map(({ record, entries, from }) => ({ record, entries, from: Object.fromEntries(from) })),
  left: left.flatMap(({ record, why }) => (why === "decided" ? [] : { record, why })),
  clashes: clashes.map(({ by, ...clash }) => ({ ...clash, by: [...by] })),
});

/** Who had part in a blend; `plugin` is the file that came of it, `date` in ISO 8601. */
export function blendReport(
  roster: Roster,
  plugins: readonly Blended[],
  blend: Blend,
  { plugin, date }: Pick<BlendReport, "plugin" | "date">,
): BlendReport {
  const entriesOf = entriesByPlugin(blend);
  const shared = recordsOfSeveral(plugins);
  return {
    format: "seating-blend-report/1",
    game: roster.game.id,
    date,
    plugin,
    lists: blend.lists.length,
    plugins: plugins
      .filter(({ lists }) => lists.some(({ record }) => shared.has(record)))
      .map(({ name, marks }) => ({
        name,
        version: roster.pluginOf.get(name)?.mod?.mod?.version || null,
        marks: marks ?? null,
        entries: entriesOf.get(name) ?? 0,
      })),
    left: [...blend.left],
    clashes: blendOutput(blend).clashes,
    doubled: [...blend.doubled],
  };
}

/** Records that two or more plugins have. */
export function recordsOfSeveral(plugins: readonly Blended[]): ReadonlySet<string> {
  const counts = new Map<string, number>();
  for (const { lists } of plugins)
    for (const record of new Set(lists.map((list) => list.record)))
      counts.set(record, (counts.get(record) ?? 0) + 1);
  return new Set([...counts].flatMap(([record, count]) => (count > 1 ? [record] : [])));
}

/** How many entries of blended lists have their places from each plugin. */
export function entriesByPlugin({ lists }: Pick<Blend, "lists">): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const { entries, from } of lists)
    for (const { name } of entries) counts.set(from.get(name)!, (counts.get(from.get(name)!) ?? 0) + 1);
  return counts;
}
