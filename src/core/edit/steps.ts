import type { DecideStep, Edit, EditLabel, LabelData, Step } from "../model/edit";
import type { SectionId } from "../model/ids";
import { done, refuse, type Outcome } from "../model/outcome";
import type { Entry, ListName, Order, PartialState, ProfileState } from "../model/profile";
import { facets, mapFacets, overFacets } from "../state/facets";
import type { KeyedFacet } from "../state/keyed-facet";
import { sameValue } from "../state/three-way";

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

/** What a profile decides after an edit; null where it cannot be made. */
export function stateAfter(state: ProfileState, { steps }: Pick<Edit, "steps">): ProfileState | null {
  const applied = applySteps(state, steps);
  return applied.ok ? applied.value.state : null;
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
    case "decide":
      return decide(state, step);
    case "replace":
      return replace(state, step.state);
  }
}

/** Steps that lead from one state to another, the fewest that say it. */
export const stepsBetween = (from: ProfileState, to: ProfileState): Step[] =>
  overFacets((name, facet) => facet.steps(from[name], to[name])).flat();

function decide(state: ProfileState, { facet: name, key, item, before }: DecideStep): Outcome<Applied> {
  // Step and facet are of one name, which a union of both loses.
  const facet = facets[name] as unknown as KeyedFacet<unknown, unknown>;
  const value = state[name];
  const next = facet.set(value, key, item, before);
  if (next === value) return done({ state, inverse: [] });
  const old = facet.items(value).find((each) => facet.keyOf(each) === key) ?? null;
  const place = old === null ? undefined : facet.next(value, key);
  const back = { kind: "decide", facet: name, key, item: old } as DecideStep;
  return done({
    state: { ...state, [name]: next },
    inverse: [place === undefined ? back : { ...back, before: place }],
  });
}

function replace(state: ProfileState, theirs: PartialState): Outcome<Applied> {
  const next = mapFacets(state, (name, facet) => {
    const wanted = theirs[name] as (typeof state)[typeof name] | undefined;
    return wanted === undefined ? state[name] : facet.replace(state[name], wanted);
  });
  return done({ state: next, inverse: next === state ? [] : [{ kind: "replace", state }] });
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
  if (!same) return refuse("other-items");
  const back = (): Step[] => [{ kind: "arrange", list, ...present }];
  if (!sections || sameValue(sections, present.sections)) return withEntries(state, list, entries, back);
  const misplaced = firstOutOfSection(sections, entries);
  if (misplaced) return refuse("outside-section", { item: misplaced.id });
  return done({
    state: { ...state, [list]: { sections: [...sections], entries: [...entries] } },
    inverse: back(),
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
  if (misplaced) return refuse("outside-section", { item: misplaced.id });
  return done({ state: { ...state, [list]: { sections, entries: [...next] } }, inverse: inverse() });
}

function sameEntry(a: Entry, b: Entry): boolean {
  const keys = ["id", "on", "section", "home", "content", "fresh", "placed"] as const;
  return a === b || keys.every((key) => a[key] === b[key]);
}

/** The first entry that stands in no known section, or after one of a later section; null if there is none. */
export function firstOutOfSection<T extends Pick<Entry, "id"> & { readonly section: SectionId | null }>(
  sections: Order["sections"],
  entries: readonly T[],
): T | null {
  const rankOf = new Map(sections.map((section, at) => [section.id, at]));
  let reached = 0;
  for (const entry of entries) {
    const at = entry.section === null ? undefined : rankOf.get(entry.section);
    if (at === undefined || at < reached) return entry;
    reached = at;
  }
  return null;
}

export const label = <Id extends keyof LabelData>(id: Id, data: LabelData[Id]): EditLabel => ({
  id,
  data: { ...data },
});
