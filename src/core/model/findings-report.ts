import { z } from "zod";
import { levels } from "./finding";

/** What the checks saw of a profile, for other programs; the sentences are in the language of who asked. */
export const FindingsReport = z.strictObject({
  format: z.literal("seating-findings/1"),
  game: z.string(),
  profile: z.string(),
  /** Of the setup that was checked. */
  fingerprint: z.string(),
  /** The gravest first. */
  findings: z.array(
    z.strictObject({
      level: z.enum(levels),
      /** Which check saw it; the same in every language. */
      check: z.string(),
      title: z.string(),
      text: z.string(),
      /** The items that it is about. */
      subjects: z.array(z.strictObject({ list: z.enum(["mods", "plugins"]), id: z.string() })),
    }),
  ),
});

export type FindingsReport = z.infer<typeof FindingsReport>;
