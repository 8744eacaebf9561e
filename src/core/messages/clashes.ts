import type { Clash } from "../compare/states";
import type { ClashSide } from "../state/facet";
import type { ItemChange } from "../state/merge-orders";
import type { Choice, Rule } from "../model/profile";
import type { ProfileBook } from "../model/rulebook";
import { facetNouns } from "./facets";
import { plainText, plural } from "./parts";
import { partWords } from "./profile-differences";
import { ruleText } from "./rules";

const whatWords: Readonly<Record<Exclude<Clash["what"], "changed">, string>> = {
  removed: "taken out or changed",
  on: "on or off",
  content: "version",
  section: "section",
  place: "place",
};

/** What a clash is about. */
export const clashWords = ({ facet, what }: Clash): string =>
  what === "changed" ? facetNouns[facet][0] : whatWords[what];

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
  content: "in another version",
  section: "in another section",
};

/** What one side of a clash says. */
export function sayClashSide({ what }: Clash, { value, after }: ClashSide, names: ClashNames): string {
  if (what === "place")
    return after === undefined
      ? "not there"
      : after === null
        ? "first of its section"
        : `after ${names.item(after)}`;
  if (value === undefined) return what === "content" ? "whichever is the newest" : "none";
  if (what === "removed") return value === "removed" ? "taken out" : `kept, ${changed(value as string)}`;
  if (what === "on") return value === true ? "on" : "off";
  if (what === "section") return names.section(value as string);
  if (what === "content") return names.version(value as string);
  return sayDecision(value, names);
}

/** A decision by what people wrote or chose in it. */
function sayDecision(value: unknown, { item }: ClashNames): string {
  if (Array.isArray(value)) return String(value.at(-1));
  if (typeof value !== "object" || value === null) return String(value);
  if ("text" in value) return String(value.text);
  const { rule, off } = value as Partial<Rule>;
  if (rule) return `${plainText(ruleText(rule), item)}${off ? " (off)" : ""}`;
  if ("components" in value) return partWords(value as Choice) || "none of its parts";
  const { version, off: left = [] } = value as Partial<ProfileBook>;
  if (version !== undefined)
    return `version ${version}${left.length > 0 ? `, ${plural(left.length, "rule")} off` : ""}`;
  return "path" in value ? "left out" : JSON.stringify(value);
}

const changed = (codes: string): string =>
  codes
    .split(" ")
    .map((code) => changeWords[code as ItemChange])
    .join(", ");
