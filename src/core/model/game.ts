import { z } from "zod";

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

export const Expansion = z.strictObject({
  id: z.string(),
  name: z.string(),
  /** Folder below the game's own; its presence means that the expansion is owned. */
  folder: z.string(),
  plugins: z.array(z.string()),
});
export type Expansion = z.infer<typeof Expansion>;

/** What the sections of the mods' order have for a load rank, for mods have none. */
export const MODS_RANK = "mods";

/**
 * `rank` is a load rank, or `mods`. `tags` are those of mods that belong here when they arrive, or whose plugins do; `hue`
 * is the number of its colour in the palette, that of its place in the list where it is left out.
 */
export const Section = z.strictObject({
  id: z.string(),
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

/**
 * How an order file says its names: one a line, one a line behind a task-list mark, `name=1`, or a JSON array of names. All but
 * `lines` and `json` also say what is off.
 */
export const OrderDialect = z.enum(["lines", "marked", "keyed", "json"]);
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
  paths: z.strictObject({ ignoreCase: z.boolean() }),
  contentFolders: z.array(z.string()),
  pluginExtensions: z.array(extension),
  pluginLayout: z.strictObject({ container: z.literal("riff"), formType: z.string().length(4) }).optional(),
  loadRanks: z.array(LoadRank),
  counting: z.array(Counting),
  baseFolder: z.string(),
  builtIn: z.array(z.string()),
  expansions: z.array(Expansion),
  /** It holds the plugins that load, less what is built in; of a game without plugins the mods, by their ids. */
  orderFile: z.strictObject({ path: z.string(), dialect: OrderDialect }),
  holdsFile: z.string(),
  sections: z.array(Section).min(1),
});
export type GameDefinition = z.infer<typeof GameDefinition>;
