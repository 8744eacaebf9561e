import { z } from "zod";
import { Edit } from "@/core/model/edit";
import { ProfileId } from "@/core/model/ids";
import type { Pending } from "./pending";

/** Where what is pending outlives its window: the browser's storage, which all windows share, and its locks. */
export interface OutboxPlace {
  readonly storage: Pick<Storage, "getItem" | "setItem" | "removeItem" | "key" | "length">;
  readonly session: Pick<Storage, "getItem" | "setItem">;
  readonly locks: Pick<LockManager, "request">;
}

export interface Outbox {
  readonly read: () => readonly Pending[];
  readonly keep: (pending: readonly Pending[]) => void;
}

const prefix = "seating-outbox-";
const nameKey = "seating-window";
/** Milliseconds; a page that is loaded anew has its lock by then, for the one before has let go of it. */
const patience = 2000;

const Kept = z.array(z.object({ id: z.uuid(), profile: ProfileId, on: z.int(), edit: Edit }));

/**
 * Opens what this window keeps, under a name that stays over a reload and that no other living window has, and takes over what
 * windows have left that live no more. Called once a window.
 */
export async function openOutbox(place: OutboxPlace): Promise<Outbox> {
  const mine = await takeName(place);
  await takeOver(place, mine);
  return {
    read: () => read(place.storage, mine),
    keep: (pending) => write(place.storage, mine, pending),
  };
}

/** A name whose lock this window has as long as it lives; a window that was doubled has the name of another one, and gets its own. */
async function takeName({ session, locks }: OutboxPlace): Promise<string> {
  const before = session.getItem(nameKey);
  if (before && (await hold(locks, prefix + before, { signal: AbortSignal.timeout(patience) })))
    return prefix + before;
  const name = crypto.randomUUID();
  session.setItem(nameKey, name);
  await hold(locks, prefix + name, {});
  return prefix + name;
}

/** Resolves with true as soon as the lock is had, which it is from then on; with false where it cannot be had. */
function hold(locks: OutboxPlace["locks"], name: string, options: LockOptions): Promise<boolean> {
  return new Promise((resolve) => {
    const forEver = () => {
      resolve(true);
      return new Promise<void>(() => undefined);
    };
    locks.request(name, options, forEver).catch(() => resolve(false));
  });
}

async function takeOver({ storage, locks }: OutboxPlace, mine: string): Promise<void> {
  for (const name of namesIn(storage)) {
    if (name === mine) continue;
    await locks.request(name, { ifAvailable: true }, (lock) => {
      if (!lock) return;
      const isKept = write(storage, mine, [...read(storage, mine), ...read(storage, name)]);
      if (isKept) storage.removeItem(name);
    });
  }
}

const namesIn = (storage: OutboxPlace["storage"]): string[] =>
  Array.from({ length: storage.length }, (_, at) => storage.key(at) ?? "").filter((name) =>
    name.startsWith(prefix),
  );

function read(storage: OutboxPlace["storage"], name: string): Pending[] {
  try {
    return Kept.parse(JSON.parse(storage.getItem(name) ?? "[]"));
  } catch {
    // Nothing that this Seating has written.
    return [];
  }
}

/** Answers with false where there is no room: what is pending is then in the window's memory alone, and leaving asks. */
function write(storage: OutboxPlace["storage"], name: string, pending: readonly Pending[]): boolean {
  try {
    if (pending.length === 0) storage.removeItem(name);
    else
      storage.setItem(
        name,
        JSON.stringify(pending.map(({ id, profile, on, edit }) => ({ id, profile, on, edit }))),
      );
    return true;
  } catch {
    return false;
  }
}
