import { mkdir, writeFile } from "node:fs/promises";
import { dirname, join } from "node:path";
import { readPluginFiles } from "@/disk/read-mod";
import { readShelf } from "@/disk/read-shelf";
import { mainList, type GameDefinition } from "@/core/model/game";
import type { Rulebook } from "@/core/model/rulebook";
import { emptyStock, type Stock } from "@/core/roster/roster";
import { writeOrderFile } from "@/formats/order-file";
import { catalogue, type DemoMod, type DemoPlugin } from "./catalogue";
import { cutShort, unsoundArchives } from "./faults";
import { listsOfTheGame } from "./finds";
import { invent } from "./invent";
import { filesOf, pluginBytes, smallFiles, zip, type Files } from "./pack";
import type { DemoProfile } from "./arrange";
import { brinehollowProfiles } from "./brinehollow-profiles";
import { brinehollow } from "../brinehollow/definition";
import { kitefall } from "../kitefall/definition";
import { brinehollowPackages } from "./brinehollow-packages";
import { millwright } from "../millwright/definition";
import { millwrightMods } from "./millwright-mods";
import { millwrightProfiles } from "./millwright-profiles";
import { kitefallMods } from "./kitefall-mods";
import { kitefallProfiles } from "./kitefall-profiles";
import { writeRulebook } from "@/formats/rulebook-file";
import { brinehollowDepot, plainDepot } from "./depot-plans";
import { writeDepot, type DepotPlan } from "./make-depot";
import { writePrograms } from "./program";
import { demoRulebooks, hearsay } from "./rulebooks";
import { makeRandom } from "../../core/random";

export interface DemoGame {
  readonly id: string;
  /** Folders below the demo's own. */
  readonly gameFolder: string;
  readonly shelfFolder: string;
  readonly profiles: readonly DemoProfile[];
  /** Those that profiles go by from the start. */
  readonly books: readonly Rulebook[];
  /** Where the first profile lies in the game's folder already, what somebody has done to its files since. */
  readonly laidOut?: { readonly changed: string; readonly deleted: string } | undefined;
}

/** What the server sets up; the first game is the one that is worked on at first. */
export interface DemoPlan {
  readonly format: "seating-demo/2";
  readonly games: readonly DemoGame[];
}

interface DemoSize {
  readonly mods: number;
  readonly plugins: number;
}

/** A game of the demo: what of it is invented, and how. */
interface World {
  readonly game: GameDefinition;
  readonly owned: readonly string[];
  readonly mods: readonly DemoMod[];
  readonly writeGame: (folder: string, world: World) => Promise<void>;
  /** The files of a mod as they are packed, some of them broken on purpose. */
  readonly filesOf: (mod: DemoMod) => Files;
  /** Whether the game was started with an order before. */
  readonly wasStarted: boolean;
  readonly broken: Readonly<Record<string, Uint8Array>>;
  readonly profiles: (game: GameDefinition, stock: Stock) => DemoProfile[];
  readonly laidOut?: DemoGame["laidOut"];
  readonly books: readonly Rulebook[];
  /** What the depot has beside the mods of the shelf, and how it behaves. */
  readonly depot: Pick<DepotPlan, "more" | "terms" | "faults">;
  /** What lies in the depot, to be brought in. */
  readonly rulebooks: (game: GameDefinition, stock: Stock) => Rulebook[];
}

function deepSea(seed: number, count: number, more: number): World {
  return {
    game: brinehollow,
    owned: ["sunken-city", "lamplighters"],
    mods: [
      ...catalogue,
      ...invent(makeRandom(seed), catalogue, Math.max(0, count - catalogue.length)),
      ...brinehollowPackages,
    ],
    writeGame: writeBrinehollow,
    filesOf: (mod) => {
      const whole = { ...filesOf(mod), ...smallFiles(mod, more) };
      return mod.id === "sounding-line" ? cutShort(whole, "Sounding Line.plank") : whole;
    },
    broken: unsoundArchives(),
    wasStarted: true,
    profiles: brinehollowProfiles,
    books: [hearsay],
    depot: brinehollowDepot,
    rulebooks: demoRulebooks,
  };
}

