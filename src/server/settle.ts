import { lstat, readdir, rm, unlink } from "node:fs/promises";
import { join, resolve } from "node:path";
import { deleteBinned, isInBin } from "@/disk/bin";
import { isHalfCopy, isThere } from "@/disk/move";
import * as bin from "@/store/bin";
import { listGames } from "@/store/games";
import { forgetShelfPaths } from "@/store/shelf";
import type { Db } from "@/store/sql";

/** Settles what was being done with files when the last server ended. */
export async function settleFiles(db: Db): Promise<void> {
  await settleBins(db);
  await dropHalfCopies(db);
}

/** Finishes or takes back what was being done with the bins when the server ended. */
async function settleBins(db: Db): Promise<void> {
  for (const game of await listGames(db)) {
    const { shelves } = game.folders;
    for (const { id, moving, path, liesAt } of await bin.listMoving(db, game.id)) {
      if (!isInBin(shelves, liesAt)) continue;
      const there = await isThere(liesAt);
      if (moving === "gone") await deleteBinned(liesAt);
      if (moving === "gone" || !there) await bin.takeFromBin(db, [id]);
      else {
        await giveUpSecondName(liesAt, resolve(shelves[0]!, path));
        await db.transaction(async (tx) => {
          await bin.setMoving(tx, [id], null);
          if (moving === "in") await forgetShelfPaths(tx, game.id, [path]);
        });
      }
    }
  }
}

/** A file that was being moved may bear both names; it is in the bin then. */
async function giveUpSecondName(liesAt: string, path: string): Promise<void> {
  const [a, b] = await Promise.all([lstat(liesAt), lstat(path).catch(() => null)]);
  if (b?.isFile() && a.ino === b.ino && a.dev === b.dev) await unlink(path);
}

/** Halves of copies that a server left on the shelves when it ended. */
async function dropHalfCopies(db: Db): Promise<void> {
  for (const { folders } of await listGames(db)) {
    const names = await readdir(folders.shelves[0]!).catch(() => []);
    for (const name of names.filter(isHalfCopy)) await rm(join(folders.shelves[0]!, name), { force: true });
  }
}
