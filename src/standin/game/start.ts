import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import { lstat, readFile } from "node:fs/promises";
import { join, resolve } from "node:path";
import { mainList, type GameDefinition } from "@/core/model/game";
import { sayProblem } from "@/core/messages/problems";
import { foldName, manifestName } from "@/core/roster/fold";
import { leavesOut } from "@/core/roster/left-out";
import { chosenParts, type PartFile } from "@/core/roster/parts";
import { countingOf, fixedPlugins, loadRankOf } from "@/core/roster/laws";
import type { PluginFile } from "@/core/model/shelf";
import { isContainer, readContainer } from "@/disk/containers";
import { digestFile } from "@/disk/digest";
import { plainFile } from "@/disk/mod-files";
import type { ModFile } from "@/disk/mod-file";
import { openMod, pluginFile } from "@/disk/read-mod";
import { readHolds, type Holds } from "@/formats/holds";
import { readOrderFile } from "@/formats/order-file";

/** Why the game stopped at start, as it says it in its log. */
export class Stopped extends Error {}

type Log = (line: string) => void;

interface Loaded {
  readonly plugin: PluginFile;
  readonly from: string;
}

/**
 * The stand-in game's start. It knows nothing of Seating: it reads its order file and `holds.json`, opens the
 * archives and folders that they name, and loads the plugins one by one under its own laws. Throws `Stopped` at the
 * first thing that stops it.
 */
export async function startGame(
  game: GameDefinition,
  folder: string,
  log: Log,
  orderFolder = folder,
): Promise<void> {
  log(`${game.name} ${game.version}, stand-in`);
  const { names, holds } = await readSetup(game, orderFolder, log);
  sayStart(game, holds, log);
  const base = await openBase(game, folder, holds, log);
  const fromMods = await openMods(game, holds, log);
  if (mainList(game) === "plugins") loadAll(game, base, fromMods, names, log);
  else if (names.length !== holds.mods.length)
    throw new Stopped(
      `${game.orderFile.path} lists ${names.length} mods, but ${game.holdsFile} holds ${holds.mods.length}`,
    );
  log("running");
}

async function readSetup(
  game: GameDefinition,
  folder: string,
  log: Log,
): Promise<{ names: readonly string[]; holds: Holds }> {
  const { path, dialect } = game.orderFile;
  const order = readOrderFile(await readWanted(join(folder, path), path), dialect, path);
  if (!order.ok) throw new Stopped(`${path} is no text`);
  log(`${path}: ${order.value.names.length} ${mainList(game)}`);
  const holds = readHolds(await readWanted(join(folder, game.holdsFile), game.holdsFile), game.holdsFile);
  if (!holds.ok) throw new Stopped(plainText(sayRefusal(holds.refusal)));
  log(`${game.holdsFile}: ${holds.value.mods.length} mods`);
  return { names: order.value.names, holds: holds.value };
}

/** What of the game itself is off, and what it was told besides; a world that is not there stops it. */
function sayStart(game: GameDefinition, { baseOff, launch, expansions }: Holds, log: Log): void {
  const nameOf = (id: string) => game.baseItems?.find((each) => each.id === id)?.name ?? id;
  if (game.expansions.length > 0)
    log(`expansions: ${expansions.length > 0 ? expansions.join(", ") : "none"}`);
  if (baseOff.length > 0) log(`left out of the game: ${baseOff.map(nameOf).join(", ")}`);
  for (const { id, label, standard } of game.launchSettings ?? [])
    if ((launch[id] ?? standard) !== standard) log(`${label}: ${String(launch[id])}`);
}

async function readWanted(path: string, name: string): Promise<Uint8Array> {
  try {
    return await readFile(path);
  } catch (error) {
    const isThere = (error as NodeJS.ErrnoException).code !== "ENOENT";
    throw new Stopped(isThere ? `${name} cannot be read` : `${name} is not there`);
  }
}

async function openBase(game: GameDefinition, folder: string, holds: Holds, log: Log): Promise<Loaded[]> {
  const loaded: Loaded[] = [];
  for (const name of fixedPlugins(game, holds.expansions)) {
    const expansion = game.expansions.find((each) => each.plugins.includes(name));
    const below = expansion?.folder ?? game.baseFolder;
    const full = join(folder, below, name);
    const info = await lstat(full).catch(() => null);
    if (!info?.isFile()) throw new Stopped(`${below}/${name} is not there`);
    loaded.push(await readPluginOf(game, plainFile(full, name, info.size), name, below));
  }
  if (loaded.length > 0) log(`built in: ${loaded.length} plugins`);
  return loaded;
}

