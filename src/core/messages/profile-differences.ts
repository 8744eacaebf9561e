import { blendChoiceText } from "./blend";
import { adviceSubject, adviceText, occasionText } from "./advice";
import { say } from "../language/say";
import type { Difference } from "../compare/states";
import type { Decision, FacetName, KeyedName, ListName } from "../model/profile";
import { findItem, titleOf, type Roster, type SeatedItem } from "../roster/roster";
import { settingName } from "../roster/settings";
import { decisionIn } from "../state/facets";
import type { DifferenceKind } from "../state/facet";
import { plainText } from "./parts";
import { ruleText } from "./rules";
import { facetWord } from "./facets";

const onEitherSide = ["only-here", "only-there"] as const;
const orderKinds = [
  ...onEitherSide,
  "on",
  "content",
  "section",
  "place",
  "section-only-here",
  "section-only-there",
  "section-changed",
  "section-place",
] as const;
const ruleKinds = [...onEitherSide, "changed", "place"] as const;

type Titled<Kind> = Kind extends "only-there"
  ? "only-here"
  : Kind extends "section-only-there"
    ? "section-only-here"
    : Kind;

/** What is on one side alone has the same words, whichever side that is. */
const titled = <Kind extends string>(kind: Kind): Titled<Kind> =>
  kind.replace("only-there", "only-here") as Titled<Kind>;

/** What one of the two that are compared is called: by itself, and in "only …". */
interface Side {
  readonly name: string;
  readonly where: string;
}

export type Sides = readonly [here: Side, there: Side];

const side = (id: "now" | "then" | "before" | "after" | "mine"): Side => ({
  name: say(`sides.${id}.name`),
  where: say(`sides.${id}.where`),
});

/** The profile that is worked on, and another state. */
export const sidesWith = (name: string): Sides => [
  side("mine"),
  { name, where: say("sides.other.where", { name }) },
];
/** A profile as it is, and as it will be. */
export const sidesOfChange = (): Sides => [side("now"), side("then")];
export const sidesOfEdit = (): Sides => [side("before"), side("after")];

interface FacetWords {
  /** In the order in which they are shown. */
  readonly kinds: readonly DifferenceKind[];
  readonly title: (kind: DifferenceKind, where: string) => string;
  /** What a decision is about, as a person calls it; `roster` is one that holds it. */
  readonly name: (roster: Roster, key: string) => string;
  /** What stands there; empty where there is nothing. */
  readonly side: (roster: Roster, key: string, kind: DifferenceKind) => string;
}

const itemName = (roster: Roster, id: string): string => {
  const item = findItem(roster, id);
  return item ? titleOf(item) : (roster.stock.shelf.find((mod) => mod.id === id)?.name ?? id);
};

const onOff = (on: boolean): string => (on ? say("common.on") : say("common.off"));

const orderWords = (list: ListName): FacetWords => ({
  kinds: orderKinds,
  title: (kind, where) =>
    say(`profileDifferences.order.${titled(kind as (typeof orderKinds)[number])}`, {
      side: where,
      list: facetWord(list, "many"),
    }),
  name: (roster, key) => sectionName(roster, list, key) ?? itemName(roster, key),
  side: (roster, key, kind) => {
    const item = roster.lists[list].itemOf.get(key);
    return item ? itemSide(item, kind) : (sectionName(roster, list, key) ?? "");
  },
});

const sectionName = (roster: Roster, list: ListName, id: string): string | undefined =>
  roster.lists[list].sections.find((section) => section.id === id)?.name;

function itemSide(item: SeatedItem, kind: DifferenceKind): string {
  if (kind === "on") return onOff(item.entry.on);
  if (kind === "content")
    return item.list === "mods" ? (item.mod?.version ?? item.entry.content?.slice(0, 12) ?? "") : "";
  return kind === "section" ? (item.section?.name ?? "") : item.seat;
}

