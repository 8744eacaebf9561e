import { parseArgs } from "node:util";
import { brinehollow } from "../brinehollow/definition";
import { startGame, Stopped } from "./start";

/** The stand-in game as a program: `--game DIR` is its own folder. Exit 0: it runs; 1: it stopped at start. */
async function main(): Promise<void> {
  const { values } = parseArgs({ options: { game: { type: "string" } } });
  const log = (line: string) => process.stdout.write(`${line}\n`);
  try {
    await startGame(brinehollow, values.game ?? ".", log);
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
