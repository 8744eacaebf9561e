import "server-only";
import { rm } from "node:fs/promises";
import { join } from "node:path";
import type { ProfileId } from "@/core/model/ids";
import type { Stock } from "@/core/roster/roster";
import { games } from "@/standin/games";
import { updateDefinitions } from "@/store/games";
import { migrate } from "@/store/migrate";
import type { KnownOrders } from "@/store/profiles";
import type { Db } from "@/store/sql";
import { tidy } from "@/store/tidy";
import { home, root } from "@/disk/places";
import { removeLeftOvers } from "@/disk/packed/packed-archive";
import { inThisThread, type ShelfReader } from "@/disk/shelf-reader";
import { layOutHere, layOutInThread, type LayoutHand } from "@/disk/layout/layout-hand";
import { readInThreads } from "@/disk/shelf-reader-pool";
import { openInWorker } from "@/store/worker-database";
import { bringDemoPrograms } from "./demo-programs";
import { openDepots, type Depots } from "./depot/depots";
import { Events } from "./events";
import { FolderWatches } from "./folder-watches";
import { closeOnSignals } from "./closing";
import { writeHere, writeInThread, type ListWriter } from "./list-writer";
import { takeFolder } from "./lock";
import { followMovedDemo } from "./moved";
import { settleFiles } from "./settle";
import { followStored, type StoredParts } from "./stock-changes";
import { Trials } from "./trials";
import { upgradeStored } from "./upgrade";

/** A stock, and a name of exactly what it holds. */
export interface HeldStock {
  readonly revision: string;
  readonly stock: Stock;
}

/** What the server holds for as long as it runs; the only place that knows the database. */
export interface Context {
  readonly db: Db;
  /** The profile that the window which asks works on; null where it is the one that was last chosen. */
  readonly at: ProfileId | null;
  /** What lies on the disk, by game, as last read; dropped when a shelf is read anew. */
  readonly stocks: Map<string, Promise<HeldStock>>;
  /** The last few of each game, the present one first. */
  readonly earlierStocks: Map<string, readonly HeldStock[]>;
  readonly parts: StoredParts;
  /** The orders of profiles at the version that was last stored or read, by the profile's id. */
  readonly orders: Map<string, KnownOrders>;
  /** Where the server keeps what is neither the database's nor the user's. */
  readonly folder: string;
  readonly depots: Depots;
  readonly reader: ShelfReader;
  readonly writeList: ListWriter;
  readonly layOut: LayoutHand;
  /** The reading of a game's shelf, by its id: one after another. */
  readonly reading: Map<string, Promise<unknown>>;
  /** By the game's id, the number that cancels what is laid out for it just now once it is not 0. */
  readonly laying: Map<string, Int32Array>;
  /** What is written for a game, by its id: one after another. */
  readonly writing: Map<string, Promise<unknown>>;
  /** Ids of the choosers of folders that are open in windows. */
  readonly choosers: Set<string>;
  readonly events: Events;
  readonly trials: Trials;
  readonly watches: FolderWatches;
  /** Closes the database and gives the data folder back, to whom opens it next. */
  readonly close: () => Promise<void>;
}

/** On globalThis, for pages and route handlers are bundled apart and would each have a variable of their own. */
const holder = globalThis as typeof globalThis & { seatingContext?: Promise<Context> };

/** Where what is dropped waits until it is taken in. */
export const incomingFolder = (): string => join(home(), "incoming");
/** Where what an import took the place of is kept. */
export const keptFolder = (): string => join(home(), "kept");
export const migrationsFolder = (): string => join(root(), "src", "store", "migrations");
/** What the stand-in for the depot offers: that of the demo, unless another is named. */
const depotRoot = (): string => process.env.SEATING_DEPOT ?? process.env.SEATING_DEMO ?? join(home(), "demo");
const port = (): number => Number(process.env.SEATING_PORT ?? 4321);

export function getContext(): Promise<Context> {
  if (process.env.NEXT_PHASE === "phase-production-build")
    return Promise.reject(new Error("the database is not opened during a build"));
  return (holder.seatingContext ??= open());
}

async function open(): Promise<Context> {
  const giveBack = await takeFolder(home(), { pid: process.pid, address: `http://127.0.0.1:${port()}` });
  // What was dropped and neither taken in nor left when the last server ended is nobody's.
  await rm(incomingFolder(), { recursive: true, force: true });
  await removeLeftOvers();
  if (process.env.SEATING_AFRESH) await rm(join(home(), "database"), { recursive: true, force: true });
  const program = (name: string) => join(root(), "dist", `${name}.mjs`);
  const db = await openInWorker(program("database-worker"), join(home(), "database"));
  await migrate(db, migrationsFolder());
  await upgradeStored(db);
  await updateDefinitions(db, games);
  await followMovedDemo(db, home());
  await bringDemoPrograms(db, home());
  await settleFiles(db);
  await tidy(db);
  const speed = Number(process.env.SEATING_DEPOT_SPEED) || undefined;
  const depots = openDepots(depotRoot(), speed);
  const context = await newContext(db, home(), depots);
  await context.trials.takeUp();
  const stopListening = closeOnSignals(context.close, giveBack);
  return {
    ...context,
    reader: readInThreads(program("shelf-reader-worker")),
    writeList: writeInThread(program("list-writer-worker")),
    layOut: layOutInThread(program("layout-worker")),
    close: async () => {
      stopListening();
      await context.close();
      giveBack();
    },
  };
}

/** Nothing is known yet, and nothing under way. */
export async function newContext(db: Db, folder: string, depots: Depots): Promise<Context> {
  const watches = new FolderWatches();
  const events = new Events();
  const trials = new Trials(db, folder, events);
  const context: Context = {
    db,
    at: null,
    folder,
    depots,
    reader: inThisThread,
    writeList: writeHere,
    layOut: layOutHere,
    stocks: new Map(),
    earlierStocks: new Map(),
    parts: { storing: null, untold: new Set() },
    orders: new Map(),
    reading: new Map(),
    laying: new Map(),
    writing: new Map(),
    choosers: new Set(),
    events,
    trials,
    watches,
    close: () => {
      watches.end();
      trials.close();
      return db.close();
    },
  };
  await followStored(context);
  return context;
}
