import { watch, type FSWatcher } from "node:fs";

/** Milliseconds of quiet after which a change is told, and between looks where watching is not to be had. */
const quiet = 500;
const between = 20_000;

/**
 * Calls `onStir` when something may have changed in one of the folders, until `signal` is aborted. Where a folder cannot be
 * watched, it is called at intervals.
 */
export function watchFolders(
  folders: readonly string[],
  onStir: () => void,
  signal: AbortSignal,
  recursive = true,
): void {
  let timer: NodeJS.Timeout | undefined;
  const stir = () => {
    clearTimeout(timer);
    timer = setTimeout(onStir, quiet);
  };
  const watchers: FSWatcher[] = [];
  let looking: NodeJS.Timeout | undefined;
  const lookAtIntervals = () => (looking ??= setInterval(onStir, between));
  for (const folder of folders)
    try {
      watchers.push(watch(folder, { recursive }, stir).on("error", lookAtIntervals));
    } catch {
      lookAtIntervals();
    }
  signal.addEventListener("abort", () => {
    clearTimeout(timer);
    clearInterval(looking);
    for (const watcher of watchers) watcher.close();
  });
}
