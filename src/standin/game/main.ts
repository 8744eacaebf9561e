import { text } from "node:stream/consumers";
import { parseArgs } from "node:util";
import { GameDefinition } from "@/core/model/game";
import { games } from "../games";
import { startGame, Stopped } from "./start";

/** A stand-in game as a program: `--definition ID` is which of those that ship, `-` one on standard input; `--game DIR` its own folder, `--order DIR` that of its order file. Exit 0: it runs; 1: it stopped at start. */
async function main(): Promise<void> {
  const { values } = parseArgs({
    options: { game: { type: "string" }, order: { type: "string" }, definition: { type: "string" } },
  });
  const log = (line: string) => process.stdout.write(`${line}\n`);
  try {
    const definition =
      values.definition === "-"
        ? GameDefinition.parse(JSON.parse(await text(process.stdin)))
        : (games.find((game) => game.id === values.definition) ?? games[0]!);
    const folder = values.game ?? ".";
    await startGame(definition, folder, log, values.order ?? folder);
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
