import { readFile } from "node:fs/promises";
import { join } from "node:path";
import { startSeating, type Server } from "../e2e/server";

export interface KillableServer extends Server {
  /** The server itself is killed, not what watches it: nothing gets a chance to close anything. */
  readonly kill: () => Promise<void>;
}

export async function startKillable(home: string): Promise<KillableServer> {
  const server = await startSeating("start.mjs", home);
  const { pid } = JSON.parse(await readFile(join(home, "server.lock"), "utf8")) as { pid: number };
  return {
    ...server,
    kill: async () => {
      process.kill(pid, "SIGKILL");
      await server.stop();
    },
  };
}
