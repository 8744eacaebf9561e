import "server-only";
import { resolve } from "node:path";
import type { Drift } from "@/core/layout/drift";
import { laidAs } from "@/core/layout/laid-as";
import type { LayoutPreview, LayoutProgress } from "@/core/layout/preview";
import type { ProfileId } from "@/core/model/ids";
import type { LaidSummary } from "@/core/model/ledger";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { unpackFiles } from "@/core/model/packed-files";
import { layingOf } from "@/core/model/placement";
import type { Roster } from "@/core/roster/roster";
import { gameFiles, pathsOf } from "@/disk/game-files";
import { sayWriting } from "@/disk/layout/before";
import { keptIn, laidIn, modsToLay, type LayoutPlaces } from "@/disk/layout/lay-out";
import type { Laying } from "@/disk/layout/layout-hand";
import { datesKey } from "@/core/model/preferences";
import { listContents } from "@/store/contents";
import { readPreference } from "@/store/preferences";
import type { RegisteredGame } from "@/store/games";
import type { Context } from "../context";
import { oneAfterAnother } from "../one-after-another";
import { currentGame, readSituation } from "./situation";

export type OnProgress = (progress: LayoutProgress) => void;

export const placesOf = ({ folder }: Pick<Context, "folder">, { folders }: RegisteredGame): LayoutPlaces => ({
  game: folders.game,
  own: folder,
});

const isLaidOut = ({ definition }: RegisteredGame): boolean => layingOf(definition) !== null;

/** What lies in the game's folder; undefined for a game that reads a list of what to open. */
export const laidOf = (
  context: Pick<Context, "folder">,
  game: RegisteredGame,
): LaidSummary | null | undefined => (isLaidOut(game) ? laidIn(placesOf(context, game)) : undefined);

/** Whether its user wants plugins to have the dates of their order. */
export const isByDate = async (db: Context["db"], { id }: RegisteredGame): Promise<boolean> =>
  (await readPreference(db, id, datesKey)) === true;

async function whatToLay({ db }: Context, game: RegisteredGame, roster: Roster): Promise<Laying> {
  const on = roster.mods.flatMap(({ loads, gone, mod }) => (loads && !gone && mod?.content ? [mod] : []));
  const rows = await listContents(
    db,
    game.id,
    on.map(({ content }) => content!),
  );
  const files = new Map(rows.map((row) => [row.content, unpackFiles(row)]));
  return {
    game: game.definition,
    mods: modsToLay(roster, (content) => files.get(content) ?? []),
    as: laidAs(roster, await isByDate(db, game))!,
    paths: new Map(on.map(({ content, path }) => [content!, resolve(game.folders.shelves[0]!, path)])),
  };
}

/** What laying a profile out would do now. */
export async function previewLayout(context: Context, profileId: ProfileId): Promise<Outcome<LayoutPreview>> {
  const situation = await readSituation(context, profileId);
  if (!situation.ok) return situation;
  const { game, roster } = situation.value;
  if (!isLaidOut(game)) return refuse("layout-by-list", { game: game.definition.name });
  const laying = await whatToLay(context, game, roster);
  return context.layOut({ does: "preview", places: placesOf(context, game), laying });
}

export async function previewTakingBack(context: Context): Promise<Outcome<LayoutPreview>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  return context.layOut({ does: "preview-taking-back", places: placesOf(context, game.value) });
}

/** What is laid out just now for the present game ends as soon as it can, with all as it was before. */
export async function cancelLayout(context: Context): Promise<Outcome<null>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const stop = context.laying.get(game.value.id);
  if (stop) Atomics.store(stop, 0, 1);
  return done(null);
}

/** How an order is written where its mods are laid out, too. */
export interface LayingOut {
  readonly onProgress?: OnProgress;
  /** What somebody changed of what lies there is put again, too. */
  readonly putAgain?: boolean;
}

/** Lays a profile out in the folder of its game; nothing for a game that reads a list of what to open. */
export async function layOut(
  context: Context,
  game: RegisteredGame,
  roster: Roster,
  { onProgress, putAgain = false }: LayingOut = {},
): Promise<Outcome<null>> {
  if (!isLaidOut(game)) return done(null);
  const laying = await whatToLay(context, game, roster);
  const orderFiles = pathsOf(gameFiles(game.definition, game.folders));
  const stop = new Int32Array(new SharedArrayBuffer(4));
  context.laying.set(game.id, stop);
  const places = placesOf(context, game);
  try {
    const laid = await context.layOut(
      { does: "lay-out", places, laying, putAgain, orderFiles, stop },
      onProgress,
    );
    return laid.ok ? done(null) : laid;
  } finally {
    context.laying.delete(game.id);
  }
}

/** The order that is to be written beside what is laid out: whoever takes that back, the command too, knows it for Seating's. */
export function sayLaidOrder(
  context: Context,
  game: RegisteredGame,
  writing: ReadonlyMap<string, string | Uint8Array>,
): void {
  if (isLaidOut(game)) sayWriting(keptIn(placesOf(context, game), "order-before"), writing);
}

/** Takes all that is laid out for a game back, and puts the files in which it reads its order back, but for those that others wrote since. */
export const takeBack = (
  context: Context,
  game: RegisteredGame,
  othersFiles: readonly string[],
  onProgress?: OnProgress,
): Promise<Outcome<LayoutPreview>> =>
  context.layOut({ does: "take-back", places: placesOf(context, game), othersFiles }, onProgress);

/** What in the present game's folder is not as Seating left it. */
export async function readDrift(context: Context): Promise<Outcome<Drift>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const { definition } = game.value;
  return context.layOut({ does: "drift", places: placesOf(context, game.value), game: definition });
}

/** Files are as they should be from now on, as they lie there; `isBare`: they are all that the bare game has. */
export const acceptFiles = (
  context: Context,
  paths: readonly string[],
  isBare: boolean,
): Promise<Outcome<null>> =>
  inTurn(context, (game) =>
    context.layOut({ does: "accept", places: placesOf(context, game), paths, isBare }),
  );

export const setFilesAside = (context: Context, paths: readonly string[]): Promise<Outcome<null>> =>
  inTurn(context, (game) => context.layOut({ does: "set-aside", places: placesOf(context, game), paths }));

/** Nothing is changed under a game that runs. */
export const unlessItRuns = async <T>(
  context: Context,
  game: RegisteredGame,
  work: (game: RegisteredGame) => Promise<Outcome<T>>,
): Promise<Outcome<T>> =>
  context.trials.ofGame(game.id) ? refuse("game-runs", { game: game.definition.name }) : work(game);

/** What is done in the present game's folder waits for what is being done there. */
export async function inTurn<T>(
  context: Context,
  work: (game: RegisteredGame) => Promise<Outcome<T>>,
): Promise<Outcome<T>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  return oneAfterAnother(context.writing, game.value.id, () => unlessItRuns(context, game.value, work));
}
