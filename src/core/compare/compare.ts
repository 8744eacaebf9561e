import { movedBetween } from "../graph/moved";
import type { Entry, ListName, Order, ProfileState, Rule } from "../model/profile";
import type { Edit, Step } from "../model/edit";
import type { Roster, SeatedItem } from "../roster/roster";
import { label } from "../edit/steps";

/** In which of two states something is, or in what it differs. */
export type ProfileDifferenceKind =
  | "only-here"
  | "only-there"
  | "state"
  | "version"
  | "parts"
  | "section"
  | "order"
  | "rule-here"
  | "rule-there"
  | "expansion"
  | "base"
  | "launch"
  | "book";

/** One thing in which two states of a game's profiles differ; `here` and `there` are what stands in each, for people. */
export interface ProfileDifference {
  readonly kind: ProfileDifferenceKind;
  /** Of which list it is; null for what is of none. */
  readonly list: ListName | null;
  /** An item, a rule, an expansion, a setting. */
  readonly id: string;
  readonly here: string;
  readonly there: string;
  /** Of a difference in order: it changes a tie, or which of two mods wins. */
  readonly matters?: boolean;
}

const listNames = ["mods", "plugins"] as const;

/** Everything in which two states differ that changes how the setup behaves or is arranged. Notes and names do not count. */
export function compareRosters(here: Roster, there: Roster, ties: Tied): ProfileDifference[] {
  return [
    ...listNames.flatMap((list) => compareLists(here, there, list, ties)),
    ...compareParts(here, there),
    ...compareRules(here.profile.state.rules, there.profile.state.rules),
    ...compareSettings(here, there),
  ];
}

/** Pairs of a list whose order means something, for whatever reason. */
export type Tied = Readonly<Record<ListName, readonly (readonly [earlier: string, later: string])[]>>;

function compareLists(here: Roster, there: Roster, list: ListName, ties: Tied): ProfileDifference[] {
  const [mine, theirs] = [here.lists[list], there.lists[list]];
  const of = (kind: ProfileDifferenceKind, id: string, a: string, b: string): ProfileDifference => ({
    kind,
    list,
    id,
    here: a,
    there: b,
  });
  const shared = mine.items.filter(({ id }) => theirs.itemOf.has(id));
  return [
    ...mine.items
      .filter(({ id }) => !theirs.itemOf.has(id))
      .map((item) => of("only-here", item.id, item.seat, "")),
    ...theirs.items
      .filter(({ id }) => !mine.itemOf.has(id))
      .map((item) => of("only-there", item.id, "", item.seat)),
    ...shared.flatMap((item) => compareItem(item, theirs.itemOf.get(item.id)!, of)),
    ...compareOrder(here, there, list, ties[list]),
  ];
}

const onOff = (item: SeatedItem): string => (item.entry.on ? "on" : "off");

type Make = (kind: ProfileDifferenceKind, id: string, here: string, there: string) => ProfileDifference;

function compareItem(mine: SeatedItem, theirs: SeatedItem, of: Make): ProfileDifference[] {
  const found: ProfileDifference[] = [];
  if (mine.entry.on !== theirs.entry.on) found.push(of("state", mine.id, onOff(mine), onOff(theirs)));
  if (mine.list === "mods" && theirs.list === "mods" && mine.mod?.content !== theirs.mod?.content)
    found.push(of("version", mine.id, mine.mod?.version ?? "", theirs.mod?.version ?? ""));
  if (belongsIn(mine.entry) !== belongsIn(theirs.entry))
    found.push(of("section", mine.id, mine.section?.name ?? "", theirs.section?.name ?? ""));
  return found;
}

const belongsIn = ({ home, section }: Entry): string | null => home ?? section;

/** The fewest items that must move for what both hold to stand in one order, and whether that changes anything. */
function compareOrder(
  here: Roster,
  there: Roster,
  list: ListName,
  ties: Tied[ListName],
): ProfileDifference[] {
  const ids = (roster: Roster) => roster.lists[list].items.map(({ id }) => id);
  const moved = movedBetween(ids(here), ids(there));
  const turned = turnedPairs(here, there, list, ties);
  return moved.map((id) => ({
    kind: "order",
    list,
    id,
    here: here.lists[list].itemOf.get(id)!.seat,
    there: there.lists[list].itemOf.get(id)!.seat,
    matters: turned.has(id),
  }));
}

