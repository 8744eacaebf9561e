import type { ProfileDifference, ProfileDifferenceKind } from "../compare/compare";
import { findItem, titleOf, type Roster } from "../roster/roster";
import type { ListName } from "../model/profile";
import { plainText } from "./parts";
import { ruleText } from "./rules";

/** Headings of the groups in which differences are shown, in their order. */
export const differenceGroups: readonly (readonly [ProfileDifferenceKind, string])[] = [
  ["only-here", "Only here"],
  ["only-there", "Only there"],
  ["state", "On or off"],
  ["version", "Other version"],
  ["parts", "Other parts"],
  ["section", "Other section"],
  ["order", "Other order"],
  ["rule-here", "Rules only here"],
  ["rule-there", "Rules only there"],
  ["book", "Rulebooks"],
  ["expansion", "Expansions"],
  ["base", "Of the game itself"],
  ["launch", "Launch settings"],
];

/** What a difference is about, as a person calls it. */
export function differenceName(here: Roster, there: Roster, { kind, id }: ProfileDifference): string {
  const { game } = here;
  switch (kind) {
    case "rule-here":
      return ruleWords(here, id);
    case "rule-there":
      return ruleWords(there, id);
    case "expansion":
      return game.expansions.find((each) => each.id === id)?.name ?? id;
    case "base":
      return game.baseItems?.find((each) => each.id === id)?.name ?? id;
    case "launch":
      return game.launchSettings?.find((each) => each.id === id)?.label ?? id;
    case "book":
      return here.stock.books.find((book) => book.id === id)?.name ?? id;
    default:
      return itemName(here, there, id);
  }
}

function itemName(here: Roster, there: Roster, id: string): string {
  const item = findItem(here, id) ?? findItem(there, id);
  return item ? titleOf(item) : id;
}

function ruleWords(roster: Roster, id: string): string {
  const rule = roster.profile.state.rules.find((each) => each.id === id);
  return rule ? plainText(ruleText(rule.rule), (item) => itemName(roster, roster, item)) : id;
}

const listWords: Record<ListName, string> = { mods: "mods", plugins: "plugins" };

/** All differences as plain text, for a message or a file. */
export function comparisonText(
  here: Roster,
  there: Roster,
  names: readonly [here: string, there: string],
  differences: readonly ProfileDifference[],
): string {
  const lines = [`Here: ${names[0]}`, `There: ${names[1]}`, `Game: ${here.game.name} ${here.game.version}`];
  if (differences.length === 0) return [...lines, "", "No difference.", ""].join("\n");
  for (const [kind, title] of differenceGroups)
    for (const list of ["mods", "plugins", null] as const) {
      const group = differences.filter((each) => each.kind === kind && each.list === list);
      if (group.length === 0) continue;
      lines.push("", `${title}${list ? `, ${listWords[list]}` : ""}: ${group.length}`);
      lines.push(...group.map((each) => `- ${differenceName(here, there, each)}${sides(each)}`));
    }
  return [...lines, ""].join("\n");
}

function sides({ kind, here, there, matters }: ProfileDifference): string {
  if (kind === "rule-here" || kind === "rule-there") return here || there ? ` (${here || there})` : "";
  const turned = matters === undefined ? "" : matters ? "; changes a tie or a winner" : "; changes nothing";
  return ` (here ${here || "none"}, there ${there || "none"}${turned})`;
}
