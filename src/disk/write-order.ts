import { mkdir, readFile, rename, rm, writeFile } from "node:fs/promises";
import { dirname, join } from "node:path";
import type { OnDisk } from "@/core/check/check";
import type { GameDefinition } from "@/core/model/game";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import { readHolds, writeHolds, type Holds } from "@/formats/holds";
import { plainStyle, readOrderFile, writeOrderFile, type OrderFile } from "@/formats/order-file";

const isAbsent = (error: unknown): boolean => (error as NodeJS.ErrnoException).code === "ENOENT";

async function readIfThere(path: string): Promise<Uint8Array | null> {
  try {
    return await readFile(path);
  } catch (error) {
    if (isAbsent(error)) return null;
    throw error;
  }
}

/** The order file as it stands; null where there is none or it is no text. */
export async function readGameOrder(game: GameDefinition, folder: string): Promise<OrderFile | null> {
  const { path, dialect } = game.orderFile;
  const bytes = await readIfThere(join(folder, path));
  const parsed = bytes && readOrderFile(bytes, dialect, path);
  return parsed?.ok ? parsed.value : null;
}

/** What the game would read now. Holds written for another shelf folder count as none. */
export async function readOnDisk(
  game: GameDefinition,
  folder: string,
  shelf: string | undefined,
): Promise<OnDisk> {
  const order = await readGameOrder(game, folder);
  const bytes = await readIfThere(join(folder, game.holdsFile));
  const holds = bytes && readHolds(bytes, game.holdsFile);
  const current = holds?.ok && holds.value.game === game.id && holds.value.shelf === shelf;
  if (!current) return { order: order?.names ?? null, holds: null };
  const { expansions, baseOff, launch, mods } = holds.value;
  return {
    order: order?.names ?? null,
    holds: mods,
    start: { expansions, baseOff, launch },
  };
}

/** Writes both files, each whole or not at all; the order file keeps its byte-order mark and line ends. */
export async function writeGameOrder(
  game: GameDefinition,
  folder: string,
  names: readonly string[],
  holds: Holds,
): Promise<Outcome<null>> {
  const { path, dialect } = game.orderFile;
  try {
    const style = (await readGameOrder(game, folder))?.style ?? plainStyle;
    await writeWhole(join(folder, game.holdsFile), writeHolds(holds));
    await writeWhole(join(folder, path), writeOrderFile(names, dialect, style));
    return done(null);
  } catch (error) {
    return refuse("cannot-write", { path, detail: (error as Error).message });
  }
}

/** Beside its target first, then renamed over it, so that no reader ever sees half a file. */
async function writeWhole(path: string, text: string): Promise<void> {
  await mkdir(dirname(path), { recursive: true });
  const draft = `${path}.seating-${process.pid}`;
  try {
    await writeFile(draft, text, { flush: true });
    await rename(draft, path);
  } catch (error) {
    await rm(draft, { force: true });
    throw error;
  }
}