/** Items of tied or meeting pairs that stand the other way round there. */
function turnedPairs(here: Roster, there: Roster, list: ListName, ties: Tied[ListName]): Set<string> {
  const turned = new Set<string>();
  const [mine, theirs] = [here.lists[list].itemOf, there.lists[list].itemOf];
  for (const [a, b] of ties) {
    const places = [mine.get(a), mine.get(b), theirs.get(a), theirs.get(b)].map((item) => item?.place);
    if (places.some((place) => place === undefined)) continue;
    if (places[0]! < places[1]! !== places[2]! < places[3]!) turned.add(a).add(b);
  }
  return turned;
}

function compareParts(here: Roster, there: Roster): ProfileDifference[] {
  return here.mods.flatMap((mine) => {
    const theirs = there.modOf.get(mine.id);
    if (!theirs) return [];
    const [a, b] = [partWords(mine.choice), partWords(theirs.choice)];
    return a === b ? [] : [{ kind: "parts" as const, list: "mods" as const, id: mine.id, here: a, there: b }];
  });
}

const partWords = ({ options, components }: { options: Record<string, string[]>; components: string[] }) =>
  [
    ...Object.entries(options)
      .filter(([, parts]) => parts.length > 0)
      .map(([id, parts]) => `${id}: ${[...parts].sort().join(", ")}`)
      .sort(),
    [...components].sort().join(", "),
  ]
    .filter(Boolean)
    .join("; ");

/** Shared rules hold in both. */
function compareRules(mine: readonly Rule[], theirs: readonly Rule[]): ProfileDifference[] {
  const key = ({ rule, off, list }: Rule) =>
    JSON.stringify([
      Object.entries({ ...rule, id: "" }).sort(([a], [b]) => (a < b ? -1 : 1)),
      off ?? false,
      list ?? "",
    ]);
  const own = (rules: readonly Rule[]) => rules.filter((rule) => !rule.shared);
  const [a, b] = [new Set(own(mine).map(key)), new Set(own(theirs).map(key))];
  const of = (kind: "rule-here" | "rule-there") => (rule: Rule) => ({
    kind,
    list: null,
    id: rule.id,
    here: kind === "rule-here" ? rule.note : "",
    there: kind === "rule-there" ? rule.note : "",
  });
  return [
    ...own(mine)
      .filter((rule) => !b.has(key(rule)))
      .map(of("rule-here")),
    ...own(theirs)
      .filter((rule) => !a.has(key(rule)))
      .map(of("rule-there")),
  ];
}

function compareSettings(here: Roster, there: Roster): ProfileDifference[] {
  const [mine, theirs] = [here.profile.state, there.profile.state];
  const switches = (
    kind: "expansion" | "base",
    ids: readonly string[],
    isOn: (state: ProfileState, id: string) => boolean,
  ) =>
    ids
      .filter((id) => isOn(mine, id) !== isOn(theirs, id))
      .map((id) => ({ kind, list: null, id, here: word(isOn(mine, id)), there: word(isOn(theirs, id)) }));
  return [
    ...switches(
      "expansion",
      here.game.expansions.map(({ id }) => id),
      (state, id) => state.expansions.includes(id),
    ),
    ...switches(
      "base",
      (here.game.baseItems ?? []).map(({ id }) => id),
      (state, id) => !(state.baseOff ?? []).includes(id),
    ),
    ...(here.game.launchSettings ?? [])
      .map(({ id, standard }) => ({
        id,
        a: mine.launch?.[id] ?? standard,
        b: theirs.launch?.[id] ?? standard,
      }))
      .filter(({ a, b }) => a !== b)
      .map(({ id, a, b }) => ({
        kind: "launch" as const,
        list: null,
        id,
        here: String(a),
        there: String(b),
      })),
    ...compareBooks(mine, theirs),
  ];
}

const word = (on: boolean): string => (on ? "on" : "off");

function compareBooks(mine: ProfileState, theirs: ProfileState): ProfileDifference[] {
  const versions = ({ books = [] }: ProfileState) => new Map(books.map(({ id, version }) => [id, version]));
  const [a, b] = [versions(mine), versions(theirs)];
  return [...new Set([...a.keys(), ...b.keys()])]
    .filter((id) => a.get(id) !== b.get(id))
    .map((id) => ({ kind: "book", list: null, id, here: a.get(id) ?? "", there: b.get(id) ?? "" }));
}

/** Makes the profile here agree with the one there in some of their differences. Null where nothing changes. */
export function takeOver(
  here: Roster,
  there: Roster,
  differences: readonly ProfileDifference[],
  name: string,
): Edit | null {
  const order = [...differences].sort((a, b) => placeThere(there, a) - placeThere(there, b));
  const draft: Draft = { mods: here.profile.state.mods, plugins: here.profile.state.plugins };
  const steps = order.flatMap((difference) => stepsFor(here, there, difference, draft));
  if (steps.length === 0) return null;
  return { label: label("take-over", { count: differences.length, name }), steps };
}

