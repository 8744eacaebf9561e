import { useSyncExternalStore } from "react";
import type { z } from "zod";
import { listeningTo } from "./listening";

/** Something small that this browser remembers, whatever game and profile are looked at. */
export class Kept<T> {
  private value: T | null = null;
  private readonly listeners = new Set<() => void>();

  /** What can't be read any more, or is not there, is `standard`. */
  constructor(
    private readonly key: string,
    private readonly schema: z.ZodType<T>,
    readonly standard: T,
  ) {}

  readonly get = (): T => (this.value ??= this.read());

  readonly set = (value: T): void => {
    this.value = value;
    try {
      localStorage.setItem(this.key, JSON.stringify(value));
    } catch {
      // No room: it holds as long as this window.
    }
    for (const listener of this.listeners) listener();
  };

  /** Makes it the standard one; what is returned takes that back. */
  readonly back = (): (() => void) => {
    const before = this.get();
    this.set(this.standard);
    return () => this.set(before);
  };

  readonly subscribe = listeningTo(this.listeners);

  private read(): T {
    try {
      return this.schema.parse(JSON.parse(localStorage.getItem(this.key) ?? "null"));
    } catch {
      return this.standard;
    }
  }
}

/** The standard one at first, as the server has drawn it. */
export function useKept<T>(kept: Kept<T>): [T, (value: T) => void] {
  return [useSyncExternalStore(kept.subscribe, kept.get, () => kept.standard), kept.set];
}
