import "server-only";
import { compareVersionsOf, type FileHashes, type VersionDifference } from "@/core/edit/versions";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { filesOfContent, saveOwnWork } from "@/store/kept";
import type { Context } from "../context";
import { getStock } from "../stock";
import { followShelf } from "./read-shelf";
import { currentGame } from "./situation";

/** Two contents of a mod, by their hashes. */
export interface VersionPair {
  readonly id: string;
  readonly from: string;
  readonly to: string;
}

/** What changes between two contents of each mod, of what lies on the shelf or is kept. */
export async function compareContents(
  context: Context,
  pairs: readonly VersionPair[],
): Promise<Outcome<VersionDifference[]>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const stock = await getStock(context, game.value);
  const known = new Map([...stock.kept, ...stock.shelf].map((mod) => [`${mod.id} ${mod.content}`, mod]));
  const differences: VersionDifference[] = [];
  for (const { id, from, to } of pairs) {
    const [was, is] = [known.get(`${id} ${from}`), known.get(`${id} ${to}`)];
    if (!was || !is) return refuse("version-unknown", { mod: id });
    const hashes = async (content: string): Promise<FileHashes> => {
      const { files, hashes: known } = await filesOfContent(context.db, game.value.id, id, content);
      return new Map(files.map((path, at) => [path, known?.[at] ?? null]));
    };
    differences.push(
      compareVersionsOf(game.value.definition, was, is, [await hashes(from), await hashes(to)]),
    );
  }
  return done(differences);
}

/** Marks a mod as its user's own work, which profiles follow, or takes the mark away. */
export async function markOwnWork(context: Context, mod: string, own: boolean): Promise<Outcome<null>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  await saveOwnWork(context.db, game.value.id, mod, own);
  context.stocks.delete(game.value.id);
  if (own) await followShelf(context, game.value);
  return done(null);
}