/** Items are put one after another in the order in which they stand there, so that each finds its neighbour in place. */
const placeThere = (there: Roster, { list, id }: ProfileDifference): number =>
  list === null ? -1 : (there.lists[list].itemOf.get(id)?.place ?? -1);

/** The orders as the steps so far have made them. */
type Draft = Record<ListName, Order>;

function stepsFor(here: Roster, there: Roster, { kind, list, id }: ProfileDifference, draft: Draft): Step[] {
  const theirs = there.profile.state;
  switch (kind) {
    case "only-here":
      draft[list!] = without(draft[list!], id);
      return [{ kind: "drop", list: list!, ids: [id] }];
    case "only-there":
    case "section":
    case "order":
      return [seatAsThere(here, there, list!, id, draft)];
    case "state":
      return [switchAsThere(there, list!, id, draft)];
    case "version":
      return pinAsThere(there, id, draft);
    case "parts":
      return [{ kind: "choose", mod: id, choice: there.modOf.get(id)!.choice }];
    case "rule-here":
      return [{ kind: "drop-rule", id }];
    case "rule-there":
      return [{ kind: "keep-rule", rule: theirs.rules.find((rule) => rule.id === id)!, before: null }];
    case "expansion":
      return [{ kind: "settings", expansions: [...theirs.expansions] }];
    case "base":
      return [{ kind: "settings", baseOff: [...(theirs.baseOff ?? [])] }];
    case "launch":
      return [{ kind: "settings", launch: { ...theirs.launch } }];
    case "book":
      return [{ kind: "books", books: [...(theirs.books ?? [])] }];
  }
}

const without = ({ sections, entries }: Order, id: string): Order => ({
  sections,
  entries: entries.filter((entry) => entry.id !== id),
});

/** Seats an item after the nearest one before it there that is here too; first of its section where there is none. */
function seatAsThere(here: Roster, there: Roster, list: ListName, id: string, draft: Draft): Step {
  const wanted = there.lists[list].itemOf.get(id)!.entry;
  const present = draft[list].entries.find((entry) => entry.id === id);
  const { sections } = draft[list];
  const known = sections.some((section) => section.id === wanted.section);
  const section = known ? wanted.section : (present?.section ?? sections.at(-1)?.id ?? null);
  const entry: Entry = { ...wanted, on: present?.on ?? wanted.on, section };
  const rest = without(draft[list], id).entries;
  const at = placeAfter(
    there,
    list,
    id,
    section,
    rest,
    sections.map((each) => each.id),
  );
  draft[list] = { sections, entries: [...rest.slice(0, at), entry, ...rest.slice(at)] };
  return { kind: "put", list, entries: [entry], before: rest[at]?.id ?? null };
}

function placeAfter(
  there: Roster,
  list: ListName,
  id: string,
  section: string | null,
  rest: readonly Entry[],
  sections: readonly string[],
): number {
  const { items, itemOf } = there.lists[list];
  const placeOf = new Map(rest.map((entry, at) => [entry.id, at]));
  for (let place = itemOf.get(id)!.place - 1; place >= 0; place--) {
    const at = placeOf.get(items[place]!.id);
    if (at !== undefined && rest[at]!.section === section) return at + 1;
  }
  const rank = new Map(sections.map((each, at) => [each as string | null, at]));
  const first = rest.findIndex((entry) => rank.get(entry.section)! >= rank.get(section)!);
  return first < 0 ? rest.length : first;
}

function switchAsThere(there: Roster, list: ListName, id: string, draft: Draft): Step {
  const { on } = there.lists[list].itemOf.get(id)!.entry;
  const { sections, entries } = draft[list];
  draft[list] = { sections, entries: entries.map((entry) => (entry.id === id ? { ...entry, on } : entry)) };
  return { kind: "switch", list, ids: [id], on };
}

/** Pins the version that counts there, at the seat that the mod has here. */
function pinAsThere(there: Roster, id: string, draft: Draft): Step[] {
  const content = there.modOf.get(id)!.mod?.content;
  const at = draft.mods.entries.findIndex((entry) => entry.id === id);
  const present = draft.mods.entries[at];
  if (!present || !content) return [];
  const entry: Entry = { ...present, content };
  draft.mods = {
    ...draft.mods,
    entries: draft.mods.entries.map((each) => (each === present ? entry : each)),
  };
  return [{ kind: "put", list: "mods", entries: [entry], before: draft.mods.entries[at + 1]?.id ?? null }];
}
