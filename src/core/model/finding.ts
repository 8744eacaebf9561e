import type { Subject } from "./subject";
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
  readonly "take-version": { readonly version: string };
  readonly versions: Readonly<Record<never, never>>;
  readonly propose: Readonly<Record<never, never>>;
  readonly "align-mods": Readonly<Record<never, never>>;
  readonly "align-plugins": Readonly<Record<never, never>>;
  readonly "write-order": Readonly<Record<never, never>>;
  readonly "look-at-order": Readonly<Record<never, never>>;
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
  | { readonly act: "leave-part"; readonly mod: string; readonly part: string }
  /** The newest version that lies on the shelf. */
  | { readonly act: "take-newest"; readonly mod: string }
  | { readonly act: "switch-on-expansion"; readonly expansion: string };

/** What the application does beside the profile, or shows first. */
type Act =
  | { readonly act: "propose" | "align"; readonly list: ListName }
  | { readonly act: "write-order" }
  /** Shows an order file that somebody else has written, and what can be done with it. */
  | { readonly act: "look-at-order" }
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
/** What a rulebook says; `other` and `count` where its kind of advice names them, else empty and 0. */
type Told = Item & {
  readonly book: string;
  readonly text: string;
  readonly other: string;
  readonly count: number;
};
type Behind = {
  readonly path: string;
  readonly moves: number;
  readonly added: number;
  readonly removed: number;
};

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
  readonly "cap-exceeded": {
    readonly label: string;
    readonly used: number;
    readonly cap: number;
    readonly over: number;
  };
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
  readonly "advice-requires": Told;
  readonly "required-off": Required;
  readonly "required-missing": Required;
  readonly "required-version": Required;
  readonly "mods-clash": Item & { readonly other: string; readonly reason: string };
  readonly "expansion-off": Item & { readonly expansion: string };
  readonly "expansion-not-owned": Item & { readonly expansion: string };
  readonly "part-refused": Item & { readonly part: string; readonly why: string };
  readonly "question-open": Item & { readonly count: number; readonly first: string };
  readonly "other-game-version": Item & { readonly versions: string; readonly game: string };
  readonly "not-on-shelf": { readonly mod: string };
  readonly "contents-gone": Item & { readonly version: string };
  readonly "newer-here": { readonly count: number; readonly first: string };
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
  /** What is not here and would end it. */
  readonly wants?: readonly Want[];
}

export type Finding = { [Id in FindingId]: FindingOf<Id> }[FindingId];
