import type { GameDefinition } from "../model/game";

/** A path or file name as the game compares it: NFC, and without case where the game ignores case. */
export function foldName(game: Pick<GameDefinition, "paths">, name: string): string {
  const normal = name.normalize("NFC");
  return game.paths.ignoreCase ? normal.toLowerCase() : normal;
}

/** The part of a file name from its last dot on, in lower case; empty if there is none. */
export function extensionOf(name: string): string {
  const at = name.lastIndexOf(".");
  return at <= 0 ? "" : name.slice(at).toLowerCase();
}
