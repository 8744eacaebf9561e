import { sha256Hex } from "./fingerprint";

/**
 * The content hash of a mod: SHA-256 over one line `<sha256 hex> <path>\n` a file, sorted by the bytes of the
 * line's path; the paths are expected as the game compares them (NFC, folded).
 */
export function contentHash(files: readonly { readonly path: string; readonly sha256: string }[]): string {
  const encoder = new TextEncoder();
  const lines = files
    .map((file) => ({ key: encoder.encode(file.path), line: `${file.sha256} ${file.path}\n` }))
    .sort((a, b) => compareBytes(a.key, b.key));
  return sha256Hex(lines.map(({ line }) => line).join(""));
}

function compareBytes(a: Uint8Array, b: Uint8Array): number {
  const shared = Math.min(a.length, b.length);
  for (let at = 0; at < shared; at++) if (a[at] !== b[at]) return a[at]! - b[at]!;
  return a.length - b.length;
}
