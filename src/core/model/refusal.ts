import type { RuleOrigin } from "./problem";
import type { ListName } from "./profile";

type Nothing = Readonly<Record<never, never>>;
type Entry = { readonly entry: string };
type Detail = { readonly detail: string };
type Cut = { readonly size: number; readonly left: number };

/** What there is to say of a file that could not be read, by the code of the problem; its words stand in core/messages. */
export type ProblemData = {
  readonly "not-a-zip": Detail;
  readonly "zip-too-many": { readonly count: number; readonly limit: number };
  readonly "zip-too-large": { readonly size: number; readonly limit: number };
  readonly "zip-bomb": { readonly ratio: number };
  readonly "zip-lies": Entry;
  readonly "zip-corrupt": Entry;
  readonly "zip-overlap": Entry;
  readonly "zip-encrypted": Entry;
  readonly "path-unsafe": Entry;
  readonly "path-device": Entry;
  readonly "path-control": Entry;
  readonly "path-character": Entry;
  readonly "path-twice": Entry;
  readonly "path-long": Entry;
  readonly "path-direction": Entry;
  readonly "path-encoding": Entry;
  readonly "link-outside": Entry;
  readonly "link-loop": Entry;
  readonly "not-plain": Entry;
  readonly "zip-method": Entry & { readonly method: number };
  readonly "packed-broken": Detail;
  readonly "packed-locked": Nothing;
  readonly "packed-method": Entry & { readonly method: string };
  readonly "archive-unlike": { readonly kind: string };
  readonly "archive-kind": { readonly kind: string };
  readonly "cannot-keep": Detail;
  readonly "no-content": Nothing;
  readonly "manifest-broken": Detail;
  readonly "cannot-read": Detail;
  readonly "riff-not": Nothing;
  readonly "riff-form": { readonly form: string; readonly wanted: string };
  readonly "riff-truncated": Cut & { readonly chunk: string };
  readonly "riff-trailing": { readonly count: number };
  readonly "riff-no-head": { readonly chunk: string };
  readonly "riff-head": { readonly version: number };
  readonly "riff-text": { readonly chunk: string };
  readonly "riff-list": { readonly count: number };
  readonly "riff-master": { readonly name: string };
  readonly "no-plugin-layout": Nothing;
  readonly "tagged-not": { readonly tag: string; readonly wanted: string };
  readonly "tagged-header": Cut & { readonly at: number };
  readonly "tagged-size": Cut & { readonly tag: string; readonly at: number };
  readonly "tagged-field": Cut & { readonly record: string; readonly tag: string };
  readonly "tagged-text": { readonly record: string; readonly tag: string };
};
export type ProblemCode = keyof ProblemData;

type Item = { readonly item: string };
type Name = { readonly name: string };
/** Formats of ours that are told apart by what they say first. */
export type FileKind = "lineup" | "game" | "order-problem" | "order-result" | "rulebook";
type Path = { readonly path: string };
type Tied = Item & {
  readonly with: string;
  readonly because: "needs" | RuleOrigin;
  readonly list: ListName;
};
type Ranked = Item & { readonly with: string; readonly rank: string };
type OfGame = Name & { readonly game: string; readonly present: string };

