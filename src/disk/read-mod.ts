import { lstat } from "node:fs/promises";
import { basename, join, resolve } from "node:path";
import { Readable } from "node:stream";
import { contentHash } from "@/core/lineup/content-hash";
import type { GameDefinition } from "@/core/model/game";
import { ModId, type PluginId } from "@/core/model/ids";
import { done, type Outcome } from "@/core/model/outcome";
import type { ContentFile, ModManifest, PluginFile, ShelfMod } from "@/core/model/shelf";
import { foldName } from "@/core/roster/fold";
import { layOutParts, type PartFile } from "@/core/roster/parts";
import { readManifest } from "@/formats/manifest";
import { layOutMod, pluginsIn } from "@/formats/mod-layout";
import { nameFromPath } from "@/formats/mod-name";
import { headerOf } from "@/formats/plugin-facts";
import { readPluginFacts } from "@/formats/plugin-layout";
import { isContainer, readContainer, type PackedFile } from "./containers";
import { digestFile, sha256Of, sha256OfFile, shortHash, type Digest } from "./digest";
import type { ModFile, ModFiles } from "./mod-file";
import { openModFiles, plainFile } from "./mod-files";
import type { FileProblem, ProblemCode } from "@/core/model/refusal";
import type { ShelfPlace } from "./shelf-places";

/** A plugin larger than this is hashed but not parsed. */
const largestPlugin = 256 * 2 ** 20;
const largestManifest = 2 ** 20;

/** What an entry without a manifest is known as, whatever its name says. */
export interface Identity {
  readonly id: ModId;
  readonly name: string;
  readonly version?: string;
}

/** The files of a mod as its game sees them: where each lies, and with which part of its package. */
interface LaidOutMod {
  readonly files: readonly ModFile[];
  readonly paths: readonly string[];
  readonly parts: readonly PartFile[];
  readonly plugins: readonly PartFile[];
  readonly manifest: ModManifest | null;
  readonly sha256: ModFiles["sha256"];
  readonly close: () => Promise<void>;
}

/** Opens an archive or a folder, checks its contents and reads its manifest. What it answers must be closed. */
export async function openMod(game: GameDefinition, path: string): Promise<Outcome<LaidOutMod, ProblemCode>> {
  const opened = await openModFiles(path);
  if (!opened.ok) return opened;
  const { files, sha256, close } = opened.value;
  const laidOut = await layOut(game, files);
  if (!laidOut.ok) await close();
  return laidOut.ok ? done({ ...laidOut.value, sha256, close }) : laidOut;
}

async function layOut(
  game: GameDefinition,
  files: readonly ModFile[],
): Promise<Outcome<Omit<LaidOutMod, "sha256" | "close">, ProblemCode>> {
  const layout = layOutMod(
    game,
    files.map((file) => file.path),
  );
  if (!layout.ok) return layout;
  const { paths } = layout.value;
  const manifest = await manifestOf(files[layout.value.manifest]);
  if (!manifest.ok) return manifest;
  const parts = layOutParts(game, manifest.value, paths);
  return done({ files, paths, parts, plugins: pluginsIn(game, parts), manifest: manifest.value });
}

async function manifestOf(file: ModFile | undefined): Promise<Outcome<ModManifest | null, ProblemCode>> {
  if (!file || file.size > largestManifest) return done(null);
  const digest = await digestFile(file, true);
  return digest.ok ? readManifest(digest.value.bytes!) : digest;
}

/**
 * Reads an archive or folder of the shelf whole; `place.path` is its path, whole or below `shelf`. An archive whose bytes are
 * still those of `before` is not opened. What is wrong with it becomes its `problem`; nothing is thrown.
 */
export async function readMod(
  game: GameDefinition,
  shelf: string,
  place: ShelfPlace,
  before?: ShelfMod,
  identity?: Identity,
): Promise<ShelfMod> {
  if (place.problem) return unsound(place, place.problem, identity);
  const full = resolve(shelf, place.path);
  if (before?.archiveSha256 && before.stamp !== "" && place.kind === "archive")
    if ((await sha256OfFile(full).catch(() => "")) === before.archiveSha256) return { ...before, ...place };
  const opened = await openMod(game, full);
  if (!opened.ok) return unsound(place, opened.refusal, identity);
  const mod = opened.value;
  try {
    const digests = await digestAll(game, mod);
    if (!digests.ok) return unsound(place, digests.refusal, identity);
    return soundMod(game, place, mod, digests.value, await mod.sha256(), identity);
  } finally {
    await mod.close();
  }
}

/** A mod as it would be read from a folder of this name with these files, by path, which lie nowhere. */
export async function modOfFiles(
  game: GameDefinition,
  name: string,
  files: ReadonlyMap<string, Uint8Array>,
): Promise<Outcome<ShelfMod, ProblemCode>> {
  const laidOut = await layOut(game, [...files].map(memoryFile));
  if (!laidOut.ok) return laidOut;
  const digests = await digestAll(game, laidOut.value);
  if (!digests.ok) return digests;
  const size = [...files.values()].reduce((sum, bytes) => sum + bytes.length, 0);
  const place: ShelfPlace = { path: name, kind: "folder", size, stamp: "", updated: "" };
  return done(soundMod(game, place, laidOut.value, digests.value, null, undefined));
}

