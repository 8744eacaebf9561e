import { mkdirSync, writeFileSync } from "node:fs";
import { basename, dirname, join, resolve } from "node:path";
import { namesToWrite } from "@/core/check/order-file";
import type { GameDefinition } from "@/core/model/game";
import { done, type Outcome } from "@/core/model/outcome";
import type { Roster } from "@/core/roster/roster";
import { sha256Of } from "@/disk/digest";
import { gameFiles, orderContents, readIfThere, writeGameFiles, type GameFiles } from "@/disk/game-files";
import { isKnown, sayWriting } from "@/disk/layout/before";
import { keptIn, type LayoutPlaces } from "@/disk/layout/lay-out";
import { meantFolders } from "@/disk/profiles-of-game";
import { holdsOf, writeHolds } from "@/formats/holds";

export interface OrderPlace {
  /** The folder below which the game reads its order: its own, where this is left out. */
  readonly orderFolder?: string | undefined;
  /** The profile of the game's own that is meant. */
  readonly for?: string | undefined;
}

/** Where the game reads its order; refused where it keeps several profiles of its own, and none is named. */
export async function orderFilesOf(
  game: GameDefinition,
  { game: folder }: LayoutPlaces,
  { orderFolder = folder, for: chosen }: OrderPlace,
): Promise<Outcome<GameFiles>> {
  const folders = { game: folder, order: resolve(orderFolder), shelves: [] };
  const meant = await meantFolders(game, folders, chosen ?? null);
  return meant.ok ? done(gameFiles(game, meant.value.folders)) : meant;
}

/** Writes the order of a profile where its game reads it. Answers where what somebody else had written there is kept. */
export async function writeLaidOrder(
  roster: Roster,
  places: LayoutPlaces,
  shelf: string,
  files: GameFiles,
): Promise<Outcome<string[]>> {
  const { game } = roster;
  const state = keptIn(places, "order-before");
  const kept: string[] = [];
  const before = await readIfThere(files.order);
  if (!before.ok) return before;
  const contents = new Map<string, string>([
    [files.holds, writeHolds(holdsOf(roster, resolve(shelf)))],
    [files.order, orderContents(game, namesToWrite(roster), before.value)],
  ]);
  for (const path of contents.keys()) {
    const there = await readIfThere(path);
    if (!there.ok) return there;
    if (there.value === null || isKnown(state, path, there.value)) continue;
    kept.push(keepCopy(dirname(state), path, there.value));
  }
  sayWriting(state, contents);
  const written = await writeGameFiles(
    game,
    places,
    [...contents].map(([path, text]) => ({ path, contents: text })),
  );
  return written.ok ? done(kept) : written;
}

function keepCopy(state: string, path: string, contents: Uint8Array): string {
  const at = join(state, "kept", "orders", `${sha256Of(contents).slice(0, 16)}-${basename(path)}`);
  mkdirSync(dirname(at), { recursive: true });
  writeFileSync(at, contents);
  return at;
}
