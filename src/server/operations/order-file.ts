import { say } from "@/core/language/say";
import "server-only";
import { randomUUID } from "node:crypto";
import type { OnDisk, OrderFileOwner } from "@/core/check/check";
import { changeOfOrder, namesToWrite, type OrderChange } from "@/core/check/order-file";
import { label } from "@/core/edit/steps";
import { claimOfListing } from "@/core/lineup/claim";
import { lineupOfListing } from "@/core/lineup/draft";
import { knownMods } from "@/core/lineup/known";
import { matchLines, type MatchedLine } from "@/core/lineup/match-lines";
import { takeListIn } from "@/core/lineup/take-in";
import { mainList, type GameDefinition } from "@/core/model/game";
import { foldName } from "@/core/roster/fold";
import { wantedSettings } from "@/core/roster/settings";
import { loadRankOf } from "@/core/roster/laws";
import { copiesKey, CopiesKept, usualCopies } from "@/core/model/preferences";
import type { ProfileId } from "@/core/model/ids";
import type { ListLine } from "@/core/model/listing";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import {
  gameFiles,
  orderContents,
  orderIn,
  pathsOf,
  readContents,
  readIfThere,
  sha256Of,
  writeGameFiles,
  type GameFiles,
} from "@/disk/game-files";
import { readInstalled } from "@/disk/installed";
import { foldersOfOrders, noneMeant } from "@/disk/profiles-of-game";
import { holdsOf, writeHolds } from "@/formats/holds";
import { findGameOf, type RegisteredGame } from "@/store/games";
import { readHistory } from "@/store/journal";
import { readPreference } from "@/store/preferences";
import * as store from "@/store/order-files";
import { setProfileOfGame } from "@/store/profiles";
import type { Tx } from "@/store/sql";
import type { Context } from "../context";
import { oneAfterAnother } from "../one-after-another";
import { storeEdit, type Stored } from "./edit-profile";
import {
  inTurn,
  unlessItRuns,
  isByDate,
  laidOf,
  layOut,
  sayLaidOrder,
  takeBack,
  type LayingOut,
  type OnProgress,
} from "./layout";
import { putKeptFiles } from "./kept-files";
import { asMeant, profileOfGame } from "./profile-of-game";
import { planSettings, setLines, standingSettings } from "./settings";
import { currentGame, readGround, readSituation } from "./situation";

type Contents = { readonly [File in keyof GameFiles]: Uint8Array | null };

/** What the game would read now, and whose it is; what cannot be read counts as nothing, and is refused once it is to be written. */
export async function readOnDisk(
  context: Pick<Context, "db" | "folder">,
  game: RegisteredGame,
): Promise<OnDisk> {
  const meant = await asMeant(game);
  const files = meant.ok ? gameFiles(game.definition, meant.value.folders) : null;
  const contents: Contents = {
    order: files && valueOr(await readIfThere(files.order), null),
    holds: files && valueOr(await readIfThere(files.holds), null),
  };
  const laid = laidOf(context, game);
  const settings = await standingSettings(context.db, valueOr(meant, game));
  const ofGame = await profileOfGame(game);
  const installed = await readInstalled(game.definition, game.folders.game);
  const said = {
    ...readContents(game.definition, game.folders.shelves[0], contents),
    ...(laid !== undefined && { laid }),
    ...(laid !== undefined && (await isByDate(context.db, game)) && { isByDate: true as const }),
    ...(settings && { settings }),
    ...(installed && { installed }),
    ...(ofGame && { ofGame }),
  };
  if (!files || !contents.order) return said;
  return {
    ...said,
    file: ownerOf(contents.order, await store.findWritten(context.db, game.id, files.order)),
  };
}

const valueOr = <T>(outcome: Outcome<T>, other: T): T => (outcome.ok ? outcome.value : other);

async function contentsOf(files: GameFiles): Promise<Outcome<Contents>> {
  const order = await readIfThere(files.order);
  if (!order.ok) return order;
  const holds = await readIfThere(files.holds);
  return holds.ok ? done({ order: order.value, holds: holds.value }) : holds;
}

