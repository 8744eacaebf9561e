import type { EditLabel, Step } from "../model/edit";
import { done, refuse, type Outcome } from "../model/outcome";
import type { ProfileBook } from "../model/rulebook";
import type { Entry, ListName, Note, Order, ProfileState, Rule } from "../model/profile";

type NoteStep = Extract<Step, { kind: "note" }>;
type ChooseStep = Extract<Step, { kind: "choose" }>;
type SettingsStep = Extract<Step, { kind: "settings" }>;

export interface Applied {
  readonly state: ProfileState;
  /** Steps that lead back from the new state to the old one. */
  readonly inverse: Step[];
}

/** Applies the steps one after another; changes nothing if one is refused. A state without change stays the same object. */
export function applySteps(state: ProfileState, steps: readonly Step[]): Outcome<Applied> {
  let present = state;
  const inverse: Step[] = [];
  for (const step of steps) {
    const applied = applyStep(present, step);
    if (!applied.ok) return applied;
    present = applied.value.state;
    inverse.unshift(...applied.value.inverse);
  }
  return done({ state: present, inverse });
}

function applyStep(state: ProfileState, step: Step): Outcome<Applied> {
  switch (step.kind) {
    case "put":
      return put(state, step);
    case "drop":
      return drop(state, step.list, step.ids);
    case "switch":
      return turn(state, step.list, step.ids, step.on);
    case "arrange":
      return arrange(state, step.list, step.entries, step.sections);
    case "keep-rule":
      return keepRule(state, step.rule, step.before);
    case "drop-rule":
      return dropRule(state, step.id);
    case "broader-first":
      return preferBroader(state, step.on);
    case "books":
      return goByBooks(state, step.books);
    case "note":
      return annotate(state, step);
    case "choose":
      return choose(state, step);
    case "settings":
      return set(state, step);
    case "replace":
      return done({
        state: {
          ...step.state,
          rules: inScopes([...step.state.rules.filter(isOwn), ...state.rules.filter(isShared)]),
        },
        inverse: [{ kind: "replace", state }],
      });
  }
}

function put(state: ProfileState, step: Extract<Step, { kind: "put" }>): Outcome<Applied> {
  const { list, entries, before } = step;
  const order = state[list];
  const ids = new Set(entries.map((entry) => entry.id));
  const rest = order.entries.filter((entry) => !ids.has(entry.id));
  const at = before === null ? rest.length : rest.findIndex((entry) => entry.id === before);
  if (at < 0) return refuse("unknown-item", { item: before ?? "" });
  const next = [...rest.slice(0, at), ...entries, ...rest.slice(at)];
  return withEntries(state, list, next, () => [
    { kind: "drop", list, ids: [...ids] },
    ...putBack(order, ids, list),
  ]);
}

/** Puts of the given entries where they stood, the last first, so that each finds its old neighbour in place. */
function putBack(order: Order, ids: ReadonlySet<string>, list: ListName): Step[] {
  return order.entries
    .map((entry, at): Step | null =>
      ids.has(entry.id)
        ? { kind: "put", list, entries: [entry], before: order.entries[at + 1]?.id ?? null }
        : null,
    )
    .filter((step) => step !== null)
    .reverse();
}

function drop(state: ProfileState, list: ListName, ids: readonly string[]): Outcome<Applied> {
  const gone = new Set(ids);
  const order = state[list];
  const next = order.entries.filter((entry) => !gone.has(entry.id));
  if (next.length === order.entries.length) return done({ state, inverse: [] });
  return withEntries(state, list, next, () => putBack(order, gone, list));
}

function turn(state: ProfileState, list: ListName, ids: readonly string[], on: boolean): Outcome<Applied> {
  const wanted = new Set(ids);
  const changed = state[list].entries.filter((entry) => wanted.has(entry.id) && entry.on !== on);
  if (changed.length === 0) return done({ state, inverse: [] });
  const next = state[list].entries.map((entry) =>
    wanted.has(entry.id) && entry.on !== on ? { ...entry, on } : entry,
  );
  const turned = changed.map((entry) => entry.id);
  return withEntries(state, list, next, () => [{ kind: "switch", list, ids: turned, on: !on }]);
}

function arrange(
  state: ProfileState,
  list: ListName,
  entries: readonly Entry[],
  sections?: Order["sections"],
): Outcome<Applied> {
  const present = state[list];
  const known = new Map(present.entries.map((entry) => [entry.id, entry]));
  const same = entries.length === present.entries.length && entries.every((entry) => known.delete(entry.id));
  if (!same) return refuse("other-items", { list });
  const back = (): Step[] => [{ kind: "arrange", list, ...present }];
  if (!sections) return withEntries(state, list, entries, back);
  const misplaced = firstOutOfSection(sections, entries);
  if (misplaced) return refuse("outside-section", { item: misplaced.id, section: misplaced.section ?? "" });
  return done({
    state: { ...state, [list]: { sections: [...sections], entries: [...entries] } },
    inverse: back(),
  });
}

const isShared = (rule: Rule): boolean => rule.shared === true;
const isOwn = (rule: Rule): boolean => !rule.shared;
const inScopes = (rules: readonly Rule[]): Rule[] => [...rules.filter(isOwn), ...rules.filter(isShared)];

