import { sha256Hex } from "./fingerprint";

/**
 * The content hash of a mod: SHA-256 over one line `<sha256 hex> <path>\n` a file, sorted by the bytes of the
 * line's path; the paths are expected as the game compares them (NFC, folded). `sha256` is that of a text as UTF-8, in hex.
 */
export function contentHash(
  files: readonly { readonly path: string; readonly sha256: string }[],
  sha256: (text: string) => string = sha256Hex,
): string {
  // Without surrogates the order of UTF-16 is that of the bytes.
  const compare = files.some(({ path }) => /[\ud800-\udfff]/.test(path)) ? compareBytes : compareUnits;
  const sorted = [...files].sort((a, b) => compare(a.path, b.path));
  return sha256(sorted.map(({ path, sha256 }) => `${sha256} ${path}\n`).join(""));
}

const compareUnits = (a: string, b: string): number => (a < b ? -1 : Number(a > b));

function compareBytes(a: string, b: string): number {
  const encoder = new TextEncoder();
  const [one, other] = [encoder.encode(a), encoder.encode(b)];
  const shared = Math.min(one.length, other.length);
  for (let at = 0; at < shared; at++) if (one[at] !== other[at]) return one[at]! - other[at]!;
  return one.length - other.length;
}
