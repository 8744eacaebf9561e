import { z } from "zod";
import { Section } from "./game";
import { LaunchValues, Rule } from "./profile";

const sha256 = z.string().regex(/^[0-9a-f]{64}$/);

/** No control characters: a name is one line. */
const name = z
  .string()
  .min(1)
  .max(500)
  .regex(/^\P{Cc}*$/u, "a name must be one line, without control characters");

/** What can be the name of a file on every system, and never a path. */
const fileName = z
  .string()
  .min(1)
  .max(255)
  .regex(/^[^\p{Cc}/\\<>"|?*:]+$/u, "this cannot be the name of a file")
  .refine((text) => text !== "." && text !== "..", "this cannot be the name of a file");

export const LineupMod = z.strictObject({
  id: fileName,
  name,
  version: z.string().max(100),
  source: z.string().max(500),
  size: z.number().int().min(0),
  content: sha256,
  archive: sha256.nullable(),
  on: z.boolean(),
  section: z.string().nullable(),
  home: z.string().optional(),
  options: z.record(z.string(), z.array(z.string())),
  components: z.array(z.string()),
  hidden: z.array(z.string()),
  note: z.string(),
});
export type LineupMod = z.infer<typeof LineupMod>;

export const LineupPlugin = z.strictObject({
  name: fileName,
  sha256: sha256.nullable(),
  on: z.boolean(),
  section: z.string().nullable(),
  home: z.string().optional(),
  mod: fileName.nullable(),
});
export type LineupPlugin = z.infer<typeof LineupPlugin>;

/** An author, empty where none is named, and the names of their mods. */
export const Credit = z.strictObject({ author: z.string().max(200), mods: z.array(name) });
export type Credit = z.infer<typeof Credit>;

/** `seating-lineup/1`: everything from which another person rebuilds the same setup. */
export const Lineup = z.strictObject({
  format: z.literal("seating-lineup/1"),
  game: z.strictObject({ id: name, version: z.string() }),
  title: name.max(200),
  author: z.string().max(200),
  note: z.string().max(20_000),
  listVersion: z.string().max(100),
  date: z.string().max(40),
  sections: z.array(Section),
  mods: z.array(LineupMod),
  plugins: z.array(LineupPlugin),
  rules: z.array(Rule),
  launch: LaunchValues,
  expansions: z.array(z.string()),
  baseOff: z.array(z.string()),
  followUps: z.array(z.string()),
  /** Thanks to those who made the mods. */
  credits: z.array(Credit).optional(),
  fingerprint: sha256,
});
export type Lineup = z.infer<typeof Lineup>;
