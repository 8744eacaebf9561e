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

/** Whether it matters to a start of this profile: not where it is only about what lies on the shelf unused. */
export const isOfProfile = ({ lists }: Pick<Roster, "lists">, { subjects }: Finding): boolean =>
  subjects.length === 0 || subjects.some(({ list, id }) => lists[list].itemOf.has(id));
