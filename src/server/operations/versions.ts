import "server-only";
import type { ModId } from "@/core/model/ids";
import { compareVersionsOf, type FileHashes, type VersionDifference } from "@/core/edit/versions";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { listHeld, saveIdentity } from "@/store/identities";
import { filesOfContent } from "@/store/contents";
import { saveOwnWork } from "@/store/kept";
import { listAsRead } from "@/store/shelf";
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
      const files = await filesOfContent(context.db, game.value.id, content);
      const hashOf = new Map<string, string | null>();
      // Of a path that several parts bring the first counts.
      for (const { path, hash } of files) if (!hashOf.has(path)) hashOf.set(path, hash);
      return hashOf;
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
  if (own) await followShelf(context, game.value);
  return done(null);
}

/** What an entry of the shelf without a manifest is to be known as. */
export interface Identity {
  readonly path: string;
  readonly id: ModId;
  readonly name: string;
}

/**
 * Remembers what entries of the shelf are: versions of one mod, mods of their own, or by another name. One that a profile holds
 * keeps its id, under which it is held.
 */
export async function identify(context: Context, wanted: readonly Identity[]): Promise<Outcome<null>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const { id: gameId } = game.value;
  const shelf = new Map((await listAsRead(context.db, gameId)).map((mod) => [mod.path, mod]));
  const held = new Set((await listHeld(context.db, gameId)).map(({ path }) => path));
  for (const { path, id } of wanted) {
    const mod = shelf.get(path);
    if (!mod) return refuse("not-on-shelf", { path });
    if (mod.manifest) return refuse("named-by-manifest", { name: mod.name });
    if (held.has(path) && id !== mod.id) return refuse("held-by-profile", { name: mod.name });
  }
  await context.db.transaction(async (tx) => {
    for (const identity of wanted) await saveIdentity(tx, gameId, identity);
  });
  return done(null);
}