const kites = (seed: number): World => ({
  game: kitefall,
  owned: [],
  mods: kitefallMods(seed, 46),
  writeGame: writeKitefall,
  filesOf: (mod) => filesOf(mod),
  broken: {},
  wasStarted: true,
  profiles: kitefallProfiles,
  books: [],
  depot: plainDepot,
  rulebooks: () => [],
});

const mills = (seed: number): World => ({
  game: millwright,
  owned: ["upland-weirs", "market-days"],
  mods: millwrightMods(seed, 45),
  writeGame: writeMillwright,
  filesOf: (mod) => filesOf(mod),
  broken: {},
  wasStarted: false,
  profiles: millwrightProfiles,
  laidOut: {
    changed: "packages/clear-panels/panels/shared.dat",
    deleted: "packages/steady-carts/folk/carts.dat",
  },
  books: [],
  depot: plainDepot,
  rulebooks: () => [],
});

/**
 * Writes the whole demo below `out`: the stand-in games, their shelves, and what the server sets up; `count` mods for the
 * big one, each with as many small files `more`. Deterministic to the byte.
 */
export async function makeDemo(out: string, seed: number, count: number, more = 0): Promise<DemoSize> {
  const worlds = [deepSea(seed, count, more), kites(seed), mills(seed)];
  const games: DemoGame[] = [];
  for (const world of worlds) games.push(await writeWorld(out, world));
  const plan: DemoPlan = { format: "seating-demo/2", games };
  await writeAt(join(out, "demo.json"), `${JSON.stringify(plan, null, 2)}\n`);
  const mods = worlds.flatMap((world) => world.mods);
  return { mods: mods.length, plugins: mods.reduce((sum, mod) => sum + mod.plugins.length, 0) };
}

async function writeWorld(out: string, world: World): Promise<DemoGame> {
  const { game } = world;
  const gameFolder = join(out, game.id, "game");
  const shelfFolder = join(out, game.id, "shelf");
  await world.writeGame(gameFolder, world);
  writePrograms(gameFolder, game);
  await writeShelf(shelfFolder, world);
  await writeDepot(join(out, game.id, "depot"), game, shelfFolder, { ...world, ...world.depot });
  const stock = await readStock(world, gameFolder, shelfFolder);
  const profiles = world.profiles(game, stock);
  if (world.wasStarted) await writeFirstOrder(game, gameFolder, profiles[0]!);
  for (const book of world.rulebooks(game, stock))
    await writeAt(
      join(out, game.id, "depot/rulebooks", `${book.id}-${book.version}.json`),
      writeRulebook(book),
    );
  const { books, laidOut } = world;
  return {
    id: game.id,
    gameFolder: `${game.id}/game`,
    shelfFolder: `${game.id}/shelf`,
    profiles,
    books,
    ...(laidOut && { laidOut }),
  };
}

async function writeAt(path: string, data: string | Uint8Array): Promise<void> {
  await mkdir(dirname(path), { recursive: true });
  await writeFile(path, data);
}

async function writeBrinehollow(folder: string, { game, owned }: World): Promise<void> {
  const author = { author: "the makers", name: game.name, summary: `Part of ${game.name} ${game.version}.` };
  const write = (
    below: string,
    name: string,
    masters: readonly string[],
    lists: DemoPlugin["lists"] = [],
  ) => {
    const records = Array.from(
      { length: 60 },
      (_, at) => `${["reef", "tide", "hull", "lamp", "fish"][at % 5]}-${at}@${name}`,
    );
    const plugin: DemoPlugin = { name, flags: 1, masters, records, lists };
    return writeAt(join(folder, below, name), pluginBytes(author, plugin));
  };
  await writeAt(
    join(folder, "saves/deck.ini"),
    "; What the deck shows\r\n[Gauges]\r\nscale = 1\r\nspread = 0\r\n\r\n[Lamps]\r\nglow = 0.6\r\n",
  );
  await writeAt(join(folder, "saves/keys.txt"), "bind F5 save\nbind F9 load\n");
  const [first, ...others] = game.builtIn;
  await write(game.baseFolder, first!, [], listsOfTheGame);
  for (const name of others) await write(game.baseFolder, name, [first!]);
  for (const expansion of game.expansions.filter((each) => owned.includes(each.id)))
    for (const name of expansion.plugins) await write(expansion.folder, name, [first!]);
}

