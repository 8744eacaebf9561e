import { levels, type Level } from "@/core/model/finding";

export const failLevels = [...levels, "never"] as const;
export type FailLevel = (typeof failLevels)[number];

/** The levels that count from one on. */
export const gravestOf = (failOn: FailLevel): readonly Level[] =>
  failOn === "never" ? [] : levels.slice(0, levels.indexOf(failOn) + 1);
/** Where there are no levels: of conflicts what is undecided, and whose files differ, is a finding, of a blend a clash. */
export const ownLevels = {
  conflicts: { choices: ["undecided", "never"], standard: "undecided" },
  blend: { choices: ["clash", "never"], standard: "never" },
} as const;

/** What a command takes: arguments as they are named in its help, in brackets where they may be left out. */
interface CommandSpec {
  readonly takes: readonly string[];
  readonly options: readonly OptionName[];
}

export type OptionName =
  | "all"
  | "baseline"
  | "book"
  | "compare"
  | "marks"
  | "out"
  | "for"
  | "order-folder"
  | "preview"
  | "sarif"
  | "fail-on"
  | "game"
  | "games"
  | "shelf"
  | "shortcut"
  | "way"
  | "as-written"
  | "conditions-met"
  | "game-folder"
  | "to"
  | "name";

const ofLists = ["game", "games", "shelf", "game-folder"] as const;

/** Every command; what it does, and each option of it, is a text of the catalogue. */
export const commands = {
  order: { takes: ["[problem.json]"], options: ["fail-on"] },
  why: { takes: ["<problem.json>", "<item>", "[other]"], options: [] },
  seats: { takes: ["<problem.json>", "<item>"], options: [] },
  verify: { takes: ["<problem.json>", "<result.json>"], options: [] },
  fingerprint: { takes: ["<list>"], options: ofLists },
  compare: { takes: ["<a>", "<b>"], options: ofLists },
  convert: { takes: ["<list>"], options: ["to", "game", "games", "shelf"] },
  check: { takes: ["<list>"], options: ["sarif", "fail-on", "baseline", "book", ...ofLists] },
  conflicts: { takes: ["<list>"], options: ["all", "compare", "fail-on", ...ofLists] },
  blend: { takes: ["<list>"], options: ["marks", "book", "out", "fail-on", ...ofLists] },
  "lay-out": { takes: ["<list>"], options: ["preview", "order-folder", "for", ...ofLists] },
  "take-back": { takes: [], options: ["preview", "game-folder"] },
  "clean-store": { takes: [], options: ["preview"] },
  profiles: { takes: [], options: ["game"] },
  findings: { takes: ["<profile>"], options: ["fail-on", "game"] },
  start: { takes: ["<profile>"], options: ["way", "as-written", "conditions-met", "shortcut", "game"] },
  export: { takes: ["<profile>"], options: ["to", "game"] },
  import: { takes: ["<list>"], options: ["name", "game"] },
  backup: { takes: [], options: [] },
  restore: { takes: ["<archive>"], options: [] },
} as const satisfies Readonly<Record<string, CommandSpec>>;

export type CommandName = keyof typeof commands;

/** What stands behind an option in the help, nothing where it takes no value; "completion" is a command of its own. */
export const optionValues: Readonly<Record<OptionName, string>> = {
  all: "",
  baseline: "FILE",
  book: "FILE...",
  compare: "LIST",
  marks: "FILE",
  out: "DIR",
  for: "NAME",
  "order-folder": "DIR",
  preview: "",
  "fail-on": "LEVEL",
  game: "GAME",
  games: "DIR",
  shelf: "DIR",
  "game-folder": "DIR",
  sarif: "",
  shortcut: "",
  way: "WAY",
  "as-written": "",
  "conditions-met": "",
  to: "FORMAT",
  name: "NAME",
};
