import { say } from "../language/say";
import type { Clash } from "../compare/states";
import type { ClashSide } from "../state/facet";
import type { ItemChange } from "../state/merge-orders";
import type { Choice, Rule } from "../model/profile";
import type { ProfileBook } from "../model/rulebook";
import { facetWord } from "./facets";
import { plainText } from "./parts";
import { partWords } from "./profile-differences";
import { ruleText } from "./rules";

const whatWords: Readonly<Record<Exclude<Clash["what"], "changed">, string>> = {
  get removed() {
    return say("clashes.whatWords.removed");
  },
  get on() {
    return say("clashes.whatWords.on");
  },
  get content() {
    return say("clashes.whatWords.content");
  },
  get section() {
    return say("clashes.whatWords.section");
  },
  get place() {
    return say("clashes.whatWords.place");
  },
};

/** What a clash is about. */
export const clashWords = ({ facet, what }: Clash): string =>
  what === "changed" ? facetWord(facet, "one") : whatWords[what];

/** How things are called that a clash names by an id or a hash. */
export interface ClashNames {
  readonly item: (id: string) => string;
  readonly section: (id: string) => string;
  /** The version that has these contents. */
  readonly version: (content: string) => string;
}

const changeWords: Readonly<Record<ItemChange, string>> = {
  get on() {
    return say("clashes.changeWords.on");
  },
  get off() {
    return say("clashes.changeWords.off");
  },
  get content() {
    return say("clashes.changeWords.content");
  },
  get section() {
    return say("clashes.changeWords.section");
  },
};

/** What one side of a clash says. */
export function sayClashSide({ what }: Clash, { value, after }: ClashSide, names: ClashNames): string {
  if (what === "place")
    return after === undefined
      ? say("clashes.notThere")
      : after === null
        ? say("clashes.firstOfItsSection")
        : say("clashes.after", { after: names.item(after) });
  if (value === undefined)
    return what === "content" ? say("clashes.whicheverIsTheNewest") : say("common.none");
  if (what === "removed")
    return value === "removed"
      ? say("clashes.takenOut")
      : say("clashes.kept", { changed: changed(value as string) });
  if (what === "on") return value === true ? say("common.on") : say("common.off");
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
  if ("components" in value) return partWords(value as Choice) || say("clashes.noneOfItsParts");
  const { version, off: left = [] } = value as Partial<ProfileBook>;
  if (version !== undefined)
    return say("clashes.version", {
      version,
      rest: left.length > 0 ? say("clashes.rulesOff", { count: left.length }) : "",
    });
  return "path" in value ? say("common.leftOut") : JSON.stringify(value);
}

const changed = (codes: string): string =>
  codes
    .split(" ")
    .map((code) => changeWords[code as ItemChange])
    .join(", ");
