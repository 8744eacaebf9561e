import { lstatSync, readFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { filesInZip } from "./archive";
import { readHolds, type Held, type Holds } from "./holds";
import { endingOf, folded, type Laws, type Mark } from "./laws";
import { isContainer, openMod, pluginsAmong, type OpenedMod, type TakenFile } from "./mod";
import { laidOutIn, unlisted, type LaidFolder } from "./laid-out";
import { namesIn } from "./order";
import { folderOfOrder } from "./own-profiles";
import { readHeader, type Header } from "./plugin";
import { Stopped, Unreadable } from "./stopped";

type Log = (line: string) => void;

interface Loaded {
  readonly name: string;
  readonly from: string;
  /** Why it cannot be read, where it cannot. */
  readonly header: Header | Unreadable;
}

interface Places {
  /** Below which its order lies: its own folder, where this is left out. */
  readonly order?: string;
  /** Which of the profiles that it keeps plays. */
  readonly profile?: string | null;
  /** Nothing of mods is looked at. */
  readonly isBare?: boolean;
}

/**
 * The stand-in game's start. It knows nothing of Seating, not even how that reads a file: it reads its order file and `holds.json`,
 * opens the archives and folders that they name, or what lies in its own folder, and loads the plugins one by one under its own laws.
 * Throws `Stopped` at the first thing that stops it.
 */
export async function startGame(
  laws: Laws,
  folder: string,
  log: Log,
  { order = folder, profile = null, isBare = false }: Places = {},
): Promise<void> {
  log(`${laws.name} ${laws.version}, stand-in`);
  if (isBare) return startBare(laws, folder, log);
  const orderFolder = folderOfOrder(laws, order, profile, log);
  const isOrderOfPlugins = laws.lists.includes("plugins");
  const names = wanted(orderFolder, laws.orderFile.path, (bytes) => namesIn(bytes, laws.orderFile.dialect));
  log(`${laws.orderFile.path}: ${names.length} ${isOrderOfPlugins ? "plugins" : "mods"}`);
  const holds = wanted(orderFolder, laws.holdsFile, readHolds);
  if (!laws.placement || laws.placement.kind === "list") log(`${laws.holdsFile}: ${holds.mods.length} mods`);
  sayStart(laws, holds, log);
  for (const { path, folder: below, format } of laws.settings ?? [])
    saySettings(path, join(below === "order" ? orderFolder : folder, path), format, log);
  for (const { name, file } of laws.prerequisites ?? [])
    if (!isFile(join(folder, file))) log(`${file} is not there: nothing finds ${name}`);
  const base = openBase(laws, folder, holds, log);
  const laying = laws.placement?.kind === "list" ? undefined : laws.placement;
  const fromMods = laying
    ? await openLaidOut(laws, await laidOutIn(laws, laying, folder, names), log)
    : await openMods(laws, holds, log);
  for (const name of laying ? unlisted(laying, folder, names) : [])
    log(`${laying!.folder}/${name} is not listed, and not opened`);
  if (isOrderOfPlugins) loadAll(laws, base, fromMods, names, log);
  else if (!laying && names.length !== holds.mods.length)
    throw new Stopped(
      `${laws.orderFile.path} lists ${names.length} mods, but ${laws.holdsFile} holds ${holds.mods.length}`,
    );
  log("running");
}

/** The game alone, with all that is owned of it. */
function startBare(laws: Laws, folder: string, log: Log): void {
  const owned = laws.expansions.filter((each) => isFolder(join(folder, each.folder))).map(({ id }) => id);
  log("without mods");
  loadAll(laws, openBase(laws, folder, { expansions: owned }, log), new Map(), [], log);
  log("running");
}

/** What a file of the game's says; it cannot start without. */
function wanted<T>(folder: string, path: string, read: (bytes: Uint8Array) => T): T {
  try {
    return read(readFileSync(join(folder, path)));
  } catch (error) {
    if (error instanceof Unreadable) throw new Stopped(`${path} ${error.message}`);
    const isThere = (error as NodeJS.ErrnoException).code !== "ENOENT";
    throw new Stopped(isThere ? `${path} cannot be read` : `${path} is not there`);
  }
}

/** What stands in a file of settings, and not what it says about it. */
function saySettings(path: string, whole: string, format: string, log: Log): void {
  if (!isFile(whole)) return;
  const lines = readFileSync(whole, "utf8").split(/\r?\n/);
  const isSaid = (line: string) => line.trim() !== "" && !/^\s*(?:[;#]|\/\/|<\?|<!)/.test(line);
  const said = lines.filter(isSaid).map((line) => line.trim());
  log(`${path} (${format}): ${said.join(" ")}`);
}

/** What of the game itself is off, and what it was told besides. */
function sayStart(laws: Laws, { baseOff, launch, expansions }: Holds, log: Log): void {
  const nameOf = (id: string) => laws.baseItems?.find((each) => each.id === id)?.name ?? id;
  if (laws.expansions.length > 0)
    log(`expansions: ${expansions.length > 0 ? expansions.join(", ") : "none"}`);
  if (baseOff.length > 0) log(`left out of the game: ${baseOff.map(nameOf).join(", ")}`);
  for (const { id, label, standard } of laws.launchSettings ?? [])
    if ((launch[id] ?? standard) !== standard) log(`${label}: ${String(launch[id])}`);
}

/** The game's own plugins and those of the expansions that are on, which load first, in their fixed order. */
function openBase(laws: Laws, folder: string, { expansions }: Pick<Holds, "expansions">, log: Log): Loaded[] {
  const own = laws.builtIn.map((name) => [laws.baseFolder, name] as const);
  const more = laws.expansions
    .filter(({ id }) => expansions.includes(id))
    .flatMap((expansion) => expansion.plugins.map((name) => [expansion.folder, name] as const));
  const loaded = [...own, ...more].map(([below, name]) => {
    const path = join(folder, below, name);
    if (!isFile(path)) throw new Stopped(`${below}/${name} is not there`);
    return { name, from: below, header: headerOf(laws, readFileSync(path)) };
  });
  if (loaded.length > 0) log(`built in: ${loaded.length} plugins`);
  return loaded;
}

const isFolder = (path: string): boolean =>
  lstatSync(path, { throwIfNoEntry: false })?.isDirectory() === true;
const isFile = (path: string): boolean => lstatSync(path, { throwIfNoEntry: false })?.isFile() === true;

function headerOf(laws: Laws, bytes: Uint8Array): Header | Unreadable {
  if (!laws.pluginLayout) return { flags: 0, masters: [], lists: new Map() };
  try {
    return readHeader(bytes, laws.pluginLayout);
  } catch (error) {
    if (error instanceof Unreadable) return error;
    throw error;
  }
}

/** The same of what lies in the game's own folder. */
async function openLaidOut(
  laws: Laws,
  folders: readonly LaidFolder[],
  log: Log,
): Promise<Map<string, Loaded>> {
  const plugins = new Map<string, Loaded>();
  const owners = new Map<string, string>();
  const packed = new Map<string, readonly string[]>();
  for (const { name, files } of folders) {
    for (const file of pluginsAmong(laws, files)) {
      const header = headerOf(laws, await file.read());
      plugins.set(folded(laws, file.path), { name: file.path, from: name, header });
    }
    try {
      for (const file of files) {
        owners.set(folded(laws, file.path), name);
        if (isContainer(laws, file.path)) packed.set(folded(laws, file.path), await pathsIn(laws, file));
      }
    } catch (error) {
      if (error instanceof Unreadable) throw new Stopped(`${name} cannot be opened: ${error.message}`);
      throw error;
    }
    log(`open ${name}: ${files.length} files`);
  }
  sayPacked(owners, packed, log);
  return plugins;
}

/** What the mods bring, by folded name: of two that bring the same plugin, the mod that loads later wins. */
async function openMods(laws: Laws, { shelf, mods }: Holds, log: Log): Promise<Map<string, Loaded>> {
  const plugins = new Map<string, Loaded>();
  const owners = new Map<string, string>();
  const packed = new Map<string, readonly string[]>();
  for (const held of mods) {
    try {
      const opened = await openMod(laws, resolve(shelf, held.path), held);
      for (const file of pluginsAmong(laws, opened.taken)) {
        const { path } = file;
        const header = headerOf(laws, await file.read());
        plugins.set(folded(laws, path), { name: path, from: held.path, header });
      }
      log(await put(laws, held, opened, owners, packed));
    } catch (error) {
      if (error instanceof Unreadable) throw new Stopped(`${held.path} cannot be opened: ${error.message}`);
      throw error;
    }
  }
  sayPacked(owners, packed, log);
  return plugins;
}

/** Puts the files of a mod over those of the earlier ones; answers what there is to say of it. */
async function put(
  laws: Laws,
  held: Held,
  { taken, left }: OpenedMod,
  owners: Map<string, string>,
  packed: Map<string, readonly string[]>,
): Promise<string> {
  const replaced = taken.filter(({ path }) => owners.has(folded(laws, path))).length;
  for (const file of taken) {
    owners.set(folded(laws, file.path), held.path);
    if (isContainer(laws, file.path)) packed.set(folded(laws, file.path), await pathsIn(laws, file));
  }
  const brings = laws.lists.includes("plugins")
    ? `${pluginsAmong(laws, taken).length} plugins`
    : `${replaced} replaced`;
  return `open ${held.path}: ${taken.length} files, ${brings}${left > 0 ? `, ${left} left out` : ""}`;
}

/** What lies in a packed file, as the game compares it. */
async function pathsIn(laws: Laws, file: TakenFile): Promise<string[]> {
  const files = await filesInZip(Buffer.from(await file.read()));
  return files.map(({ path }) => folded(laws, path));
}

/** Loose files are found first, and hide what lies packed. */
function sayPacked(
  owners: ReadonlyMap<string, string>,
  packed: ReadonlyMap<string, readonly string[]>,
  log: Log,
): void {
  if (packed.size === 0) return;
  const paths = new Set([...packed.values()].flat());
  const hidden = [...paths].filter((path) => owners.has(path)).length;
  log(`packed: ${paths.size} files in ${packed.size}, ${hidden} of them hidden by loose ones`);
}

function loadAll(
  laws: Laws,
  base: readonly Loaded[],
  fromMods: ReadonlyMap<string, Loaded>,
  names: readonly string[],
  log: Log,
): void {
  const loading = [...base, ...names.map((name) => listed(laws, fromMods, name))];
  const places = new Map(loading.map(({ name }, at) => [folded(laws, name), at]));
  const used = new Map(laws.counting.map(({ id }) => [id, 0]));
  let reached = 0;
  for (const [at, { name, from, header }] of loading.entries()) {
    const line = `line ${at - base.length + 1} of ${laws.orderFile.path}`;
    if (header instanceof Unreadable)
      throw new Stopped(`${name} (${line}, from ${from}) cannot be read: ${header.message}`);
    const rank = at < base.length ? 0 : rankOf(laws, name, header);
    if (rank < reached) {
      const [own, before] = [laws.loadRanks[rank]!.id, laws.loadRanks[reached]!.id];
      throw new Stopped(`${name} (${line}) is ${own} and stands after ${before} ones`);
    }
    reached = rank;
    for (const master of header.masters) {
      const place = places.get(folded(laws, master));
      if (place === undefined) throw new Stopped(`${name} (${line}) needs ${master}, which is missing`);
      if (place >= at) throw new Stopped(`${name} (${line}) needs ${master}, which loads later`);
    }
    if (at >= base.length) count(laws, used, { name, header }, line);
    log(`load ${name}`);
  }
  sayLists(loading, log);
  log(
    laws.counting
      .map(({ id, label, cap }) => `${label.toLowerCase()} places: ${used.get(id)} of ${cap}`)
      .join(", "),
  );
}

/** Of a list to which several add the game knows only what the last one says: what of all that is in it. */
function sayLists(loading: readonly Loaded[], log: Log): void {
  const versions = new Map<string, { readonly name: string; readonly entries: readonly string[] }[]>();
  for (const { name, header } of loading)
    if (!(header instanceof Unreadable))
      for (const [record, entries] of header.lists)
        versions.set(record, [...(versions.get(record) ?? []), { name, entries }]);
  for (const [record, all] of versions) {
    if (all.length < 2) continue;
    const wanted = new Set(all.flatMap(({ entries }) => entries));
    const { name, entries } = all.at(-1)!;
    log(`list ${record}: ${new Set(entries).size} of ${wanted.size}, from ${name}`);
  }
}

function listed(laws: Laws, fromMods: ReadonlyMap<string, Loaded>, name: string): Loaded {
  const loaded = fromMods.get(folded(laws, name));
  if (loaded) return loaded;
  throw new Stopped(`${name} is listed in ${laws.orderFile.path}, but no mod in ${laws.holdsFile} brings it`);
}

const bears = ({ extensions, flag }: Mark, name: string, { flags }: Header): boolean =>
  (extensions ?? []).includes(endingOf(name)) || (flag !== undefined && ((flags >>> flag) & 1) === 1);

/** The first rank is built in, the last one takes what bears no mark. */
function rankOf({ loadRanks }: Laws, name: string, header: Header): number {
  const rank = loadRanks.findIndex((each, at) => at > 0 && bears(each, name, header));
  return rank < 0 ? loadRanks.length - 1 : rank;
}

/** Of a class the game holds only so many; the one without a mark takes what bears none. */
function count(
  { counting }: Laws,
  used: Map<string, number>,
  { name, header }: { readonly name: string; readonly header: Header },
  line: string,
): void {
  const kind =
    counting.find((each) => bears(each, name, header)) ??
    counting.find(({ extensions, flag }) => extensions === undefined && flag === undefined);
  if (!kind) return;
  const now = used.get(kind.id)! + 1;
  used.set(kind.id, now);
  if (now > kind.cap)
    throw new Stopped(
      `${name} (${line}) is one ${kind.label.toLowerCase()} plugin too many: ${kind.cap} can load`,
    );
}
