import { z } from "zod";
import { say } from "../language/say";
import { Advice } from "./advice";
import { digestNames, type DigestName } from "./claim";
import { Section } from "./game";
import { SectionId } from "./ids";
import { LaunchValues } from "./launch";
import { Note, Rule, SheetNumber } from "./profile";
import { Reminder } from "./reminder";
import { ProfileBook } from "./rulebook";
import { BlendChoice } from "./additive-list";
import { SettingChoice } from "./settings";
import { SetAside } from "./set-aside";
import { StartNote } from "./start-note";

const sha256 = z.string().regex(/^[0-9a-f]{64}$/);

/** No control characters: a name is one line. Nor what no text can be written with. */
const name = z
  .string()
  .min(1)
  .max(500)
  .regex(/^[^\p{Cc}\p{Cs}\uFFFE\uFFFF]*$/u, { error: () => say("model.oneLine") });

/** What can be the name of a file on every system, and never a path. */
const fileName = z
  .string()
  .min(1)
  .max(255)
  .regex(/^[^\p{Cc}\p{Cs}\uFFFE\uFFFF/\\<>"|?*:]+$/u, { error: () => say("model.noFileName") })
  .refine((text) => text !== "." && text !== "..", { error: () => say("model.noFileName") });

/**
 * What a mod is to a list: a part that one may leave out; a helper that is no part of the setup itself; something that is
 * needed once and may go afterwards.
 */
export const LineupRole = z.enum(["optional", "helper", "once"]);
export type LineupRole = z.infer<typeof LineupRole>;

/** A mod that is to be paid for, or that its author lets nobody pass on: it is pointed to, never copied. */
export const LineupTerms = z.strictObject({
  kind: z.enum(["paid", "not-passed-on"]),
  /** Where to get it and what it costs, in the curator's words. */
  where: z.string().max(500),
});
export type LineupTerms = z.infer<typeof LineupTerms>;

export const LineupMod = z.strictObject({
  id: fileName.brand<"ModId">(),
  name,
  version: z.string().max(100),
  source: z.string().max(500),
  size: z.number().int().min(0),
  content: sha256,
  archive: sha256.nullable(),
  on: z.boolean(),
  section: SectionId.nullable(),
  home: SectionId.optional(),
  options: z.record(z.string(), z.array(z.string())),
  components: z.array(z.string()),
  /** What its author calls the questions and parts that are named here, by their ids, of a part of a question `question/part`. */
  labels: z.record(z.string(), z.string()).optional(),
  hidden: z.array(z.string()),
  note: z.string(),
  role: LineupRole.optional(),
  terms: LineupTerms.optional(),
  /** Ids of the mods that it requires. */
  requires: z.array(z.string()).optional(),
});
export type LineupMod = z.infer<typeof LineupMod>;

export const LineupPlugin = z.strictObject({
  name: fileName.brand<"PluginId">(),
  sha256: sha256.nullable(),
  on: z.boolean(),
  section: SectionId.nullable(),
  home: SectionId.optional(),
  mod: fileName.brand<"ModId">().nullable(),
  masters: z.array(z.string()).optional(),
});
export type LineupPlugin = z.infer<typeof LineupPlugin>;

/** An author, empty where none is named, and the names of their mods. */
export const Credit = z.strictObject({ author: z.string().max(200), mods: z.array(name) });
export type Credit = z.infer<typeof Credit>;

/** A picture as data, small enough to go along. */
export const LineupPicture = z.strictObject({
  caption: z.string().max(300),
  data: z
    .string()
    .max(700_000)
    .regex(/^data:image\/(?:png|jpeg|webp);base64,[A-Za-z0-9+/]+={0,2}$/, {
      error: () => say("model.noPicture"),
    }),
});
export type LineupPicture = z.infer<typeof LineupPicture>;

/** A version of the list and what it changed. */
const LineupChange = z.strictObject({
  version: z.string().max(100),
  date: z.string().max(40),
  text: z.string().max(20_000),
});
type LineupChange = z.infer<typeof LineupChange>;

/** What a curator says of a list, beside what it holds. */
const lineupFacts = {
  title: name.max(200),
  author: z.string().max(200),
  /** What to expect of it. */
  note: z.string().max(20_000),
  listVersion: z.string().max(100),
  date: z.string().max(40),
  /** What the keys of the game do with it. */
  keys: z
    .array(z.strictObject({ key: z.string().max(60), does: z.string().max(300) }))
    .max(200)
    .optional(),
  /** Markdown. */
  readMe: z.string().max(200_000).optional(),
  pictures: z.array(LineupPicture).max(8).optional(),
  /** The newest first. */
  changelog: z.array(LineupChange).max(500).optional(),
};

/** What a curator has said of the list that a profile goes out as; kept between its versions. */
export const LineupSheet = z.strictObject({
  author: lineupFacts.author,
  note: lineupFacts.note,
  listVersion: lineupFacts.listVersion,
  keys: lineupFacts.keys,
  readMe: lineupFacts.readMe,
  pictures: lineupFacts.pictures,
  roles: z.record(z.string(), LineupRole),
  terms: z.record(z.string(), LineupTerms),
});
export type LineupSheet = z.infer<typeof LineupSheet>;

export const blankSheet: LineupSheet = { author: "", note: "", listVersion: "1.0", roles: {}, terms: {} };

/** `seating-lineup/2`: everything from which another person rebuilds the same setup. Version 1 is read; it had no digests. */
export const Lineup = z.strictObject({
  format: z.enum(["seating-lineup/2", "seating-lineup/1"]),
  game: z.strictObject({ id: name, version: z.string() }),
  /** By which its versions are known for the same list, whatever it is called. */
  list: z.string().max(100).optional(),
  ...lineupFacts,
  sections: z.array(Section),
  mods: z.array(LineupMod),
  plugins: z.array(LineupPlugin),
  rules: z.array(Rule),
  /** All notes with who wrote them and when; what each mod says of its own is for those who read the list. */
  notes: z.array(Note).optional(),
  numbers: z.array(SheetNumber).optional(),
  /** What its curator knows of mods, parts and plugins. */
  advice: z.array(Advice).optional(),
  /** What its curator has found and lives with, with reasons. */
  setAside: z.array(SetAside).optional(),
  reminders: z.array(Reminder).optional(),
  /** What whoever starts the game with it has to know. */
  startNotes: z.array(StartNote).optional(),
  /** What its curator has decided of the blend. */
  blend: z.array(BlendChoice).optional(),
  books: z.array(ProfileBook).optional(),
  broaderFirst: z.boolean().optional(),
  launch: LaunchValues,
  /** What is to stand in the game's files of settings. */
  settings: z.array(SettingChoice).optional(),
  expansions: z.array(z.string()),
  baseOff: z.array(z.string()),
  followUps: z.array(z.string()),
  /** Thanks to those who made the mods. */
  credits: z.array(Credit).optional(),
  /** What was found and not mended when it went out, in words. */
  open: z.array(z.string().max(2000)).max(2000).optional(),
  /** As its author's Seating worked it out; absent where nobody's did, as of what was made of a list of names. */
  fingerprint: sha256.optional(),
  /** Of each part by itself, so that it can be told where a list was changed. */
  digests: z
    .strictObject(
      Object.fromEntries(digestNames.map((name) => [name, sha256])) as Record<DigestName, typeof sha256>,
    )
    .optional(),
});
export type Lineup = z.infer<typeof Lineup>;
