import { useSyncExternalStore } from "react";

/** What of the plan's look this browser remembers. */
export interface KeptLook {
  readonly gatherOff: boolean;
  readonly numbers: boolean;
  readonly compact: boolean;
}

const key = "seating-plan-look";
const plain: KeptLook = { gatherOff: false, numbers: false, compact: false };

let read: KeptLook | null = null;
const listeners = new Set<() => void>();

const getLook = (): KeptLook => (read ??= readLook());

function keepLook(look: KeptLook): void {
  localStorage.setItem(key, JSON.stringify(look));
  read = look;
  for (const listener of listeners) listener();
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** The plain one at first, as the server has drawn it. */
export function useLook(): [KeptLook, (look: KeptLook) => void] {
  return [useSyncExternalStore(subscribe, getLook, () => plain), keepLook];
}

function readLook(): KeptLook {
  try {
    const kept = JSON.parse(localStorage.getItem(key) ?? "{}") as Partial<Record<keyof KeptLook, unknown>>;
    return {
      gatherOff: kept.gatherOff === true,
      numbers: kept.numbers === true,
      compact: kept.compact === true,
    };
  } catch {
    return plain;
  }
}
