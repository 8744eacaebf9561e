import type { LeftOut } from "../model/profile";
import { remembered } from "../remembered";

/** What is left out of each mod, by its id, in the order of the paths. */
export const leftOutByMod = remembered(
  (leftOut: readonly LeftOut[]): ReadonlyMap<string, readonly string[]> => {
    const paths = new Map<string, string[]>();
    for (const { mod, path } of leftOut)
      if (paths.has(mod)) paths.get(mod)!.push(path);
      else paths.set(mod, [path]);
    for (const own of paths.values()) own.sort();
    return paths;
  },
);

/** Whether a path of a mod, as the game sees it and folded, is left out: by itself, or with a folder above it. */
export function leavesOut(leftOut: readonly string[]): (path: string) => boolean {
  if (leftOut.length === 0) return () => false;
  const files = new Set(leftOut.filter((path) => !path.endsWith("/")));
  const folders = leftOut.filter((path) => path.endsWith("/"));
  return (path) => files.has(path) || folders.some((folder) => path.startsWith(folder));
}
