import type { Subject } from "./subject";
import type { Hidden, Undecided } from "./conflict-standing";
import type { OrderRule } from "./problem";
import type { ListName } from "./profile";
import type { FileProblem } from "./refusal";
import type { Want } from "./want";

/** The worst first. */
export const levels = ["blocker", "problem", "hint"] as const;
export type Level = (typeof levels)[number];

type Item = { readonly item: string };

/** What there is to say of a way out, by the id of its sentence in core/messages. */
export type FixData = {
  readonly "switch-on": Item;
  readonly "switch-off": Item;
  readonly "switch-on-mod": { readonly name: string };
  readonly "bring-back": Item;
  readonly "leave-out": Item & { readonly path: string };
  readonly "leave-part": { readonly part: string };
  readonly "take-part": { readonly part: string };
  readonly "switch-over": { readonly name: string };
  readonly "take-version": { readonly version: string };
  readonly versions: Readonly<Record<never, never>>;
  readonly propose: Readonly<Record<never, never>>;
  readonly "align-mods": Readonly<Record<never, never>>;
  readonly "align-plugins": Readonly<Record<never, never>>;
  readonly "write-order": Readonly<Record<never, never>>;
  readonly "look-at-order": Readonly<Record<never, never>>;
  readonly "look-at-conflicts": Readonly<Record<never, never>>;
  readonly "look-at-parts": Readonly<Record<never, never>>;
  readonly "look-at-rules": Readonly<Record<never, never>>;
  readonly "look-at-blend": Readonly<Record<never, never>>;
  readonly "look-at-layout": Readonly<Record<never, never>>;
  readonly "put-again": Readonly<Record<never, never>>;
  readonly "choose-profile-of-game": { readonly name: string };
  readonly "drop-reminder": Readonly<Record<never, never>>;
  readonly "follow-purpose": Readonly<Record<never, never>>;
};

interface FixOf<Id extends keyof FixData> {
  readonly id: Id;
  readonly data: FixData[Id];
  readonly does: EditingAct | Act;
}

/** What edits the profile, by `fixEdit`. It says what is to be done, not how: what is found stays true where something else changes. */
export type EditingAct =
  | { readonly act: "switch-on" | "switch-off"; readonly list: ListName; readonly id: string }
  /** The file of a plugin that the profile leaves out. */
  | { readonly act: "bring-back"; readonly plugin: string }
  /** A file of a mod, or a folder that ends in a slash. */
  | { readonly act: "leave-out"; readonly mod: string; readonly path: string }
  | { readonly act: "leave-part" | "take-part"; readonly mod: string; readonly part: string }
  /** An item goes off, and another one on in its place: a plugin of the profile, or a mod of the shelf. */
  | {
      readonly act: "switch-over";
      readonly list: ListName;
      readonly id: string;
      readonly to: { readonly list: ListName; readonly id: string };
    }
  /** The newest version that lies on the shelf. */
  | { readonly act: "take-newest"; readonly mod: string }
  | { readonly act: "switch-on-expansion"; readonly expansion: string }
  | { readonly act: "drop-reminder"; readonly reminder: string }
  /** What is on or set against the purpose of the profile is put right. */
  | { readonly act: "follow-purpose" };

/** What the application does beside the profile, or shows first. */
type Act =
  | { readonly act: "propose" | "align"; readonly list: ListName }
  | { readonly act: "write-order" }
  /** Shows an order file that somebody else has written, and what can be done with it. */
  | { readonly act: "look-at-order" }
  /** Shows what is undecided of files or records. */
  | { readonly act: "look-at-conflicts"; readonly of: "files" | "records" }
  /** Shows the parts of a package, to be chosen from. */
  | { readonly act: "look-at-parts"; readonly mod: string }
  | { readonly act: "look-at-rules" }
  | { readonly act: "look-at-blend" }
  | { readonly act: "look-at-layout"; readonly sheet: "touched" | "strangers" }
  | { readonly act: "put-again" }
  | { readonly act: "choose-profile-of-game"; readonly name: string }
  /** Shows what newer versions change, to be chosen from. */
  | { readonly act: "versions" };

export type Fix = { [Id in keyof FixData]: FixOf<Id> }[keyof FixData];

type WithMaster = Item & { readonly master: string; readonly mod: string };
type Required = Item & {
  readonly other: string;
  readonly versions: string;
  readonly here: string;
  /** As its author says why; empty where they do not. */
  readonly reason: string;
};
/** Advice; `other` and `count` where its kind of advice names them, parts where it is about one, else empty and 0. */
type Told = Item & {
  readonly part: string;
  /** The name of the rulebook that says it; empty where it is the curator's own. */
  readonly book: string;
  readonly text: string;
  readonly other: string;
  readonly otherPart: string;
  readonly count: number;
};
type Behind = {
  readonly path: string;
  readonly moves: number;
  readonly added: number;
  readonly removed: number;
};

/** Of a counted class; `idle` of them would hardly be missed. */
type Places = {
  readonly label: string;
  readonly used: number;
  readonly cap: number;
  readonly over: number;
  readonly idle: number;
};
/** Parts by their labels. */
type TwoParts = Item & { readonly part: string; readonly other: string; readonly otherPart: string };
/** What a game needs in its folder. */
type Needed = {
  readonly id: string;
  readonly name: string;
  readonly file: string;
  readonly purpose: string;
  readonly source: string;
};
/** What a curator wanted to be told, and what has come about. */
type Reminded = { readonly text: string; readonly of: string };

