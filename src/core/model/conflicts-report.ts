import { z } from "zod";

const contested = { decided: z.boolean() };

/** `seating-conflicts/1`: who provides what in a list, first to last, for other programs. */
export const ConflictsReport = z.strictObject({
  format: z.literal("seating-conflicts/1"),
  game: z.string(),
  /** By path, as the game folds it, in the order of UTF-16 units. `""` among the providers is the game itself. */
  paths: z.array(
    z.strictObject({
      path: z.string(),
      /** Id of a mod. */
      winner: z.string(),
      providers: z.array(z.string()),
      /** All of them have the same contents. */
      equal: z.boolean(),
      ...contested,
    }),
  ),
  /** By the name of the record, as it is written. */
  records: z.array(
    z.strictObject({
      record: z.string(),
      /** File name of a plugin. */
      winner: z.string(),
      providers: z.array(z.string()),
      ...contested,
    }),
  ),
  /** All that are on, in order; `files` = `wins` + `loses` + `alone`. */
  mods: z.array(
    z.strictObject({
      id: z.string(),
      files: z.number().int().min(0),
      wins: z.number().int().min(0),
      loses: z.number().int().min(0),
      alone: z.number().int().min(0),
      covered: z.boolean(),
    }),
  ),
});
export type ConflictsReport = z.infer<typeof ConflictsReport>;

const to = { from: z.string().nullable(), to: z.string().nullable() };

/** `seating-winners/1`: what another list lets somebody else win; null where nobody provides it. */
export const WinnersReport = z.strictObject({
  format: z.literal("seating-winners/1"),
  paths: z.array(z.strictObject({ path: z.string(), ...to })),
  records: z.array(z.strictObject({ record: z.string(), ...to })),
});
export type WinnersReport = z.infer<typeof WinnersReport>;
