import { z } from "zod";
import { PluginId, SectionId } from "./ids";
import { Edition, Prerequisite } from "./installed";
import { KeptFile } from "./kept-file";
import { PurposeLaw } from "./launch";
import { Below, Placement } from "./placement";
import { ProfilesOfGame } from "./profile-of-game";
import { SettingsFile } from "./settings";
import { StartWay } from "./start";
import { StartNote } from "./start-note";
import { PluginLayout } from "./plugin-layout";

const extension = z.string().regex(/^\.[a-z0-9]+$/);

/** What the game loads first. The first rank is built in, the last one takes what no other claims. */
export const LoadRank = z.strictObject({
  id: z.string(),
  label: z.string(),
  extensions: z.array(extension).optional(),
  /** Number of the header flag that puts a plugin into this rank. */
  flag: z.number().int().min(0).max(31).optional(),
});
export type LoadRank = z.infer<typeof LoadRank>;

/** A class of plugins that the game holds only so many of. The class without a mark takes the rest. */
export const Counting = z.strictObject({
  id: z.string(),
  label: z.string(),
  cap: z.number().int().positive(),
  extensions: z.array(extension).optional(),
  flag: z.number().int().min(0).max(31).optional(),
});
export type Counting = z.infer<typeof Counting>;

const Expansion = z.strictObject({
  id: z.string(),
  name: z.string(),
  /** Folder below the game's own; its presence means that the expansion is owned. */
  folder: z.string(),
  plugins: z.array(PluginId),
});
type Expansion = z.infer<typeof Expansion>;

/** What the sections of the mods' order have for a load rank, for mods have none. */
export const MODS_RANK = "mods";

/**
 * `rank` is a load rank, or `mods`. `tags` are those of mods that belong here when they arrive, or whose plugins do; `hue`
 * is the number of its colour in the palette, that of its place in the list where it is left out.
 */
export const Section = z.strictObject({
  id: SectionId,
  name: z.string().max(80),
  rank: z.string(),
  guidance: z.string().max(500),
  tags: z.array(z.string()).optional(),
  hue: z.number().int().min(0).max(17).optional(),
  /** Arrivals of its rank that no section's tags take wait here to be seated. */
  unseated: z.literal(true).optional(),
  /** A block at the top or the bottom of its rank: no section comes before it, or after it. */
  block: z.enum(["top", "bottom"]).optional(),
  /** Nothing more goes in; what is in stays and can be arranged among itself. */
  closed: z.literal(true).optional(),
});
export type Section = z.infer<typeof Section>;

/** A part of the game itself that a profile can do without. */
const BaseItem = z.strictObject({
  id: z.string().min(1).max(80),
  name: z.string().min(1).max(120),
  note: z.string().max(500).optional(),
});
type BaseItem = z.infer<typeof BaseItem>;

const setting = {
  id: z.string().regex(/^[a-z0-9-]{1,60}$/),
  label: z.string().min(1).max(120),
  guidance: z.string().max(500).optional(),
};

/** What a profile says to the game at its start. `file`: the name of one of the files in a folder of the game's, or none. */
export const LaunchSetting = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("switch"), ...setting, standard: z.boolean() }),
  z.strictObject({
    kind: z.literal("number"),
    ...setting,
    standard: z.number(),
    least: z.number(),
    most: z.number(),
  }),
  z.strictObject({ kind: z.literal("text"), ...setting, standard: z.string().max(500) }),
  z.strictObject({
    kind: z.literal("choice"),
    ...setting,
    standard: z.string(),
    choices: z.array(z.string()).min(1),
  }),
  z.strictObject({ kind: z.literal("file"), ...setting, folder: z.string(), standard: z.literal("") }),
]);
export type LaunchSetting = z.infer<typeof LaunchSetting>;

/**
 * How an order file says its names: one a line, one a line behind a task-list mark, `name=1`, a JSON array of names, or XML
 * elements in order. Only `marked` and `keyed` also say what is off.
 */
export const OrderDialect = z.enum(["lines", "marked", "keyed", "json", "xml"]);
export type OrderDialect = z.infer<typeof OrderDialect>;

/** The order that a game is chiefly arranged in. */
export const mainList = ({ lists }: Pick<GameDefinition, "lists">): "mods" | "plugins" =>
  lists.includes("plugins") ? "plugins" : "mods";

/** `seating-game/1`: a game and its laws, as data. */
export const GameDefinition = z.strictObject({
  format: z.literal("seating-game/1"),
  id: z.string(),
  name: z.string(),
  version: z.string(),
  /** Which orders it has: a game without plugins is ordered by its mods alone. */
  lists: z.array(z.enum(["mods", "plugins"])).min(1),
  /** A file below its folder by which that folder is known for its own. */
  sign: z.string(),
  /** By which its version is read; where this is left out, it is `version`. */
  edition: Edition.optional(),
  /** What has to be there before any mod works, and is no mod. */
  prerequisites: z.array(Prerequisite).optional(),
  paths: z.strictObject({ ignoreCase: z.boolean() }),
  contentFolders: z.array(z.string()),
  /** Packed files that it opens by itself: what lies in them loses to what lies loose. */
  containers: z.array(z.strictObject({ extension, format: z.enum(["zip"]) })).optional(),
  pluginExtensions: z.array(extension),
  pluginLayout: PluginLayout.optional(),
  /** So many masters a plugin may name; where it is absent, nobody has said. */
  maxMasters: z.number().int().min(1).max(65535).optional(),
  loadRanks: z.array(LoadRank),
  counting: z.array(Counting),
  /** How it finds its mods: by a list, where this is left out. */
  placement: Placement.optional(),
  baseFolder: z.string(),
  builtIn: z.array(PluginId),
  expansions: z.array(Expansion),
  baseItems: z.array(BaseItem).optional(),
  launchSettings: z.array(LaunchSetting).optional(),
  /** What profiles are to be by what they are for. */
  purposes: z.array(PurposeLaw).max(50).optional(),
  /** Ways to start it, the usual one first; where this is left out, the stand-in that ships tries whether it would start. */
  start: z.array(StartWay).max(50).optional(),
  /** What whoever starts it has to know. */
  startNotes: z.array(StartNote).max(200).optional(),
  /** The file into which it writes how it went; below its own folder, or that of the order file. */
  log: z.strictObject({ path: Below.min(1), folder: z.enum(["game", "order"]).optional() }).optional(),
  /** Files of settings into which lines are written that mods, lists or the curator want. */
  settings: z.array(SettingsFile).optional(),
  /** Files that it changes itself. */
  keptFiles: z.array(KeptFile).max(50).optional(),
  /** Where it keeps a profile for each who plays it. */
  profilesOfGame: ProfilesOfGame.optional(),
  /** It holds the plugins that load, less what is built in; of a game without plugins the mods, by their ids. */
  orderFile: z.strictObject({ path: z.string(), dialect: OrderDialect }),
  holdsFile: z.string(),
  sections: z.array(Section).min(1),
});
export type GameDefinition = z.infer<typeof GameDefinition>;

/** Absolute paths that the user named; the server touches nothing outside of them and its own. */
export interface GameFolders {
  /** In which the game itself lies. */
  readonly game: string;
  /** Below which the order file is written. */
  readonly order: string;
  /** At least one; archives are taken in, and leave for the bin, in the first. */
  readonly shelves: readonly string[];
}