/** A set of ids that are on, or off where the facet says what is off. */
const setWords = (
  facet: "expansions" | "broaderFirst" | "baseOff",
  name: FacetWords["name"],
  isOn: (roster: Roster, key: string) => boolean,
): FacetWords => ({
  kinds: onEitherSide,
  title: () => say(`profileDifferences.title.${facet}`),
  name,
  side: (roster, key) => onOff(isOn(roster, key)),
});

const decisionOf = <Name extends KeyedName>({ profile }: Roster, name: Name, key: string) =>
  decisionIn(profile.state, name, key);

/** A decision that says by itself what it is about, and what is decided. */
const decidedWords = <Name extends "advice" | "setAside" | "reminders" | "startNotes" | "blend">(
  facet: Name,
  name: (found: Decision<Name>, roster: Roster) => string,
  says: (found: Decision<Name>, roster: Roster) => string,
  kinds: FacetWords["kinds"] = [...onEitherSide, "changed"],
): FacetWords => ({
  kinds,
  title: () => say(`profileDifferences.title.${facet}`),
  name: (roster, key) => {
    const found = decisionOf(roster, facet, key);
    return found === undefined ? key : name(found, roster);
  },
  side: (roster, key) => {
    const found = decisionOf(roster, facet, key);
    return found === undefined ? "" : says(found, roster);
  },
});

export const partWords = ({
  options,
  components,
}: {
  options: Record<string, string[]>;
  components: string[];
}) =>
  [
    ...Object.entries(options)
      .filter(([, parts]) => parts.length > 0)
      .map(([id, parts]) => `${id}: ${[...parts].sort().join(", ")}`)
      .sort(),
    [...components].sort().join(", "),
  ]
    .filter(Boolean)
    .join("; ");

