import { lstat, mkdir, rename, rm } from "node:fs/promises";
import { basename, dirname, extname, join } from "node:path";

/** Beside the mods, so that a move needs no copy; hidden, so that no reading of the shelf finds it. */
const binName = ".seating-bin";

const exists = (path: string): Promise<boolean> =>
  lstat(path).then(
    () => true,
    () => false,
  );

/** Moves an archive or a folder into the bin of its shelf folder; answers where it lies then. */
export async function moveToBin(path: string): Promise<string> {
  const bin = join(dirname(path), binName);
  await mkdir(bin, { recursive: true });
  const to = await freeName(join(bin, basename(path)));
  await rename(path, to);
  return to;
}

/** Moves it back; false, and nothing is moved, where something else has come to lie there. */
export async function moveBack(from: string, to: string): Promise<boolean> {
  if (await exists(to)) return false;
  await rename(from, to);
  return true;
}

export const deleteBinned = (path: string): Promise<void> => rm(path, { recursive: true, force: true });

/** The path, or one with a number before its extension that nothing lies at yet. */
export async function freeName(path: string): Promise<string> {
  const extension = extname(path);
  const stem = path.slice(0, path.length - extension.length);
  let free = path;
  for (let n = 2; await exists(free); n++) free = `${stem} (${n})${extension}`;
  return free;
}
