import { say } from "@/core/language/say";
import "server-only";
import { randomUUID } from "node:crypto";
import type { Dirent } from "node:fs";
import { readdir, realpath, stat } from "node:fs/promises";
import { homedir } from "node:os";
import { dirname, join, parse } from "node:path";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { namedPath, startedIn } from "@/disk/named-path";
import type { Context } from "../context";

/** The folders in a folder, by their names only; hidden ones are left out. */
export interface FolderListing {
  readonly path: string;
  /** Null at the top. */
  readonly above: string | null;
  readonly names: readonly string[];
  /** How many more there are than are told. */
  readonly more: number;
  /** Where one may want to begin. */
  readonly places: readonly { readonly name: string; readonly path: string }[];
}

const mostTold = 2000;
const mostOpen = 20;

/** A chooser that a user has opened: names of folders are told to such a one only, as long as it is open. */
export function openChooser({ choosers }: Context): Outcome<string> {
  const id = randomUUID();
  choosers.add(id);
  // One whose window was closed says nothing of it.
  for (const oldest of choosers) if (choosers.size > mostOpen) choosers.delete(oldest);
  return done(id);
}

export function closeChooser({ choosers }: Context, id: string): Outcome<null> {
  choosers.delete(id);
  return done(null);
}

async function namesOf(folder: string, entries: readonly Dirent[]): Promise<string[]> {
  const names = entries.map(async (entry) => {
    if (entry.name.startsWith(".")) return [];
    const isLink = entry.isSymbolicLink();
    const isFolder = isLink
      ? await stat(join(folder, entry.name)).then(
          (found) => found.isDirectory(),
          () => false,
        )
      : entry.isDirectory();
    return isFolder ? [entry.name] : [];
  });
  return (await Promise.all(names)).flat().sort((a, b) => a.localeCompare(b));
}

/** The folder at a path, or the nearest one above it that can be read; null where there is none. */
async function nearestFolder(path: string): Promise<{ real: string; entries: readonly Dirent[] } | null> {
  const real = await realpath(path).catch(() => null);
  const entries = real === null ? null : await readdir(real, { withFileTypes: true }).catch(() => null);
  if (real !== null && entries !== null) return { real, entries };
  const above = dirname(path);
  return above === path ? null : nearestFolder(above);
}

/** The folders below a typed path; where there is none, those of the nearest folder above it. */
export async function listFolders(
  { choosers }: Context,
  id: string,
  typed: string,
): Promise<Outcome<FolderListing>> {
  if (!choosers.has(id)) return refuse("chooser-closed");
  const found = await nearestFolder(namedPath(typed) ?? homedir());
  if (!found) return refuse("folder-missing", { path: typed });
  const { real, entries } = found;
  const names = await namesOf(real, entries);
  const above = dirname(real);
  return done({
    path: real,
    above: above === real ? null : above,
    names: names.slice(0, mostTold),
    more: Math.max(0, names.length - mostTold),
    places: [
      { name: "Home", path: homedir() },
      { name: say("server.whereSeatingWasStarted"), path: startedIn() },
      { name: say("server.theWholeMachine"), path: parse(real).root },
    ],
  });
}
