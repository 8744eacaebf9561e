import { createReadStream } from "node:fs";
import { lstat, readdir } from "node:fs/promises";
import { join } from "node:path";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { openArchive } from "./archive";
import type { ModFile, ModFiles } from "./mod-file";
import type { ProblemCode } from "@/core/model/refusal";

/** The files of an archive or a folder, listed and checked against the limits, not read yet. */
export async function openModFiles(path: string): Promise<Outcome<ModFiles, ProblemCode>> {
  try {
    const info = await lstat(path);
    return info.isDirectory() ? await openFolder(path) : await openArchive(path);
  } catch (error) {
    return refuse("cannot-read", {
      detail: (error as NodeJS.ErrnoException).code ?? (error as Error).message,
    });
  }
}

async function openFolder(root: string): Promise<Outcome<ModFiles, ProblemCode>> {
  const files: ModFile[] = [];
  const entries = await readdir(root, { recursive: true, withFileTypes: true });
  for (const entry of entries) {
    if (entry.isDirectory()) continue;
    const full = join(entry.parentPath, entry.name);
    const path = full.slice(root.length + 1);
    if (!entry.isFile()) return refuse("cannot-read", { detail: `${path} is no plain file` });
    const { size } = await lstat(full);
    files.push({ path, size, crc32: null, open: () => Promise.resolve(createReadStream(full)) });
  }
  return done({ files, close: () => undefined });
}
