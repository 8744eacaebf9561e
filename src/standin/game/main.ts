import { text } from "node:stream/consumers";
import { parseArgs } from "node:util";
import type { Laws } from "./laws";
import { startGame } from "./start";
import { Stopped } from "./stopped";

/**
 * A stand-in game as a program: its definition comes on standard input, `--game DIR` is its own folder, `--order DIR` that of its order
 * file, `--profile NAME` which of the profiles that it keeps. Exit 0: it runs; 1: it stopped at start.
 */
async function main(): Promise<void> {
  const type = "string" as const;
  const { values } = parseArgs({ options: { game: { type }, order: { type }, profile: { type } } });
  const log = (line: string) => process.stdout.write(`${line}\n`);
  const folder = values.game ?? ".";
  try {
    await startGame(JSON.parse(await text(process.stdin)) as Laws, folder, log, {
      order: values.order ?? folder,
      profile: values.profile ?? null,
    });
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
