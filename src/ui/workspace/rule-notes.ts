import type { RuleNote } from "@/core/messages/reasons";
import { bookRuleId, openBooks } from "@/core/profile/books";
import type { Roster } from "@/core/profile/roster";

/** The curator's note of each rule, for the sentences that name it. */
export function ruleNotes(roster: Roster): RuleNote {
  const notes = new Map(roster.profile.state.rules.map((rule) => [rule.id, rule.note]));
  for (const { book } of openBooks(roster))
    for (const rule of book.rules) notes.set(bookRuleId(book.id, rule.id), rule.note || book.name);
  return (id) => notes.get(id) ?? null;
}
