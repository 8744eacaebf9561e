import { mkdir, writeFile } from "node:fs/promises";
import { dirname, join } from "node:path";
import { readPluginFiles } from "@/disk/read-mod";
import { readShelf } from "@/disk/read-shelf";
import type { GameDefinition } from "@/core/model/game";
import type { Stock } from "@/core/profile/roster";
import { writeOrderFile } from "@/formats/order-file";
import { catalogue, type DemoMod, type DemoPlugin } from "./catalogue";
import { cutShort, unsoundArchives } from "./faults";
import { invent } from "./invent";
import { filesOf, pluginBytes, zip, type Files } from "./pack";
import { demoProfiles, type DemoProfile } from "./profiles";
import { writeRulebook } from "@/formats/rulebook-file";
import { demoRulebooks } from "./rulebooks";
import { makeRandom } from "../../core/random";

export interface DemoPlan {
  readonly format: "seating-demo/1";
  readonly game: string;
  /** Folders below the demo's own. */
  readonly gameFolder: string;
  readonly shelfFolder: string;
  readonly profiles: readonly DemoProfile[];
}

export interface DemoSize {
  readonly mods: number;
  readonly plugins: number;
}

const owned = ["sunken-city", "lamplighters"];

/** Writes the whole demo below `out`: the stand-in game, the shelf, and what the server sets up. Deterministic to the byte. */
export async function makeDemo(
  game: GameDefinition,
  out: string,
  seed: number,
  count: number,
): Promise<DemoSize> {
  const mods = [...catalogue, ...invent(makeRandom(seed), catalogue, Math.max(0, count - catalogue.length))];
  const gameFolder = join(out, game.id, "game");
  const shelfFolder = join(out, game.id, "shelf");
  await writeGame(game, gameFolder);
  await writeShelf(game, shelfFolder, mods);
  const stock = await readStock(game, gameFolder, shelfFolder);
  const profiles = demoProfiles(game, stock);
  await writeFirstOrder(game, gameFolder, profiles[0]!);
  const plan: DemoPlan = {
    format: "seating-demo/1",
    game: game.id,
    gameFolder: `${game.id}/game`,
    shelfFolder: `${game.id}/shelf`,
    profiles,
  };
  for (const book of demoRulebooks(game, stock))
    await writeAt(
      join(out, game.id, "depot/rulebooks", `${book.id}-${book.version}.json`),
      writeRulebook(book),
    );
  await writeAt(join(out, "demo.json"), `${JSON.stringify(plan, null, 2)}\n`);
  return { mods: mods.length, plugins: mods.reduce((sum, mod) => sum + mod.plugins.length, 0) };
}

async function writeAt(path: string, data: string | Uint8Array): Promise<void> {
  await mkdir(dirname(path), { recursive: true });
  await writeFile(path, data);
}

async function writeGame(game: GameDefinition, folder: string): Promise<void> {
  const author = { author: "the makers", name: game.name, summary: `Part of ${game.name} ${game.version}.` };
  const write = (below: string, name: string, masters: readonly string[]) => {
    const records = Array.from(
      { length: 60 },
      (_, at) => `${["reef", "tide", "hull", "lamp", "fish"][at % 5]}-${at}@${name}`,
    );
    const plugin: DemoPlugin = { name, flags: 1, masters, records, lists: [] };
    return writeAt(join(folder, below, name), pluginBytes(author, plugin, game.pluginLayout.formType));
  };
  const [first, ...others] = game.builtIn;
  await write(game.baseFolder, first!, []);
  for (const name of others) await write(game.baseFolder, name, [first!]);
  for (const expansion of game.expansions.filter((each) => owned.includes(each.id)))
    for (const name of expansion.plugins) await write(expansion.folder, name, [first!]);
}

async function writeShelf(game: GameDefinition, folder: string, mods: readonly DemoMod[]): Promise<void> {
  for (const mod of mods) {
    const whole = filesOf(mod, game.pluginLayout.formType);
    const files = mod.id === "sounding-line" ? cutShort(whole, "Sounding Line.plank") : whole;
    await writeMod(folder, mod, files);
  }
  for (const [name, bytes] of Object.entries(unsoundArchives())) await writeAt(join(folder, name), bytes);
}

async function writeMod(folder: string, mod: DemoMod, files: Files): Promise<void> {
  const name = `${mod.name}-${mod.version}`;
  if (mod.shape === "folder") {
    for (const [path, bytes] of Object.entries(files)) await writeAt(join(folder, name, path), bytes);
    return;
  }
  await writeAt(join(folder, `${name}.zip`), zip(files, mod.shape === "archive" ? "" : `${mod.name}/`));
}

async function readStock(game: GameDefinition, gameFolder: string, shelfFolder: string): Promise<Stock> {
  const { mods } = await readShelf(game, shelfFolder, [], () => undefined);
  return {
    base: await readPluginFiles(game, join(gameFolder, game.baseFolder), game.builtIn),
    owned,
    shelf: mods,
    overlaps: [],
    fileOverlaps: [],
    books: [],
  };
}

/** The order file as the game was last started with it: an older order, without the last few plugins. */
async function writeFirstOrder(game: GameDefinition, folder: string, profile: DemoProfile): Promise<void> {
  const fixed = new Set([...game.builtIn, ...game.expansions.flatMap((each) => each.plugins)]);
  const names = profile.state.plugins.entries
    .filter((entry) => entry.on && !fixed.has(entry.id))
    .map((entry) => entry.id);
  const older = names.slice(0, -4);
  older.splice(6, 0, ...older.splice(14, 2));
  await writeAt(join(folder, game.orderFile.path), writeOrderFile(older, game.orderFile.dialect));
}
