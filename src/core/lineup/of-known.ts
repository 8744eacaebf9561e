import type { GameDefinition } from "../model/game";
import type { SectionId } from "../model/ids";
import type { LineupMod, LineupPlugin } from "../model/lineup";
import type { Choice } from "../model/profile";
import type { PluginFile } from "../model/shelf";
import { foldName } from "../roster/fold";
import { fixedPlugins } from "../roster/laws";
import { sourceOf, type KnownMod } from "./known";

/** A known mod as a lineup lists it, with what is taken of its parts. */
export const lineupModOf = (
  mod: KnownMod["mod"],
  { options, components }: Pick<Choice, "options" | "components">,
  on: boolean,
  section: SectionId | null,
): LineupMod => ({
  id: mod.id,
  name: mod.name,
  version: mod.version,
  source: sourceOf(mod),
  size: mod.size,
  content: mod.content,
  archive: mod.archiveSha256,
  on,
  section,
  options,
  components,
  hidden: [],
  note: "",
});

/** The plugins of the game itself and of its expansions as a lineup lists them, as they lie here. */
export function basePluginsOf(
  game: GameDefinition,
  expansions: readonly string[],
  base: readonly PluginFile[],
  section: SectionId | null,
): LineupPlugin[] {
  const known = new Map(base.map((file) => [foldName(game, file.name), file]));
  return fixedPlugins(game, expansions).map((name) => ({
    name,
    sha256: known.get(foldName(game, name))?.sha256 ?? null,
    on: true,
    section,
    mod: null,
  }));
}