/** With a file of the game's own that mods replace, one that it needs in the wrong place, and what is left of one that was put there by hand long ago. */
async function writeKitefall(folder: string, { game }: World): Promise<void> {
  await writeAt(join(folder, game.sign), `${game.name}, stand-in\n`);
  await writeAt(join(folder, "base/about.ini"), `[about]\nname = ${game.name}\nversion = ${game.version}\n`);
  await writeAt(
    join(folder, "setup/flight.json"),
    '{\n  // Written at the end of each flight.\n  "lines": { "most": 4, "slack": 0.2 },\n  "view": "behind"\n}\n',
  );
  // One folder too high.
  await writeAt(join(folder, "wind.tbl"), "N 3\nE 2\nS 4\nW 5\n");
  await writeAt(join(folder, "panels/evening-card.txt"), "Nobody flies tonight.\n");
  await writeAt(join(folder, "flying/kites/Old Streamer/main.dat"), "A streamer of last year.\n");
  await writeAt(join(folder, "flying/kites/Old Streamer/read me.txt"), "Put into flying/, then fly.\n");
}

async function writeMillwright(folder: string, { game, owned }: World): Promise<void> {
  await writeAt(join(folder, game.sign), `${game.name}, stand-in\n`);
  await writeAt(join(folder, "core/about.txt"), `${game.name}, the spring edition\n`);
  for (const player of ["hazel", "rowan"])
    await writeAt(join(folder, "players", player, "played.txt"), `${player}, since the spring\n`);
  await writeAt(
    join(folder, "setup/view.xml"),
    '<?xml version="1.0"?>\n<view>\n  <letters size="small"/>\n  <far>900</far>\n</view>\n',
  );
  for (const expansion of game.expansions.filter((each) => owned.includes(each.id)))
    await writeAt(join(folder, expansion.folder, "set.arc"), `${expansion.name}\n`);
  for (const valley of ["first-lesson", "three-weirs", "upper-dale"])
    await writeAt(join(folder, "valleys", `${valley}.vale`), `${valley}\n`);
}

async function writeShelf(folder: string, { mods, filesOf: files, broken }: World): Promise<void> {
  for (const mod of mods) await writeMod(folder, mod, files(mod));
  for (const [name, bytes] of Object.entries(broken)) await writeAt(join(folder, name), bytes);
}

async function writeMod(folder: string, mod: DemoMod, files: Files): Promise<void> {
  const name = `${mod.name}-${mod.version}`;
  if (mod.shape === "folder") {
    for (const [path, bytes] of Object.entries(files)) await writeAt(join(folder, name, path), bytes);
    return;
  }
  await writeAt(join(folder, `${name}.zip`), zip(files, mod.shape === "archive" ? "" : `${mod.name}/`));
}

async function readStock({ game, owned }: World, gameFolder: string, shelfFolder: string): Promise<Stock> {
  const { mods } = await readShelf(game, [shelfFolder], []);
  return {
    ...emptyStock,
    base: await readPluginFiles(game, join(gameFolder, game.baseFolder), game.builtIn),
    owned,
    shelf: mods,
  };
}

/** The order file as the game was last started with it: an older order, without the last few names. */
async function writeFirstOrder(game: GameDefinition, folder: string, profile: DemoProfile): Promise<void> {
  const fixed = new Set<string>([...game.builtIn, ...game.expansions.flatMap((each) => each.plugins)]);
  const names = profile.state[mainList(game)].entries
    .filter((entry) => entry.on && !fixed.has(entry.id))
    .map((entry) => entry.id);
  const older = names.slice(0, -4);
  older.splice(6, 0, ...older.splice(14, 2));
  await writeAt(join(folder, game.orderFile.path), writeOrderFile(game.orderFile.dialect, { names: older }));
}
