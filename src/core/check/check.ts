import type { Finding } from "../model/finding";
import type { ListName } from "../model/profile";
import type { Roster } from "../profile/roster";
import type { Ties } from "../profile/ties";

/** What the game would read now; null where the file is not there. */
export interface OnDisk {
  readonly order: readonly string[] | null;
  /** Paths of the mods that the game opens, in order. */
  readonly holds: readonly string[] | null;
}

export interface CheckInput {
  readonly roster: Roster;
  readonly ties: Ties;
  readonly onDisk: OnDisk;
}

/** One question asked of a profile; it lives in a file of its own and is listed in `runChecks`. */
export type Check = (input: CheckInput) => Finding[];

export const subject = (list: ListName, id: string) => ({ list, id });
export const plugin = (id: string) => subject("plugins", id);
export const mod = (id: string) => subject("mods", id);