/** What there is to say of an action that could not be done, by the code of the refusal; its sentence stands in core/messages. */
export type RefusalData = ProblemData & {
  readonly "tie-above": Tied;
  readonly "tie-below": Tied;
  readonly "rank-above": Ranked;
  readonly "rank-below": Ranked;
  /** A pair of which a chain already says the opposite. */
  readonly "decided-otherwise": {
    readonly earlier: string;
    readonly later: string;
    readonly list: ListName;
  };
  readonly "section-closed": Item & { readonly section: string };
  readonly "built-in-stays": Item;
  readonly "no-seat": { readonly seat: string; readonly last: string };
  readonly "no-such-item": { readonly text: string };
  readonly "many-such-items": Item & { readonly text: string; readonly count: number };
  readonly "rule-of-one": Item;
  readonly "no-place": { readonly place: number; readonly last: number };
  readonly "no-number": { readonly number: number; readonly first: number; readonly last: number };
  readonly "rank-ends": Name;
  readonly "past-block": Name & { readonly other: string };
  readonly "only-section": Name;
  readonly "unknown-item": Item;
  readonly "other-items": Nothing;
  readonly "outside-section": Item;
  readonly stale: Nothing;
  /** An edit, in the words of its label, that was shown and cannot be stored. */
  readonly "edit-lost": { readonly what: string; readonly why: Refusal };
  readonly "order-changed": Nothing;
  readonly "undo-waits": Nothing;
  readonly "nothing-to-undo": Nothing;
  readonly "nothing-to-redo": Nothing;
  readonly "no-profile": Nothing;
  readonly "no-game": Nothing;
  readonly "no-restore-point": Nothing;
  readonly "edit-gone": Nothing;
  readonly "profile-name": Nothing;
  readonly "profile-name-taken": Name;
  readonly "last-profile": Nothing;
  readonly "not-on-shelf": Path;
  readonly "named-by-manifest": Name;
  readonly "held-by-profile": Name;
  readonly "version-unknown": { readonly mod: string };
  readonly "cannot-move": Path & Detail;
  readonly "place-taken": Path;
  readonly "not-in-bin": Path;
  readonly "tag-name": Nothing;
  readonly "data-not": Nothing;
  readonly "data-schema": { readonly schema: string; readonly present: string };
  readonly "data-unsound": Detail;
  readonly "file-name": Name;
  readonly "no-incoming": Nothing;
  readonly "mod-unsound": Name & { readonly problem: FileProblem };
  readonly "chooser-closed": Nothing;
  /** A blend that would need more masters than the game takes. */
  readonly "blend-masters": { readonly count: number; readonly most: number };
  readonly "blend-layout": Nothing;
  /** A game that reads a list of what to open, so that nothing has to lie in its folder. */
  readonly "layout-by-list": { readonly game: string };
  /** A folder without the file by which it is known for the game's. */
  readonly "layout-no-game": { readonly path: string; readonly sign: string };
  /** Files of mods of which one lies where another one needs a folder, or that were never read. */
  readonly "layout-flaws": { readonly items: string };
  /** Which of the profiles that a game keeps is meant is not known: what there are, and what was chosen and is gone. */
  readonly "profile-of-game": {
    readonly game: string;
    readonly names: string;
    readonly chosen: string | null;
  };
  readonly "layout-running": { readonly program: string };
  readonly "layout-system": { readonly items: string };
  /** What is not Seating's and no file lies where one is to be put. */
  readonly "layout-in-the-way": { readonly items: string };
  readonly "needs-game-folder": Nothing;
  readonly "start-unknown-value": { readonly way: string; readonly value: string };
  readonly "start-like-option": { readonly way: string; readonly argument: string; readonly value: string };
  readonly "start-no-way": { readonly game: string };
  readonly "start-no-program": { readonly way: string; readonly path: string };
  readonly "start-unconfirmed": { readonly way: string };
  readonly "start-failed": { readonly path: string; readonly detail: string };
  readonly "game-runs": { readonly game: string };
  readonly "start-conditions": { readonly first: string; readonly more: number };
  readonly "layout-unreadable": { readonly path: string; readonly problem: FileProblem };
  /** The system would not do one of the acts; `detail`: what it said. */
  readonly "layout-broken-off": { readonly detail: string };
  /** A file of a mod that is not what it was when the shelf was read. */
  readonly "layout-changed": { readonly path: string; readonly file: string };
  /** A folder in which nothing may be written. */
  readonly "layout-no-rights": Path;
  readonly "layout-no-space": { readonly path: string; readonly bytes: number };
  readonly "layout-cancelled": Nothing;
  /** Another process is at it. */
  readonly "layout-busy": { readonly process: number };
  readonly "store-in-use": { readonly process: number };
  readonly "mod-name-taken": Name;
  /** A file in the game's folder of which no mod can be made. */
  readonly "cannot-gather": Path;
  /** Files in the folders of several mods, of which each would be one. */
  readonly "gather-several": { readonly folders: string };
  readonly "blend-current": Nothing;
  readonly "marks-broken": Name & Detail;
  readonly "folder-missing": Path;
  readonly "folder-not-writable": Path;
  readonly "folder-no-game": Path & { readonly game: string; readonly file: string };
  readonly "definition-flaw": Path & { readonly text: string };
  readonly "game-id-taken": { readonly id: string };
  readonly "game-id-stays": { readonly id: string };
  readonly "cannot-write": Path & Detail;
  /** Somebody else has written the file, or has changed it since it was looked at. */
  readonly "game-file-unreadable": Path & Detail;
  readonly "order-file-theirs": Path;
  readonly "settings-unfit": Path & Detail;
  readonly "order-file-absent": Path;
  readonly "copy-gone": Nothing;
  readonly "copy-elsewhere": Path;
  readonly "too-large": Name & { readonly limit: string };
  readonly "not-json": Name & Detail;
  /** A file of a format of ours that is not the one that is wanted; both as `kinds` in the catalogue names them. */
  readonly "other-kind": Name & { readonly is: FileKind; readonly wanted: FileKind };
  readonly "no-such-game": Name & { readonly known: string };
  readonly "file-unreadable": { readonly path: string } & Detail;
  /** `name` is that of the file, where there is one. */
  readonly "problem-broken": Path & Detail & Partial<Name>;
  readonly "not-utf8": Name;
  readonly "not-a-lineup": Name & Detail;
  readonly "lineup-version": Name & { readonly format: string; readonly known: string };
  readonly "lineup-game": OfGame;
  readonly "lineup-broken": Name & Path & Detail;
  readonly "not-in-depot": Name;
  readonly busy: Name;
  readonly "broke-off": Name;
  readonly "not-there": Name;
  readonly damaged: Name;
  readonly "list-version": Nothing;
  /** `next` is the number after it that is free. */
  readonly "list-version-taken": { readonly version: string; readonly next: string };
  readonly "link-elsewhere": { readonly link: string };
  readonly "link-nothing": { readonly link: string };
  readonly "code-not": Nothing;
  readonly "code-cut": Nothing;
  readonly "code-unsound": Nothing;
  readonly "list-game": { readonly known: string };
  readonly "list-needs-shelf": Name;
  readonly "list-lacks": Name & { readonly items: string };
  readonly "list-format": { readonly known: string };
  readonly "list-broken": Name & Detail;
  readonly "list-empty": Name;
  readonly "list-large": Name & { readonly most: number };
  readonly "list-long": Name & { readonly count: number; readonly most: number };
  readonly "not-a-rulebook": Name & Detail;
  readonly "not-findings": Name;
  readonly "rulebook-broken": Name & Path & Detail;
  readonly "rulebook-game": OfGame;
  readonly "import-gone": Nothing;
  readonly cancelled: { readonly what: string };
  readonly "cancelled-reading": Nothing;
  readonly "trial-gone": Nothing;
  readonly unreachable: Detail;
  readonly fault: Detail;
  readonly "bad-request": Detail;
};
export type RefusalCode = keyof RefusalData;

/** An action that could not be done, as data. */
export type Refusal<Code extends RefusalCode = RefusalCode> = {
  readonly [Each in Code]: { readonly code: Each; readonly data: RefusalData[Each] };
}[Code];

/** Something wrong with a file. */
export type FileProblem = Refusal<ProblemCode>;
