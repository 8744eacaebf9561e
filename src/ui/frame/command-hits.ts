import { say } from "@/core/language/say";
import { itemCount } from "@/core/messages/counts";
import { plainText, type Sentence } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import { ruleText } from "@/core/messages/rules";
import type { ListName, Rule } from "@/core/model/profile";
import { parseRule } from "@/core/edit/rule-sentence";
import { seatAndTitle, titleOf, type Roster, type SeatedItem, type SeatedList } from "@/core/roster/roster";
import { letterOf } from "@/core/roster/seats";
import { newRule } from "../rules/new-rule";
import type { Scope } from "../workspace/scoped-commands";
import type { Command } from "./commands";
import { keysOf, keyWords, type ChangedKeys } from "./keys";

export interface Hit {
  readonly key: string;
  readonly title: string;
  readonly detail: string;
  readonly run: () => void;
}

/** Everything of one kind that fits what was typed. */
export interface HitGroup {
  readonly title: string;
  /** So many are shown until more are asked for. */
  readonly most: number;
  readonly hits: readonly Hit[];
}

/** What the field looks through, and what is done with what it finds. */
export interface Searched {
  readonly roster: Roster;
  readonly lens: ListName;
  readonly commands: readonly Command[];
  readonly keys: ChangedKeys;
  readonly scope: Scope | null;
  readonly profiles: readonly { readonly id: string; readonly name: string; readonly modsOn: number }[];
  readonly points: readonly { readonly id: string; readonly name: string }[];
  readonly lists: readonly { readonly id: string; readonly title: string }[];
  readonly run: (command: Command) => void;
  readonly toItem: (list: ListName, id: string) => void;
  readonly toProfile: (id: string) => void;
  readonly toPoint: (id: string) => void;
  readonly toList: (id: string) => void;
  readonly remember: (rule: Rule) => void;
}

/** Groups of what fits, in the order in which they are shown; those that have nothing are left out. */
export function findHits(text: string, searched: Searched): readonly HitGroup[] {
  const wanted = text.trim().toLowerCase();
  const words = wanted.split(/\s+/);
  const fits = (...texts: readonly string[]) => {
    const all = texts.join(" ").toLowerCase();
    return words.every((word) => all.includes(word));
  };
  const { roster, lens } = searched;
  const isAsked = wanted !== "";
  const groups: readonly HitGroup[] = [
    { title: say("common.rule"), most: 1, hits: ruleHits(text, searched) },
    { title: say("common.seat"), most: 1, hits: seatHits(roster.lists[lens], wanted, searched) },
    {
      title: say("common.plugins2"),
      most: 7,
      hits: isAsked ? nameHits(roster.lists.plugins, fits, searched) : [],
    },
    { title: say("common.mods"), most: 5, hits: isAsked ? nameHits(roster.lists.mods, fits, searched) : [] },
    { title: searched.scope?.title ?? "", most: 6, hits: scopeHits(fits, searched) },
    { title: say("frame.commands"), most: 8, hits: commandHits(fits, searched) },
    ...(isAsked ? [sectionHits(fits, searched), ...placeHits(fits, searched)] : []),
  ];
  return groups.filter(({ hits }) => hits.length > 0);
}

type Fits = (...texts: readonly string[]) => boolean;

/** A sentence that is a rule: chosen, it is remembered; one that names nothing to be found says what is the matter. */
function ruleHits(text: string, { roster, lens, remember }: Searched): Hit[] {
  const spoken = parseRule(roster.lists[lens], text);
  if (!spoken) return [];
  const words = (parts: Sentence) => plainText(parts, (id) => seatAndTitle(roster, id));
  if (!spoken.ok)
    return [{ key: "rule", title: words(sayRefusal(spoken.refusal)), detail: "", run: () => undefined }];
  const { rule, note } = spoken.value;
  return [
    {
      key: "rule",
      title: say("frame.remember", { words: words(ruleText(rule)) }),
      detail: rule.strength,
      run: () => remember(newRule(lens, rule, note)),
    },
  ];
}

/** Of the order that is looked at: by seat, or by the place in the whole list. */
function seatHits({ items }: SeatedList, wanted: string, searched: Searched): Hit[] {
  const byPlace = /^\d+$/.test(wanted) ? items[Number(wanted) - 1] : undefined;
  const found = items.filter((item) => item.seat.toLowerCase() === wanted);
  return [
    ...found.map((item) => itemHit(item, item.seat, searched)),
    ...(byPlace
      ? [
          itemHit(
            byPlace,
            say("frame.placeOf", { seat: byPlace.seat, wanted, count: items.length }),
            searched,
          ),
        ]
      : []),
  ];
}

const itemHit = (item: SeatedItem, detail: string, { toItem }: Searched): Hit => ({
  key: `${item.list} ${item.id} ${detail}`,
  title: titleOf(item),
  detail,
  run: () => toItem(item.list, item.id),
});

const nameHits = ({ items }: SeatedList, fits: Fits, searched: Searched): Hit[] =>
  items.filter((item) => fits(titleOf(item), item.id)).map((item) => itemHit(item, item.seat, searched));

/** What can't be done with what is selected is not offered. */
const scopeHits = (fits: Fits, { scope }: Searched): Hit[] =>
  (scope?.commands ?? [])
    .filter(({ title, isPossible }) => isPossible && fits(title))
    .map(({ id, title, keys, run }) => ({ key: `scope ${id}`, title, detail: keys ?? "", run }));

const commandHits = (fits: Fits, { commands, keys, run }: Searched): Hit[] =>
  commands
    .filter(({ title, other = "" }) => fits(title, other))
    .map((command) => ({
      key: `command ${command.id}`,
      title: command.title,
      detail: keyWords(keysOf(command, keys) ?? ""),
      run: () => run(command),
    }));

function sectionHits(fits: Fits, { roster, lens, toItem }: Searched): HitGroup {
  const { sections, items } = roster.lists[lens];
  const hits = sections.flatMap((section, at) => {
    const inside = items.filter((item) => item.entry.section === section.id);
    if (!inside[0] || !fits(section.name)) return [];
    const { id, list } = inside[0];
    return {
      key: `section ${section.id}`,
      title: `${letterOf(at)} ${section.name}`,
      detail: itemCount(list, inside.length),
      run: () => toItem(list, id),
    };
  });
  return { title: say("common.sections"), most: 4, hits };
}

function placeHits(
  fits: Fits,
  { profiles, points, lists, toProfile, toPoint, toList }: Searched,
): HitGroup[] {
  const named = (
    title: string,
    each: readonly { readonly id: string; readonly name: string; readonly detail: string }[],
    to: (id: string) => void,
  ): HitGroup => ({
    title,
    most: 4,
    hits: each
      .filter(({ name }) => fits(name))
      .map(({ id, name, detail }) => ({ key: `${title} ${id}`, title: name, detail, run: () => to(id) })),
  });
  return [
    named(
      say("common.profiles"),
      profiles.map((each) => ({ ...each, detail: say("frame.on", { modsOn: each.modsOn }) })),
      toProfile,
    ),
    named(
      say("common.restorePoints"),
      points.map((each) => ({ ...each, detail: "" })),
      toPoint,
    ),
    named(
      say("frame.lists"),
      lists.map(({ id, title }) => ({ id, name: title, detail: "" })),
      toList,
    ),
  ];
}
