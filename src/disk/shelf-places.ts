import { createHash } from "node:crypto";
import { lstatSync, readdirSync, statSync } from "node:fs";
import { readdir } from "node:fs/promises";
import { join } from "node:path";
import { refuse } from "@/core/model/outcome";
import type { FileProblem } from "@/core/model/refusal";
import { isArchiveName } from "@/formats/archive-name";
import { safePath } from "@/formats/archive-path";
import { whatLiesAt } from "./open-plain";
import type { ShelfMod } from "@/core/model/shelf";

export interface ShelfPlace {
  readonly path: string;
  readonly kind: ShelfMod["kind"];
  readonly size: number;
  readonly stamp: string;
  readonly updated: string;
  /** Why it is not even looked into. */
  readonly problem?: FileProblem;
}

export interface EntryName {
  /** As it is shown, and its path where it is sound. */
  readonly name: string;
  readonly problem: FileProblem | null;
}

/** The names in a shelf folder that are not hidden. */
export async function namesIn(shelf: string): Promise<EntryName[]> {
  const names = (await readdir(shelf, { encoding: "buffer" })).map(nameOf);
  return names.filter(({ name }) => !name.startsWith("."));
}

const strict = new TextDecoder("utf-8", { fatal: true, ignoreBOM: true });

/** Of a name that is not UTF-8 each byte that is no ASCII is written out. */
function nameOf(bytes: Buffer): EntryName {
  try {
    const name = strict.decode(bytes);
    const safe = safePath(name);
    return { name, problem: safe.ok ? null : safe.refusal };
  } catch {
    const written = bytes
      .toString("latin1")
      .replace(/[^\x20-\x7e]/g, (sign) => `%${sign.charCodeAt(0).toString(16)}`);
    return { name: written, problem: refuse("path-encoding", { entry: written.slice(0, 200) }).refusal };
  }
}

/** Archives of kinds that are not read, which is told. */
const otherEnding = /\.(?:tar|tgz|gz|bz2|xz)$/i;

/**
 * What lies in the shelf folder under a name; null of what is no mod. Whatever is odd about it is told, and stops nothing. It blocks
 * its thread: asking the system for one file after another is many times faster so.
 */
export function placeOf(shelf: string, { name, problem }: EntryName): ShelfPlace | null {
  const full = join(shelf, name);
  const wrong = (why: FileProblem, kind: ShelfPlace["kind"] = "archive"): ShelfPlace => ({
    path: name,
    kind,
    size: 0,
    stamp: `problem ${JSON.stringify(why)}`,
    updated: new Date(0).toISOString(),
    problem: why,
  });
  const other = otherEnding.exec(name)?.[0].toLowerCase();
  const isArchive = other !== undefined || isArchiveName(name);
  if (problem) return wrong(problem, isArchive ? "archive" : "folder");
  const found = whatLiesAt(full, full);
  if (!found.ok) return wrong(found.refusal, isArchive ? "archive" : "folder");
  if (found.value.isDirectory()) {
    const folder = placeFolder(shelf, name);
    return "code" in folder ? wrong(folder, "folder") : folder;
  }
  if (!isArchive) return null;
  const { size, mtimeMs } = found.value;
  const place = {
    path: name,
    kind: "archive" as const,
    size,
    stamp: stampOf(mtimeMs),
    updated: new Date(mtimeMs).toISOString(),
  };
  return other === undefined ? place : { ...place, problem: refuse("archive-kind", { kind: other }).refusal };
}

/** Whole milliseconds: a copy that keeps times keeps no more of them. */
export const stampOf = (mtimeMs: number): string => String(Math.round(mtimeMs));

function placeFolder(shelf: string, path: string): ShelfPlace | FileProblem {
  const root = join(shelf, path);
  try {
    const hash = createHash("sha256");
    let size = 0;
    let latest = statSync(root).mtimeMs;
    for (const full of filesBelow(root).sort()) {
      const info = lstatSync(full);
      size += info.size;
      latest = Math.max(latest, info.mtimeMs);
      hash.update(`${full.slice(root.length)}\0${info.size}\0${stampOf(info.mtimeMs)}\n`);
    }
    const updated = new Date(latest).toISOString();
    return { path, kind: "folder", size, stamp: hash.digest("hex"), updated };
  } catch (error) {
    const { path: at, code, message } = error as NodeJS.ErrnoException;
    return refuse("cannot-read", { detail: `${at ?? path}: ${code ?? message}` }).refusal;
  }
}

/** The whole paths of the folders below one, but for what cannot be read. Links are not followed. */
export function foldersBelow(root: string): string[] {
  const found = [root];
  for (const folder of found) found.push(...foldersIn(folder));
  return found.slice(1);
}

function foldersIn(folder: string): string[] {
  try {
    return readdirSync(folder, { withFileTypes: true })
      .filter((entry) => entry.isDirectory())
      .map((entry) => join(folder, entry.name));
  } catch {
    return [];
  }
}

/** The whole paths of all that lies below a folder and is no folder; links are not followed. */
export const filesBelow = (root: string): string[] =>
  readdirSync(root, { recursive: true, withFileTypes: true })
    .filter((entry) => !entry.isDirectory())
    .map((entry) => join(entry.parentPath, entry.name));
