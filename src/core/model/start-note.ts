import { z } from "zod";

/**
 * What whoever starts the game has to know. `condition`: to be done before it, in order; `normal`: what one may take for an error;
 * `look`: what to look at in the game, to see that all works.
 */
export const startNoteKinds = ["condition", "normal", "look"] as const;
const StartNoteKind = z.enum(startNoteKinds);
export type StartNoteKind = z.infer<typeof StartNoteKind>;

export const StartNote = z.strictObject({
  id: z.string().min(1).max(100),
  kind: StartNoteKind,
  text: z.string().trim().min(1).max(500),
  /** How it is done, or how one gets there. */
  how: z.string().trim().min(1).max(500).optional(),
  /** Of a condition: once it is ticked it stays so, where others are forgotten after each start. */
  keeps: z.literal(true).optional(),
});
export type StartNote = z.infer<typeof StartNote>;

/** What a mod says of its own. Unknown fields are kept. */
export const ModStartNote = z.looseObject(StartNote.shape);
