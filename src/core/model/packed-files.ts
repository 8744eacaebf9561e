import type { ContentFile } from "./shelf";

/** Files as they are stored and sent: one a line, or 16 bytes in hexadecimal, in each text. */
export interface PackedFiles {
  readonly paths: string;
  /** Null where an earlier version kept none. */
  readonly sizes: string | null;
  readonly hashes: string | null;
  /** Null where all always come. */
  readonly parts: string | null;
  /** Null where all lie loose. */
  readonly containers: string | null;
}

/** Of a hash: 16 bytes in hexadecimal. */
export const hashDigits = 32;
/** Of a file that was not read. */
export const unknownHash = "0".repeat(hashDigits);

export function packFiles(files: readonly ContentFile[]): PackedFiles {
  const lines = (of: (file: ContentFile) => string | number) => files.map(of).join("\n");
  return {
    paths: lines(({ path }) => path),
    sizes: lines(({ size }) => size!),
    hashes: files.map(({ hash }) => hash ?? unknownHash).join(""),
    parts: files.some(({ part }) => part !== null) ? lines(({ part }) => part ?? "") : null,
    containers: files.some(({ container }) => container) ? lines(({ container }) => container ?? "") : null,
  };
}

/** The lines of a text; control signs, as the end of a line, are in no path. */
export const linesOf = (text: string): string[] => (text === "" ? [] : text.split("\n"));

export function unpackFiles({ paths, sizes, hashes, parts, containers }: PackedFiles): ContentFile[] {
  const [size, part, container] = [sizes, parts, containers].map((lines) => lines?.split("\n"));
  return linesOf(paths).map((path, at) => ({
    path,
    size: size ? Number(size[at]) : null,
    hash: hashOf(hashes?.slice(at * hashDigits, (at + 1) * hashDigits)),
    part: part?.[at] || null,
    ...(container?.[at] && { container: container[at] }),
  }));
}

const hashOf = (stored: string | undefined): string | null =>
  stored === undefined || stored === unknownHash ? null : stored;
