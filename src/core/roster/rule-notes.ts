import { remembered } from "../remembered";
import { bookRuleId, openBooks } from "./books";
import type { Roster } from "./roster";

/** Why the rules are there, by their ids among those of a profile: the curator's notes, and those of books or the books' names. */
export const ruleNotes = remembered(
  (roster: Pick<Roster, "profile" | "stock">): ReadonlyMap<string, string> =>
    new Map<string, string>([
      ...roster.profile.state.rules.map(({ id, note }) => [id, note] as const),
      ...openBooks(roster).flatMap(({ book }) =>
        book.rules.map(({ id, note }) => [bookRuleId(book.id, id), note || book.name] as const),
      ),
    ]),
);
