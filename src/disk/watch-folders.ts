import { watch, type FSWatcher } from "node:fs";
import { stat } from "node:fs/promises";
import { join, sep } from "node:path";

/** Milliseconds of quiet after which a change is told, and between looks where watching is not to be had. */
const quiet = 500;
const between = 20_000;
/** So many folders are watched in one go, for everything else waits meanwhile. */
const slice = 100;

/** The whole paths of the folders below one. */
type FoldersBelow = (folder: string) => Promise<readonly string[]>;

const none: FoldersBelow = () => Promise.resolve([]);

/**
 * Calls `onStir` once the folders are watched, those below them too where `foldersBelow` says which they are, and then whenever
 * something may have changed in one of them, until `signal` is aborted. Where a folder cannot be watched, it is called at intervals.
 * One watcher a folder: the system's own way of watching all below one keeps one for every file. None keeps a program from ending.
 */
export function watchFolders(
  folders: readonly string[],
  onStir: () => void,
  signal: AbortSignal,
  foldersBelow: FoldersBelow = none,
): void {
  /** By the folder's whole path; null of one that cannot be watched. */
  const watchers = new Map<string, FSWatcher | null>();
  /** What has come or gone since the last stir. */
  const renamed = new Set<string>();
  /** Which folder is watched at the path of each of `folders`, by its inode and birth, for inodes are used again; null where none lay there. */
  const roots = new Map<string, string | null>();
  let timer: NodeJS.Timeout | undefined;
  let looking: NodeJS.Timeout | undefined;
  const lookAtIntervals = () =>
    (looking ??= setInterval(() => void followRoots().then(tell), between).unref());

  const watchOne = (folder: string) => {
    if (watchers.has(folder)) return;
    watchers.set(folder, null);
    try {
      const watcher = watch(folder, { persistent: false }, (kind, name) => {
        if (kind === "rename" && name !== null) renamed.add(join(folder, name));
        stir();
      });
      watchers.set(folder, watcher.on("error", lookAtIntervals));
    } catch (error) {
      const isGone = (error as NodeJS.ErrnoException).code === "ENOENT";
      if (!isGone || folders.includes(folder)) lookAtIntervals();
    }
  };
  const watchSlices = async (found: readonly string[]) => {
    for (let at = 0; at < found.length && !signal.aborted; at += slice) {
      found.slice(at, at + slice).forEach(watchOne);
      await new Promise((done) => setImmediate(done));
    }
  };
  /** Until none is found that is not watched: what comes between looking and watching is seen by looking again. */
  const watchBelow = async (root: string) => {
    for (let found = [root]; found.length > 0 && !signal.aborted;) {
      await watchSlices(found);
      const below = await foldersBelow(root).catch(() => []);
      found = below.filter((folder) => !watchers.has(folder));
    }
  };
  const forget = (path: string) => {
    for (const [folder, watcher] of watchers)
      if (folder === path || folder.startsWith(path + sep)) {
        watcher?.close();
        watchers.delete(folder);
      }
  };
  /** A folder that has come, or took the place of one that is gone, is watched from now on. */
  const followRenamed = async () => {
    const paths = [...renamed];
    renamed.clear();
    if (foldersBelow === none) return;
    for (const path of paths) {
      if (signal.aborted) return;
      forget(path);
      const found = await stat(path).catch(() => null);
      if (found?.isDirectory()) await watchBelow(path);
    }
  };
  /** A folder that lies in the place of a watched one, or has come back, is another one. */
  const followRoots = async () => {
    for (const root of folders) {
      const found = await stat(root).catch(() => null);
      const now = found && `${found.ino} ${found.birthtimeMs}`;
      if (signal.aborted || roots.get(root) === now) continue;
      roots.set(root, now);
      forget(root);
      await watchBelow(root);
    }
  };
  const tell = () => {
    if (!signal.aborted) onStir();
  };
  const stir = () => {
    clearTimeout(timer);
    timer = setTimeout(() => void followRenamed().then(followRoots).then(tell), quiet);
  };

  void followRoots().then(tell);
  signal.addEventListener("abort", () => {
    clearTimeout(timer);
    clearInterval(looking);
    for (const watcher of watchers.values()) watcher?.close();
  });
}
