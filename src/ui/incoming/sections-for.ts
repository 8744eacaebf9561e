import { MODS_RANK, type Section } from "@/core/model/game";
import type { ListName } from "@/core/model/profile";
import type { ShelfMod } from "@/core/model/shelf";
import { advisedForMod, advisedForPlugin } from "@/core/roster/advised-sections";
import { foldName } from "@/core/roster/fold";
import { arrivalSection, loadRankOf } from "@/core/roster/laws";
import type { Roster } from "@/core/roster/roster";

/** Where something that arrives would sit. */
interface Seating {
  /** Under which a choice of its section is kept: the plugin; "mods" for the mod itself. */
  readonly key: string;
  readonly what: string;
  readonly section: Section;
  /** Those that it could go to as well as there, itself among them. */
  readonly choices: readonly Section[];
}

/** The sections in which it and its plugins would be seated, by what is seated there. */
export function sectionsFor(roster: Roster, mod: ShelfMod): Seating[] {
  const { name, tags, plugins } = mod;
  const { game, lists } = roster;
  const seatings: Seating[] = [];
  const add = (list: ListName, what: string, rank: string, advised: Section | null) => {
    const { sections } = lists[list];
    const section = advised ?? arrivalSection(sections, rank, tags);
    const choices = sections.filter((each) => each.rank === rank && !each.closed);
    if (section) seatings.push({ key: list === "mods" ? list : what, what, section, choices });
  };
  if (lists.mods.sections.length > 1) add("mods", name, MODS_RANK, advisedForMod(roster, mod));
  const fixed = new Set(game.builtIn.map((each) => foldName(game, each)));
  for (const plugin of game.lists.includes("plugins") ? plugins : []) {
    const rank = loadRankOf(game, plugin, fixed).id;
    add("plugins", plugin.name, rank, advisedForPlugin(roster, plugin, rank));
  }
  return seatings;
}