/** What there is to say of a finding, by the id of its sentence in core/messages. */
export type FindingData = {
  readonly "missing-master": Item & { readonly master: string };
  readonly "missing-expansion": Item & { readonly master: string; readonly expansion: string };
  readonly "master-off": WithMaster;
  readonly "master-mod-off": WithMaster;
  readonly "master-part-off": WithMaster;
  readonly "master-left-out": WithMaster;
  readonly "master-gone": WithMaster;
  readonly "master-late": Item & { readonly master: string };
  /** Each needs the one before it, and the first the last. */
  readonly "master-cycle": { readonly items: readonly string[] };
  readonly "master-self": Item;
  readonly "end-broken": Item & { readonly other: string; readonly end: "first" | "last" };
  readonly "group-broken": { readonly items: readonly string[]; readonly between: string };
  readonly "cap-exceeded": Places;
  readonly "cap-near": Places;
  readonly "unsound-archive": { readonly path: string; readonly problem: FileProblem };
  readonly "unreadable-plugin": Item & { readonly problem: FileProblem };
  readonly "rule-broken": { readonly earlier: string; readonly later: string };
  readonly "closed-section-entered": Item & { readonly section: string };
  readonly "required-late": { readonly earlier: string; readonly later: string };
  readonly "orders-disagree": {
    readonly count: number;
    readonly earlier: string;
    readonly later: string;
    readonly apart: number;
  };
  /** `file` and `folder` are mods; so many `more` have the folder. */
  readonly "file-and-folder": {
    readonly path: string;
    readonly file: string;
    readonly folder: string;
    readonly more: number;
  };
  readonly "advice-known-bad": Told;
  readonly "advice-outdated": Told;
  readonly "advice-leftover": Told;
  readonly "advice-needs": Told;
  readonly "advice-clashes": Told;
  readonly "advice-recommended": Told;
  readonly "advice-note": Told;
  readonly "required-off": Required;
  readonly "required-missing": Required;
  readonly "required-version": Required;
  readonly "mods-clash": Item & { readonly other: string; readonly reason: string };
  readonly "expansion-off": Item & { readonly expansion: string };
  readonly "expansion-not-owned": Item & { readonly expansion: string };
  readonly "part-refused": Item & { readonly part: string; readonly why: string };
  readonly "question-open": Item & { readonly count: number; readonly first: string };
  readonly "parts-clash": TwoParts & { readonly reason: string };
  readonly "part-twice": TwoParts;
  readonly "part-caution": Item & { readonly part: string; readonly why: string };
  readonly "part-open": Item & { readonly part: string; readonly other: string };
  readonly copied: Item & { readonly other: string };
  readonly "covered-mods": Item;
  readonly "covered-plugins": Item;
  readonly "undecided-mods": Undecided;
  readonly "undecided-plugins": Undecided;
  readonly "packed-hidden": Hidden;
  readonly "patch-here": Item & { readonly name: string; readonly other: string };
  readonly "awards-off": Item;
  readonly "blend-due": { readonly name: string };
  readonly "two-versions": Item & {
    readonly version: string;
    readonly other: string;
    readonly otherVersion: string;
  };
  readonly "rule-set-aside": { readonly rule: OrderRule };
  /** `other` is out of turn because of it; empty where nothing is. */
  readonly "rank-changed": Item & {
    readonly section: string;
    readonly rank: string;
    readonly other: string;
  };
  readonly "reminder-arrives": Reminded;
  readonly "reminder-updated": Reminded;
  readonly "reminder-day": Reminded;
  readonly "other-game-version": Item & { readonly versions: string; readonly game: string };
  readonly "prerequisite-missing": Needed;
  /** `found` is where it lies instead, below the game's folder. */
  readonly "prerequisite-astray": Needed & { readonly found: string };
  readonly "edition-unread": { readonly file: string; readonly absent: boolean; readonly version: string };
  /** Which there are, and what was chosen and is gone; null where nobody has chosen. */
  readonly "profile-of-game": {
    readonly game: string;
    readonly names: readonly string[];
    readonly chosen: string | null;
  };
  /** Names of what is on, and settings as they should be. */
  readonly "purpose-differs": {
    readonly purpose: string;
    readonly on: readonly string[];
    readonly set: readonly string[];
  };
  readonly "not-on-shelf": { readonly mod: string };
  /** `changed`: the same version lies there with other contents. */
  readonly "contents-gone": Item & { readonly version: string; readonly changed: boolean };
  readonly "newer-here": { readonly count: number; readonly first: string };
  /** Files that Seating laid out and somebody has changed or deleted since. */
  readonly "layout-touched": { readonly changed: number; readonly gone: number; readonly first: string };
  /** Files where mods lie that are neither Seating's nor known for the game's. */
  readonly "layout-strangers": { readonly count: number; readonly first: string };
  readonly "order-file-differs": Behind;
  readonly "order-file-absent": Behind;
  readonly "order-file-theirs": Behind;
};
export type FindingId = keyof FindingData;

interface FindingOf<Id extends FindingId> {
  readonly check: string;
  readonly id: Id;
  readonly data: FindingData[Id];
  readonly level: Level;
  /** Ids of the items that it is about. */
  readonly subjects: readonly { readonly list: ListName; readonly id: string }[];
  /** What else tells it from others that the check finds of the same items. */
  readonly besides?: readonly Subject[];
  readonly fixes: readonly Fix[];
  /** The rule that it comes of, by its id among those of the profile. */
  readonly rule?: string;
  /** The advice that it comes of, by the rulebook that says it; none of the curator's own. */
  readonly advice?: {
    readonly book?: string;
    readonly version?: string;
    readonly page?: string;
    readonly date?: string;
  };
  /** What is not here and would end it. */
  readonly wants?: readonly Want[];
}

export type Finding = { [Id in FindingId]: FindingOf<Id> }[FindingId];
