import { say } from "@/core/language/say";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { ProblemCode } from "@/core/model/refusal";

/**
 * The published chunk container RIFF: a four-letter name, the size of the contents as a little-endian 32-bit
 * number, the contents, and a pad byte where the size is odd. "RIFF" and "LIST" chunks begin with another name
 * and hold chunks. (Multimedia Programming Interface and Data Specifications 1.0, IBM and Microsoft, 1991.)
 */
export interface Chunk {
  readonly name: string;
  readonly data: Uint8Array;
}

const nameAt = (bytes: Uint8Array, at: number): string => String.fromCharCode(...bytes.subarray(at, at + 4));

const sizeAt = (bytes: Uint8Array, at: number): number =>
  new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength).getUint32(at, true);

/** The chunks of the body of a RIFF file of the given form type; nothing may be cut short or follow after its end. */
export function readRiff(bytes: Uint8Array, formType: string): Outcome<Chunk[], ProblemCode> {
  if (bytes.length < 12 || nameAt(bytes, 0) !== "RIFF") return refuse("riff-not");
  const size = sizeAt(bytes, 4);
  const left = bytes.length - 8;
  if (size > left || size < 4) return refuse("riff-truncated", { chunk: "RIFF", size, left });
  if (left - size > (size & 1)) return refuse("riff-trailing", { count: left - size });
  const form = nameAt(bytes, 8);
  if (form !== formType) return refuse("riff-form", { form: printable(form), wanted: formType });
  return readChunks(bytes.subarray(12, 8 + size));
}

/** The chunks that follow one another in `bytes`. The pad byte of the very last one may be missing. */
function readChunks(bytes: Uint8Array): Outcome<Chunk[], ProblemCode> {
  const chunks: Chunk[] = [];
  for (let at = 0; at < bytes.length;) {
    if (bytes.length - at < 8)
      return refuse("riff-truncated", {
        chunk: say("formats.aChunksHeader"),
        size: 8,
        left: bytes.length - at,
      });
    const name = nameAt(bytes, at);
    const size = sizeAt(bytes, at + 4);
    const left = bytes.length - at - 8;
    if (size > left) return refuse("riff-truncated", { chunk: printable(name), size, left });
    chunks.push({ name, data: bytes.subarray(at + 8, at + 8 + size) });
    at += 8 + size + (size & 1);
  }
  return done(chunks);
}

/** The type and the chunks of a LIST chunk's contents. */
export function readList(data: Uint8Array): Outcome<{ type: string; chunks: Chunk[] }, ProblemCode> {
  if (data.length < 4) return refuse("riff-truncated", { chunk: "LIST", size: 4, left: data.length });
  const chunks = readChunks(data.subarray(4));
  return chunks.ok ? done({ type: nameAt(data, 0), chunks: chunks.value }) : chunks;
}

const printable = (name: string): string => name.replace(/[^\x20-\x7e]/g, "?");

export function writeChunk(name: string, data: Uint8Array): Uint8Array {
  const bytes = new Uint8Array(8 + data.length + (data.length & 1));
  for (let at = 0; at < 4; at++) bytes[at] = name.charCodeAt(at);
  new DataView(bytes.buffer).setUint32(4, data.length, true);
  bytes.set(data, 8);
  return bytes;
}

/** A RIFF or LIST chunk: `name` is which of the two, `type` its form or list type. */
export function writeContainer(
  name: "RIFF" | "LIST",
  type: string,
  chunks: readonly Uint8Array[],
): Uint8Array {
  return writeChunk(name, concatBytes([new TextEncoder().encode(type), ...chunks]));
}

export function concatBytes(parts: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}
