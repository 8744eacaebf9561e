import type { ClashSide, ItemChange } from "../lineup/merge-order";
import type { MergeClash } from "../lineup/merge-states";

/** What a clash is about. */
export const clashWords: Readonly<Record<MergeClash["what"], string>> = {
  removed: "taken out or changed",
  on: "on or off",
  version: "version",
  section: "section",
  place: "place",
  parts: "parts chosen",
  rule: "rule",
  setting: "setting",
  note: "note",
};

/** How things are called that a clash names by an id or a hash. */
export interface ClashNames {
  readonly item: (id: string) => string;
  readonly section: (id: string) => string;
  /** The version that has these contents. */
  readonly version: (content: string) => string;
}

const changeWords: Readonly<Record<ItemChange, string>> = {
  on: "switched on",
  off: "switched off",
  version: "in another version",
  section: "in another section",
};

/** What one side of a clash says. */
export function sayClashSide(what: MergeClash["what"], side: ClashSide, names: ClashNames): string {
  const { value, after } = side;
  if (what === "place")
    return after === undefined
      ? "not there"
      : after === null
        ? "first of its section"
        : `after ${names.item(after)}`;
  if (value === undefined) return what === "version" ? "whichever is the newest" : "none";
  if (what === "removed") return value === "removed" ? "taken out" : `kept, ${changed(String(value))}`;
  if (what === "on") return value === true ? "on" : "off";
  if (what === "section") return names.section(String(value));
  if (what === "version") return names.version(String(value));
  return String(value);
}

const changed = (codes: string): string =>
  codes
    .split(" ")
    .map((code) => changeWords[code as ItemChange])
    .join(", ");
