import { z } from "zod";
import { Section } from "./game";
import { OrderRule } from "./problem";

const name = z.string().min(1).max(300);
const text = z.string().max(1000);
const sha256 = z.string().regex(/^[0-9a-f]{64}$/);

/** What is known of a plugin; with `sha256` only of the file that has it. */
const about = { plugin: name, sha256: sha256.optional(), text: text.optional() };

export const Advice = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("known-bad"), ...about }),
  z.strictObject({ kind: z.literal("outdated"), ...about, replacement: name }),
  /** `count` records that were left over from its making and change nothing that it means to. */
  z.strictObject({ kind: z.literal("leftover"), ...about, count: z.number().int().positive() }),
  z.strictObject({ kind: z.literal("blend"), ...about }),
  /** It needs another plugin without having it for a master. */
  z.strictObject({ kind: z.literal("requires"), ...about, other: name }),
  z.strictObject({ kind: z.literal("note"), ...about }),
]);
export type Advice = z.infer<typeof Advice>;

export const BookRule = z.strictObject({ id: z.string().min(1).max(100), rule: OrderRule, note: text });
export type BookRule = z.infer<typeof BookRule>;

/** `seating-rulebook/1`: what somebody who knows a game's mods hands on about their order. */
export const Rulebook = z.strictObject({
  format: z.literal("seating-rulebook/1"),
  id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,79}$/),
  game: z.string().max(80),
  name: z.string().min(1).max(120),
  version: z.string().min(1).max(40),
  author: z.string().max(120).optional(),
  /** The newest first. */
  changelog: z.array(z.strictObject({ version: z.string().max(40), text })),
  sections: z.array(Section),
  rules: z.array(BookRule).max(20_000),
  advice: z.array(Advice).max(20_000),
});
export type Rulebook = z.infer<typeof Rulebook>;

/** A rulebook that a profile goes by, and which of its rules it does without. */
export const ProfileBook = z.strictObject({
  id: z.string(),
  version: z.string(),
  off: z.array(z.string()),
});
export type ProfileBook = z.infer<typeof ProfileBook>;
