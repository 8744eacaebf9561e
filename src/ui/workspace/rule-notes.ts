import type { RuleNote } from "@/core/messages/reasons";
import type { Roster } from "@/core/profile/roster";

/** The curator's note of each rule, for the sentences that name it. */
export function ruleNotes(roster: Roster): RuleNote {
  const notes = new Map(roster.profile.state.rules.map((rule) => [rule.id, rule.note]));
  return (id) => notes.get(id) ?? null;
}
