import { z } from "zod";
import { ModId } from "./ids";

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

const name = z.string().min(1).max(300);

/** What a book said of a plugin when the blend was built: it goes along for whoever has not that book. */
const BookMark = z.strictObject({ plugin: name, marks: Marks, book: z.string().max(80), title: name });
export type BookMark = z.infer<typeof BookMark>;

/** What a curator has decided of the blend of a profile. */
export const BlendChoice = z.discriminatedUnion("kind", [
  /** There is one, in a mod of its own: its id, made once, and what it is called. `marks`: those that counted by the word of books. */
  z.strictObject({ kind: z.literal("recipe"), mod: ModId, name, marks: z.array(BookMark).min(1).optional() }),
  /** Whose act holds where plugins want different things of a name. */
  z.strictObject({ kind: z.literal("winner"), record: z.string(), name: z.string(), plugin: name }),
  /** The list is blended though the plugin that has it last must not be blended over. */
  z.strictObject({ kind: z.literal("over"), record: z.string() }),
  /** The list is left as it is. */
  z.strictObject({ kind: z.literal("leave"), record: z.string() }),
]);
export type BlendChoice = z.infer<typeof BlendChoice>;

/** Nobody decides the same twice. */
export function blendChoiceKey(choice: BlendChoice): string {
  switch (choice.kind) {
    case "recipe":
      return "recipe";
    case "winner":
      return `winner ${JSON.stringify([choice.record, choice.name])}`;
    case "over":
    case "leave":
      return `${choice.kind} ${choice.record}`;
  }
}
