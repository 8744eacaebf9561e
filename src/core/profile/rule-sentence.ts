/**
 * A rule in plain words: "C12 after B3", "Tidal Core.keel before C4", "C12 last in its section", "C12 first of all",
 * "C12, C13 and C20 together". Items go by seat or by name, or by a part of the name that only one has. "must" anywhere
 * makes it binding; what follows "because" is its note.
 */
import { done, refuse, type Outcome } from "../model/outcome";
import type { OrderRule, Strength } from "../model/problem";
import type { Roster, SeatedPlugin } from "./roster";

export interface SpokenRule {
  readonly rule: OrderRule;
  readonly note: string;
}

/** Null where the text is no sentence of this kind at all; refused where it is one, but names nothing to be found. */
export function parseRule(roster: Roster, text: string): Outcome<SpokenRule> | null {
  const [said, note = ""] = text.trim().split(/\s+because\s+/i, 2) as [string, string?];
  const strength: Strength = /(^|\s)must(\s|$)/i.test(said) ? "must" : "prefer";
  const plain = said
    .replace(/(^|\s)must(\s|$)/i, " ")
    .replace(/\s+be\s+/i, " ")
    .trim();
  const rule = pairOf(roster, plain, strength) ?? endOf(roster, plain, strength) ?? groupOf(roster, plain);
  return rule && (rule.ok ? done({ rule: rule.value, note: note.trim() }) : rule);
}

function pairOf(roster: Roster, text: string, strength: Strength): Outcome<OrderRule> | null {
  const match = /^(.+?)\s+(after|before)\s+(.+)$/i.exec(text);
  if (!match) return null;
  const items = findAll(roster, [match[1]!, match[3]!]);
  if (!items.ok) return items;
  const [item, other] = items.value as [string, string];
  if (item === other) return refuse("rule-of-one", { item });
  return done({ kind: match[2]!.toLowerCase() as "after" | "before", item, other, strength });
}

function endOf(roster: Roster, text: string, strength: Strength): Outcome<OrderRule> | null {
  const match = /^(.+?)\s+(first|last)(?:\s+(of all|in (?:its|the) section|in [a-z]{1,2}))?$/i.exec(text);
  if (!match) return null;
  const items = findAll(roster, [match[1]!]);
  if (!items.ok) return items;
  const within = match[3]?.toLowerCase() === "of all" ? "list" : "section";
  return done({ kind: match[2]!.toLowerCase() as "first" | "last", item: items.value[0]!, within, strength });
}

function groupOf(roster: Roster, text: string): Outcome<OrderRule> | null {
  const match = /^(.+)\s+together$/i.exec(text);
  if (!match) return null;
  const items = findAll(roster, match[1]!.split(/\s*,\s*|\s+and\s+/i).filter(Boolean));
  if (!items.ok) return items;
  const members = [...new Set(items.value)];
  if (members.length < 2) return refuse("rule-of-one", { item: members[0] ?? "" });
  return done({ kind: "together", items: members, strength: "prefer" });
}

function findAll(roster: Roster, texts: readonly string[]): Outcome<string[]> {
  const found: string[] = [];
  for (const text of texts) {
    const plugins = findPlugins(roster, text);
    if (plugins.length === 0) return refuse("no-such-item", { text: text.slice(0, 60) });
    if (plugins.length > 1)
      return refuse("many-such-items", {
        text: text.slice(0, 60),
        count: plugins.length,
        item: plugins[0]!.id,
      });
    found.push(plugins[0]!.id);
  }
  return done(found);
}

/** By seat, by whole name, by name without its extension, else by a part of the name. */
export function findPlugins({ plugins }: Roster, text: string): readonly SeatedPlugin[] {
  const wanted = text.trim().toLowerCase();
  if (wanted === "") return [];
  const bare = (id: string) => id.toLowerCase().replace(/\.[a-z0-9]+$/, "");
  const ways: ((plugin: SeatedPlugin) => boolean)[] = [
    ({ seat }) => seat.toLowerCase() === wanted,
    ({ id }) => id.toLowerCase() === wanted,
    ({ id }) => bare(id) === wanted,
    ({ id }) => id.toLowerCase().includes(wanted),
  ];
  for (const way of ways) {
    const found = plugins.filter(way);
    if (found.length > 0) return found;
  }
  return [];
}
