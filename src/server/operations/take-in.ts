import "server-only";
import { randomUUID } from "node:crypto";
import { lstat, mkdir, readdir, rm } from "node:fs/promises";
import { join } from "node:path";
import type { GameDefinition } from "@/core/model/game";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { ContentFile, ShelfMod } from "@/core/model/shelf";
import { foldName, manifestName } from "@/core/roster/fold";
import { freeName, moveTo } from "@/disk/move";
import { stampOf } from "@/disk/shelf-places";
import { isArchiveName } from "@/formats/archive-name";
import { listPaths } from "@/store/contents";
import * as store from "@/store/shelf";
import type { Context } from "../context";
import { currentGame } from "./situation";

/** What a dropped archive would bring, before it is taken in. */
export interface Incoming {
  readonly id: string;
  readonly mod: ShelfMod;
  /** What lies on the shelf of the same mod. */
  readonly versions: readonly { readonly version: string; readonly same: boolean }[];
  /** Mods of the shelf that bring files of the same names. */
  readonly overlaps: readonly { readonly mod: string; readonly files: readonly string[] }[];
}

const fileNamePattern = /^[^/\\\p{Cc}<>:"|?*.][^/\\\p{Cc}<>:"|?*]{0,180}$/u;

/** A path for what is about to come in: a folder of its own under the id, the file within it as its sender calls it. */
export async function makeRoom(folder: string, name: string): Promise<Outcome<{ id: string; path: string }>> {
  const fileName = isArchiveName(name) ? name : `${name}.zip`;
  if (!fileNamePattern.test(fileName)) return refuse("file-name", { name });
  const id = randomUUID();
  await mkdir(join(folder, id), { recursive: true });
  return done({ id, path: join(folder, id, fileName) });
}

/** Throws what came in away. */
export const dropIncoming = (folder: string, id: string): Promise<void> =>
  rm(join(folder, id), { recursive: true, force: true });

/** Checks what has come in. An unsound one is thrown away at once, with its fault named. */
export async function planTakeIn(context: Context, folder: string, id: string): Promise<Outcome<Incoming>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const file = await findIncoming(folder, id);
  if (!file.ok) return file;
  const { definition } = game.value;
  const read = await readAt(context, definition, file.value.path);
  if (read.problem) {
    await dropIncoming(folder, id);
    return refuse("mod-unsound", { problem: read.problem, name: file.value.name });
  }
  const { contentFiles = [], ...mod } = read;
  const shelf = await store.listShelf(context.db, game.value.id);
  return done({
    id,
    mod: { ...mod, path: file.value.name },
    versions: shelf
      .filter((each) => each.id === mod.id)
      .map(({ version, content }) => ({ version, same: content === mod.content })),
    overlaps: await overlapsOf(context, definition, shelf, mod.id, contentFiles),
  });
}

async function readAt({ reader }: Context, definition: GameDefinition, path: string): Promise<ShelfMod> {
  const { size, mtimeMs } = await lstat(path);
  const facts = { size, stamp: stampOf(mtimeMs), updated: new Date(mtimeMs).toISOString() };
  return reader.readMod(definition, "/", { path, kind: "archive", ...facts });
}

async function overlapsOf(
  { db }: Context,
  definition: GameDefinition,
  shelf: readonly ShelfMod[],
  id: string,
  files: readonly ContentFile[],
): Promise<Incoming["overlaps"]> {
  const fold = (path: string) => foldName(definition, path);
  const own = new Set(files.map(({ path }) => fold(path)).filter((path) => path !== manifestName));
  const pathsOf = await listPaths(db, definition.id);
  const met = new Map<string, string[]>();
  for (const mod of shelf) {
    const same = (pathsOf.get(mod.content ?? "") ?? []).filter((other) => own.has(fold(other)));
    if (mod.id !== id && same.length > 0) met.set(mod.id, [...new Set(same)]);
  }
  return [...met].map(([mod, same]) => ({ mod, files: same }));
}

/** Moves what has come in onto the shelf, as `wanted` or as it was called, under a name that is free; answers its path there. The shelf has to be read after it. */
export async function takeIn(
  context: Context,
  folder: string,
  id: string,
  wanted?: string,
): Promise<Outcome<string>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const file = await findIncoming(folder, id);
  if (!file.ok) return file;
  const shelf = game.value.folders.shelves[0]!;
  const name = wanted ?? file.value.name;
  if (!fileNamePattern.test(name) || !isArchiveName(name)) return refuse("file-name", { name });
  let to = join(shelf, name);
  try {
    do to = await freeName(to);
    while (!(await moveTo(file.value.path, to)));
  } catch (error) {
    return refuse("cannot-move", { path: to, detail: String((error as Error).message) });
  }
  await dropIncoming(folder, id);
  return done(to.slice(shelf.length + 1));
}

async function findIncoming(folder: string, id: string): Promise<Outcome<{ path: string; name: string }>> {
  if (!/^[0-9a-f-]{36}$/.test(id)) return refuse("no-incoming");
  const [name] = await readdir(join(folder, id)).catch(() => []);
  return name === undefined ? refuse("no-incoming") : done({ path: join(folder, id, name), name });
}