function ownerOf(contents: Uint8Array, written: store.WrittenFile | null): OrderFileOwner {
  const sha256 = sha256Of(contents);
  if (written && (written.sha256 === sha256 || written.pending === sha256))
    return { by: "ours", profile: written.profileId, edits: written.edits };
  return { by: "theirs", sha256 };
}

export async function readOrderOnDisk(context: Context): Promise<Outcome<OnDisk>> {
  const game = await currentGame(context);
  return game.ok ? done(await readOnDisk(context, game.value)) : game;
}

/** What a game that keeps profiles of its own would read for the present profile; null for any other. */
export async function readOwnOrder(context: Context): Promise<OnDisk | null> {
  const game = await currentGame(context);
  return game.ok && game.value.definition.profilesOfGame ? readOnDisk(context, game.value) : null;
}

/**
 * Lays the mods out where the game finds them in its folder, writes the order file and `holds.json` where it reads them, and reads all of
 * it back. What somebody else has written there is written over only if it is what its user has `seen`, by its hash, and a copy of it is
 * kept.
 */
export async function writeOrder(
  context: Context,
  profileId: ProfileId,
  seen: string | null,
  laying: LayingOut = {},
): Promise<Outcome<OnDisk>> {
  const ground = await readGround(context, profileId);
  if (!ground.ok) return ground;
  const { game: present } = ground.value;
  const write = async (): Promise<Outcome<OnDisk>> => {
    const situation = await readSituation(context, profileId);
    if (!situation.ok) return situation;
    const { roster } = situation.value;
    const meant = await asMeant(situation.value.game);
    if (!meant.ok) return meant;
    const game = meant.value;
    const { definition, folders } = game;
    const files = gameFiles(definition, folders);
    const contents = await contentsOf(files);
    if (!contents.ok) return contents;
    const before = contents.value;
    const after = {
      order: orderContents(definition, namesToWrite(roster), before.order),
      holds: writeHolds(holdsOf(roster, folders.shelves[0]!)),
    };
    if (await isTheirs(context, game.id, files.order, before.order, after.order, seen))
      return refuse("order-file-theirs", { path: definition.orderFile.path });
    const lines = wantedSettings(roster);
    // Before anything is done, what could not be is refused; a mod may bring one of the files, so that it is looked at once more then.
    const fits = await planSettings(context.db, game, lines);
    if (!fits.ok) return fits;
    const edits = (await readHistory(context.db, profileId)).edits;
    const laid = await layOut(context, game, roster, laying);
    if (!laid.ok) return laid;
    const written = await writeOver(context, game, before, after, { profileId, edits });
    if (!written.ok) return written;
    const set = await setLines(context, game, lines);
    return set.ok ? done(await readOnDisk(context, situation.value.game)) : set;
  };
  return oneAfterAnother(context.writing, present.id, () => unlessItRuns(context, present, write));
}

async function isTheirs(
  { db }: Context,
  gameId: string,
  path: string,
  before: Uint8Array | null,
  after: string,
  seen: string | null,
): Promise<boolean> {
  if (!before || before.length === 0 || sha256Of(before) === sha256Of(after)) return false;
  const owner = ownerOf(before, await store.findWritten(db, gameId, path));
  return owner.by === "theirs" && owner.sha256 !== seen;
}

/** Keeps a copy of what is not as Seating wrote it, and writes; whatever ends it midway, what is there is known for what it is. */
async function writeOver(
  context: Context,
  game: RegisteredGame,
  before: Contents,
  after: { readonly [File in keyof GameFiles]: string | Uint8Array },
  from: { readonly profileId: ProfileId | null; readonly edits: number },
): Promise<Outcome<null>> {
  const { db } = context;
  const files = gameFiles(game.definition, game.folders);
  const kinds = ["holds", "order"] as const;
  await db.transaction(async (tx) => {
    for (const kind of kinds) {
      if (!before[kind] || sha256Of(before[kind]) !== sha256Of(after[kind]))
        await keepTheirs(tx, game.id, files[kind], before[kind]);
      await store.willWrite(tx, game.id, files[kind], sha256Of(after[kind]));
    }
  });
  sayLaidOrder(context, game, new Map(kinds.map((kind) => [files[kind], after[kind]])));
  const written = await writeGameFiles(
    game.definition,
    game.folders,
    kinds.map((kind) => ({ path: files[kind], contents: after[kind] })),
  );
  if (!written.ok) return written;
  await db.transaction(async (tx) => {
    for (const kind of kinds)
      await store.hasWritten(tx, game.id, { path: files[kind], sha256: sha256Of(after[kind]), ...from });
  });
  return done(null);
}