/** What the mods bring, by folded name: of two that bring the same plugin, the mod that loads later wins. */
async function openMods(game: GameDefinition, holds: Holds, log: Log): Promise<Map<string, Loaded>> {
  const found = new Map<string, Loaded>();
  const owner = new Map<string, string>();
  const packed = new Map<string, readonly string[]>();
  for (const held of holds.mods) {
    const opened = await openMod(game, resolve(holds.shelf, held.path));
    if (!opened.ok) throw new Stopped(`${held.path} cannot be opened: ${sayProblem(opened.refusal)}`);
    const { files, parts, plugins, close } = opened.value;
    const chosen = chosenParts(held);
    const isLeftOut = leavesOut(held.hidden);
    const isTaken = ({ part, path }: PartFile) =>
      (part === null || chosen.has(part)) && !isLeftOut(foldName(game, path));
    try {
      const brought = plugins.filter(isTaken);
      for (const { at, path } of brought)
        found.set(foldName(game, path), await readPluginOf(game, files[at]!, path, held.path));
      const taken = parts.filter(isTaken);
      const replaced = taken.filter(({ path }) => owner.has(foldName(game, path))).length;
      for (const { at, path } of taken) {
        if (path === manifestName) continue;
        owner.set(foldName(game, path), held.path);
        if (isContainer(game, files[at]!))
          packed.set(foldName(game, path), await openContainer(game, files[at]!, held.path));
      }
      const brings = mainList(game) === "plugins" ? `${brought.length} plugins` : `${replaced} replaced`;
      const left = parts.length - taken.length;
      log(`open ${held.path}: ${taken.length} files, ${brings}${left > 0 ? `, ${left} left out` : ""}`);
    } finally {
      await close();
    }
  }
  sayPacked(owner, packed, log);
  return found;
}

/** What a packed file of a mod holds, by folded paths. */
async function openContainer(game: GameDefinition, file: ModFile, from: string): Promise<string[]> {
  const digest = await digestFile(file, true);
  const read = digest.ok ? await readContainer(game, digest.value.bytes!) : digest;
  if (!read.ok) throw new Stopped(`${file.path} of ${from} cannot be opened: ${sayProblem(read.refusal)}`);
  return read.value.map(({ path }) => foldName(game, path));
}

/** Loose files are found first, and hide what lies packed. */
function sayPacked(
  owner: ReadonlyMap<string, string>,
  packed: ReadonlyMap<string, readonly string[]>,
  log: Log,
): void {
  if (packed.size === 0) return;
  const paths = new Set([...packed.values()].flat());
  const hidden = [...paths].filter((path) => owner.has(path)).length;
  log(`packed: ${paths.size} files in ${packed.size}, ${hidden} of them hidden by loose ones`);
}

async function readPluginOf(
  game: GameDefinition,
  file: ModFile,
  name: string,
  from: string,
): Promise<Loaded> {
  const digest = await digestFile(file, true);
  if (!digest.ok) throw new Stopped(`${from}: ${sayProblem(digest.refusal)}`);
  return { plugin: pluginFile(game, name, file.size, digest.value), from };
}

function loadAll(
  game: GameDefinition,
  base: readonly Loaded[],
  fromMods: ReadonlyMap<string, Loaded>,
  names: readonly string[],
  log: Log,
): void {
  const loading = [...base, ...names.map((name) => findListed(game, fromMods, name))];
  const fixed = new Set(base.map(({ plugin }) => foldName(game, plugin.name)));
  const used = new Map(game.counting.map((counting) => [counting.id, 0]));
  const placeOf = new Map(loading.map(({ plugin }, at) => [foldName(game, plugin.name), at]));
  const ranks = game.loadRanks.map((rank) => rank.id);
  let reached = 0;
  for (const [at, { plugin, from }] of loading.entries()) {
    const line = `line ${at - base.length + 1} of ${game.orderFile.path}`;
    if (!plugin.header)
      throw new Stopped(
        `${plugin.name} (${line}, from ${from}) cannot be read: ${sayProblem(plugin.problem!)}`,
      );
    const rank = ranks.indexOf(loadRankOf(game, plugin, fixed).id);
    if (rank < reached)
      throw new Stopped(`${plugin.name} (${line}) is ${ranks[rank]} and stands after ${ranks[reached]} ones`);
    reached = rank;
    for (const master of plugin.header.masters) checkMaster(game, placeOf, plugin.name, master, at, line);
    if (!fixed.has(foldName(game, plugin.name))) count(game, used, plugin, line);
    log(`load ${plugin.name}`);
  }
  log(
    game.counting
      .map(({ id, label, cap }) => `${label.toLowerCase()} places: ${used.get(id)} of ${cap}`)
      .join(", "),
  );
}

function findListed(game: GameDefinition, fromMods: ReadonlyMap<string, Loaded>, name: string): Loaded {
  const loaded = fromMods.get(foldName(game, name));
  if (!loaded)
    throw new Stopped(
      `${name} is listed in ${game.orderFile.path}, but no mod in ${game.holdsFile} brings it`,
    );
  return loaded;
}

function checkMaster(
  game: GameDefinition,
  placeOf: ReadonlyMap<string, number>,
  name: string,
  master: string,
  at: number,
  line: string,
): void {
  const place = placeOf.get(foldName(game, master));
  if (place === undefined) throw new Stopped(`${name} (${line}) needs ${master}, which is missing`);
  if (place >= at) throw new Stopped(`${name} (${line}) needs ${master}, which loads later`);
}

function count(game: GameDefinition, used: Map<string, number>, plugin: PluginFile, line: string): void {
  const counting = countingOf(game, plugin);
  if (!counting) return;
  const now = used.get(counting.id)! + 1;
  used.set(counting.id, now);
  if (now > counting.cap)
    throw new Stopped(
      `${plugin.name} (${line}) is one ${counting.label.toLowerCase()} plugin too many: ${counting.cap} can load`,
    );
}
