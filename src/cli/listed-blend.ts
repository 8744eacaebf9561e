import { recipeOf } from "@/core/blend/decisions";
import { blendedIn } from "@/core/blend/loading";
import { rosterOfList } from "@/core/lineup/state-of-list";
import type { GameDefinition } from "@/core/model/game";
import type { Stock } from "@/core/roster/roster";
import { modOfFiles } from "@/disk/read-mod";
import type { ResolvedList } from "@/formats/lineup/resolve";
import { blendOf } from "@/formats/profile-blend";

/** The stock with the blend of a list whose shelf lacks it, made here by the list's recipe; it lies nowhere. */
export async function withBlendOf(list: ResolvedList, game: GameDefinition, stock: Stock): Promise<Stock> {
  const recipe = recipeOf({ blend: list.lineup.blend ?? [] });
  const wanted = recipe && list.lineup.mods.find(({ id }) => id === recipe.mod);
  if (!recipe || !wanted?.on || stock.shelf.some(({ content }) => content === wanted.content)) return stock;
  const roster = rosterOfList(game, list, stock);
  const { file } = blendOf(
    roster,
    blendedIn(roster, ({ file: plugin }) => plugin?.additiveLists ?? []),
  );
  if (!file.ok || !file.value) return stock;
  const mod = await modOfFiles(game, recipe.name, file.value.files);
  return mod.ok ? { ...stock, shelf: [...stock.shelf, mod.value] } : stock;
}
