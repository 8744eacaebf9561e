import { z } from "zod";
import { levels } from "./finding";
import { verdicts } from "./claim";
import { Subject } from "./subject";

export const ReportedFinding = z.strictObject({
  /** The first 16 hex digits of the SHA-256 over the RFC 8785 form of `[check, subjects]`, which are sorted by kind and id. */
  id: z.string().regex(/^[0-9a-f]{16}$/),
  /** Which check saw it; the same in every language. */
  check: z.string(),
  level: z.enum(levels),
  subjects: z.array(Subject),
  message: z.string(),
  /** Where the list that was checked names the first of the subjects that it names, from 1. */
  line: z.int().min(1).nullable(),
});
export type ReportedFinding = z.infer<typeof ReportedFinding>;

/** What the checks saw of a list, or of a profile, for other programs; the sentences are in the language of who asked. */
export const FindingsReport = z.strictObject({
  format: z.literal("seating-findings/1"),
  game: z.string(),
  /** Of a profile what it is called, and its fingerprint. */
  profile: z.string().optional(),
  fingerprint: z.string().optional(),
  /** Of a list what became of it on the shelf. */
  verdict: z.enum(verdicts).optional(),
  differences: z
    .array(z.strictObject({ code: z.string(), data: z.strictObject({ key: z.string() }) }))
    .optional(),
  lacks: z.array(z.strictObject({ what: z.string(), item: z.string() })).optional(),
  altered: z.array(z.string()).optional(),
  /** The gravest first. */
  findings: z.array(ReportedFinding),
});
export type FindingsReport = z.infer<typeof FindingsReport>;
