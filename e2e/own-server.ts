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
    const isKept = server !== null && (await givesFolderBack(server));
    if (!isKept) this.server = null;
    await this.data.makeAnew();
    if (isKept) await fetch(`${this.url}/api/alive`);
    else await this.start();
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

/** Whether the server goes on without a folder; it ends where something is under way in it. */
async function givesFolderBack({ process: started, said }: Server): Promise<boolean> {
  const before = said().length;
  const hasEnded = () => started.exitCode !== null || started.signalCode !== null;
  if (hasEnded()) return false;
  const { pid } = JSON.parse(await readFile(join(home, "server.lock"), "utf8")) as { pid: number };
  process.kill(pid, "SIGUSR2");
  while (!hasEnded() && !said().slice(before).includes("The data folder is free")) await pause();
  return !hasEnded();
}
