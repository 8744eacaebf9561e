import type { GameDefinition } from "@/core/model/game";
import type { Lineup } from "@/core/model/lineup";
import { openThreads } from "@/disk/threads";
import { formatOf } from "@/formats/lineup/all";

/** A list that is to be written in the format of this id. */
export interface ListToWrite {
  readonly format: string;
  readonly lineup: Lineup;
  readonly game: GameDefinition;
}

export type ListWriter = (list: ListToWrite) => Promise<string>;

export const writeHere: ListWriter = ({ format, lineup, game }) =>
  Promise.resolve(formatOf(format)!.write(lineup, game));

/** In a thread that runs `program`, a bundled list-writer-worker: a page that holds a list in every other format takes seconds. */
export const writeInThread = (program: string): ListWriter => openThreads<ListToWrite>(program, 1);