/** How a difference of each facet is told. */
const words: { readonly [Name in FacetName]: FacetWords } = {
  mods: orderWords("mods"),
  plugins: orderWords("plugins"),
  rules: {
    kinds: ruleKinds,
    title: (kind, where) =>
      say(`profileDifferences.rules.${titled(kind as (typeof ruleKinds)[number])}`, { side: where }),
    name: (roster, id) => {
      const rule = decisionOf(roster, "rules", id);
      return rule ? plainText(ruleText(rule.rule), (item) => itemName(roster, item)) : id;
    },
    side: (roster, id, kind) => {
      const rule = decisionOf(roster, "rules", id);
      if (kind !== "changed" || !rule) return rule?.note ?? "";
      return `${onOff(!rule.off)}: ${plainText(ruleText(rule.rule), (item) => itemName(roster, item))}`;
    },
  },
  expansions: setWords(
    "expansions",
    ({ game }, id) => game.expansions.find((each) => each.id === id)?.name ?? id,
    ({ profile }, id) => profile.state.expansions.includes(id),
  ),
  broaderFirst: setWords(
    "broaderFirst",
    () => say("profileDifferences.ofPluginsThatNobodyHasPlaced"),
    ({ profile }) => profile.state.broaderFirst,
  ),
  books: {
    kinds: ruleKinds,
    title: (kind) => say(`profileDifferences.${kind === "place" ? "orderOfBooks" : "title.books"}`),
    name: ({ stock }, id) => stock.books.find((book) => book.id === id)?.name ?? id,
    side: (roster, id) => {
      const book = decisionOf(roster, "books", id);
      if (!book) return "";
      return book.off.length > 0
        ? say("profileDifferences.without", { version: book.version, count: book.off.length })
        : book.version;
    },
  },
  notes: {
    kinds: [...onEitherSide, "changed"],
    title: () => say("profileDifferences.title.notes"),
    name: (roster, key) => itemName(roster, key.slice(key.indexOf(" ") + 1)),
    side: (roster, key) => decisionOf(roster, "notes", key)?.text ?? "",
  },
  numbers: {
    kinds: [...onEitherSide, "changed"],
    title: () => say("profileDifferences.title.numbers"),
    name: (roster, key) => {
      const [list = "", of = "", id = ""] = /^(\S+) (\S+) (.*)$/s.exec(key)?.slice(1) ?? [];
      if (of === "item") return itemName(roster, id);
      const { sections } = roster.lists[list === "mods" ? "mods" : "plugins"];
      return sections.find((section) => section.id === id)?.name ?? id;
    },
    side: (roster, key) => String(decisionOf(roster, "numbers", key)?.number ?? ""),
  },
  advice: decidedWords(
    "advice",
    (found, roster) => adviceSubject(roster, found.on),
    (found, roster) => adviceText(roster, found),
  ),
  setAside: decidedWords(
    "setAside",
    ({ finding }) => finding,
    ({ reason }) => reason,
  ),
  reminders: decidedWords(
    "reminders",
    ({ text }) => text,
    ({ when }) => occasionText(when),
  ),
  startNotes: decidedWords(
    "startNotes",
    ({ text }) => text,
    ({ kind }) => say(`startNotes.kind.${kind}`),
    ruleKinds,
  ),
  blend: decidedWords("blend", blendChoiceText, (found) =>
    found.kind === "winner" ? found.plugin : found.kind === "recipe" ? found.name : "",
  ),
  choices: {
    kinds: [...onEitherSide, "changed"],
    title: () => say("profileDifferences.title.choices"),
    name: itemName,
    side: ({ modOf }, id) => {
      const item = modOf.get(id);
      return item ? partWords(item.choice) : "";
    },
  },
  baseOff: setWords(
    "baseOff",
    ({ game }, id) => game.baseItems?.find((each) => each.id === id)?.name ?? id,
    ({ profile }, id) => !profile.state.baseOff.includes(id),
  ),
  launch: {
    kinds: [...onEitherSide, "changed"],
    title: () => say("profileDifferences.title.launch"),
    name: ({ game }, id) => game.launchSettings?.find((each) => each.id === id)?.label ?? id,
    side: ({ game, profile }, id) =>
      String(profile.state.launch[id] ?? game.launchSettings?.find((each) => each.id === id)?.standard ?? ""),
  },
  settings: {
    kinds: [...onEitherSide, "changed"],
    title: () => say("profileDifferences.title.settings"),
    name: (roster, key) => {
      const found = decisionOf(roster, "settings", key);
      return found ? settingName(roster.game, found) : key;
    },
    side: (roster, key) => {
      const { value } = decisionOf(roster, "settings", key) ?? { value: "" };
      return value === null ? say("profileDifferences.staysAsItIs") : String(value);
    },
  },
  leftOut: {
    kinds: onEitherSide,
    title: () => say("profileDifferences.title.leftOut"),
    name: (roster, key) => {
      const found = decisionOf(roster, "leftOut", key);
      return found ? `${itemName(roster, found.mod)}: ${found.path}` : key;
    },
    side: (roster, key) =>
      say(decisionOf(roster, "leftOut", key) ? "facets.one.leftOut" : "profileDifferences.there2"),
  },
};

const asideOrders = (Object.keys(words) as FacetName[]).filter(
  (name) => name !== "mods" && name !== "plugins",
);

const titleOfGroup = (facet: FacetName, kind: DifferenceKind, [here, there]: Sides): string =>
  words[facet].title(kind, (kind.endsWith("only-there") ? there : here).where);

/** Headings of the groups in which differences are shown, in their order: items first, then what is beside them. */
const differenceTitles = (sides: Sides): Set<string> =>
  new Set([
    ...words.mods.kinds.flatMap((kind) =>
      (["mods", "plugins"] as const).map((list) => titleOfGroup(list, kind, sides)),
    ),
    ...asideOrders.flatMap((facet) => words[facet].kinds.map((kind) => titleOfGroup(facet, kind, sides))),
  ]);

