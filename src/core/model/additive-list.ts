import { z } from "zod";

const number16 = z.number().int().min(0).max(0xffff);

/** Of a list of the game to which many plugins add: how deep something lies, and how often it is found among the others. */
export const ListEntry = z.strictObject({ name: z.string(), depth: number16, share: number16 });
export type ListEntry = z.infer<typeof ListEntry>;

/** A list as one plugin has it, by its record. A name may stand in it more than once. */
export const AdditiveList = z.strictObject({ record: z.string(), entries: z.array(ListEntry) });
export type AdditiveList = z.infer<typeof AdditiveList>;

export const blendActs = ["adds", "removes", "changes"] as const;
export type BlendAct = (typeof blendActs)[number];

/** Which of a plugin's acts count in a blend. `never`: none, and what it has last is left as it is. */
export const Marks = z.union([z.literal("never"), z.array(z.enum(blendActs)).max(3)]);
export type Marks = z.infer<typeof Marks>;
