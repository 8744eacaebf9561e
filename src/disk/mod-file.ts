import type { Readable } from "node:stream";

/** One file of a mod, wherever it lies. `path` is as stored, unchecked; `crc32` is what an archive promises of it. */
export interface ModFile {
  readonly path: string;
  readonly size: number;
  readonly crc32: number | null;
  readonly open: () => Promise<Readable>;
}

export interface ModFiles {
  readonly files: readonly ModFile[];
  readonly close: () => void;
}
