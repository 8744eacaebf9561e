import type { Telling } from "@/core/messages/reasons";
import type { ListName } from "@/core/model/profile";
import { ruleNotes } from "@/core/roster/rule-notes";
import type { Roster } from "@/core/roster/roster";

/** How sentences about the ties of a list speak: of its rules by the curator's notes. */
export const tellingOf = (roster: Roster, list: ListName): Telling => ({
  list,
  note: (id) => ruleNotes(roster).get(id) ?? null,
});
