import { z } from "zod";

/** Edits of a profile that are kept for undo, unless its user has set another number. */
export const usualUndo = 500;
/** Key of the preference that holds that number. */
export const undoKey = "undo-steps";

export const undoRange = { least: 10, most: 100_000 } as const;
export const UndoSteps = z.number().int().min(undoRange.least).max(undoRange.most);

/** Key of the preference that names the folder in which rulebooks of the game are looked for. */
export const bookFolderKey = "rulebook-folder";
export const BookFolder = z.string().max(4000);

/** Copies that are kept of each file that another program had written, unless its user has set another number. */
export const usualCopies = 50;
export const copiesKey = "order-file-copies";
export const copiesRange = { least: 1, most: 10_000 } as const;
export const CopiesKept = z.number().int().min(copiesRange.least).max(copiesRange.most);

/** Key of the preference by which plugins that are laid out get the dates of their order. */
export const datesKey = "dates-by-order";
