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

/** The first item that a finding is about and the profile holds; null where it is about none. */
export const itemAbout = (
  { lists }: Pick<Roster, "lists">,
  { subjects }: Pick<Finding, "subjects">,
): Finding["subjects"][number] | null => subjects.find(({ list, id }) => lists[list].itemOf.has(id)) ?? null;

/** Whether it matters to a start of this profile: not where it is only about what lies on the shelf unused. */
export const isOfProfile = (roster: Pick<Roster, "lists">, finding: Finding): boolean =>
  finding.subjects.length === 0 || itemAbout(roster, finding) !== null;
