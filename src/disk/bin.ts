import { mkdir, rm } from "node:fs/promises";
import { basename, dirname, join } from "node:path";
import { freeName, isThere, moveTo } from "./move";

/** Beside the mods, so that a move needs no copy; hidden, so that no reading of the shelf finds it. */
const binName = ".seating-bin";

/** Where in the bin of its shelf folder an archive or a folder would lie. */
export async function placeInBin(path: string, taken: ReadonlySet<string> = new Set()): Promise<string> {
  const bin = join(dirname(path), binName);
  // Never the shelf itself: where that has gone for a while, nothing is made in its place.
  if (!(await isThere(bin))) await mkdir(bin);
  for (let wanted = join(bin, basename(path)); ;) {
    const free = await freeName(wanted);
    if (!taken.has(free)) return free;
    wanted = `${free}'`;
  }
}

/** Whether a path lies in the bin of one of the shelf folders: nothing else is ever deleted. */
export const isInBin = (shelves: readonly string[], path: string): boolean =>
  basename(dirname(path)) === binName && shelves.includes(dirname(dirname(path)));

/** Moves what is there; false where something lies in the way. What has been moved already, before a server ended, is as it should be. */
export async function moveOnce(from: string, to: string): Promise<boolean> {
  if (!(await isThere(from)) && (await isThere(to))) return true;
  return moveTo(from, to);
}

export const deleteBinned = (path: string): Promise<void> => rm(path, { recursive: true, force: true });
