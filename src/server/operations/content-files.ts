import "server-only";
import { join, resolve } from "node:path";
import type { FileContents } from "@/core/model/file-contents";
import { readFileOfMod, readPlainFile, type FilePlace } from "@/disk/file-contents";
import type { RegisteredGame } from "@/store/games";
import { done, type Outcome } from "@/core/model/outcome";
import type { ModId } from "@/core/model/ids";
import type { ContentFile, FileOfMod } from "@/core/model/shelf";
import { foldName, isManifest, isPlain } from "@/core/roster/fold";
import { sharedFiles, type SharedFile } from "@/core/roster/shared-files";
import { filesOfContent, listContaining } from "@/store/contents";
import { listLooseContents } from "@/store/loose-files";
import { listAsRead } from "@/store/shelf";
import type { Context } from "../context";
import { currentGame } from "./situation";

/** The files of some contents; of several parts that bring one path, the first. */
export async function filesOfMod(context: Context, content: string): Promise<Outcome<FileOfMod[]>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const files = await filesOfContent(context.db, game.value.id, content);
  const byPath = new Map<string, FileOfMod>();
  for (const { path, size } of files) if (!byPath.has(path)) byPath.set(path, { path, size });
  return done([...byPath.values()]);
}

export interface FileOfContent extends FilePlace {
  /** Empty: the game's own. */
  readonly content: string;
}

/** One file as it lies on the disk now; null where it does not, or does no longer. */
export async function fileContents(
  context: Context,
  { content, ...place }: FileOfContent,
): Promise<Outcome<FileContents | null>> {
  const current = await currentGame(context);
  if (!current.ok) return current;
  const { id, definition, folders } = current.value;
  if (content === "") return ownFile(context, current.value, place.path);
  const mod = (await listAsRead(context.db, id)).find((each) => each.content === content);
  return mod ? readFileOfMod(definition, resolve(folders.shelves[0]!, mod.path), place) : done(null);
}

/** The later of the game's folders is the one that counts. */
async function ownFile(
  { db }: Context,
  { id, definition, folders }: RegisteredGame,
  path: string,
): Promise<Outcome<FileContents | null>> {
  const wanted = foldName(definition, path);
  for (const [folder, content] of [...(await listLooseContents(db, id))].reverse()) {
    const files = await filesOfContent(db, id, content);
    const own = files.find((file) => foldName(definition, file.path) === wanted);
    if (own) return readPlainFile(join(folders.game, folder, own.path));
  }
  return done(null);
}

interface Bringing {
  /** Null: the game itself. */
  readonly mod: ModId | null;
  readonly version: string;
  readonly content: string;
  /** Several where several parts of the package bring it. */
  readonly files: readonly ContentFile[];
}

/** Everything that brings a path, as the game compares paths, whether a profile has it or not: the game itself, then mods of the shelf. */
export async function whoBrings(context: Context, path: string): Promise<Outcome<Bringing[]>> {
  const current = await currentGame(context);
  if (!current.ok) return current;
  const { id, definition } = current.value;
  const wanted = foldName(definition, path);
  // The database compares the case of plain letters alone as games do.
  const found = await listContaining(context.db, id, isPlain(wanted) ? wanted : "");
  const own = [...(await listLooseContents(context.db, id)).values()];
  const game = own.map((content) => ({ id: null, version: definition.version, content }));
  const mods = await listAsRead(context.db, id);
  return done(
    [...game, ...mods].flatMap(({ id: mod, version, content }): Bringing[] => {
      const all = content === null ? [] : (found.get(content) ?? []);
      const files = all.filter((file) => foldName(definition, file.path) === wanted);
      return files.length > 0 ? [{ mod, version, content: content!, files }] : [];
    }),
  );
}

/**
 * Paths that two contents both bring, whichever of their parts are chosen, and whether the files there are equal; what each has for
 * itself, as its manifest, meets nothing.
 */
export async function sharedBetween(
  context: Context,
  first: string,
  second: string,
): Promise<Outcome<SharedFile[]>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const { id, definition } = game.value;
  const [one, other] = [
    await filesOfContent(context.db, id, first),
    await filesOfContent(context.db, id, second),
  ];
  return done(sharedFiles(definition, one, other).filter(({ path }) => !isManifest(definition, path)));
}
