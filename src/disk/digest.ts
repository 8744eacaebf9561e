import { createHash, hash } from "node:crypto";
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
  try {
    const { size, check, ...digest } = file.bytes
      ? digestBytes(file.bytes(), keep)
      : await digestStream((await file.open()) as AsyncIterable<Buffer>, keep);
    if (size !== file.size) return refuse("zip-lies", { entry: file.path });
    if (file.crc32 !== null && check !== file.crc32) return refuse("zip-corrupt", { entry: file.path });
    return done(digest);
  } catch (error) {
    if (error instanceof ProblemError) return { ok: false, refusal: error.problem };
    if (file.crc32 !== null) return refuse("zip-corrupt", { entry: file.path });
    return refuse("cannot-read", { detail: `${file.path}: ${(error as Error).message}` });
  }
}

/** `check` is the CRC-32. */
type Summed = Digest & { readonly size: number; readonly check: number };

const digestBytes = (bytes: Buffer, keep: boolean): Summed => ({
  sha256: sha256Of(bytes),
  bytes: keep ? bytes : null,
  size: bytes.length,
  check: crc32(bytes),
});

async function digestStream(parts: AsyncIterable<Buffer>, keep: boolean): Promise<Summed> {
  const sum = createHash("sha256");
  const kept: Buffer[] = [];
  let size = 0;
  let check = 0;
  for await (const part of parts) {
    sum.update(part);
    size += part.length;
    check = crc32(part, check);
    if (keep) kept.push(part);
  }
  return { sha256: sum.digest("hex"), bytes: keep ? Buffer.concat(kept) : null, size, check };
}

/** The first 16 bytes of a SHA-256, which are enough to tell files apart. */
export const shortHash = (sha256: string): string => sha256.slice(0, 32);

/** Of bytes, or of a text as UTF-8. */
export const sha256Of = (bytes: Uint8Array | string): string => hash("sha256", bytes, "hex");

export async function sha256OfFile(path: string): Promise<string> {
  const hash = createHash("sha256");
  await pipeline(await streamPlain(path), hash);
  return hash.digest("hex");
}
