import type { GameDefinition } from "../model/game";

/** Names that are not plain ASCII: the same few are folded with every edit, and that takes long. */
const foldedBefore = new Map<string, string>();
const mostKept = 100_000;

/** Whether a text is plain ASCII: NFC already, and without letters whose case only some know. */
export const isPlain = (text: string): boolean => /^[\0-\x7f]*$/.test(text);

/** A path or file name as the game compares it: NFC, and without case where the game ignores case. */
export function foldName(game: Pick<GameDefinition, "paths">, name: string): string {
  if (isPlain(name)) return game.paths.ignoreCase ? name.toLowerCase() : name;
  if (!game.paths.ignoreCase) return name.normalize("NFC");
  const known = foldedBefore.get(name);
  if (known !== undefined) return known;
  const folded = name.normalize("NFC").toLowerCase();
  if (foldedBefore.size >= mostKept) foldedBefore.clear();
  foldedBefore.set(name, folded);
  return folded;
}

export const manifestName = "seating-mod.json";

/** Whether a path is that of a mod's manifest, which is for the mod alone. */
export const isManifest = (game: Pick<GameDefinition, "paths">, path: string): boolean =>
  foldName(game, path) === manifestName;

/** The folder in which a path lies; empty at the root. */
export const folderOf = (path: string): string => path.slice(0, Math.max(0, path.lastIndexOf("/")));

/** The part of a file name from its last dot on, in lower case; empty if there is none. */
export function extensionOf(name: string): string {
  const at = name.lastIndexOf(".");
  return at <= 0 ? "" : name.slice(at).toLowerCase();
}
