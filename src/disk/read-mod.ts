import { createReadStream } from "node:fs";
import { lstat } from "node:fs/promises";
import { join } from "node:path";
import { contentHash } from "@/core/lineup/content-hash";
import type { GameDefinition } from "@/core/model/game";
import type { Outcome } from "@/core/model/outcome";
import type { ModManifest, PluginFile, ShelfMod } from "@/core/model/shelf";
import { foldName } from "@/core/profile/fold";
import { readManifest } from "@/formats/manifest";
import { layOutMod, type ModLayout } from "@/formats/mod-layout";
import { nameFromPath } from "@/formats/mod-name";
import { headerOf, readPlugin } from "@/formats/plugin";
import { digestFile, sha256OfFile, type Digest } from "./digest";
import type { ModFile } from "./mod-file";
import { openModFiles } from "./mod-files";

/** A plugin larger than this is hashed but not parsed. */
const largestPlugin = 256 * 2 ** 20;
const largestManifest = 2 ** 20;

export interface ShelfPlace {
  readonly path: string;
  readonly kind: ShelfMod["kind"];
  readonly size: number;
  readonly stamp: string;
}

/** Reads an archive or folder of the shelf whole. What is wrong with it becomes its `problem`; nothing is thrown. */
export async function readMod(game: GameDefinition, shelf: string, place: ShelfPlace): Promise<ShelfMod> {
  const full = join(shelf, place.path);
  const opened = await openModFiles(full);
  if (!opened.ok) return unsound(place, opened);
  try {
    const { files } = opened.value;
    const layout = layOutMod(
      game,
      files.map((file) => file.path),
    );
    if (!layout.ok) return unsound(place, layout);
    const digests = await digestAll(files, layout.value);
    if (!digests.ok) return unsound(place, digests);
    const manifest = manifestOf(layout.value, digests.value);
    if (manifest && !manifest.ok) return unsound(place, manifest);
    const archiveSha256 = place.kind === "archive" ? await sha256OfFile(full) : null;
    return soundMod(game, place, files, layout.value, digests.value, manifest?.value ?? null, archiveSha256);
  } finally {
    opened.value.close();
  }
}

async function digestAll(files: readonly ModFile[], layout: ModLayout): Promise<Outcome<Digest[]>> {
  const digests: Digest[] = [];
  const plugins = new Set(layout.plugins);
  for (const [at, file] of files.entries()) {
    const keep =
      (plugins.has(at) && file.size <= largestPlugin) ||
      (at === layout.manifest && file.size <= largestManifest);
    const digest = await digestFile(file, keep);
    if (!digest.ok) return digest;
    digests.push(digest.value);
  }
  return { ok: true, value: digests };
}

function manifestOf(layout: ModLayout, digests: readonly Digest[]): Outcome<ModManifest> | null {
  const bytes = digests[layout.manifest]?.bytes;
  return bytes ? readManifest(bytes) : null;
}

function soundMod(
  game: GameDefinition,
  place: ShelfPlace,
  files: readonly ModFile[],
  layout: ModLayout,
  digests: readonly Digest[],
  manifest: ModManifest | null,
  archiveSha256: string | null,
): ShelfMod {
  const named = nameFromPath(place.path);
  return {
    ...place,
    id: manifest?.id ?? named.id,
    name: manifest?.name ?? named.name,
    version: manifest?.version ?? named.version,
    author: manifest?.author ?? null,
    summary: manifest?.summary ?? null,
    tags: manifest?.tags ?? [],
    files: files.length,
    content: contentHash(
      digests.map((digest, at) => ({ path: foldName(game, layout.paths[at]!), sha256: digest.sha256 })),
    ),
    archiveSha256,
    manifest,
    plugins: layout.plugins.map((at) => pluginFile(game, layout.paths[at]!, files[at]!.size, digests[at]!)),
    problem: null,
    fileNames: [...layout.paths].sort(),
  };
}

export function pluginFile(game: GameDefinition, name: string, size: number, digest: Digest): PluginFile {
  const facts = { name, size, sha256: digest.sha256 };
  if (!digest.bytes)
    return {
      ...facts,
      header: null,
      problem: { code: "zip-too-large", data: { size, limit: largestPlugin } },
    };
  const plugin = readPlugin(digest.bytes, game.pluginLayout?.formType ?? "");
  if (plugin.ok)
    return {
      ...facts,
      header: headerOf(plugin.value),
      problem: null,
      recordNames: [...new Set(plugin.value.records)],
    };
  return { ...facts, header: null, problem: { code: plugin.refusal.code, data: plugin.refusal.data } };
}

function unsound(place: ShelfPlace, outcome: Outcome<unknown>): ShelfMod {
  const { code, data } = outcome.ok ? { code: "cannot-read", data: {} } : outcome.refusal;
  return {
    ...place,
    ...nameFromPath(place.path),
    author: null,
    summary: null,
    tags: [],
    files: 0,
    content: null,
    archiveSha256: null,
    manifest: null,
    plugins: [],
    problem: { code, data: { ...data } },
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
    const file: ModFile = {
      path: name,
      size: info.size,
      crc32: null,
      open: () => Promise.resolve(createReadStream(full)),
    };
    const digest = await digestFile(file, info.size <= largestPlugin);
    if (digest.ok) found.push(pluginFile(game, name, info.size, digest.value));
  }
  return found;
}
