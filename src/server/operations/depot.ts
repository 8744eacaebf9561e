import "server-only";
import { copyFile, mkdir } from "node:fs/promises";
import { join } from "node:path";
import type { DepotCatalogue } from "@/core/model/depot";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { Transfer, TransferState } from "@/core/model/transfer";
import type { RegisteredGame } from "@/store/games";
import { listShelf } from "@/store/shelf";
import * as store from "@/store/transfers";
import { sha256OfFile } from "@/disk/digest";
import type { Context } from "../context";
import { TransferQueue } from "../depot/queue";
import { readShelfOfGame } from "./read-shelf";
import { currentGame } from "./situation";
import { dropIncoming, makeRoom, planTakeIn, takeIn } from "./take-in";

/** What the depot offers for the present game; null where it offers nothing. */
export async function readCatalogue(context: Context): Promise<Outcome<DepotCatalogue | null>> {
  const game = await currentGame(context);
  return game.ok ? done(await context.depots.depot.catalogue(game.value.id)) : game;
}

export interface DepotState {
  readonly signedIn: boolean;
  readonly transfers: readonly Transfer[];
  readonly running: boolean;
  readonly halted: "paused" | "signed-out" | null;
  readonly bytesPerSecond: number;
}

export async function readDepot(context: Context): Promise<Outcome<DepotState>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const queue = queueOf(context, game.value);
  return done({
    signedIn: context.depots.depot.isSignedIn,
    transfers: await store.listTransfers(context.db, game.value.id),
    ...queue.state,
  });
}

function queueOf(context: Context, game: RegisteredGame): TransferQueue {
  const known = context.depots.queues.get(game.id);
  if (known) return known;
  // It goes on whatever the window that began it works on then.
  const own: Context = { ...context, at: game.profileId };
  const { folder } = context;
  const accept = async (path: string, { file, sha256 }: Transfer) => {
    // Whoever asks twice has it once: what lies there already, read or not, does not come again.
    const there = join(game.folders.shelves[0]!, file);
    if ((await sha256OfFile(there).catch(() => null)) === sha256) return null;
    const incoming = join(folder, "incoming");
    await mkdir(incoming, { recursive: true });
    const room = await makeRoom(incoming, file);
    if (!room.ok) return room.refusal;
    await copyFile(path, room.value.path);
    const plan = await planTakeIn(own, incoming, room.value.id);
    if (!plan.ok) return plan.refusal;
    if (plan.value.versions.some(({ same }) => same)) {
      await dropIncoming(incoming, room.value.id);
      return null;
    }
    const taken = await takeIn(own, incoming, room.value.id);
    return taken.ok ? null : taken.refusal;
  };
  const onDone = async () => void (await readShelfOfGame(own, () => undefined));
  const onChange = () => context.events.publish({ kind: "depot", game: game.id });
  const parts = join(folder, "transfers");
  const queue = new TransferQueue(
    context.db,
    context.depots.depot,
    game,
    { parts },
    accept,
    onDone,
    onChange,
  );
  context.depots.queues.set(game.id, queue);
  return queue;
}

/** Puts archives of the depot into the queue, what is needed first, and begins; what has only a page waits for a hand. */
export async function getFromDepot(context: Context, files: readonly string[]): Promise<Outcome<DepotState>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const catalogue = await context.depots.depot.catalogue(game.value.id);
  const byFile = new Map(catalogue?.mods.map((each) => [each.mod.path, each]));
  const wanted = [...new Set(files)].map((file) => byFile.get(file));
  const absent = files.find((file) => !byFile.has(file));
  if (absent !== undefined) return refuse("not-in-depot", { name: absent });
  const shelf = await listShelf(context.db, game.value.id);
  const lying = new Set(shelf.filter(({ problem }) => !problem).map(({ content }) => content));
  const absentMods = wanted.filter((each) => !lying.has(each!.mod.content));
  const transfers = absentMods.map((each): Transfer => {
    const { mod, terms } = each!;
    return {
      file: mod.path,
      modId: mod.id,
      name: mod.name,
      version: mod.version,
      size: mod.size,
      sha256: mod.archiveSha256!,
      state: terms ? "by-hand" : "waiting",
      received: 0,
      tries: 0,
      problem: null,
    };
  });
  await store.addTransfers(context.db, game.value.id, transfers);
  queueOf(context, game.value).start();
  return readDepot(context);
}

export type DepotAct = "sign-in" | "sign-out" | "go-on" | "pause" | "retry" | "clear";
const ended: readonly TransferState[] = ["got", "by-hand"];

export async function actOnDepot(context: Context, act: DepotAct): Promise<Outcome<DepotState>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  const { depot } = context.depots;
  const queue = queueOf(context, game.value);
  const waits = async () =>
    (await store.listTransfers(context.db, game.value.id)).some(({ state }) => state === "waiting");
  if (act === "sign-in") {
    depot.signIn();
    if (queue.state.halted === "signed-out" && (await waits())) queue.start();
  } else if (act === "sign-out") depot.signOut();
  else if (act === "go-on") queue.start();
  else if (act === "pause") await queue.pause();
  else if (act === "retry") {
    await store.retryFailed(context.db, game.value.id);
    queue.start();
  } else await store.clearTransfers(context.db, game.value.id, ended);
  return readDepot(context);
}

/** Takes everything that is not got yet out of the queue. */
export async function emptyQueue(context: Context): Promise<Outcome<DepotState>> {
  const game = await currentGame(context);
  if (!game.ok) return game;
  await queueOf(context, game.value).pause();
  await store.clearTransfers(context.db, game.value.id, ["waiting", "failed", "by-hand"]);
  return readDepot(context);
}
