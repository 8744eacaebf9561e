import { createHash } from "node:crypto";
import { pipeline } from "node:stream/promises";
import { crc32 } from "node:zlib";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { ProblemError, type ModFile } from "./mod-file";
import { streamPlain } from "./open-plain";
import type { ProblemCode } from "@/core/model/refusal";

export interface Digest {
  readonly sha256: string;
  /** The bytes, where they were asked for. */
  readonly bytes: Uint8Array | null;
}

/** Reads a file of a mod once: hashes it, holds it against the archive's word, keeps its bytes if `keep`. */
export async function digestFile(file: ModFile, keep: boolean): Promise<Outcome<Digest, ProblemCode>> {
  const hash = createHash("sha256");
  const kept: Buffer[] = [];
  let size = 0;
  let check = 0;
  try {
    for await (const part of (await file.open()) as AsyncIterable<Buffer>) {
      hash.update(part);
      size += part.length;
      if (file.crc32 !== null) check = crc32(part, check);
      if (keep) kept.push(part);
    }
  } catch (error) {
    if (error instanceof ProblemError) return { ok: false, refusal: error.problem };
    if (file.crc32 !== null) return refuse("zip-corrupt", { entry: file.path });
    return refuse("cannot-read", { detail: `${file.path}: ${(error as Error).message}` });
  }
  if (size !== file.size) return refuse("zip-lies", { entry: file.path });
  if (file.crc32 !== null && check !== file.crc32) return refuse("zip-corrupt", { entry: file.path });
  return done({ sha256: hash.digest("hex"), bytes: keep ? Buffer.concat(kept) : null });
}

export async function sha256OfFile(path: string): Promise<string> {
  const hash = createHash("sha256");
  await pipeline(await streamPlain(path), hash);
  return hash.digest("hex");
}
