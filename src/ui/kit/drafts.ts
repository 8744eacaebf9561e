import type { z } from "zod";

type Kept = Pick<Storage, "getItem" | "setItem" | "removeItem">;

const nameOf = (key: string): string => `seating-draft-${key}`;

/** What was typed and not stored; null where there is nothing, or nothing that the form could show. */
export function readDraft<T>(storage: Kept, key: string, schema: z.ZodType<T>): T | null {
  const text = storage.getItem(nameOf(key));
  if (text === null) return null;
  try {
    const read = schema.safeParse(JSON.parse(text));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

/** Keeps what is typed, or null: nothing. Where there is no room it is in the form alone. */
export function keepDraft(storage: Kept, key: string, value: unknown): void {
  try {
    if (value === null) storage.removeItem(nameOf(key));
    else storage.setItem(nameOf(key), JSON.stringify(value));
  } catch {
    // No room; leaving asks.
  }
}
