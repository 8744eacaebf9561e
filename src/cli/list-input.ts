import { readdirSync, readFileSync } from "node:fs";
import { basename, join, resolve } from "node:path";
import { rosterOfList } from "@/core/lineup/state-of-list";
import { knownMods } from "@/core/lineup/known";
import { lacksOf } from "@/core/lineup/verdict";
import { readDefinition } from "@/core/game/definition-flaws";
import { MODS_RANK, type GameDefinition } from "@/core/model/game";
import type { Lineup } from "@/core/model/lineup";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { PluginFile } from "@/core/model/shelf";
import { extensionOf } from "@/core/roster/fold";
import { emptyStock, makeRoster, type Roster, type Stock } from "@/core/roster/roster";
import { readPluginFiles } from "@/disk/read-mod";
import { readShelf } from "@/disk/read-shelf";
import { gameFiles, orderIn, readIfThere } from "@/disk/game-files";
import { readList, wholeLineupIn, type ListIn } from "@/formats/lineup/read";
import { resolveList, type ResolvedList } from "@/formats/lineup/resolve";
import { readRulebook } from "@/formats/rulebook-file";
import { parseJson } from "@/formats/text";
import { games as shippedGames } from "@/standin/games";
import { home } from "@/disk/places";
import { expectKind } from "./file-kind";
import { withBlendOf } from "./listed-blend";

/** A list as it was given. */
export interface ListFile {
  readonly bytes: Uint8Array;
  readonly name: string;
}

export interface ListOptions {
  /** Id of a game that ships, or the file of a definition. */
  readonly game?: string | undefined;
  /** A folder with definitions of games. */
  readonly games?: string | undefined;
  readonly shelf?: string | undefined;
  /** The folder of the game itself, whose own plugins then count. */
  readonly gameFolder?: string | undefined;
  readonly to?: string | undefined;
  /** The folder in which a list of what a game opens lies beside the order of its plugins. */
  readonly folder?: string | undefined;
}

/** A list as it is read with all that is known of its game and of the shelf. */
export interface ListRead {
  readonly game: GameDefinition;
  readonly stock: Stock;
  readonly list: ResolvedList;
  /** The game's own plugins are those of its folder; else those of the list stand for them, where it names them. */
  readonly hasGame: boolean;
}

/** `present` is the game where it is known already, as that of another list. */
export async function readListed(
  bytes: Uint8Array,
  name: string,
  options: ListOptions,
  present?: GameDefinition,
): Promise<Outcome<ListRead>> {
  const game = present ? done(present) : gameOf(bytes, options);
  if (!game.ok) return game;
  const alone = readList(bytes, name, game.value);
  const list = alone.ok ? await withOrderBeside(alone.value, game.value, options.folder) : alone;
  if (!list.ok) return list;
  const whole = list.value.kind === "lineup" ? list.value.lineup : null;
  const stock = await stockOf(game.value, options, whole);
  if (!stock.ok) return stock;
  if (!whole && options.shelf === undefined) return refuse("list-needs-shelf", { name });
  const known = knownMods(stock.value.shelf, []);
  const resolved = resolveList(list.value, game.value, known, stock.value, name);
  return done({
    game: game.value,
    stock: options.shelf === undefined ? stock.value : await withBlendOf(resolved, game.value, stock.value),
    list: resolved,
    hasGame: options.gameFolder !== undefined,
  });
}

/** A list of which everything that is on is here and sound, with the profile that is made of it. */
export async function readWholeList(
  { bytes, name }: ListFile,
  options: ListOptions,
  present?: GameDefinition,
): Promise<Outcome<{ readonly read: ListRead; readonly roster: Roster }>> {
  if (options.shelf === undefined) return refuse("list-needs-shelf", { name });
  const read = await readListed(bytes, name, options, present);
  if (!read.ok) return read;
  const { game, stock, list } = read.value;
  const roster = rosterOfList(game, list, stock);
  const lacks = lacksOf(list.lineup, list.claim, roster);
  if (lacks.length > 0)
    return refuse("list-lacks", { name, items: lacks.map(({ item }) => item).join(", ") });
  return done({ read: read.value, roster });
}

/** The profile that is made of a list, with books by which it goes besides its own: of rules that contradict, the earlier book's win. */
export function rosterWithBooks(
  { game, list, stock: plain }: ListRead,
  files: readonly ListFile[],
): Outcome<Roster> {
  const books = [];
  for (const { bytes, name } of files) {
    const book = readRulebook(bytes, name, game);
    if (!book.ok) return book;
    books.push(book.value);
  }
  const stock = { ...plain, books: [...books, ...plain.books] };
  const roster = rosterOfList(game, list, stock);
  const { state } = roster.profile;
  const given = books.map(({ id, version }) => ({ id, version, off: [] }));
  const profile = { ...roster.profile, state: { ...state, books: [...given, ...state.books] } };
  return done(makeRoster(game, profile, stock));
}

