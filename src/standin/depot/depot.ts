import { open, readdir, readFile } from "node:fs/promises";
import { join } from "node:path";
import { DepotCatalogue } from "@/core/model/depot";

/** What goes wrong with a transfer, as the service tells it; `signed-out` holds for all of them until one signs in again. */
type TransferFault = "signed-out" | "busy" | "broke-off" | "not-there";

class TransferError extends Error {
  constructor(readonly fault: TransferFault) {
    super(fault);
  }
}

/** By what it carries, not by its class: pages and route handlers are bundled apart, and each has a class of its own. */
export const isTransferError = (error: unknown): error is TransferError =>
  error instanceof Error && "fault" in error;

/** How the service behaves; a test has it slower, quicker or more patient. */
interface DepotManner {
  /** Bytes a second of one transfer. */
  readonly speed: number;
  /** Transfers after which a sign-in has expired. */
  readonly transfersASignIn: number;
}

export const usualManner: DepotManner = { speed: 300_000, transfersASignIn: 60 };

/** Faults of single archives, by name: how often each comes before it goes well. */
export interface DepotFaults {
  readonly busy: Readonly<Record<string, number>>;
  readonly breaksOff: Readonly<Record<string, number>>;
  readonly damaged: Readonly<Record<string, number>>;
}

const noFaults: DepotFaults = { busy: {}, breaksOff: {}, damaged: {} };
const chunkSize = 16 * 1024;

/**
 * A stand-in for a service that offers mods: folders with a catalogue and archives. It wants its users to sign in, lets
 * their sign-in expire, is slow, busy at times, breaks off and sends damaged archives, and can go on with a part.
 */
export class Depot {
  private left = 0;
  private readonly spent = new Map<string, number>();

  /** `root` holds a folder `depot` for each game. */
  constructor(
    private readonly root: string,
    private readonly manner: DepotManner = usualManner,
  ) {}

  /** Null where it offers nothing for the game. */
  async catalogue(game: string): Promise<DepotCatalogue | null> {
    const text = await readFile(join(this.folder(game), "catalogue.json"), "utf8").catch(() => null);
    return text === null ? null : DepotCatalogue.parse(JSON.parse(text));
  }

  /** The rulebooks that it offers for a game, as files; no sign-in is asked for. */
  async rulebooks(game: string): Promise<{ readonly file: string; readonly bytes: Uint8Array }[]> {
    const folder = join(this.folder(game), "rulebooks");
    const names = (await readdir(folder).catch(() => [])).filter((name) => name.endsWith(".json"));
    return Promise.all(
      names.sort().map(async (file) => ({ file, bytes: await readFile(join(folder, file)) })),
    );
  }

  signIn(): void {
    this.left = this.manner.transfersASignIn;
  }

  signOut(): void {
    this.left = 0;
  }

  get isSignedIn(): boolean {
    return this.left > 0;
  }

  /** The bytes of an archive from a place on; throws a `TransferError` where that goes wrong. */
  async *transfer(game: string, name: string, from: number, signal: AbortSignal): AsyncGenerator<Uint8Array> {
    if (!this.isSignedIn) throw new TransferError("signed-out");
    this.left--;
    const faults = await this.faults(game);
    if (this.comes("busy", name, faults.busy)) throw new TransferError("busy");
    const breaks = this.comes("breaks", name, faults.breaksOff);
    const damaged = this.comes("damaged", name, faults.damaged);
    const file = await open(join(this.folder(game), "files", name), "r").catch(() => null);
    if (!file) throw new TransferError("not-there");
    try {
      const { size } = await file.stat();
      const end = breaks ? Math.floor(size * 0.6) : size;
      for (let at = from; at < end;) {
        const { bytesRead, buffer } = await file.read(
          Buffer.alloc(Math.min(chunkSize, end - at)),
          0,
          undefined,
          at,
        );
        if (bytesRead === 0 || signal.aborted) break;
        await this.wait((bytesRead / this.manner.speed) * 1000, signal);
        const bytes = buffer.subarray(0, bytesRead);
        if (damaged && at === from) bytes[bytesRead >> 1]! ^= 0xff;
        at += bytesRead;
        yield bytes;
      }
      if (breaks && !signal.aborted) throw new TransferError("broke-off");
    } finally {
      await file.close();
    }
  }

  private folder = (game: string): string => join(this.root, game, "depot");

  private async faults(game: string): Promise<DepotFaults> {
    const text = await readFile(join(this.folder(game), "faults.json"), "utf8").catch(() => null);
    return text === null ? noFaults : { ...noFaults, ...(JSON.parse(text) as Partial<DepotFaults>) };
  }

  private comes(kind: string, name: string, counts: Readonly<Record<string, number>>): boolean {
    const key = `${kind} ${name}`;
    const spent = this.spent.get(key) ?? 0;
    if (spent >= (counts[name] ?? 0)) return false;
    this.spent.set(key, spent + 1);
    return true;
  }

  private wait = (milliseconds: number, signal: AbortSignal): Promise<void> =>
    new Promise((done) => {
      const end = () => {
        clearTimeout(timer);
        signal.removeEventListener("abort", end);
        done();
      };
      const timer = setTimeout(end, milliseconds);
      signal.addEventListener("abort", end);
    });
}
