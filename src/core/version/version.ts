import coerce from "semver/functions/coerce.js";
import satisfies from "semver/functions/satisfies.js";

/**
 * One total key for versions as people write them: dotted numbers, filled with zeros to three (a leading `v` is
 * ignored), then pre-release parts by the precedence of Semantic Versioning 2.0 (section 11), no pre-release after
 * any, then a letter (`1.0.0b` after `1.0.0`). Build metadata does not count. What is no version comes first.
 */
interface Version {
  readonly numbers: readonly string[];
  readonly preRelease: readonly string[];
  readonly letter: string;
}

const shape = /^v?(\d+(?:\.\d+)*)([a-z])?(?:-([0-9a-z.-]+))?(?:\+[0-9a-z.-]*)?$/i;

function parseVersion(text: string): Version | null {
  const match = shape.exec(text.trim());
  if (!match) return null;
  const numbers = match[1]!.split(".").map((number) => number.replace(/^0+(?=\d)/, ""));
  while (numbers.length < 3) numbers.push("0");
  return { numbers, preRelease: match[3]?.split(".") ?? [], letter: match[2]?.toLowerCase() ?? "" };
}

/** What a mod is known to have where nothing names a version of it. */
export const noVersion = "0";

/** A version as it is shown; of a mod without one nothing is. */
export const versionText = (version: string): string => (version === noVersion ? "" : version);

/** Negative where `a` is older, positive where it is newer, 0 where they are the same version. */
export function compareVersions(a: string, b: string): number {
  const [left, right] = [parseVersion(a), parseVersion(b)];
  if (!left || !right) return left ? 1 : right ? -1 : compareText(a, b);
  return (
    compareNumbers(left.numbers, right.numbers) ||
    comparePreRelease(left.preRelease, right.preRelease) ||
    compareText(left.letter, right.letter)
  );
}

const compareText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** Of numbers written without leading zeros, the longer one is the larger. */
const compareNumber = (a: string, b: string): number => a.length - b.length || compareText(a, b);

function compareNumbers(a: readonly string[], b: readonly string[]): number {
  for (let at = 0; at < Math.max(a.length, b.length); at++) {
    const difference = compareNumber(a[at] ?? "0", b[at] ?? "0");
    if (difference !== 0) return difference;
  }
  return 0;
}

function comparePreRelease(a: readonly string[], b: readonly string[]): number {
  if (a.length === 0 || b.length === 0) return b.length - a.length;
  for (let at = 0; at < Math.min(a.length, b.length); at++) {
    const difference = comparePart(a[at]!, b[at]!);
    if (difference !== 0) return difference;
  }
  return a.length - b.length;
}

function comparePart(a: string, b: string): number {
  const [isNumberA, isNumberB] = [/^\d+$/.test(a), /^\d+$/.test(b)];
  if (isNumberA && isNumberB) return compareNumber(a.replace(/^0+(?=\d)/, ""), b.replace(/^0+(?=\d)/, ""));
  if (isNumberA !== isNumberB) return isNumberA ? -1 : 1;
  return compareText(a, b);
}

/** Whether a version lies in a range as npm writes them; both are coerced, and pre-releases count. False for what is no version. */
export function isInRange(version: string, range: string): boolean {
  const coerced = coerce(version, { includePrerelease: true });
  return coerced !== null && satisfies(coerced, range, { includePrerelease: true, loose: true });
}
