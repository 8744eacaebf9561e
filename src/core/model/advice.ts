import { z } from "zod";
import { Marks } from "./additive-list";
import { SectionId } from "./ids";

const name = z.string().min(1).max(300);
const text = z.string().max(1000);

/** What advice is about: a mod, a part of one by its key, or a plugin by the name of its file; with `sha256` only that very file. */
export const AdviceOn = z.union([
  z.strictObject({ mod: name, part: name.optional() }),
  z.strictObject({
    plugin: name,
    sha256: z
      .string()
      .regex(/^[0-9a-f]{64}$/)
      .optional(),
  }),
]);
export type AdviceOn = z.infer<typeof AdviceOn>;

/** What everything that is told may say besides: why, where it was read, and when, as somebody writes a date. */
const told = { text: text.optional(), source: text.optional(), date: z.string().max(40).optional() };

/** Something that people know of a mod, a part or a plugin and that its files do not say. */
export const Advice = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("needs"), on: AdviceOn, other: AdviceOn, ...told }),
  z.strictObject({ kind: z.literal("clashes"), on: AdviceOn, other: AdviceOn, ...told }),
  /** The section that it belongs to, by its id. */
  z.strictObject({ kind: z.literal("place"), on: AdviceOn, section: SectionId, ...told }),
  z.strictObject({ kind: z.literal("known-bad"), on: AdviceOn, ...told }),
  /** `other` replaces it. */
  z.strictObject({ kind: z.literal("outdated"), on: AdviceOn, other: AdviceOn.optional(), ...told }),
  /** `count` records that were left over from its making and change nothing that it means to. */
  z.strictObject({ kind: z.literal("leftover"), on: AdviceOn, count: z.number().int().positive(), ...told }),
  /** `other` goes well with it; without one it goes well with everything. */
  z.strictObject({ kind: z.literal("recommended"), on: AdviceOn, other: AdviceOn.optional(), ...told }),
  z.strictObject({ kind: z.literal("note"), on: AdviceOn, ...told, text: text.min(1) }),
  /** What of its lists of the game counts in a blend. */
  z.strictObject({
    kind: z.literal("marks"),
    on: AdviceOn,
    marks: Marks,
    ...told,
  }),
]);
export type Advice = z.infer<typeof Advice>;
export type AdviceKind = Advice["kind"];

/** What tells it from other advice: of one kind, nobody says two things of the same. */
export const adviceKey = (advice: Advice): string =>
  JSON.stringify([
    advice.kind,
    adviceOnKey(advice.on),
    "other" in advice && advice.other ? adviceOnKey(advice.other) : "",
  ]);

const adviceOnKey = (on: AdviceOn): string =>
  "mod" in on
    ? `mod ${on.mod}${on.part === undefined ? "" : `:${on.part}`}`
    : `plugin ${on.plugin}${on.sha256 === undefined ? "" : ` ${on.sha256}`}`;
