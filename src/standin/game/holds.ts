import { decode } from "./order";
import { Unreadable } from "./stopped";

/** A mod that the game is to open, with what of it is taken. */
export interface Held {
  /** Of its archive or folder, from the shelf. */
  readonly path: string;
  readonly options: Readonly<Record<string, readonly string[]>>;
  readonly components: readonly string[];
  /** Paths that are left out, as the game compares them; one that ends with `/` is a folder. */
  readonly hidden: readonly string[];
}

/** What the game is to open and how it is to start, as it lies beside its order. */
export interface Holds {
  readonly shelf: string;
  readonly expansions: readonly string[];
  readonly baseOff: readonly string[];
  readonly launch: Readonly<Record<string, unknown>>;
  readonly mods: readonly Held[];
}

export function readHolds(bytes: Uint8Array): Holds {
  const text = decode(bytes);
  const holds = parse(text);
  if (holds.format !== "seating-holds/1" || typeof holds.shelf !== "string" || !Array.isArray(holds.mods))
    throw new Unreadable("is not what the game reads");
  return { expansions: [], baseOff: [], launch: {}, ...holds } as unknown as Holds;
}

function parse(text: string): Record<string, unknown> {
  try {
    return Object(JSON.parse(text)) as Record<string, unknown>;
  } catch {
    throw new Unreadable("is no JSON");
  }
}
