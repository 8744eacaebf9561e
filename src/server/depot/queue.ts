import "server-only";
import { createHash } from "node:crypto";
import { appendFile, mkdir, readFile, rm, stat } from "node:fs/promises";
import { join } from "node:path";
import type { Refusal } from "@/core/model/refusal";
import type { Transfer } from "@/core/model/transfer";
import { isTransferError, type Depot } from "@/standin/depot/depot";
import type { RegisteredGame } from "@/store/games";
import type { Sql } from "@/store/sql";
import * as store from "@/store/transfers";

/** Tries of one archive before it counts as failed. */
const mostTries = 2;
/** Milliseconds between two notes of how far an archive is. */
const noteEvery = 250;

interface QueueFolders {
  /** Where parts of archives wait. */
  readonly parts: string;
}

/** Takes an archive that has come whole onto the shelf; answers why not, where it is no sound mod. */
type Accept = (path: string, transfer: Transfer) => Promise<Refusal | null>;

/**
 * Gets what waits in the ledger of a game, one after another. Parts are kept and gone on with, also by a later server; what
 * has come whole is checked by its hash before it is taken in. Without a sign-in it pauses.
 */
export class TransferQueue {
  private running: Promise<void> | null = null;
  private abort = new AbortController();
  /** Why it stands still although something waits. */
  private halted: "paused" | "signed-out" | null = "paused";
  /** Bytes of this run, and since when, for the rate. */
  private came = 0;
  private since = 0;

  constructor(
    private readonly db: Sql,
    private readonly depot: Depot,
    private readonly game: RegisteredGame,
    private readonly folders: QueueFolders,
    private readonly accept: Accept,
    /** Called when nothing waits any more, if something was taken in. */
    private readonly onDone: () => Promise<void>,
    /** Called whenever something of it has changed. */
    private readonly onChange: () => void,
  ) {}

  get state(): { running: boolean; halted: "paused" | "signed-out" | null; bytesPerSecond: number } {
    const seconds = (Date.now() - this.since) / 1000;
    return {
      running: this.running !== null,
      halted: this.halted,
      bytesPerSecond: this.running && seconds > 0.2 ? this.came / seconds : 0,
    };
  }

  /** Goes on, or begins; does nothing where it is at work. */
  start(): void {
    if (this.running) return;
    this.halted = null;
    this.abort = new AbortController();
    this.came = 0;
    this.since = Date.now();
    this.running = this.run()
      .catch((error: unknown) => {
        this.halted = "paused";
        console.error(error);
      })
      .finally(() => {
        this.running = null;
        this.onChange();
      });
  }

  /** Stops after the bytes that are on their way; what has come stays. */
  async pause(): Promise<void> {
    this.halted = "paused";
    this.abort.abort();
    await this.running;
  }

  /** Resolves when it stands still. */
  async settled(): Promise<void> {
    await this.running;
  }

  private async run(): Promise<void> {
    await store.waitAgain(this.db, this.game.id);
    await mkdir(this.folders.parts, { recursive: true });
    let taken = 0;
    for (;;) {
      const next = (await store.listTransfers(this.db, this.game.id)).find(
        ({ state }) => state === "waiting",
      );
      if (!next || this.abort.signal.aborted) break;
      if (!this.depot.isSignedIn) {
        this.halted = "signed-out";
        break;
      }
      taken += Number(await this.get(next));
    }
    if (taken > 0) await this.onDone();
  }

  /** Answers whether it was taken in. */
  private async get(transfer: Transfer): Promise<boolean> {
    const tries = transfer.tries + 1;
    const part = join(this.folders.parts, `${transfer.sha256}.part`);
    const note = async (state: Transfer["state"], received: number, problem: Refusal | null = null) => {
      await store.changeTransfer(this.db, this.game.id, transfer.file, { state, received, tries, problem });
      this.onChange();
    };
    let received = await sizeOf(part);
    const failed = async (problem: Refusal) => {
      await note(tries < mostTries ? "waiting" : "failed", received, problem);
      return false;
    };
    await note("under-way", received);
    try {
      let noted = Date.now();
      const { signal } = this.abort;
      for await (const bytes of this.depot.transfer(this.game.id, transfer.file, received, signal)) {
        await appendFile(part, bytes);
        received += bytes.length;
        this.came += bytes.length;
        if (Date.now() - noted < noteEvery) continue;
        noted = Date.now();
        await note("under-way", received);
      }
      if (signal.aborted) {
        await store.changeTransfer(this.db, this.game.id, transfer.file, {
          ...transfer,
          state: "waiting",
          received,
        });
        return false;
      }
    } catch (error) {
      if (!isTransferError(error)) {
        console.error(error);
        return failed({ code: "fault", data: { detail: String(error) } });
      }
      if (error.fault === "signed-out") {
        await store.changeTransfer(this.db, this.game.id, transfer.file, {
          ...transfer,
          state: "waiting",
          received,
        });
        return false;
      }
      return failed({ code: error.fault, data: { name: transfer.name } });
    }
    if ((await hashOf(part)) !== transfer.sha256) {
      await rm(part, { force: true });
      received = 0;
      return failed({ code: "damaged", data: { name: transfer.name } });
    }
    const problem = await this.accept(part, transfer);
    await rm(part, { force: true });
    if (problem) {
      await note("failed", 0, problem);
      return false;
    }
    await note("got", transfer.size);
    return true;
  }
}

const sizeOf = async (path: string): Promise<number> => (await stat(path).catch(() => null))?.size ?? 0;

async function hashOf(path: string): Promise<string | null> {
  const bytes = await readFile(path).catch(() => null);
  return bytes && createHash("sha256").update(bytes).digest("hex");
}