/** With the plugins in the order that the game would read there. */
async function withOrderBeside(
  list: ListIn,
  game: GameDefinition,
  folder: string | undefined,
): Promise<Outcome<ListIn>> {
  if (folder === undefined || list.kind !== "listing" || !game.lists.includes("plugins")) return done(list);
  const contents = await readIfThere(gameFiles(game, { order: resolve(folder) }).order);
  if (!contents.ok) return contents;
  const names = orderIn(game, contents.value)?.names ?? [];
  const lines = names.map((each) => ({ text: each, list: "plugins" as const, name: each, on: true }));
  return done({ ...list, listing: { ...list.listing, lines: [...list.listing.lines, ...lines] } });
}

/** The game of a list: the one that is named, or the one that the list names. */
function gameOf(bytes: Uint8Array, { game: wanted, games: folder }: ListOptions): Outcome<GameDefinition> {
  const known = [...definitionsIn(folder ?? join(home(), "games")), ...shippedGames];
  if (wanted !== undefined) {
    const found = known.find(({ id }) => id === wanted);
    return found ? done(found) : definitionIn(wanted, known);
  }
  for (const game of known) {
    const list = readList(bytes, "list", game);
    if (list.ok && (list.value.kind !== "listing" || list.value.listing.game?.id === game.id))
      return done(game);
  }
  const whole = wholeLineupIn(bytes);
  return whole ? done(gameOfLineup(whole)) : refuse("list-game", { known: idsOf(known) });
}

const idsOf = (known: readonly GameDefinition[]): string => known.map(({ id }) => id).join(", ");

/** The definition that a file holds. */
function definitionIn(path: string, known: readonly GameDefinition[]): Outcome<GameDefinition> {
  let text: string;
  try {
    text = readFileSync(path, "utf8");
  } catch {
    return refuse("no-such-game", { name: path, known: idsOf(known) });
  }
  const json = parseJson(text, basename(path));
  if (!json.ok) return json;
  const kind = expectKind(json.value, "game", basename(path));
  if (!kind.ok) return kind;
  const read = readDefinition(json.value);
  if ("definition" in read) return done(read.definition);
  const { path: at, text: why } = read.flaws[0]!;
  return refuse("definition-flaw", { path: `${basename(path)}: ${at}`, text: why });
}

/** Those of a folder; what is none is passed over. */
function definitionsIn(folder: string): GameDefinition[] {
  let names: string[];
  try {
    names = readdirSync(folder).filter((name) => name.endsWith(".json"));
  } catch {
    return [];
  }
  return names.flatMap((name) => {
    const read = definitionIn(join(folder, name), []);
    return read.ok ? [read.value] : [];
  });
}

/** As much of a game's laws as a whole lineup of it says: enough to read it, and to compare it with another one. */
function gameOfLineup({ game, sections, plugins, expansions }: Lineup): GameDefinition {
  const ranks = [...new Set(sections.map(({ rank }) => rank).filter((rank) => rank !== MODS_RANK))];
  return {
    format: "seating-game/1",
    id: game.id,
    name: game.id,
    version: game.version,
    lists: plugins.length > 0 ? ["mods", "plugins"] : ["mods"],
    sign: "",
    paths: { ignoreCase: true },
    contentFolders: [],
    pluginExtensions: [...new Set(plugins.map(({ name }) => extensionOf(name)))],
    loadRanks: ranks.map((id) => ({ id, label: id })),
    counting: [],
    baseFolder: "",
    builtIn: plugins.filter(({ mod }) => mod === null).map(({ name }) => name),
    expansions: expansions.map((id) => ({ id, name: id, folder: id, plugins: [] })),
    orderFile: { path: "order", dialect: "lines" },
    holdsFile: "holds.json",
    sections,
  };
}

async function stockOf(
  game: GameDefinition,
  { shelf, gameFolder: folder }: ListOptions,
  whole: Lineup | null,
): Promise<Outcome<Stock>> {
  const names = [...game.builtIn, ...game.expansions.flatMap(({ plugins }) => plugins)];
  const base =
    folder === undefined
      ? baseOfList(whole)
      : await readPluginFiles(game, join(resolve(folder), game.baseFolder), names);
  const bare: Stock = { ...emptyStock, base, owned: game.expansions.map(({ id }) => id) };
  if (shelf === undefined) return done(bare);
  try {
    const { mods } = await readShelf(game, [resolve(shelf)], []);
    return done({ ...bare, shelf: mods });
  } catch {
    return refuse("folder-missing", { path: shelf });
  }
}

/** Without the game's folder its own plugins are taken for those of the list, and so tell nothing apart. */
const baseOfList = (lineup: Lineup | null): PluginFile[] =>
  (lineup?.plugins ?? [])
    .filter(({ mod, sha256 }) => mod === null && sha256 !== null)
    .map(({ name, sha256 }) => ({ name, sha256: sha256!, size: 0, header: null, problem: null }));
