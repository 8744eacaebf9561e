import { asPattern } from "../as-pattern";
import type { Edition } from "../model/installed";

const parts: ReadonlyMap<string, string> = new Map([
  ["{version}", String.raw`(?<version>\d[\w.-]*)`],
  ["{build}", String.raw`(?<build>\w[\w.-]*)`],
]);

/** The version that a text of the game's names, its build behind a `+` as in Semantic Versioning 2.0 (section 10); null where it names none. */
export function editionIn({ pattern }: Edition, text: string): string | null {
  const found = matcherOf(pattern).exec(text)?.groups;
  if (!found?.version) return null;
  // A sentence ends with what could go on a version.
  const [version, build] = [found.version, found.build].map((part) => part?.replace(/[.-]+$/, ""));
  return build ? `${version}+${build}` : version!;
}

/** No expression of a definition's own is run: one that came with it could run for ever. */
const matcherOf = (pattern: string): RegExp =>
  new RegExp(
    pattern
      .trim()
      .split(/(\{version\}|\{build\}|\s+)/)
      .map((part) => parts.get(part) ?? (/^\s+$/.test(part) ? String.raw`[\s\0]{1,99}` : asPattern(part)))
      .join(""),
    "u",
  );
