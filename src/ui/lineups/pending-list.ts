import { useSyncExternalStore } from "react";
import { listeningTo } from "../kit/listening";

/** A list that was dropped somewhere else in the window and waits to be looked at. */
let pending: File | null = null;
const listeners = new Set<() => void>();

export function offerList(file: File | null): void {
  pending = file;
  for (const listener of listeners) listener();
}

const subscribe = listeningTo(listeners);

export const usePendingList = (): File | null =>
  useSyncExternalStore(
    subscribe,
    () => pending,
    () => null,
  );

/** Files by whose names one sees that they may be lists. */
export const isListName = (name: string): boolean =>
  /\.(?:json|txt|md|markdown|csv|tsv|xml|ya?ml|html?|ini|lst|list)$/i.test(name);
