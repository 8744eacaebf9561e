import { availableParallelism } from "node:os";
import type { ShelfMod } from "@/core/model/shelf";
import type { LooseFiles } from "./loose-files";
import type { ShelfPlace } from "./shelf-places";
import type { ShelfReader } from "./shelf-reader";
import { openThreads } from "./threads";

/** What a thread is asked: a function of a shelf reader, and what it is called with. */
export type Job = {
  [Name in Asked]: { readonly name: Name; readonly what: Parameters<ShelfReader[Name]> };
}[Asked];
type Asked = Exclude<keyof ShelfReader, "hands">;

const mostHands = 4;

/** Reads in worker threads that run `program`, a bundled shelf-reader-worker. */
export function readInThreads(program: string): ShelfReader {
  const hands = Math.min(mostHands, availableParallelism());
  const ask = openThreads<Job>(program, hands);
  const read = (what: Parameters<ShelfReader["readMod"]>) => ask<ShelfMod>({ name: "readMod", what });
  /** One after another: each may need as much memory as the dictionary of the archive has, up to some gigabytes. */
  let lastPacked: Promise<unknown> = Promise.resolve();
  const readPacked = (what: Parameters<ShelfReader["readMod"]>) => {
    const turn = lastPacked.then(() => read(what));
    lastPacked = turn.catch(() => undefined);
    return turn;
  };
  return {
    hands,
    placesOf: (...what) => ask<(ShelfPlace | null)[]>({ name: "placesOf", what }),
    readLooseFiles: (...what) => ask<LooseFiles>({ name: "readLooseFiles", what }),
    foldersBelow: (...what) => ask<string[]>({ name: "foldersBelow", what }),
    readMod: (...what) => (isPacked(what[2]) ? readPacked(what) : read(what)),
  };
}

const isPacked = ({ kind, path }: ShelfPlace): boolean => kind === "archive" && !/\.zip$/i.test(path);
