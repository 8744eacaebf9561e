import { zipSync } from "fflate";
import { writePlugin } from "@/formats/plugin";
import { makeRandom } from "@/core/random";
import type { DemoFile, DemoMod, DemoPlugin } from "./catalogue";

/** Local parts on purpose: archives store local time, so the bytes are the same in every time zone. */
const packedAt = new Date(2026, 0, 15, 12, 0, 0);

export type Files = Record<string, Uint8Array>;

const encoder = new TextEncoder();

/** Everything a mod holds, by path below its root. */
export function filesOf(mod: DemoMod): Files {
  const files: Files = {
    "seating-mod.json": encoder.encode(`${JSON.stringify(manifestOf(mod), null, 2)}\n`),
  };
  for (const plugin of mod.plugins) files[`${plugin.below ?? ""}${plugin.name}`] = pluginBytes(mod, plugin);
  for (const file of mod.loose) files[file.path] = bytesOf(mod, file);
  for (const { path, files: inside } of mod.packed ?? [])
    files[path] = zip(Object.fromEntries(inside.map((file) => [file.path, bytesOf(mod, file)])));
  return files;
}

const bytesOf = ({ id }: DemoMod, { path, size, like }: DemoFile): Uint8Array =>
  path.endsWith(".txt") ? wordsBytes(like ?? id) : looseBytes(like ?? `${id}/${path}`, size);

/** A few lines of settings, most of which everybody has alike. */
function wordsBytes(seed: string): Uint8Array {
  const random = makeRandom([...seed].reduce((sum, letter) => sum + letter.charCodeAt(0), 0));
  const names = ["gusts", "haze", "line-drag", "crowd", "judges", "rounds", "wind-from"];
  const lines = names.map((name, at) => `${name} = ${random.chance(0.3) ? random.below(20) : at + 3}`);
  return encoder.encode(`# how an evening goes\n${lines.join("\n")}\n`);
}

const manifestOf = (mod: DemoMod) => ({
  format: "seating-mod/1",
  id: mod.id,
  name: mod.name,
  version: mod.version,
  author: mod.author,
  gameVersions: ">=1.4 <2",
  tags: mod.tags,
  summary: mod.summary,
  page: `depot:${mod.id}`,
  requires: mod.requires.map((id) => ({ mod: id })),
  ...mod.manifest,
});

export function pluginBytes(
  mod: Pick<DemoMod, "author" | "name" | "summary">,
  plugin: DemoPlugin,
): Uint8Array {
  const { flags, masters, records, lists } = plugin;
  const info = { INAM: mod.name, IART: mod.author, ICMT: mod.summary, ICRD: "2026-01-15" };
  return writePlugin({ flags, info, masters, records, lists }, "SEAP");
}

/** As many small files of its own, for a shelf of a size that one wants to measure. */
export const smallFiles = ({ id }: DemoMod, count: number): Files =>
  Object.fromEntries(
    Array.from({ length: count }, (_, at) => {
      const path = `textures/${id}/${at}.tex`;
      return [path, looseBytes(`${id}/${path}`, 40)];
    }),
  );

/** Bytes that look like something: the path, repeated with a running number, so that no two files are equal. */
function looseBytes(seed: string, size: number): Uint8Array {
  let text = "";
  for (let line = 0; text.length < size; line++) text += `${seed} ${(line * 2654435761) >>> 0}\n`;
  return encoder.encode(text.slice(0, size));
}

export function zip(files: Files, topFolder = ""): Uint8Array {
  const below = Object.fromEntries(Object.entries(files).map(([path, bytes]) => [topFolder + path, bytes]));
  return zipSync(below, { mtime: packedAt, level: 6, os: 3 });
}
