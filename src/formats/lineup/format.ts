import { aspects, type Aspect } from "@/core/lineup/losses";
import type { GameDefinition } from "@/core/model/game";
import type { Lineup } from "@/core/model/lineup";

/** One way of writing a lineup down. `write` gives the text of a file. */
export interface LineupFormat {
  readonly id: string;
  /** What a person calls it. */
  readonly label: string;
  /** With its dot. */
  readonly extension: string;
  readonly mime: string;
  /** What the game calls it, where that is no matter of the list's title. */
  readonly fileName?: (game: GameDefinition) => string;
  readonly carries: readonly Aspect[];
  readonly write: (lineup: Lineup, game: GameDefinition) => string;
}

/** Of what a row carries: see core/lineup/rows.ts. */
export const carriedByRows: readonly Aspect[] = [
  "off",
  "versions",
  "hashes",
  "plugins",
  "mods",
  "sections",
  "parts",
  "left-out",
  "settings",
];

/** Names that some system keeps for its devices, whatever follows a dot. */
const device = /^(?:con|prn|aux|nul|com\d|lpt\d)$/i;

/** What a file of the list is called: its title, without signs that some system does not take, and no two formats alike. */
export function fileNameOf(
  title: string,
  { extension, fileName }: Pick<LineupFormat, "extension" | "fileName">,
  game: GameDefinition,
): string {
  if (fileName) return fileName(game);
  const words = title.replace(/[^\p{L}\p{M}\p{N}]+/gu, "-").replace(/^-+|-+$/g, "") || "list";
  return `${device.test(words) ? `${words}-list` : words}${extension}`;
}

export const everything: readonly Aspect[] = aspects;
