import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import type { GameDefinition } from "@/core/model/game";
import { root } from "@/disk/places";

/** The game's own program: it knows its laws and where it lies, and the stand-in that ships does the rest. */
const program = `import { readFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath, pathToFileURL } from "node:url";

const here = dirname(fileURLToPath(import.meta.url));
const { standIn } = JSON.parse(readFileSync(join(here, "stand-in.json"), "utf8"));
process.argv.splice(2, 0, "--laws", join(here, "laws.json"), "--game", dirname(here));
await import(pathToFileURL(standIn));
`;

/** Starts the game as somebody would who has to see to something first. */
const loader = `process.stdout.write("loader: ready\\n");
await import("./game.mjs");
`;

/** Writes the programs of a stand-in game into its folder, where they are not there as they should be: Seating may have moved. */
export function writePrograms(folder: string, game: GameDefinition): void {
  const files = {
    "game.mjs": program,
    "loader.mjs": loader,
    "laws.json": `${JSON.stringify(game, null, 2)}\n`,
    "stand-in.json": `${JSON.stringify({ standIn: join(root(), "dist", "standin-game.mjs") })}\n`,
  };
  for (const [name, contents] of Object.entries(files)) {
    const path = join(folder, "program", name);
    if (existsSync(path) && readFileSync(path, "utf8") === contents) continue;
    mkdirSync(dirname(path), { recursive: true });
    writeFileSync(path, contents);
  }
}
