import { basename } from "node:path";
import { lstat } from "node:fs/promises";
import type { FileContents } from "@/core/model/file-contents";
import { done, type Outcome } from "@/core/model/outcome";
import type { GameDefinition } from "@/core/model/game";
import type { ProblemCode } from "@/core/model/refusal";
import { foldName } from "@/core/roster/fold";
import { digestFile } from "./digest";
import type { ModFile } from "./mod-file";
import { plainFile } from "./mod-files";
import { openMod } from "./read-mod";
import { openZip } from "./zip-archive";

/** Larger texts and pictures are only measured: they are sent whole. */
const largest = { text: 256 * 2 ** 10, picture: 4 * 2 ** 20 };
/** A larger file is not held in memory for its first bytes. */
const largestHeld = 64 * 2 ** 20;
const firstBytes = 128;

/** By their first bytes (the PNG, JPEG, GIF and RIFF/WebP specifications). */
const pictures: readonly { readonly type: string; readonly starts: RegExp }[] = [
  { type: "image/png", starts: /^\x89PNG\r\n\x1a\n/ },
  { type: "image/jpeg", starts: /^\xff\xd8\xff/ },
  { type: "image/gif", starts: /^GIF8[79]a/ },
  { type: "image/webp", starts: /^RIFF....WEBP/s },
];

/** Which file of a mod is meant: its path as the game sees it, with its part, or inside a packed file of the mod. */
export interface FilePlace {
  readonly path: string;
  readonly part: string | null;
  readonly container: string | null;
}

/** Reads one file of an archive or folder of the shelf; null where it has no such file. */
export async function readFileOfMod(
  game: GameDefinition,
  mod: string,
  place: FilePlace,
): Promise<Outcome<FileContents | null, ProblemCode>> {
  const opened = await openMod(game, mod);
  if (!opened.ok) return opened;
  const { files, parts, close } = opened.value;
  try {
    const wanted = foldName(game, place.container ?? place.path);
    const found = parts.find(
      ({ path, part }) =>
        foldName(game, path) === wanted && (place.container !== null || part === place.part),
    );
    if (!found) return done(null);
    const file = files[found.at]!;
    return place.container === null ? await contentsOf(file) : await packedContents(game, file, place.path);
  } finally {
    await close();
  }
}

async function packedContents(
  game: GameDefinition,
  container: ModFile,
  path: string,
): Promise<Outcome<FileContents | null, ProblemCode>> {
  const digest = await digestFile(container, true);
  if (!digest.ok) return digest;
  const opened = await openZip("", Buffer.from(digest.value.bytes!));
  if (!opened.ok) return opened;
  const { files, close } = opened.value;
  try {
    const file = files.find((each) => foldName(game, each.path) === foldName(game, path));
    return file ? await contentsOf(file) : done(null);
  } finally {
    await close();
  }
}

/** The same of a file that lies by itself; null where there is none. */
export async function readPlainFile(full: string): Promise<Outcome<FileContents | null, ProblemCode>> {
  const info = await lstat(full).catch(() => null);
  return info?.isFile() ? contentsOf(plainFile(full, basename(full), info.size)) : done(null);
}

async function contentsOf(file: ModFile): Promise<Outcome<FileContents, ProblemCode>> {
  const isHeld = file.size <= largestHeld;
  const digest = await digestFile(file, isHeld);
  if (!digest.ok) return digest;
  const { sha256, bytes } = digest.value;
  const measured = { size: file.size, sha256 };
  if (!bytes) return done({ ...measured, kind: "bytes", first: "" });
  const held = Buffer.from(bytes);
  const start = held.subarray(0, 32).toString("latin1");
  const picture = pictures.find(({ starts }) => starts.test(start));
  if (picture && file.size <= largest.picture)
    return done({ ...measured, kind: "picture", type: picture.type, base64: held.toString("base64") });
  const text = file.size <= largest.text ? textOf(held) : null;
  if (text !== null) return done({ ...measured, kind: "text", text });
  return done({ ...measured, kind: "bytes", first: held.subarray(0, firstBytes).toString("hex") });
}

/** Null of what is no text in UTF-8, or has signs that no text has. */
function textOf(bytes: Uint8Array): string | null {
  if (bytes.includes(0)) return null;
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return null;
  }
}
