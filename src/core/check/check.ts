import type { Drift } from "../layout/drift";
import type { Installed } from "../model/installed";
import type { Finding } from "../model/finding";
import type { ProfileId } from "../model/ids";
import type { ProfileOfGame } from "../model/profile-of-game";
import type { SettingLine } from "../model/settings";
import type { LaidSummary } from "../model/ledger";
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
  /** What Seating wrote into files of settings and stands there still; absent for a game of which none are known. */
  readonly settings?: readonly SettingLine[];
  /** What of mods lies in the game's folder; null: nothing, or not the whole of anything. Absent for a game that reads a list of what to open. */
  readonly laid?: LaidSummary | null;
  /** Its user wants plugins to have the dates of their order. */
  readonly isByDate?: true;
  /** What of it is not as Seating left it; absent before that is known. */
  readonly drift?: Drift;
  /** What is seen of the game itself; absent where its definition asks for nothing. */
  readonly installed?: Installed;
  /** Which of the profiles that the game itself keeps is meant; absent for one that keeps none. */
  readonly ofGame?: ProfileOfGame;
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

/**
 * What answers can come from. As long as a part is the same object, it says the same: `mods` and `plugins` are all that their game, the
 * shelf and the profile say of the items of an order as they stand.
 */
export const checkedParts = {
  mods: ({ roster }: CheckInput) => roster.mods,
  plugins: ({ roster }: CheckInput) => roster.plugins,
  stock: ({ roster }: CheckInput) => roster.stock,
  game: ({ roster }: CheckInput) => roster.game,
  overlaps: ({ roster }: CheckInput) => roster.overlaps,
  expansions: ({ roster }: CheckInput) => roster.profile.state.expansions,
  rules: ({ roster }: CheckInput) => roster.profile.state.rules,
  advice: ({ roster }: CheckInput) => roster.profile.state.advice,
  books: ({ roster }: CheckInput) => roster.profile.state.books,
  reminders: ({ roster }: CheckInput) => roster.profile.state.reminders,
  blend: ({ roster }: CheckInput) => roster.profile.state.blend,
  baseOff: ({ roster }: CheckInput) => roster.profile.state.baseOff,
  purpose: ({ roster }: CheckInput) => roster.profile.purpose,
  launch: ({ roster }: CheckInput) => roster.profile.state.launch,
  settings: ({ roster }: CheckInput) => roster.profile.state.settings,
  ties: ({ ties }: CheckInput) => ties,
  onDisk: ({ onDisk }: CheckInput) => onDisk,
  drift: ({ onDisk }: CheckInput) => onDisk.drift,
  installed: ({ onDisk }: CheckInput) => onDisk.installed,
  ofGame: ({ onDisk }: CheckInput) => onDisk.ofGame,
  today: ({ today }: CheckInput) => today,
};
export type CheckedPart = keyof typeof checkedParts;

/** One question asked of a profile; it lives in a file of its own and is listed in `checking`. */
export interface Check {
  /** All that its answer comes from: it is asked again only where one of these has changed. */
  readonly reads: readonly CheckedPart[];
  readonly find: (input: CheckInput) => Finding[];
}

export const subject = (list: ListName, id: string) => ({ list, id });
export const plugin = (id: string) => subject("plugins", id);
export const mod = (id: string) => subject("mods", id);
