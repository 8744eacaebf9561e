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

/** What a file of the list is called: its title, without signs that some system does not take. */
export const fileNameOf = (title: string, { extension }: Pick<LineupFormat, "extension">): string =>
  `${title.replace(/[^\p{L}\p{N}]+/gu, "-").replace(/^-+|-+$/g, "") || "list"}${extension}`;

export const everything: readonly Aspect[] = aspects;