const memoryFile = ([path, bytes]: readonly [string, Uint8Array]): ModFile => ({
  path,
  size: bytes.length,
  crc32: null,
  open: () => Promise.resolve(Readable.from([bytes])),
  bytes: () => Buffer.from(bytes),
});

/** A file as read, with what lies in it where it is a container. */
interface ReadFile extends Digest {
  readonly packed?: readonly PackedFile[];
}

async function digestAll(
  game: GameDefinition,
  { files, plugins }: Pick<LaidOutMod, "files" | "plugins">,
): Promise<Outcome<ReadFile[], ProblemCode>> {
  const digests: ReadFile[] = [];
  const places = new Set(plugins.map(({ at }) => at));
  for (const [at, file] of files.entries()) {
    const opens = isContainer(game, file);
    const digest = await digestFile(file, opens || (places.has(at) && file.size <= largestPlugin));
    if (!digest.ok) return digest;
    if (!opens) digests.push(digest.value);
    else {
      const packed = await readContainer(game, digest.value.bytes!);
      if (!packed.ok) return packed;
      digests.push({ sha256: digest.value.sha256, bytes: null, packed: packed.value });
    }
  }
  return done(digests);
}

function soundMod(
  game: GameDefinition,
  place: ShelfPlace,
  { files, paths, parts, plugins, manifest }: Omit<LaidOutMod, "sha256" | "close">,
  digests: readonly ReadFile[],
  archiveSha256: string | null,
  identity: Identity | undefined,
): ShelfMod {
  const named = { ...nameFromPath(basename(place.path)), ...identity };
  return {
    ...place,
    id: manifest ? ModId.parse(manifest.id) : named.id,
    name: manifest?.name ?? named.name,
    version: manifest?.version ?? named.version,
    author: manifest?.author ?? null,
    summary: manifest?.summary ?? null,
    tags: manifest?.tags ?? [],
    files: files.length,
    content: contentHash(
      digests.map((digest, at) => ({ path: foldName(game, paths[at]!), sha256: digest.sha256 })),
      sha256Of,
    ),
    archiveSha256,
    manifest,
    plugins: plugins.map(({ at, path, part }) => ({
      ...pluginFile(game, path, files[at]!.size, digests[at]!),
      ...(part === null ? {} : { part }),
    })),
    problem: null,
    contentFiles: contentFilesOf(files, parts, digests),
  };
}

function contentFilesOf(
  files: readonly ModFile[],
  parts: readonly PartFile[],
  digests: readonly ReadFile[],
): ContentFile[] {
  const all = parts.flatMap(({ at, path, part }): ContentFile[] => {
    const { sha256, packed = [] } = digests[at]!;
    const loose = { path, size: files[at]!.size, hash: shortHash(sha256), part };
    return [loose, ...packed.map((file) => ({ ...file, part, container: path }))];
  });
  return all.sort((a, b) => (a.path < b.path ? -1 : Number(a.path > b.path)));
}

function pluginFile(game: GameDefinition, name: string, size: number, digest: Digest): PluginFile {
  const facts = { name: name as PluginId, size, sha256: digest.sha256 };
  if (!digest.bytes)
    return {
      ...facts,
      header: null,
      problem: { code: "zip-too-large", data: { size, limit: largestPlugin } },
    };
  if (!game.pluginLayout) return { ...facts, header: null, problem: { code: "no-plugin-layout", data: {} } };
  const plugin = readPluginFacts(digest.bytes, game.pluginLayout);
  if (plugin.ok)
    return {
      ...facts,
      header: headerOf(plugin.value),
      problem: null,
      recordNames: [...new Set(plugin.value.records)],
      ...(plugin.value.additiveLists.length > 0 && { additiveLists: [...plugin.value.additiveLists] }),
    };
  return { ...facts, header: null, problem: plugin.refusal };
}

/** An entry of which nothing but its place counts. */
export function unsound(
  { path, kind, size, stamp, updated }: Omit<ShelfPlace, "problem" | "updated"> & Pick<ShelfMod, "updated">,
  problem: FileProblem,
  identity?: Identity,
): ShelfMod {
  return {
    path,
    kind,
    size,
    stamp,
    updated,
    ...nameFromPath(basename(path)),
    ...identity,
    author: null,
    summary: null,
    tags: [],
    files: 0,
    content: null,
    archiveSha256: null,
    manifest: null,
    plugins: [],
    problem,
  };
}

/** The plugins of the game's own folders, read like any other; those that are not there are left out. */
export async function readPluginFiles(
  game: GameDefinition,
  folder: string,
  names: readonly string[],
): Promise<PluginFile[]> {
  const found: PluginFile[] = [];
  for (const name of names) {
    const full = join(folder, name);
    const info = await lstat(full).catch(() => null);
    if (!info?.isFile()) continue;
    const file = plainFile(full, name, info.size);
    const digest = await digestFile(file, info.size <= largestPlugin);
    if (digest.ok) found.push(pluginFile(game, name, info.size, digest.value));
  }
  return found;
}
