import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { ProblemCode } from "@/core/model/refusal";
import { openPacked, packedKind } from "./packed/packed-archive";
import { holdArchive, openZip } from "./zip-archive";
import { endingOf } from "@/formats/archive-name";
import type { ModFile, ModFiles } from "./mod-file";
import { readSmall, readStart, streamPlain, whatLiesAt } from "./open-plain";
import { filesBelow } from "./shelf-places";

/** The files of an archive or a folder, listed and checked against the limits, not read yet. */
export async function openModFiles(path: string): Promise<Outcome<ModFiles, ProblemCode>> {
  try {
    const info = whatLiesAt(path, path);
    if (!info.ok) return info;
    if (info.value.isDirectory()) return openFolder(path);
    const held = holdArchive(path);
    const packed = packedKind(held?.subarray(0, 8) ?? (await readStart(path, 8)));
    if (packed !== null) return await openPacked(path, packed);
    const zip = await openZip(path, held);
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

function openFolder(root: string): Outcome<ModFiles, ProblemCode> {
  const files: ModFile[] = [];
  for (const full of filesBelow(root)) {
    const path = full.slice(root.length + 1);
    const info = whatLiesAt(full, root);
    if (!info.ok) return info;
    if (!info.value.isFile()) return refuse("not-plain", { entry: path.slice(0, 200) });
    files.push(plainFile(full, path, info.value.size));
  }
  return done({ files, sha256: () => Promise.resolve(null), close: () => Promise.resolve() });
}

/** Bytes of a file that is read at once. */
const small = 2 ** 20;

/** A file that lies on the disk by itself. */
export const plainFile = (full: string, path: string, size: number): ModFile => ({
  path,
  size,
  crc32: null,
  open: () => streamPlain(full),
  // It may have grown since.
  bytes: size > small ? null : () => readSmall(full, small) ?? Buffer.alloc(0),
});
