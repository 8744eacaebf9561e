/**
 * A rule in plain words: "C12 after B3", "Tidal Core.keel before C4", "C12 last in its section", "C12 first of all",
 * "C12, C13 and C20 together". Items go by seat or by name, or by a part of the name that only one has. "must" anywhere
 * makes it binding; what follows "because" is its note.
 */
import { done, refuse, type Outcome } from "../model/outcome";
import type { OrderRule, Strength } from "../model/problem";
import { findItems } from "../roster/find-items";
import type { SeatedList } from "../roster/roster";

interface SpokenRule {
  readonly rule: OrderRule;
  readonly note: string;
}

/** Null where the text is no sentence of this kind at all; refused where it is one, but names nothing to be found. */
export function parseRule(list: SeatedList, text: string): Outcome<SpokenRule> | null {
  const [said, note = ""] = text.trim().split(/\s+because\s+/i, 2) as [string, string?];
  const strength: Strength = /(^|\s)must(\s|$)/i.test(said) ? "must" : "prefer";
  const plain = said
    .replace(/(^|\s)must(\s|$)/i, " ")
    .replace(/\s+be\s+/i, " ")
    .trim();
  const rule = pairOf(list, plain, strength) ?? endOf(list, plain, strength) ?? groupOf(list, plain);
  return rule && (rule.ok ? done({ rule: rule.value, note: note.trim() }) : rule);
}

function pairOf(list: SeatedList, text: string, strength: Strength): Outcome<OrderRule> | null {
  const match = /^(.+?)\s+(after|before)\s+(.+)$/i.exec(text);
  if (!match) return null;
  const items = findAll(list, [match[1]!, match[3]!]);
  if (!items.ok) return items;
  const [item, other] = items.value as [string, string];
  if (item === other) return refuse("rule-of-one", { item });
  return done({ kind: match[2]!.toLowerCase() as "after" | "before", item, other, strength });
}

function endOf(list: SeatedList, text: string, strength: Strength): Outcome<OrderRule> | null {
  const match = /^(.+?)\s+(first|last)(?:\s+(of all|in (?:its|the) section|in [a-z]{1,2}))?$/i.exec(text);
  if (!match) return null;
  const items = findAll(list, [match[1]!]);
  if (!items.ok) return items;
  const within = match[3]?.toLowerCase() === "of all" ? "list" : "section";
  return done({ kind: match[2]!.toLowerCase() as "first" | "last", item: items.value[0]!, within, strength });
}

function groupOf(list: SeatedList, text: string): Outcome<OrderRule> | null {
  const match = /^(.+)\s+together$/i.exec(text);
  if (!match) return null;
  const items = findAll(list, match[1]!.split(/\s*,\s*|\s+and\s+/i).filter(Boolean));
  if (!items.ok) return items;
  const members = [...new Set(items.value)];
  if (members.length < 2) return refuse("rule-of-one", { item: members[0] ?? "" });
  return done({ kind: "together", items: members, strength: "prefer" });
}

function findAll(list: SeatedList, texts: readonly string[]): Outcome<string[]> {
  const found: string[] = [];
  for (const text of texts) {
    const items = findItems(list, text);
    if (items.length === 0) return refuse("no-such-item", { text: text.slice(0, 60) });
    if (items.length > 1)
      return refuse("many-such-items", {
        text: text.slice(0, 60),
        count: items.length,
        item: items[0]!.id,
      });
    found.push(items[0]!.id);
  }
  return done(found);
}
