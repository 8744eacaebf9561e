import { parseArgs } from "node:util";
import { games } from "../games";
import { startGame, Stopped } from "./start";

/** A stand-in game as a program: `--definition ID` is which, `--game DIR` its own folder. Exit 0: it runs; 1: it stopped at start. */
async function main(): Promise<void> {
  const { values } = parseArgs({ options: { game: { type: "string" }, definition: { type: "string" } } });
  const log = (line: string) => process.stdout.write(`${line}\n`);
  try {
    const definition = games.find((game) => game.id === values.definition) ?? games[0]!;
    await startGame(definition, values.game ?? ".", log);
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
