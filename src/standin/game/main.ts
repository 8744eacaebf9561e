import { text } from "node:stream/consumers";
import { parseArgs } from "node:util";
import type { Laws } from "./laws";
import { startGame } from "./start";
import { Stopped } from "./stopped";

/**
 * A stand-in game as a program: its definition comes on standard input, `--game DIR` is its own folder, `--order DIR` that of its order
 * file. Exit 0: it runs; 1: it stopped at start.
 */
async function main(): Promise<void> {
  const { values } = parseArgs({ options: { game: { type: "string" }, order: { type: "string" } } });
  const log = (line: string) => process.stdout.write(`${line}\n`);
  const folder = values.game ?? ".";
  try {
    await startGame(JSON.parse(await text(process.stdin)) as Laws, folder, log, values.order ?? folder);
  } catch (error) {
    if (!(error instanceof Stopped)) throw error;
    log(`stopped: ${error.message}`);
    process.exitCode = 1;
  }
}

main().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.stack : String(error)}\n`);
  process.exitCode = 2;
});
