import { say } from "../language/say";
import type { Unmet } from "../roster/parts";
import type { Roster } from "../roster/roster";
import { newestHere } from "../roster/roster";

/** What stands against a part, as the end of a sentence on it. */
export function unmetWords(roster: Roster, { because, id }: Unmet): string {
  if (because === "expansion")
    return say("partsOfMods.needsTheExpansionWhichIsNot", { expansionName: expansionName(roster, id) });
  const name = modName(roster, id);
  return because === "mod"
    ? say("partsOfMods.needsWhichIsNotOnIn", { name })
    : say("partsOfMods.notBesideWhichIsOn", { name });
}

const expansionName = ({ game }: Roster, id: string): string =>
  game.expansions.find((each) => each.id === id)?.name ?? id;

/** What a mod is called that the profile need not hold. */
export const modName = (roster: Roster, id: string): string =>
  roster.modOf.get(id)?.mod?.name ?? newestHere(roster.stock, id)?.name ?? id;
