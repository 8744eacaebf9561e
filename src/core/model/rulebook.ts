import { z } from "zod";
import { Advice } from "./advice";
import { Section } from "./game";
import { OrderRule } from "./problem";

const name = z.string().min(1).max(300);
const text = z.string().max(1000);
const sha256 = z.string().regex(/^[0-9a-f]{64}$/);

export const BookRule = z.strictObject({
  id: z.string().min(1).max(100),
  rule: OrderRule,
  note: text,
  /** Of which order it speaks: the plugins' where this is left out. */
  list: z.literal("mods").optional(),
});
export type BookRule = z.infer<typeof BookRule>;

const facts = {
  id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,79}$/),
  game: z.string().max(80),
  name: z.string().min(1).max(120),
  version: z.string().min(1).max(40),
  author: z.string().max(120).optional(),
  /** The newest first. */
  changelog: z.array(z.strictObject({ version: z.string().max(40), text })),
  /** Of the plugins; of the mods those of the rank `mods`. */
  sections: z.array(Section),
};

/** `seating-rulebook/2`: what somebody who knows a game's mods hands on about them and their order. */
export const Rulebook = z.strictObject({
  format: z.literal("seating-rulebook/2"),
  ...facts,
  rules: z.array(BookRule).max(20_000),
  advice: z.array(Advice).max(20_000),
});
export type Rulebook = z.infer<typeof Rulebook>;

/** What the first version knew of a plugin. */
const about = { plugin: name, sha256: sha256.optional(), text: text.optional() };
const FirstAdvice = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("known-bad"), ...about }),
  z.strictObject({ kind: z.literal("outdated"), ...about, replacement: name }),
  z.strictObject({ kind: z.literal("leftover"), ...about, count: z.number().int().positive() }),
  z.strictObject({ kind: z.literal("blend"), ...about }),
  z.strictObject({ kind: z.literal("requires"), ...about, other: name }),
  z.strictObject({ kind: z.literal("note"), ...about }),
]);

/** `seating-rulebook/1`, which is read: it spoke of plugins alone. */
export const FirstRulebook = z.strictObject({
  format: z.literal("seating-rulebook/1"),
  ...facts,
  rules: z.array(BookRule.omit({ list: true })).max(20_000),
  advice: z.array(FirstAdvice).max(20_000),
});
export type FirstRulebook = z.infer<typeof FirstRulebook>;

/** A book of whichever version in the present form. `blend`: what is noted where one said only that a plugin wants to be blended. */
export const presentRulebook = (book: Rulebook | FirstRulebook, blend: string): Rulebook =>
  book.format === "seating-rulebook/2"
    ? book
    : {
        ...book,
        format: "seating-rulebook/2",
        advice: book.advice.map((each) => presentAdvice(each, blend)),
      };

function presentAdvice(advice: z.infer<typeof FirstAdvice>, blend: string): Advice {
  const { plugin, sha256: file, text: why } = advice;
  const on = { plugin, ...(file !== undefined && { sha256: file }) };
  const told = { on, ...(why !== undefined && { text: why }) };
  switch (advice.kind) {
    case "known-bad":
      return { kind: "known-bad", ...told };
    case "outdated":
      return { kind: "outdated", ...told, other: { plugin: advice.replacement } };
    case "leftover":
      return { kind: "leftover", ...told, count: advice.count };
    case "requires":
      return { kind: "needs", ...told, other: { plugin: advice.other } };
    case "blend":
    case "note":
      return { kind: "note", on, text: why || blend };
  }
}

/** A rulebook that a profile goes by, and which of its rules it does without. */
export const ProfileBook = z.strictObject({
  id: z.string(),
  version: z.string(),
  off: z.array(z.string()),
});
export type ProfileBook = z.infer<typeof ProfileBook>;
