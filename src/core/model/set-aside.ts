import { z } from "zod";

/** A finding that somebody has looked at and lives with. */
export const SetAside = z.strictObject({
  /** As core/check/identity.ts tells it. */
  finding: z.string().regex(/^[0-9a-f]{16}$/),
  reason: z.string().max(500),
  /** What it said then, as core/check/identity.ts sums it up: once it says something else it is told again. Null: for good. */
  facts: z
    .string()
    .regex(/^[0-9a-f]{16}$/)
    .nullable(),
  /** When, in ISO 8601. */
  at: z.string().max(40),
});
export type SetAside = z.infer<typeof SetAside>;
