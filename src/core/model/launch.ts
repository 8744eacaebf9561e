import { z } from "zod";

export const LaunchValue = z.union([z.string(), z.number(), z.boolean()]);
export type LaunchValue = z.infer<typeof LaunchValue>;

export const LaunchValues = z.record(z.string(), LaunchValue);
export type LaunchValues = z.infer<typeof LaunchValues>;

/** What profiles of a purpose are to be, as `make`: values of launch settings, and what of the game is off. */
export const PurposeLaw = z.strictObject({
  purpose: z.string().trim().min(1).max(60),
  launch: LaunchValues.optional(),
  /** Ids of base items, and of expansions. */
  baseOff: z.array(z.string()).optional(),
  expansionsOff: z.array(z.string()).optional(),
});
export type PurposeLaw = z.infer<typeof PurposeLaw>;
