import { createHash } from "node:crypto";
import { lstatSync, readdirSync } from "node:fs";
import { join } from "node:path";
import type { GameDefinition } from "@/core/model/game";
import type { ContentFile } from "@/core/model/shelf";
import { safePath } from "@/formats/archive-path";
import { isContentFolder } from "@/formats/mod-layout";
import { digestFile, shortHash } from "./digest";
import { plainFile } from "./mod-files";
import { filesBelow, stampOf } from "./shelf-places";

/** What lies loose in a folder of the game itself. */
export interface LooseFiles {
  /** A name of the paths, sizes and times of all of them. */
  readonly content: string;
  /** By path; null where they are those that are known already. */
  readonly files: readonly ContentFile[] | null;
}

interface Found {
  readonly full: string;
  readonly path: string;
  readonly size: number;
  readonly stamp: string;
}

/**
 * The files below the content folders of `folder`, the base folder of a game or that of an expansion; `known` is the name of what was
 * found there before. Of a large file the hash stays null unless `all` are to be hashed. What is no plain file, cannot be listed or has a name that no path may have is passed over. Of a file that is
 * not read at once the hash stays null: a game may be as large as its disk.
 */
export async function readLooseFiles(
  game: GameDefinition,
  folder: string,
  known: string | null,
  hashed: "small" | "all" = "small",
): Promise<LooseFiles> {
  const found = looseFilesIn(game, folder);
  const name = createHash("sha256");
  for (const { path, size, stamp } of found) name.update(`${path}\0${size}\0${stamp}\n`);
  const content = name.digest("hex");
  if (content === known) return { content, files: null };
  const files: ContentFile[] = [];
  for (const { full, path, size } of found)
    files.push({ path, size, hash: await hashOf(full, size, hashed), part: null });
  return { content, files };
}

async function hashOf(full: string, size: number, hashed: "small" | "all"): Promise<string | null> {
  const file = plainFile(full, full, size);
  const digest = hashed === "small" && !file.bytes ? null : await digestFile(file, false);
  return digest?.ok ? shortHash(digest.value.sha256) : null;
}

const looseFilesIn = (game: GameDefinition, folder: string): Found[] =>
  foldersIn(folder)
    .filter((name) => isContentFolder(game, name))
    .flatMap((name) => listed(join(folder, name)))
    .flatMap((full): Found[] => {
      const path = safePath(full.slice(folder.length + 1));
      const info = lstatSync(full, { throwIfNoEntry: false });
      if (!path.ok || !info?.isFile()) return [];
      return [{ full, path: path.value, size: info.size, stamp: stampOf(info.mtimeMs) }];
    })
    .sort((a, b) => (a.path < b.path ? -1 : 1));

function foldersIn(folder: string): string[] {
  try {
    const entries = readdirSync(folder, { withFileTypes: true });
    return entries.filter((entry) => entry.isDirectory()).map(({ name }) => name);
  } catch {
    return [];
  }
}

function listed(folder: string): string[] {
  try {
    return filesBelow(folder);
  } catch {
    return [];
  }
}
