import { z } from "zod";
import { LineupTerms } from "./lineup";
import { ShelfMod } from "./shelf";

/** What the depot's page of one version of a mod says. */
export const DepotMod = z.strictObject({
  /** As its archive reads; `path` is the archive's name in the depot. */
  mod: ShelfMod,
  /** What is to be paid for, or its author lets nobody pass on, has a page and no transfer. */
  terms: LineupTerms.nullable(),
  about: z.string(),
  /** What is known to go wrong with it. */
  issues: z.array(z.string()),
  keys: z.array(z.strictObject({ key: z.string(), does: z.string() })),
});
export type DepotMod = z.infer<typeof DepotMod>;

/** `seating-depot/1`: what a depot offers for a game. */
export const DepotCatalogue = z.strictObject({
  format: z.literal("seating-depot/1"),
  game: z.string(),
  mods: z.array(DepotMod),
});
export type DepotCatalogue = z.infer<typeof DepotCatalogue>;
