import { z } from "zod";
import { Advice } from "./advice";
import { Section } from "./game";
import { LaunchValue, LaunchValues } from "./launch";
import { ModId, PluginId, ProfileId, RuleId, SectionId, ItemId } from "./ids";
import { OrderRule } from "./problem";
import { Reminder } from "./reminder";
import { ProfileBook } from "./rulebook";
import { BlendChoice } from "./additive-list";
import { SetAside } from "./set-aside";
import { SettingChoice } from "./settings";
import { StartNote } from "./start-note";

export const ListName = z.enum(["mods", "plugins"]);
export type ListName = z.infer<typeof ListName>;

/**
 * One item of an order. `section` is the one in which it stands; `home` the one it belongs to where a tie
 * made an accepted proposal seat it in a later one.
 * `content` is the hash of the contents in which the profile holds a mod; absent only of one of which nothing was ever known. `fresh` is an item that
 * arrived by itself: neither a hand nor an accepted proposal has placed it yet. `placed` is one that a hand has placed since a
 * proposal was last accepted.
 */
const entryOf = <Id extends z.core.$ZodType<ItemId, string>>(id: Id) =>
  z.strictObject({
    id,
    on: z.boolean(),
    section: SectionId,
    home: SectionId.optional(),
    content: z.string().optional(),
    fresh: z.literal(true).optional(),
    placed: z.literal(true).optional(),
  });
export const Entry = entryOf(ItemId);
export type Entry<Id extends ItemId = ItemId> = Omit<z.infer<typeof Entry>, "id"> & { id: Id };

/** Every item of the profile exactly once; entries of one section stand together, in the order of the sections. */
const orderOf = <Id extends z.core.$ZodType<ItemId, string>>(id: Id) =>
  z.strictObject({ sections: z.array(Section), entries: z.array(entryOf(id)) });
export interface Order<Id extends ItemId = ItemId> {
  sections: Section[];
  entries: Entry<Id>[];
}

/** What somebody wrote about an item: what it does, why it stands there. `at` is when, in ISO 8601. */
export const Note = z.strictObject({
  list: ListName,
  item: ItemId,
  text: z.string().min(1).max(2000),
  author: z.string().max(120),
  at: z.string().max(40),
});
export type Note = z.infer<typeof Note>;

/** What of a package a profile takes: the answers to its questions, by their ids, and the components that are on. */
export const Choice = z.strictObject({
  mod: ModId,
  options: z.record(z.string(), z.array(z.string())),
  components: z.array(z.string()),
  /** Why a part was taken or left, in the curator's words, by the part's key. */
  reasons: z.record(z.string(), z.string().max(500)).optional(),
});
export type Choice = z.infer<typeof Choice>;

/**
 * A file of a mod, or a folder (ending in a slash) with all below it, that a profile does without: the path as the game sees it
 * after parts, in NFC, folded where the game is. Nothing on the disk changes.
 */
export const LeftOut = z.strictObject({
  mod: ModId,
  path: z.string().min(1).max(4096),
});
export type LeftOut = z.infer<typeof LeftOut>;

/**
 * A number that a curator keeps as in a sheet: that of a section's tier (10, 20, 30), or the weight of an item inside its tier.
 * It lasts, wherever the item goes; what has none gets one between its neighbours.
 */
export const SheetNumber = z.strictObject({
  list: ListName,
  of: z.enum(["section", "item"]),
  id: z.string().min(1).max(500),
  number: z.number(),
});
export type SheetNumber = z.infer<typeof SheetNumber>;

/** `made` is when, in ISO 8601. `off` does not count for now; `shared` holds in all profiles of the game. */
export const Rule = z.strictObject({
  id: RuleId,
  rule: OrderRule,
  note: z.string().max(500),
  made: z.string().max(40),
  off: z.literal(true).optional(),
  shared: z.literal(true).optional(),
  /** Of which order it speaks: the plugins' where this is left out. */
  list: z.literal("mods").optional(),
});
export type Rule = z.infer<typeof Rule>;

