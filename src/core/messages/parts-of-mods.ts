import type { Unmet } from "../roster/parts";
import type { Roster } from "../roster/roster";
import { newestHere } from "../roster/roster";

/** What stands against a part, as the end of a sentence on it. */
export function unmetWords(roster: Roster, { because, id }: Unmet): string {
  if (because === "expansion") return `needs the expansion ${expansionName(roster, id)}, which is not on`;
  const name = modName(roster, id);
  return because === "mod"
    ? `needs ${name}, which is not on in this profile`
    : `not beside ${name}, which is on`;
}

const expansionName = ({ game }: Roster, id: string): string =>
  game.expansions.find((each) => each.id === id)?.name ?? id;

/** What a mod is called that the profile need not hold. */
export const modName = (roster: Roster, id: string): string =>
  roster.modOf.get(id)?.mod?.name ?? newestHere(roster.stock, id)?.name ?? id;
