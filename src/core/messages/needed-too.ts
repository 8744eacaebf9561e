import { say } from "../language/say";
import { countNeeded, type NeededToo } from "../edit/needed-too";
import type { ShelfMod } from "../model/shelf";
import type { Roster } from "../roster/roster";

const mostNamed = 3;

function listed(names: readonly string[]): string {
  const shown = names.slice(0, mostNamed).join(", ");
  return names.length > mostNamed
    ? say("neededToo.andMore", { shown, count: names.length - mostNamed })
    : shown;
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
  const subject = { count: wanted.length, name: wanted[0]!.name };
  const off = namesOf(roster, too);
  const parts = [
    off.length > 0 && say("neededToo.off", { ...subject, off: off.length, listed: listed(off) }),
    too.missing.length > 0 && say("neededToo.missing", { ...subject, listed: listed(too.missing) }),
    ...too.clashes
      .slice(0, mostNamed)
      .map(([one, other]) => say("neededToo.saysThatItClashesWith", { one, other })),
    too.clashes.length > mostNamed && say("neededToo.moreClash", { count: too.clashes.length - mostNamed }),
  ].filter((part) => typeof part === "string");
  return parts.length > 0 ? parts.join(" ") : null;
}

/** What so many mods need and is to be switched on too, in a few words. */
export function neededWords(roster: Roster, wanted: number, too: NeededToo): string {
  const count = countNeeded(roster, too);
  const [name] = namesOf(roster, too);
  return count === 1 ? name! : say("neededToo.theTheyNeed", { count, wanted });
}
