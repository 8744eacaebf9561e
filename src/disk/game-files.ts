import { createHash, randomUUID } from "node:crypto";
import { chmod, lstat, mkdir, realpath, rename, rm, stat, writeFile } from "node:fs/promises";
import { dirname, join } from "node:path";
import type { OnDisk } from "@/core/check/check";
import type { GameDefinition, GameFolders } from "@/core/model/game";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { foldName } from "@/core/roster/fold";
import { readHolds } from "@/formats/holds";
import { readOrderFile, writeOrderFile, type OrderFile } from "@/formats/order-file";
import { readPlain } from "./open-plain";

/** The two files that a game reads, by their whole paths. */
export interface GameFiles {
  readonly order: string;
  readonly holds: string;
}

export const gameFiles = (
  { orderFile, holdsFile }: GameDefinition,
  { order }: Pick<GameFolders, "order">,
): GameFiles => ({ order: join(order, orderFile.path), holds: join(order, holdsFile) });

export const pathsOf = ({ order, holds }: GameFiles): readonly string[] => [order, holds];

export const sha256Of = (bytes: Uint8Array | string): string =>
  createHash("sha256").update(bytes).digest("hex");

/** The contents of a file; null where there is none. Refused where something lies there that cannot be read. */
export async function readIfThere(path: string): Promise<Outcome<Uint8Array | null>> {
  try {
    return done(await readPlain(path));
  } catch (error) {
    const { code, message } = error as NodeJS.ErrnoException;
    return code === "ENOENT" ? done(null) : refuse("game-file-unreadable", { path, detail: code ?? message });
  }
}

/** What a game would read now, as far as it is said by the contents of its two files. Holds written for another shelf folder count as none. */
export function readContents(
  game: GameDefinition,
  shelf: string | undefined,
  { order, holds }: { readonly order: Uint8Array | null; readonly holds: Uint8Array | null },
): Omit<OnDisk, "file"> {
  const names = orderIn(game, order)?.names ?? null;
  const read = holds && readHolds(holds, game.holdsFile);
  const current = read?.ok && read.value.game === game.id && read.value.shelf === shelf;
  if (!current) return { order: names, holds: null };
  const { expansions, baseOff, launch, mods } = read.value;
  return { order: names, holds: mods, start: { expansions, baseOff, launch } };
}

/** What the contents of an order file say; null where there are none, or they are no text. */
export function orderIn({ orderFile }: GameDefinition, contents: Uint8Array | null): OrderFile | null {
  const parsed = contents && readOrderFile(contents, orderFile.dialect, orderFile.path);
  return parsed?.ok ? parsed.value : null;
}

/** The contents that say an order, in place of others of which what is no item stays. */
export const orderContents = (
  game: GameDefinition,
  names: readonly string[],
  before: Uint8Array | null,
): string =>
  writeOrderFile(game.orderFile.dialect, {
    names,
    before: orderIn(game, before) ?? undefined,
    fold: (name) => foldName(game, name),
  });

interface NewFile {
  readonly path: string;
  readonly contents: string | Uint8Array;
}

/** Writes whole files, all or none, where the game still lies; no folder is made where it does not. */
export async function writeGameFiles(
  game: GameDefinition,
  folders: Pick<GameFolders, "game">,
  files: readonly NewFile[],
): Promise<Outcome<null>> {
  if (!(await isFile(join(folders.game, game.sign))))
    return refuse("folder-no-game", { path: folders.game, game: game.name, file: game.sign });
  const drafts: Draft[] = [];
  let path = "";
  try {
    for (const file of files) {
      path = file.path;
      drafts.push(await draftOf(file));
    }
    for (const { draft, target } of drafts) await rename(draft, (path = target));
    return done(null);
  } catch (error) {
    for (const { draft } of drafts) await rm(draft, { force: true });
    return refuse("cannot-write", { path, detail: (error as Error).message });
  }
}

const isFile = async (path: string): Promise<boolean> =>
  (await stat(path).catch(() => null))?.isFile() === true;

interface Draft {
  readonly draft: string;
  readonly target: string;
}

/**
 * Contents beside their target, to be renamed over it, so that no reader ever sees half a file. A link is written through; one
 * that leads nowhere throws.
 */
async function draftOf({ path, contents }: NewFile): Promise<Draft> {
  await mkdir(dirname(path), { recursive: true });
  const before = await lstat(path).catch(() => null);
  const target = before?.isSymbolicLink() ? await realpath(path) : path;
  const present = before && (await stat(target));
  if (present && !present.isFile()) throw new Error(`${target} is no plain file`);
  const draft = `${target}.seating-${randomUUID()}`;
  try {
    await writeFile(draft, contents, { flush: true, flag: "wx" });
    if (present) await chmod(draft, present.mode & 0o7777);
    return { draft, target };
  } catch (error) {
    await rm(draft, { force: true });
    throw error;
  }
}