/** An order file that somebody else has written, held against what the profile would write. */
export interface TheirOrder {
  readonly path: string;
  /** By which it is known again; null where there is none. */
  readonly sha256: string | null;
  /** What writing this profile would change in it. */
  readonly writing: OrderChange;
  /** How many it names, and those of them that nothing on the shelf brings. */
  readonly count: number;
  readonly unknown: readonly string[];
}

export async function lookAtOrder(context: Context, profileId: ProfileId): Promise<Outcome<TheirOrder>> {
  const situation = await readSituation(context, profileId);
  if (!situation.ok) return situation;
  const { game, roster, stock } = situation.value;
  const read = await orderOf(game);
  if (!read.ok) return read;
  const contents = read.value;
  const there = orderIn(game.definition, contents);
  const lines = linesOf(game, there?.items ?? []);
  const { known, fixed } = matched(game, lines, stock.shelf);
  const isKnown = new Set([...known, ...fixed].map(({ line }) => line));
  return done({
    path: game.definition.orderFile.path,
    sha256: contents && sha256Of(contents),
    writing: changeOfOrder(game.definition, there?.names ?? [], namesToWrite(roster)),
    count: lines.length,
    unknown: lines.filter((line) => !isKnown.has(line)).map(({ name }) => name),
  });
}

/** The contents of the order file; null where there is none. */
async function orderOf(game: RegisteredGame): Promise<Outcome<Uint8Array | null>> {
  const meant = await asMeant(game);
  return meant.ok ? readIfThere(gameFiles(game.definition, meant.value.folders).order) : meant;
}

const linesOf = (
  { definition }: RegisteredGame,
  items: readonly { readonly name: string; readonly on: boolean }[],
): ListLine[] => items.map(({ name, on }) => ({ text: name, name, on, list: mainList(definition) }));

/** The lines that name something exactly: what is merely like it is another thing in a game's own file. */
function matched(
  { definition }: RegisteredGame,
  lines: readonly ListLine[],
  shelf: Parameters<typeof knownMods>[0],
): { known: MatchedLine[]; fixed: MatchedLine[] } {
  const all = matchLines(definition, lines, knownMods(shelf, []));
  const wanted = mainList(definition) === "plugins" ? "plugin" : "id";
  return { known: all.filter(({ how }) => how === wanted), fixed: all.filter(({ how }) => how === "game") };
}

/**
 * Takes over the order that the game has, by one edit: what it names is on or off as it says, in its order, with the mods that bring
 * it; what else the profile holds is switched off. What nothing on the shelf brings stays out.
 */
export async function takeOverOrder(
  context: Context,
  profileId: ProfileId,
  version: number,
): Promise<Outcome<Stored>> {
  const situation = await readSituation(context, profileId);
  if (!situation.ok) return situation;
  const { game, roster, stock, profile } = situation.value;
  const { definition } = game;
  const contents = await orderOf(game);
  if (!contents.ok) return contents;
  const there = orderIn(definition, contents.value);
  if (!there) return refuse("order-file-absent", { path: definition.orderFile.path });
  const lines = linesOf(game, there.items);
  const known = byRank(definition, matched(game, lines, stock.shelf).known);
  const listing = { title: profile.name, game: null, lines, byTags: true as const };
  const lineup = lineupOfListing(definition, listing, known, stock, profile.name);
  const claim = claimOfListing(definition, listing, known, "order file", lineup);
  return storeEdit(context, profileId, version, {
    label: label("take-over-order", { path: definition.orderFile.path }),
    steps: [{ kind: "replace", state: takeListIn(roster, { lineup, claim }, "alone") }],
    restorePoint: say("server.beforeTheGameSOrderWas"),
  });
}