/** Differences under their headings, those without any left out. */
export function groupDifferences(
  differences: readonly Difference[],
  sides: Sides,
): { readonly title: string; readonly members: Difference[] }[] {
  const groups = new Map<string, Difference[]>([...differenceTitles(sides)].map((title) => [title, []]));
  for (const difference of differences)
    groups.get(titleOfGroup(difference.facet, difference.kind, sides))?.push(difference);
  return [...groups]
    .filter(([, members]) => members.length > 0)
    .map(([title, members]) => ({ title, members }));
}

/** What a difference is about, as a person calls it. */
export function differenceName(here: Roster, there: Roster, { facet, kind, key }: Difference): string {
  const { name } = words[facet];
  const [first, second] = kind.endsWith("only-there") ? [there, here] : [here, there];
  const found = name(first, key);
  return found === key ? name(second, key) : found;
}

/** What stands on either side. */
export function differenceSides(
  here: Roster,
  there: Roster,
  { facet, kind, key }: Difference,
): readonly [here: string, there: string] {
  const { side } = words[facet];
  return [side(here, key, kind), side(there, key, kind)];
}

/** The item of the plan that a difference is about; null of what is beside the orders. */
export const differenceItem = ({ facet, kind, key }: Difference): string | null =>
  (facet === "mods" || facet === "plugins") && !kind.startsWith("section-") ? key : null;

/** All differences as plain text, for a message or a file. */
export function comparisonText(
  here: Roster,
  there: Roster,
  names: readonly [here: string, there: string],
  differences: readonly Difference[],
): string {
  const sides = names.map((name) => ({ name, where: say("sides.other.where", { name }) })) as [Side, Side];
  const lines = [
    say("profileDifferences.compared", { here: names[0], there: names[1] }),
    say("profileDifferences.game", { name: here.game.name, version: here.game.version }),
  ];
  if (differences.length === 0) return [...lines, "", say("profileDifferences.noDifference"), ""].join("\n");
  for (const { title, members } of groupDifferences(differences, sides)) {
    lines.push("", `${title}: ${members.length}`);
    for (const each of members)
      lines.push(`- ${differenceName(here, there, each)}${onBothSides([here, there], names, each)}`);
  }
  return [...lines, ""].join("\n");
}

function onBothSides(
  rosters: readonly [here: Roster, there: Roster],
  [hereName, thereName]: readonly [string, string],
  difference: Difference,
): string {
  const [here, there] = differenceSides(...rosters, difference);
  const { facet, kind, matters } = difference;
  if (facet === "rules" && kind !== "changed") return here || there ? ` (${here || there})` : "";
  const turned =
    matters === undefined
      ? ""
      : matters
        ? say("profileDifferences.changesATieOrAWinner")
        : say("profileDifferences.changesNothing");
  return say("profileDifferences.hereThere", {
    hereName,
    here: here || say("common.none"),
    thereName,
    there: there || say("common.none"),
    turned,
  });
}

/** What may have become of a profile since an earlier state, the more telling first. */
const sinceKinds = [
  "only-there",
  "only-here",
  "on",
  "place",
  "section",
  "content",
  "changed",
  "section-only-there",
  "section-only-here",
  "section-changed",
  "section-place",
] as const;

/** Changes since an earlier state by what happened and to what, the more telling first. */
export function groupChanges(
  changes: readonly Difference[],
): { readonly title: string; readonly members: Difference[] }[] {
  const groups = new Map<string, Difference[]>();
  for (const kind of sinceKinds)
    for (const facet of ["plugins", "mods", ...asideOrders] as const) {
      const members = changes.filter((each) => each.facet === facet && each.kind === kind);
      const title = `${say(`profileDifferences.since.${kind}`)}, ${facetWord(facet, "many")}`;
      if (members.length > 0) groups.set(title, members);
    }
  return [...groups].map(([title, members]) => ({ title, members }));
}
