import { z } from "zod";
import { Below } from "./placement";

/**
 * Of a game that keeps a profile of its own for each who plays it: below which folder, itself below that of the order file, a folder for
 * each of them lies. Its order file, and what else is named beside that, lie in each.
 */
export const ProfilesOfGame = z.strictObject({ folder: Below });
export type ProfilesOfGame = z.infer<typeof ProfilesOfGame>;

/** Which profiles a game keeps, and which of them is meant; null: one has to be chosen. */
export interface ProfileOfGame {
  readonly names: readonly string[];
  /** By the profile of Seating; null where nobody has chosen. It may be gone. */
  readonly chosen: string | null;
  readonly meant: string | null;
}

/** The only one need not be chosen. */
export const meantOf = (names: readonly string[], chosen: string | null): ProfileOfGame => {
  const only = names.length === 1 && chosen === null ? names[0]! : null;
  return { names, chosen, meant: chosen !== null && names.includes(chosen) ? chosen : only };
};
