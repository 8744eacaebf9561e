import { refuse, type Refused } from "@/core/model/outcome";
import type { ProblemCode } from "@/core/model/refusal";

/** Checked before anything is unpacked; see docs/FORMATS.md. */
const limits = { entries: 200_000, bytes: 64 * 2 ** 30, ratio: 200, ratioFrom: 64 * 2 ** 20 };

export const tooMany = (count: number): Refused<ProblemCode> | null =>
  count > limits.entries ? refuse("zip-too-many", { count, limit: limits.entries }) : null;

/** `size` and `packed` are bytes, of all files unpacked and of the archive. */
export function tooLarge(size: number, packed: number): Refused<ProblemCode> | null {
  if (size > limits.bytes) return refuse("zip-too-large", { size, limit: limits.bytes });
  const ratio = Math.floor(size / Math.max(1, packed));
  return size > limits.ratioFrom && ratio > limits.ratio ? refuse("zip-bomb", { ratio }) : null;
}
