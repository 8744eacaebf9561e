import { z } from "zod";

const count = z.number().int().min(0);

/** What of a game's folder is Seating's, and what it was before. Paths are below that folder. */
export const Ledger = z.strictObject({
  format: z.literal("seating-ledger/1"),
  /** The folder that it is of. */
  game: z.string(),
  entries: z.array(
    z.strictObject({
      path: z.string(),
      /** The mod that it is of. */
      mod: z.string(),
      size: count,
      /** The first 16 bytes of its SHA-256, in hexadecimal; its date is made of it. */
      hash: z.string(),
      /** The number under which the game's own file of that path waits to be put back; null where there was none. */
      aside: count.nullable(),
    }),
  ),
  /** Folders that Seating made. */
  folders: z.array(z.string()),
  /** When folders of the game's were last changed before Seating touched them first, in milliseconds. */
  times: z.array(z.tuple([z.string(), z.number()])),
  /** The number that the next file that is set aside gets. */
  next: count,
});
export type Ledger = z.infer<typeof Ledger>;
export type LedgerEntry = Ledger["entries"][number];

export const emptyLedger = (game: string): Ledger => ({
  format: "seating-ledger/1",
  game,
  entries: [],
  folders: [],
  times: [],
  next: 1,
});
