import { MODS_RANK, type Section } from "../model/game";
import type { SectionId } from "../model/ids";
import type { ListName } from "../model/profile";
import type { PluginFile, ShelfMod } from "../model/shelf";
import { adviceIn, type Told } from "./advice";
import { fixedPlugins, loadRankOf } from "./laws";
import { foldName } from "./fold";
import type { Roster } from "./roster";

/** Where advice puts a mod that arrives; null where none speaks of it, or only of a section that is of another rank or closed. */
export const advisedForMod = (roster: Roster, { id }: Pick<ShelfMod, "id">): Section | null =>
  firstOpen(roster, "mods", MODS_RANK, adviceIn(roster).ofMod(id));

/** The same of a plugin of this load rank. */
export const advisedForPlugin = (
  roster: Roster,
  { name, sha256 }: Pick<PluginFile, "name" | "sha256">,
  rank: string,
): Section | null => firstOpen(roster, "plugins", rank, adviceIn(roster).ofFile(name, sha256));

function firstOpen(roster: Roster, list: ListName, rank: string, told: readonly Told[]): Section | null {
  for (const { advice } of told) {
    if (advice.kind !== "place") continue;
    const section = roster.profile.state[list].sections.find(({ id }) => id === advice.section);
    if (section && section.rank === rank && !section.closed) return section;
  }
  return null;
}

/** The sections that advice names for mods that arrive and for their plugins, by the id of each. */
export function advisedSections(roster: Roster, mods: readonly ShelfMod[]): Map<string, SectionId> {
  const named = new Map<string, SectionId>();
  if (adviceIn(roster).isEmpty) return named;
  const { game, profile } = roster;
  const fixed = new Set(fixedPlugins(game, profile.state.expansions).map((name) => foldName(game, name)));
  for (const mod of mods) {
    const own = advisedForMod(roster, mod);
    if (own) named.set(mod.id, own.id);
    for (const file of mod.plugins) {
      const section = advisedForPlugin(roster, file, loadRankOf(game, file, fixed).id);
      if (section) named.set(file.name, section.id);
    }
  }
  return named;
}
