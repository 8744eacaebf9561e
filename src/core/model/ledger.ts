import { z } from "zod";

const count = z.number().int().min(0);

export const LedgerEntry = z.strictObject({
  path: z.string(),
  /** The mod that it is of. */
  mod: z.string(),
  size: count,
  /** The first 16 bytes of its SHA-256, in hexadecimal; its date is made of it. */
  hash: z.string(),
  /** The number under which the game's own file of that path waits to be put back; null where there was none. */
  aside: count.nullable(),
  /** It is not one with the store's. */
  isOwnCopy: z.boolean().default(false),
  /** The date that it has for its place in the order, in milliseconds. */
  date: z.number().optional(),
});
export type LedgerEntry = z.infer<typeof LedgerEntry>;

/** All but the files. */
export const LedgerFrame = z.strictObject({
  /** The folder that it is of. */
  game: z.string(),
  /** What its user had set aside that was neither the game's nor Seating's, and the number under which each waits. */
  others: z.array(z.tuple([z.string(), count])).default([]),
  /** Folders that Seating made. */
  folders: z.array(z.string()),
  /** When folders of the game's were last changed before Seating touched them first, in milliseconds. */
  times: z.array(z.tuple([z.string(), z.number()])),
  /** The number that the next file that is set aside gets. */
  next: count,
});

/** What of a game's folder is Seating's, and what it was before. Paths are below that folder. */
export interface Ledger extends z.infer<typeof LedgerFrame> {
  readonly entries: readonly LedgerEntry[];
}

/** Files in a game's folder that its user has said to be as they should: of each its size, and when it was changed, in milliseconds. */
export const Accepted = z.strictObject({
  format: z.literal("seating-accepted/1"),
  /** When its user said that the bare game had run and all there was its own, in ISO 8601; null: not yet. */
  bareAt: z.string().nullable(),
  files: z.array(z.tuple([z.string(), count, z.number()])),
});
export type Accepted = z.infer<typeof Accepted>;

/** How mods are laid out: equal ones come to equal files. */
export const LaidAs = z.strictObject({
  /** How the game finds its mods. */
  law: z.string(),
  /** The mods in order: of each its id, and what its files follow from. */
  mods: z.array(z.tuple([z.string(), z.string()])),
  /** The plugins that load, in order, where their dates say so. */
  dates: z.array(z.string()).optional(),
});
export type LaidAs = z.infer<typeof LaidAs>;

/** What lies in a game's folder, in short; there is none while that is neither the one nor the other. */
export const LaidSummary = z.strictObject({
  format: z.literal("seating-laid/1"),
  as: LaidAs,
  files: count,
  bytes: count,
  /** When it was laid out, in ISO 8601. */
  at: z.string(),
});
export type LaidSummary = z.infer<typeof LaidSummary>;

export const emptyLedger = (game: string): Ledger => ({
  game,
  entries: [],
  others: [],
  folders: [],
  times: [],
  next: 1,
});
