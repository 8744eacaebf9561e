import type { Finding } from "../model/finding";
import type { ProfileId } from "../model/ids";
import type { ListName } from "../model/profile";
import type { Roster } from "../roster/roster";
import type { Ties } from "../roster/ties";

/** What the game would read now; null where the file is not there. */
export interface OnDisk {
  readonly order: readonly string[] | null;
  /** The mods that the game opens, in order, each with what of its package is taken. */
  readonly holds: readonly Held[] | null;
  /** What it is told at its start; absent where it is told nothing. */
  readonly start?: StartFacts;
  /** Whose the order file is; absent where it is not there, or that is not known. */
  readonly file?: OrderFileOwner;
}

/** `ours`: as Seating wrote it last, from this profile when it had so many edits. `theirs`: whatever it is, Seating did not write it. */
export type OrderFileOwner =
  | { readonly by: "ours"; readonly profile: ProfileId | null; readonly edits: number }
  | { readonly by: "theirs"; readonly sha256: string };

export interface Held {
  readonly path: string;
  readonly options: Readonly<Record<string, readonly string[]>>;
  readonly components: readonly string[];
  /** Files and folders of it that are left out. */
  readonly hidden: readonly string[];
}

export interface StartFacts {
  readonly expansions: readonly string[];
  readonly baseOff: readonly string[];
  readonly launch: Readonly<Record<string, string | number | boolean>>;
}

export interface CheckInput {
  readonly roster: Roster;
  readonly ties: Ties;
  readonly onDisk: OnDisk;
  /** The day, in ISO 8601; absent where it does not count. */
  readonly today?: string;
}

/** One question asked of a profile; it lives in a file of its own and is listed in `checking`. */
export interface Check {
  /** All that its answer comes from: as long as each is the same object, so is the answer. */
  readonly reads: (input: CheckInput) => readonly unknown[];
  readonly find: (input: CheckInput) => Finding[];
}

/** The mods with what is taken of them, and what the shelf and the game say of them; nothing of the plugins' order. */
export const readsMods: Check["reads"] = ({ roster: { mods, stock, game, profile } }) => [
  mods,
  stock,
  game,
  profile.state.expansions,
];
export const readsOrders: Check["reads"] = ({ roster }) => [roster];
export const readsTies: Check["reads"] = ({ roster, ties }) => [roster, ties];

export const subject = (list: ListName, id: string) => ({ list, id });
export const plugin = (id: string) => subject("plugins", id);
export const mod = (id: string) => subject("mods", id);
