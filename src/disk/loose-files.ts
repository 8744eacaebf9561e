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

interface Reading {
  /** Which are hashed; of a large one that is not the hash stays null. */
  readonly hashed?: "small" | "all";
  /** Below the folder, what Seating has laid out: of each path where the game's own file of it waits, or null where there is none. */
  readonly laid?: ReadonlyMap<string, string | null>;
}

/**
 * The files of the game itself below the content folders of `folder`, the base folder of a game or that of an expansion; `known` is the name of what was
 * found there before. What is no plain file, cannot be listed or has a name that no path may have is passed over. Of a file that is
 * not read at once the hash stays null: a game may be as large as its disk.
 */
export async function readLooseFiles(
  game: GameDefinition,
  folder: string,
  known: string | null,
  { hashed = "small", laid = new Map() }: Reading = {},
): Promise<LooseFiles> {
  const found = looseFilesIn(game, folder, laid);
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

const looseFilesIn = (
  game: GameDefinition,
  folder: string,
  laid: ReadonlyMap<string, string | null>,
): Found[] =>
  foldersIn(folder)
    .filter((name) => isContentFolder(game, name))
    .flatMap((name) => listed(join(folder, name)))
    .flatMap((at): Found[] => {
      const below = at.slice(folder.length + 1);
      const path = safePath(below);
      const full = laid.has(below) ? laid.get(below)! : at;
      const info = full === null ? undefined : lstatSync(full, { throwIfNoEntry: false });
      if (!path.ok || full === null || !info?.isFile()) return [];
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