/** As the game loads them: what is of an earlier load rank comes earlier, wherever it is named. */
function byRank(game: GameDefinition, lines: readonly MatchedLine[]): MatchedLine[] {
  const placeOf = new Map(game.loadRanks.map(({ id }, at) => [id, at]));
  const rankOf = ({ known, plugin }: MatchedLine): number => {
    const file = known?.mod.plugins.find(
      ({ name }) => plugin !== null && foldName(game, name) === foldName(game, plugin),
    );
    return file ? placeOf.get(loadRankOf(game, file, new Set()).id)! : 0;
  };
  return [...lines].sort((a, b) => rankOf(a) - rankOf(b));
}

/** Takes all that is laid out back, and the order files with it; what somebody else has written since stays. */
export async function takeAllBack(context: Context, onProgress?: OnProgress): Promise<Outcome<OnDisk>> {
  return inTurn(context, async (game) => {
    const othersFiles: string[] = [];
    // Of every profile that the game itself keeps.
    for (const order of await foldersOfOrders(game.definition, game.folders))
      for (const path of pathsOf(gameFiles(game.definition, { order }))) {
        const contents = await readIfThere(path);
        if (!contents.ok) return contents;
        if (await isOthers(context, game.id, path, contents.value)) othersFiles.push(path);
      }
    // First, so that folders that were made for them are empty by then.
    const set = await setLines(context, game, []);
    if (!set.ok) return set;
    const put = await putKeptFiles(context, game, null);
    if (!put.ok) return put;
    const taken = await takeBack(context, game, othersFiles, onProgress);
    return taken.ok ? done(await readOnDisk(context, game)) : taken;
  });
}

async function isOthers(
  { db }: Context,
  gameId: string,
  path: string,
  contents: Uint8Array | null,
): Promise<boolean> {
  return contents !== null && ownerOf(contents, await store.findWritten(db, gameId, path)).by === "theirs";
}

/** Which of its game's own profiles a profile is for; null: the only one that there is. */
export async function chooseProfileOfGame(
  context: Context,
  profileId: ProfileId,
  name: string | null,
): Promise<Outcome<OnDisk>> {
  const game = await findGameOf(context.db, profileId);
  if (!game) return refuse("no-profile");
  const names = (await profileOfGame(game))?.names ?? [];
  if (name !== null && !names.includes(name)) return noneMeant(game.definition, { names, chosen: name });
  await setProfileOfGame(context.db, profileId, name);
  context.events.publish({ kind: "profiles" });
  return done(await readOnDisk(context, { ...game, ofGame: name }));
}

export interface CopyListed {
  readonly id: string;
  readonly path: string;
  /** ISO 8601. */
  readonly at: string;
  /** In bytes. */
  readonly size: number;
}

export async function listCopies(context: Context): Promise<Outcome<CopyListed[]>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const copies = await store.listCopies(context.db, game.value.id);
  return done(copies.map((copy) => ({ ...copy, at: copy.at.toISOString() })));
}

/** Puts a copy back where it was kept from; what lies there now is kept in its turn, if Seating did not write it. */
export async function putCopyBack(context: Context, id: string): Promise<Outcome<OnDisk>> {
  return inTurn(context, async (game) => {
    const copy = await store.findCopy(context.db, game.id, id);
    if (!copy) return refuse("copy-gone");
    const folders = await foldersOfOrders(game.definition, game.folders);
    const isOfOrder = folders.some((order) =>
      pathsOf(gameFiles(game.definition, { order })).includes(copy.path),
    );
    if (!isOfOrder) return refuse("copy-elsewhere", { path: copy.path });
    const before = await readIfThere(copy.path);
    if (!before.ok) return before;
    await context.db.transaction((tx) => keepTheirs(tx, game.id, copy.path, before.value));
    const written = await writeGameFiles(game.definition, game.folders, [
      { path: copy.path, contents: copy.contents },
    ]);
    return written.ok ? done(await readOnDisk(context, game)) : written;
  });
}

async function keepTheirs(tx: Tx, gameId: string, path: string, contents: Uint8Array | null): Promise<void> {
  const owner = contents && ownerOf(contents, await store.findWritten(tx, gameId, path));
  if (!contents || owner?.by !== "theirs") return;
  await store.keepCopy(tx, randomUUID(), gameId, { path, sha256: owner.sha256, contents });
  const set = CopiesKept.safeParse(await readPreference(tx, gameId, copiesKey));
  await store.dropOldCopies(tx, gameId, path, set.success ? set.data : usualCopies);
}
