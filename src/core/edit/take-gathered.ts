import type { Edit, Step } from "../model/edit";
import type { ShelfMod } from "../model/shelf";
import type { Roster } from "../roster/roster";
import { switchMods } from "./edits";
import { rosterAfter } from "./roster-after";
import { label } from "./steps";

/** Takes a mod into which files of the game's folder were gathered into a profile: on, and last, for what lay there won there. */
export function takeGathered(roster: Roster, mod: ShelfMod): Edit {
  const steps: Step[] = [...(switchMods(roster, [mod], true)?.steps ?? [])];
  const after = rosterAfter(roster, steps);
  const item = after.modOf.get(mod.id);
  const section = after.lists.mods.sections.findLast(({ closed }) => !closed);
  if (item && section && after.mods.at(-1) !== item) {
    const { fresh: _, ...entry } = item.entry;
    steps.push({ kind: "put", list: "mods", entries: [{ ...entry, section: section.id }], before: null });
  }
  return { label: label("gather-files", { item: mod.name }), steps };
}
