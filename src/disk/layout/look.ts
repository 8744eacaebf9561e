import { lstatSync, readdirSync } from "node:fs";
import { join } from "node:path";
import type { Lying } from "@/core/layout/plan";
import { folderOf } from "@/core/roster/fold";

/**
 * What lies at a path below a folder; null where nothing does, or where the path leads out of it. A link is not followed, and hides what lies
 * behind it.
 */
export class Looking {
  private readonly folders = new Map<string, boolean>();

  constructor(private readonly folder: string) {}

  readonly look = (path: string): Lying | null => {
    if (path.includes("..") && path.split("/").includes("..")) return null;
    const above = folderOf(path);
    if (above !== "" && !this.isFolder(above)) return null;
    return lyingAt(`${this.folder}/${path}`);
  };

  /** The names of what lies in a folder below it; none where there is no such folder. */
  readonly namesIn = (path: string): string[] =>
    path === "" || this.isFolder(path) ? readdirSync(join(this.folder, path)) : [];

  private isFolder(path: string): boolean {
    let known = this.folders.get(path);
    if (known === undefined) this.folders.set(path, (known = this.look(path)?.kind === "folder"));
    return known;
  }
}

/**
 * A date in milliseconds as the system is told it, to the nearest microsecond: what is finer it cuts off, so that it is told the middle of
 * that one, past what a number of seconds cannot tell apart.
 */
export const asSystemTime = (ms: number): number => (Math.round(ms * 1000) + 0.5) / 1_000_000;

export function lyingAt(path: string): Lying | null {
  const info = lstatSync(path, { throwIfNoEntry: false });
  if (!info) return null;
  const kind = info.isFile() ? "file" : info.isDirectory() ? "folder" : "other";
  return { kind, size: info.size, changed: info.mtimeMs };
}
