import canonicalize from "canonicalize";
import type { Section } from "../model/game";
import type { OrderRule, ProblemRule } from "../model/problem";
import { listOfRule, type ListName } from "../model/profile";
import type { Advice } from "../model/advice";
import type { FoundBook } from "../model/found-books";
import type { BookRule, Rulebook } from "../model/rulebook";
import { compareVersions } from "../version/version";
import { foldName } from "./fold";
import type { Roster } from "./roster";

/** A rulebook of the profile as it is on this machine. */
export interface OpenBook {
  readonly book: Rulebook;
  readonly off: ReadonlySet<string>;
}

/** The rulebooks that the profile goes by, in its order; one whose file is not here any more is passed over. */
export function openBooks({ profile, stock }: Pick<Roster, "profile" | "stock">): OpenBook[] {
  return (profile.state.books ?? []).flatMap(({ id, version, off }) => {
    const book = stock.books.find((each) => each.id === id && each.version === version);
    return book ? [{ book, off: new Set(off) }] : [];
  });
}

/** Of what was found the newest of each book that the profile goes by, where it is newer than the one that it goes by. */
export function dueBooks(roster: Roster, found: readonly FoundBook[]): FoundBook[] {
  return openBooks(roster).flatMap(({ book }) => {
    const newest = found
      .filter((each) => each.book.id === book.id)
      .reduce<FoundBook | null>(
        (best, each) => (best && compareVersions(best.book.version, each.book.version) >= 0 ? best : each),
        null,
      );
    return newest && compareVersions(newest.book.version, book.version) > 0 ? [newest] : [];
  });
}

/** What a rule of a book is called among those of a profile. */
export const bookRuleId = (book: string, rule: string): string => `book:${book}:${rule}`;

const ownBoost = 1e6;
const mustOfBook = 1e5;

/**
 * The rules of books for the ordering problem of a list, and the own ones so weighed that they always win: a must of a book goes
 * before every other preference, but after every rule of the curator's.
 */
export function withBookRules(roster: Roster, list: ListName, own: readonly OrderRule[]): ProblemRule[] {
  const rules = openBooks(roster).flatMap(({ book, off }) =>
    book.rules
      .filter((each) => !off.has(each.id) && listOfRule(each) === list)
      .map((each) => bookRule(roster, book.id, each)),
  );
  if (rules.length === 0) return [...own];
  const boosted = own.map((rule) =>
    rule.strength === "must" ? rule : { ...rule, weight: (rule.weight ?? 1) + ownBoost },
  );
  return [...boosted, ...rules];
}

/** Its items by the names that the profile has for them. */
function bookRule({ game, idOfName }: Roster, book: string, { id, rule, list }: BookRule): ProblemRule {
  const here = (name: string) => (list === "mods" ? name : (idOfName.get(foldName(game, name)) ?? name));
  const weight = rule.strength === "must" ? mustOfBook : Math.min(rule.weight ?? 1, mustOfBook - 1);
  const source = { kind: "book" as const, book, rule: id };
  const facts = { id: bookRuleId(book, id), source, strength: "prefer" as const, weight };
  if (rule.kind === "together") return { ...rule, ...facts, items: rule.items.map(here) };
  if ("within" in rule) return { ...rule, ...facts, item: here(rule.item) };
  return { ...rule, ...facts, item: here(rule.item), other: here(rule.other) };
}

/** What taking over a version of a book changes beside the one that is in use, by ids and by plugins. */
interface BookDifference {
  readonly added: readonly BookRule[];
  readonly changed: readonly BookRule[];
  readonly gone: readonly BookRule[];
  readonly adviceAdded: readonly Advice[];
  readonly adviceGone: readonly Advice[];
  readonly sections: readonly Section[];
  /** What its changelog tells of versions that are not in the old one's. */
  readonly changelog: Rulebook["changelog"];
}

export function compareBooks(
  old: Rulebook | null,
  next: Rulebook,
  present: readonly Section[],
): BookDifference {
  const before = new Map(old?.rules.map((rule) => [rule.id, rule]));
  const after = new Set(next.rules.map((rule) => rule.id));
  const same = (a: unknown, b: unknown) => canonicalize(a) === canonicalize(b);
  const adviceBeside = (book: Rulebook | null, other: Rulebook | null) => {
    const there = new Set(other?.advice.map((each) => canonicalize(each)));
    return (book?.advice ?? []).filter((each) => !there.has(canonicalize(each)));
  };
  const told = new Set(old?.changelog.map((entry) => entry.version));
  return {
    added: next.rules.filter((rule) => !before.has(rule.id)),
    changed: next.rules.filter((rule) => before.has(rule.id) && !same(before.get(rule.id), rule)),
    gone: (old?.rules ?? []).filter((rule) => !after.has(rule.id)),
    adviceAdded: adviceBeside(next, old),
    adviceGone: adviceBeside(old, next),
    sections: next.sections.filter((section) => !present.some((each) => each.id === section.id)),
    changelog: next.changelog.filter((entry) => !told.has(entry.version)),
  };
}

/** The profile's own rules, sections and advice as a book that others can use. */
export function makeBook(
  roster: Roster,
  facts: Pick<Rulebook, "id" | "name" | "version" | "author" | "changelog">,
): Rulebook {
  const { state } = roster.profile;
  return {
    format: "seating-rulebook/2",
    ...facts,
    game: roster.game.id,
    sections: roster.game.lists.flatMap((list) => state[list].sections),
    rules: state.rules
      .filter(({ off }) => !off)
      .map(({ id, rule, note, list }) => ({ id, rule, note, ...(list && { list }) })),
    advice: [...state.advice],
  };
}
