import "server-only";
import { ContentLibrary } from "@/core/conflict/content-library";
import { Conflicts, contentsNeeded } from "@/core/conflict/conflicts";
import { overlapsIn } from "@/core/conflict/overlaps";
import { learnPacked, type PackedLibrary } from "@/core/conflict/packed-library";
import { recordsOf } from "@/core/model/shelf";
import type { Overlaps } from "@/core/roster/overlaps";
import type { Roster } from "@/core/roster/roster";
import { listContents } from "@/store/contents";
import { withBlend } from "@/formats/profile-blend";
import type { RegisteredGame } from "@/store/games";
import { listLooseContents } from "@/store/loose-files";
import type { Context } from "../context";
import { getStock } from "../stock";

type LibraryContext = Pick<Context, "db" | "stocks" | "earlierStocks">;

/** What was read of some contents, and of what the game itself brings. */
export async function readLibrary(
  context: LibraryContext,
  game: RegisteredGame,
  wanted: readonly string[],
): Promise<PackedLibrary> {
  const loose = await listLooseContents(context.db, game.id);
  const found = await listContents(context.db, game.id, [...wanted, ...loose.values()]);
  const { expansions } = game.definition;
  const folders = [...loose].flatMap(([folder, content]) => {
    const row = found.find((each) => each.content === content);
    const expansion = expansions.find((each) => each.folder === folder)?.id ?? null;
    return row ? [{ ...row, expansion }] : [];
  });
  const { base } = await getStock(context, game);
  const asked = new Set(wanted);
  return {
    contents: found.filter(({ content }) => asked.has(content)),
    own: { folders, plugins: recordsOf(base) },
  };
}

/** Everything that a roster loads, as it was read. */
export async function libraryFor(
  context: LibraryContext,
  game: RegisteredGame,
  roster: Roster,
): Promise<ContentLibrary> {
  const library = new ContentLibrary(game.definition);
  const manifests = new Map(roster.mods.map(({ mod }) => [mod?.content, mod?.manifest ?? null]));
  const packed = await readLibrary(context, game, contentsNeeded(roster));
  learnPacked(library, packed, (content) => manifests.get(content) ?? null);
  return library;
}

/** Who meets whom in a profile and how its blend stands, where no window has found it out. */
export async function findOverlaps(
  context: LibraryContext,
  game: RegisteredGame,
  roster: Roster,
): Promise<Overlaps> {
  const library = await libraryFor(context, game, roster);
  const conflicts = new Conflicts(library);
  conflicts.show(roster);
  return withBlend(overlapsIn(conflicts, roster), roster, library);
}
