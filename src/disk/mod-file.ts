import type { Readable } from "node:stream";
import type { FileProblem } from "@/core/model/refusal";

/** One file of a mod, wherever it lies. `path` is as stored, unchecked; `crc32` is what an archive promises of it. */
export interface ModFile {
  readonly path: string;
  readonly size: number;
  readonly crc32: number | null;
  readonly open: () => Promise<Readable>;
  /** Its contents at once, in this thread; null of one that is too large for that. It throws where `open` would fail, or its stream. */
  readonly bytes: (() => Buffer) | null;
}

export interface ModFiles {
  readonly files: readonly ModFile[];
  /** SHA-256 of the archive; null of a folder. */
  readonly sha256: () => Promise<string | null>;
  readonly close: () => Promise<void>;
}

/** Thrown where a file of a mod cannot be opened for a reason that has words of its own. */
export class ProblemError extends Error {
  constructor(readonly problem: FileProblem) {
    super(problem.code);
  }
}
