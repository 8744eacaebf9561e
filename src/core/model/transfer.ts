import { z } from "zod";
import type { Refusal } from "./refusal";
import { Problem } from "./shelf";

/** `by-hand`: the depot has a page of it and no transfer. */
export const TransferState = z.enum(["waiting", "under-way", "got", "failed", "by-hand"]);
export type TransferState = z.infer<typeof TransferState>;

/** An archive that is got from the depot. */
export const Transfer = z.strictObject({
  /** Its name in the depot. */
  file: z.string(),
  modId: z.string(),
  name: z.string(),
  version: z.string(),
  size: z.number().int().min(0),
  sha256: z.string(),
  state: TransferState,
  /** Bytes that have come so far. */
  received: z.number().int().min(0),
  tries: z.number().int().min(0),
  /** Why it failed, or was not taken in. */
  problem: (Problem as unknown as z.ZodType<Refusal>).nullable(),
});
export type Transfer = z.infer<typeof Transfer>;
