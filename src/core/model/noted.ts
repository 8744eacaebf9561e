import type { Level } from "./finding";
import type { Trial } from "./trial";

/** What is kept of a profile's findings and of its last trial. */
export interface Noted {
  /** Each by its id, with the time from which it is there, in ISO 8601. */
  readonly seen: readonly { readonly finding: string; readonly since: string }[];
  /** How many there were at the end of each of the last days (ISO 8601), the oldest first. */
  readonly counts: readonly ({ readonly day: string } & Readonly<Record<Level, number>>)[];
  /** When it last ran well; null where it never did. */
  readonly ranAt: string | null;
  readonly trial: Trial | null;
}
