import type { Finding } from "../model/finding";
import type { Roster } from "../roster/roster";

/** The mods that a finding is about: those that it names, and those with which a plugin comes that it names. */
export const modsAbout = (
  { pluginOf }: Pick<Roster, "pluginOf">,
  { subjects }: Finding,
): ReadonlySet<string> =>
  new Set(subjects.flatMap(({ list, id }) => (list === "mods" ? id : (pluginOf.get(id)?.mod?.id ?? []))));

/** Whether a finding is about an item, or about a plugin that comes with it. */
export const isAbout = (roster: Pick<Roster, "pluginOf">, finding: Finding, item: string): boolean =>
  finding.subjects.some(({ id }) => id === item) || modsAbout(roster, finding).has(item);
