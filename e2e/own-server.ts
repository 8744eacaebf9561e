import { readFile } from "node:fs/promises";
import { join } from "node:path";
import { FolderCopy } from "./folder-copy";
import { freePort, home, pristine, startSeating, type Server } from "./server";

/** Milliseconds between two looks whether the server is done. */
const step = 20;
const pause = () => new Promise((done) => setTimeout(done, step));

/** The server of a worker of the tests, always at one address; each test finds a fresh copy of the demo behind it. */
export class OwnServer {
  private server: Server | null = null;
  private readonly data = new FolderCopy(pristine, home);
  /** How much of what it has said is no matter of this test. */
  private heard = 0;

  private constructor(private readonly port: number) {}

  static make = async (): Promise<OwnServer> => new OwnServer(await freePort());

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async beginAfresh(): Promise<void> {
    const { server } = this;
    const kept = server && (await givesFolderBack(server));
    if (!kept) this.server = null;
    await this.data.makeAnew();
    if (kept) {
      await told(kept, "The data folder may be opened");
      await fetch(`${this.url}/api/alive`);
    } else await this.start();
    this.heard = this.server!.said().length;
  }

  async restart(): Promise<void> {
    await this.stop();
    await this.start();
  }

  /** On the data that is there. */
  async start(): Promise<void> {
    this.server = await startSeating("start.mjs", home, undefined, this.port);
    this.heard = 0;
  }

  async stop(): Promise<void> {
    const { server } = this;
    this.server = null;
    await server?.stop();
    if (server) refuseFaults(server.said().slice(this.heard));
  }

  /** Throws what the server has said of faults since the test began, or since it was started in it. */
  refuseFaults(): void {
    refuseFaults(this.server?.said().slice(this.heard) ?? "");
  }
}

/** So Next.js marks what was thrown while a page was made; the browser would draw it by itself all the same. */
function refuseFaults(said: string): void {
  if (said.includes("⨯")) throw new Error(`faults of the server:\n${said}`);
}

interface Kept {
  readonly server: Server;
  readonly pid: number;
}

const hasEnded = ({ process: started }: Server): boolean =>
  started.exitCode !== null || started.signalCode !== null;

/** The server, which goes on without a folder; null where it ends, because something is under way in it. */
async function givesFolderBack(server: Server): Promise<Kept | null> {
  if (hasEnded(server)) return null;
  const { pid } = JSON.parse(await readFile(join(home, "server.lock"), "utf8")) as { pid: number };
  const kept = { server, pid };
  return (await told(kept, "The data folder is free")) ? kept : null;
}

/** Gives the server its signal; whether it answers, and does not end instead. */
async function told({ server, pid }: Kept, answer: string): Promise<boolean> {
  const before = server.said().length;
  process.kill(pid, "SIGUSR2");
  while (!hasEnded(server) && !server.said().slice(before).includes(answer)) await pause();
  return !hasEnded(server);
}
