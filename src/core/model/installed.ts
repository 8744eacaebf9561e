import { z } from "zod";
import { Below } from "./placement";

/** A file below the game's folder. */
const FileBelow = Below.min(1);

/**
 * By which file of its own a game says which version it is. The pattern is the text around it, as it stands in the file: `{version}` is
 * where the version stands, `{build}` where that of its build does; blanks stand for any.
 */
export const Edition = z.strictObject({
  file: FileBelow,
  pattern: z
    .string()
    .max(300)
    .regex(/^(?!.*\{version\}.*\{version\})(?!.*\{build\}.*\{build\}).*\{version\}.*$/u),
});
export type Edition = z.infer<typeof Edition>;

/** A file that has to lie in the game's folder before any mod can work, of which no mod of the shelf is. */
export const Prerequisite = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]{1,60}$/),
  name: z.string().min(1).max(120),
  file: FileBelow,
  /** What it is for, and where it is from. */
  purpose: z.string().max(500),
  source: z.string().max(500),
});
export type Prerequisite = z.infer<typeof Prerequisite>;

/** What is seen of the game itself in its folder, as far as its definition asks. */
export interface Installed {
  /** Whether its version is read; `absent`: its file is not there; `unlike`: nothing in it is as the pattern says. */
  readonly edition?: "read" | "absent" | "unlike";
  /** What is not where it has to be, by its id: the path at which it lies below the game's folder, or null. */
  readonly astray: readonly { readonly id: string; readonly at: string | null }[];
}