const facets = {
  mods: orderOf(ModId),
  plugins: orderOf(PluginId),
  /** Those of this profile, then those that it shares with all others of its game. */
  rules: z.array(Rule),
  /** Ids of the expansions that are on. */
  expansions: z.array(z.string()),
  /** Whether the broader of two plugins that change the same records should load earlier. */
  broaderFirst: z.boolean(),
  /** The rulebooks that it goes by; of rules that contradict, the earlier book's win. */
  books: z.array(ProfileBook),
  /** At most one for each item of a list. */
  notes: z.array(Note),
  /** At most one for each mod; what is not said of a mod is as its author proposes. */
  choices: z.array(Choice),
  /** Parts of the game itself that are off, by id. */
  baseOff: z.array(z.string()),
  /** Launch settings that are not as the game has them. */
  launch: LaunchValues,
  leftOut: z.array(LeftOut),
  /** At most one for each section and each item. */
  numbers: z.array(SheetNumber),
  /** What its curator knows of mods, parts and plugins; at most one of a kind about the same. */
  advice: z.array(Advice),
  /** Findings that it lives with; at most one entry for each. */
  setAside: z.array(SetAside),
  reminders: z.array(Reminder),
  /** What whoever starts the game with it has to know, beside what game and mods say. */
  startNotes: z.array(StartNote),
  /** What is decided of its blend. */
  blend: z.array(BlendChoice),
  /** What is to stand in the game's files of settings; at most one of a place. */
  settings: z.array(SettingChoice),
};

/**
 * What a profile decides; this is what edits change and restore points keep. Each key is a facet (core/state/facets.ts). What a
 * state of an earlier version does not say is filled in.
 */
export const ProfileState = z.strictObject({
  ...facets,
  broaderFirst: facets.broaderFirst.default(true),
  books: facets.books.default([]),
  notes: facets.notes.default([]),
  choices: facets.choices.default([]),
  baseOff: facets.baseOff.default([]),
  launch: facets.launch.default({}),
  leftOut: facets.leftOut.default([]),
  numbers: facets.numbers.default([]),
  advice: facets.advice.default([]),
  setAside: facets.setAside.default([]),
  reminders: facets.reminders.default([]),
  startNotes: facets.startNotes.default([]),
  blend: facets.blend.default([]),
  settings: facets.settings.default([]),
});
export type ProfileState = z.infer<typeof ProfileState>;

/** Some facets of a state. */
export const PartialState = z.strictObject(facets).partial();
export type PartialState = z.infer<typeof PartialState>;

export type FacetName = keyof ProfileState;
export type KeyedName = Exclude<FacetName, ListName>;

/** A single decision of every facet but the orders; together those of one facet are its value. */
export const decisions = {
  rules: Rule,
  expansions: z.string(),
  broaderFirst: z.literal(false),
  books: ProfileBook,
  notes: Note,
  choices: Choice,
  baseOff: z.string(),
  launch: z.tuple([z.string(), LaunchValue]),
  leftOut: LeftOut,
  numbers: SheetNumber,
  advice: Advice,
  setAside: SetAside,
  reminders: Reminder,
  startNotes: StartNote,
  blend: BlendChoice,
  settings: SettingChoice,
} satisfies Record<KeyedName, z.ZodType>;
export type Decision<Name extends KeyedName> = z.infer<(typeof decisions)[Name]>;

/** One of the usual purposes, or the curator's own words. */
export const usualPurposes = ["play", "make", "test"] as const;
const ProfilePurpose = z.string().trim().min(1).max(60);
type ProfilePurpose = z.infer<typeof ProfilePurpose>;

export const ProfileName = z
  .string()
  .trim()
  .min(1)
  .max(80)
  .regex(/^[^\p{Cc}]*$/u);

/** What a profile is called and what for; none of it changes how the setup behaves. */
export const ProfileFacts = z.strictObject({
  name: ProfileName,
  purpose: ProfilePurpose,
  /** Number of its colour in the palette of the sections. */
  hue: z.number().int().min(0).max(17).optional(),
  note: z.string().max(5000).optional(),
});
export type ProfileFacts = z.infer<typeof ProfileFacts>;

export const Profile = z.strictObject({
  ...ProfileFacts.shape,
  id: ProfileId,
  game: z.string(),
  /** Grows by one with every edit; an edit made against another version is refused as stale. */
  version: z.number().int(),
  state: ProfileState,
});
export type Profile = z.infer<typeof Profile>;

export const listOfRule = ({ list }: Pick<Rule, "list">): ListName => list ?? "plugins";