function keepRule(state: ProfileState, rule: Rule, before: string | null): Outcome<Applied> {
  const at = state.rules.findIndex((each) => each.id === rule.id);
  const rest = state.rules.filter((each) => each.id !== rule.id);
  const place = rest.findIndex((each) => each.id === before);
  const index = place < 0 ? rest.length : place;
  const rules = inScopes([...rest.slice(0, index), rule, ...rest.slice(index)]);
  const inverse: Step =
    at < 0
      ? { kind: "drop-rule", id: rule.id }
      : { kind: "keep-rule", rule: state.rules[at]!, before: state.rules[at + 1]?.id ?? null };
  return done({ state: { ...state, rules }, inverse: [inverse] });
}

function dropRule(state: ProfileState, id: string): Outcome<Applied> {
  const at = state.rules.findIndex((rule) => rule.id === id);
  if (at < 0) return done({ state, inverse: [] });
  const before = state.rules[at + 1]?.id ?? null;
  return done({
    state: { ...state, rules: state.rules.filter((rule) => rule.id !== id) },
    inverse: [{ kind: "keep-rule", rule: state.rules[at]!, before }],
  });
}

/** Absent where there are none. */
function goByBooks(state: ProfileState, books: readonly ProfileBook[]): Outcome<Applied> {
  const { books: present = [], ...rest } = state;
  return done({
    state: books.length > 0 ? { ...rest, books: [...books] } : rest,
    inverse: [{ kind: "books", books: present }],
  });
}

/** Notes stand in the order in which they were first written; absent where there are none. */
function annotate(state: ProfileState, { list, item, note }: NoteStep): Outcome<Applied> {
  const { notes = [], ...rest } = state;
  const isOld = (each: Note) => each.list === list && each.item === item;
  const old = notes.find(isOld) ?? null;
  if (old === note || (old && note && old.text === note.text && old.author === note.author))
    return done({ state, inverse: [] });
  const kept = note
    ? old
      ? notes.map((each) => (each === old ? note : each))
      : [...notes, note]
    : notes.filter((each) => each !== old);
  return done({
    state: kept.length > 0 ? { ...rest, notes: kept } : rest,
    inverse: [{ kind: "note", list, item, note: old }],
  });
}

/** Choices stand by mod; absent where there are none. */
function choose(state: ProfileState, { mod, choice }: ChooseStep): Outcome<Applied> {
  const { choices = [], ...rest } = state;
  const old = choices.find((each) => each.mod === mod) ?? null;
  if (JSON.stringify(old) === JSON.stringify(choice)) return done({ state, inverse: [] });
  const others = choices.filter((each) => each !== old);
  const next = (choice ? [...others, choice] : others).sort((a, b) => (a.mod < b.mod ? -1 : 1));
  return done({
    state: next.length > 0 ? { ...rest, choices: next } : rest,
    inverse: [{ kind: "choose", mod, choice: old }],
  });
}

/** Absent where nothing of the game is off, or nothing is launched otherwise than the game would. */
function set(state: ProfileState, { expansions, baseOff, launch }: SettingsStep): Outcome<Applied> {
  const { baseOff: oldOff = [], launch: oldLaunch = {}, ...rest } = state;
  const next = { off: baseOff ?? oldOff, launch: launch ?? oldLaunch };
  return done({
    state: {
      ...rest,
      expansions: expansions ?? state.expansions,
      ...(next.off.length > 0 ? { baseOff: next.off } : {}),
      ...(Object.keys(next.launch).length > 0 ? { launch: next.launch } : {}),
    },
    inverse: [
      {
        kind: "settings",
        ...(expansions ? { expansions: state.expansions } : {}),
        ...(baseOff ? { baseOff: oldOff } : {}),
        ...(launch ? { launch: oldLaunch } : {}),
      },
    ],
  });
}

function preferBroader(state: ProfileState, on: boolean): Outcome<Applied> {
  if ((state.broaderFirst !== false) === on) return done({ state, inverse: [] });
  const { broaderFirst: _, ...rest } = state;
  return done({
    state: on ? rest : { ...rest, broaderFirst: false },
    inverse: [{ kind: "broader-first", on: !on }],
  });
}

function withEntries(
  state: ProfileState,
  list: ListName,
  next: readonly Entry[],
  inverse: () => Step[],
): Outcome<Applied> {
  const { sections, entries } = state[list];
  if (next.length === entries.length && next.every((entry, at) => sameEntry(entry, entries[at]!)))
    return done({ state, inverse: [] });
  const misplaced = firstOutOfSection(sections, next);
  if (misplaced) return refuse("outside-section", { item: misplaced.id, section: misplaced.section ?? "" });
  return done({ state: { ...state, [list]: { sections, entries: [...next] } }, inverse: inverse() });
}

function sameEntry(a: Entry, b: Entry): boolean {
  const keys = ["id", "on", "section", "home", "content", "fresh"] as const;
  return a === b || keys.every((key) => a[key] === b[key]);
}

/** The first entry that stands in no known section, or after one of a later section; null if there is none. */
export function firstOutOfSection(sections: Order["sections"], entries: readonly Entry[]): Entry | null {
  if (sections.length === 0) return null;
  const rankOf = new Map(sections.map((section, at) => [section.id as string | null, at]));
  let reached = 0;
  for (const entry of entries) {
    const at = rankOf.get(entry.section);
    if (at === undefined || at < reached) return entry;
    reached = at;
  }
  return null;
}

export const label = (id: EditLabel["id"], data: EditLabel["data"] = {}): EditLabel => ({ id, data });
