import { countNeeded, type NeededToo } from "../edit/needed-too";
import type { ShelfMod } from "../model/shelf";
import type { Roster } from "../roster/roster";

const mostNamed = 3;

function listed(names: readonly string[]): string {
  const shown = names.slice(0, mostNamed).join(", ");
  return names.length > mostNamed ? `${shown} and ${names.length - mostNamed} more` : shown;
}

/** What they are called that are to be switched on too. */
function namesOf({ game, pluginOf }: Roster, { mods, plugins, expansions }: NeededToo): string[] {
  const ids = new Set(mods.map(({ id }) => id));
  return [
    ...expansions.map((id) => game.expansions.find((each) => each.id === id)?.name ?? id),
    ...mods.map(({ name }) => name),
    ...plugins.filter((id) => !ids.has(pluginOf.get(id)!.mod!.id)),
  ];
}

/** What mods that are on, or are to be, lack and clash with; null where it is nothing. */
export function sayNeeded(roster: Roster, wanted: readonly ShelfMod[], too: NeededToo): string | null {
  const subject = wanted.length === 1 ? wanted[0]!.name : `These ${wanted.length}`;
  const needs = wanted.length === 1 ? "needs" : "need";
  const off = namesOf(roster, too);
  const parts = [
    off.length > 0 && `${subject} ${needs} ${off.length} that ${isOrAre(off)} off: ${listed(off)}.`,
    too.missing.length > 0 &&
      `${subject} ${needs} what is not here, or not in the right version: ${listed(too.missing)}.`,
    ...too.clashes.slice(0, mostNamed).map(([one, other]) => `${one} says that it clashes with ${other}.`),
    too.clashes.length > mostNamed && `${too.clashes.length - mostNamed} more clash.`,
  ].filter((part) => typeof part === "string");
  return parts.length > 0 ? parts.join(" ") : null;
}

const isOrAre = ({ length }: readonly string[]): string => (length === 1 ? "is" : "are");

/** What so many mods need and is to be switched on too, in a few words. */
export function neededWords(roster: Roster, wanted: number, too: NeededToo): string {
  const count = countNeeded(roster, too);
  const [name] = namesOf(roster, too);
  return count === 1 ? name! : `the ${count} ${wanted === 1 ? "it needs" : "they need"}`;
}
