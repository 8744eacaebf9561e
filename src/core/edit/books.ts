import { say } from "../language/say";
import type { Edit, Step } from "../model/edit";
import type { BookRule, Rulebook } from "../model/rulebook";
import { itemsOf } from "../order/rule-items";
import { compareBooks, type OpenBook } from "../roster/books";
import type { Roster } from "../roster/roster";
import { label } from "./steps";

/** Takes a book into use, or another version of it in its place; sections that the profile lacks come with it. */
export function goByBook(roster: Roster, book: Rulebook): Edit {
  const books = roster.profile.state.books;
  const ids = new Set(book.rules.map((rule) => rule.id));
  const old = books.find((each) => each.id === book.id);
  const own = { id: book.id, version: book.version, off: (old?.off ?? []).filter((id) => ids.has(id)) };
  return {
    label: label(old ? "update-book" : "add-book", { name: book.name, version: book.version }),
    steps: [{ kind: "decide", facet: "books", key: book.id, item: own }, ...sectionSteps(roster, book)],
    restorePoint: say("edit.beforeTheRulebook", { name: book.name, version: book.version }).slice(0, 80),
  };
}

/** Sections that the profile lacks, each behind the last one of its load rank. */
const sectionSteps = (roster: Roster, book: Rulebook): Step[] =>
  roster.game.lists.flatMap((list): Step[] => {
    const { sections, entries } = roster.profile.state[list];
    const { sections: missing } = compareBooks(null, book, sections);
    const ranks = roster.lists[list].ranks.map((rank) => rank.id);
    const added = missing.filter((section) => ranks.includes(section.rank));
    if (added.length === 0) return [];
    const all = ranks.flatMap((rank) => [...sections, ...added].filter((section) => section.rank === rank));
    return [{ kind: "arrange", list, sections: all, entries: [...entries] }];
  });

export const dropBook = ({ book }: OpenBook): Edit => ({
  label: label("drop-book", { name: book.name }),
  steps: [{ kind: "decide", facet: "books", key: book.id, item: null }],
});

/** Null where the profile does not go by the book. */
export function switchBookRule(roster: Roster, { book }: OpenBook, rule: BookRule, on: boolean): Edit | null {
  const used = roster.profile.state.books.find((each) => each.id === book.id);
  if (!used) return null;
  const off = on ? used.off.filter((id) => id !== rule.id) : [...used.off, rule.id];
  return {
    label: label(on ? "rule-on" : "rule-off", { item: itemsOf(rule.rule)[0] ?? "" }),
    steps: [{ kind: "decide", facet: "books", key: book.id, item: { ...used, off } }],
  };
}
