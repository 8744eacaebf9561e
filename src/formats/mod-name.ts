import { noVersion } from "@/core/version/version";
import { ModId } from "@/core/model/ids";
import { withoutEnding } from "./archive-name";

/**
 * Name and version from `Some Name-1.2.3.zip` or a folder's name, for mods without a manifest. A version is a dotted number, a
 * number behind a `v`, or the last part behind a hyphen if it is a number; a letter or a pre-release follows only a dotted one. A
 * lone number at the end belongs to the name: `Bog Model 2` is no later `Bog Model`.
 */
export function nameFromPath(path: string): { id: ModId; name: string; version: string } {
  const stem = withoutEnding(path);
  const [before, version] = splitVersion(stem);
  const name = before.replaceAll("_", " ").trim() || stem;
  const id = name
    .toLowerCase()
    .normalize("NFKD")
    .replace(/[^\p{L}\p{N}]+/gu, "-")
    .replace(/^-+|-+$/g, "");
  return { id: ModId.parse(id || stem), name, version };
}

const dotted = String.raw`\d+(?:\.\d+)+(?:[a-z]|-[0-9a-z]+(?:\.[0-9a-z]+)*)?`;
const versions: readonly RegExp[] = [
  new RegExp(String.raw`^(.+?)[-_ ]+v?(${dotted})$`, "i"),
  /^(.+?)[-_ ]+v(\d+)$/i,
  /^(.+)-(\d+)$/,
];

/** What stands before the version, and the version. */
function splitVersion(stem: string): readonly [string, string] {
  for (const pattern of versions) {
    const match = pattern.exec(stem);
    if (match) return [match[1]!, match[2]!];
  }
  return [stem, noVersion];
}
