import { readdir } from "node:fs/promises";
import { join } from "node:path";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { ProblemCode } from "@/core/model/refusal";
import { openPacked, packedKind } from "./packed/packed-archive";
import { openZip } from "./zip-archive";
import { endingOf } from "@/formats/archive-name";
import type { ModFile, ModFiles } from "./mod-file";
import { streamPlain, whatLiesAt } from "./open-plain";

/** The files of an archive or a folder, listed and checked against the limits, not read yet. */
export async function openModFiles(path: string): Promise<Outcome<ModFiles, ProblemCode>> {
  try {
    const info = await whatLiesAt(path, path);
    if (!info.ok) return info;
    if (info.value.isDirectory()) return await openFolder(path);
    const packed = await packedKind(path);
    if (packed !== null) return await openPacked(path, packed);
    const zip = await openZip(path);
    const kind = endingOf(path).toLowerCase();
    return zip.ok || zip.refusal.code !== "not-a-zip" || kind === ".zip"
      ? zip
      : refuse("archive-unlike", { kind });
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
    const info = await whatLiesAt(full, root);
    if (!info.ok) return info;
    if (!info.value.isFile()) return refuse("not-plain", { entry: path.slice(0, 200) });
    files.push({ path, size: info.value.size, crc32: null, open: () => streamPlain(full) });
  }
  return done({ files, close: () => Promise.resolve() });
}
