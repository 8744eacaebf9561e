import { z } from "zod";

const Occasion = z.discriminatedUnion("kind", [
  /** A mod of this id lies on the shelf. */
  z.strictObject({ kind: z.literal("arrives"), mod: z.string().min(1).max(500) }),
  /** The game is another version than this one. */
  z.strictObject({ kind: z.literal("updated"), version: z.string().max(100) }),
  /** This day has come, in ISO 8601. */
  z.strictObject({ kind: z.literal("day"), date: z.iso.date() }),
]);
export type Occasion = z.infer<typeof Occasion>;

/** What a curator wants to be told once something has happened. */
export const Reminder = z.strictObject({
  id: z.string().min(1).max(100),
  text: z.string().trim().min(1).max(500),
  when: Occasion,
});
export type Reminder = z.infer<typeof Reminder>;
