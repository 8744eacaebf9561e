import type { Telling } from "@/core/messages/reasons";
import type { ListName } from "@/core/model/profile";
import { bookRuleId, openBooks } from "@/core/roster/books";
import type { Roster } from "@/core/roster/roster";

/** How sentences about the ties of a list speak: of its rules by the curator's notes. */
export function tellingOf(roster: Roster, list: ListName): Telling {
  const notes = new Map<string, string>(roster.profile.state.rules.map((rule) => [rule.id, rule.note]));
  for (const { book } of openBooks(roster))
    for (const rule of book.rules) notes.set(bookRuleId(book.id, rule.id), rule.note || book.name);
  return { list, note: (id) => notes.get(id) ?? null };
}
