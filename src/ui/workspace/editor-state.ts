import type { OnDisk } from "@/core/check/check";
import { checking, type Checked } from "@/core/check/run-checks";
import type { Edit } from "@/core/model/edit";
import type { Finding } from "@/core/model/finding";
import { mainList } from "@/core/model/game";
import type { ListName, Profile } from "@/core/model/profile";
import type { Refusal } from "@/core/model/refusal";
import { keepSame } from "@/core/keep-same";
import { runToEnd } from "@/core/run-to-end";
import { dayOf } from "@/core/day-of";
import { counterparts } from "@/core/roster/counterparts";
import { makeRoster, type Roster, type SeatedList } from "@/core/roster/roster";
import { allTies, indexingTies, type Ties } from "@/core/roster/ties";
import type { EditorHistory, Pending } from "./pending";
import type { ShownView } from "./read-workspace";

export interface EditorState {
  readonly view: ShownView;
  readonly profile: Profile;
  readonly history: EditorHistory;
  readonly onDisk: OnDisk;
  readonly roster: Roster;
  /** Of `derivedFrom`, which is `roster` but for the moment after an edit. */
  readonly ties: Ties;
  readonly findings: readonly Finding[];
  /** What it was found in may be older than what shows. Null before the first check, which waits until the screen has been painted. */
  readonly checked: Checked | null;
  readonly derivedFrom: Roster;
  /** Edits that the server has not answered yet, of this profile and of others, in the order in which they were made. */
  readonly pending: readonly Pending[];
  /** How many times undo and redo show already what the server has not answered yet; no later edit is sent before. */
  readonly travelling: number;
  /** Why the first of the pending edits could not be stored when that was last tried; null where nothing is in the way. */
  readonly trouble: Refusal | null;
  /** Which of the two orders is looked at. */
  readonly lens: ListName;
  /** Ids of its items that are selected, and the one that the keyboard stands on. */
  readonly selected: readonly string[];
  readonly focused: string | null;
  /** The last edit of this window, as long as nothing else has been done since. */
  readonly recent: Edit | null;
}

export function startState(view: ShownView): EditorState {
  const { profile, history, onDisk } = view;
  return {
    view,
    profile,
    history,
    onDisk,
    ...deriveFirst(view),
    pending: [],
    travelling: 0,
    trouble: null,
    lens: mainList(view.game),
    selected: [],
    focused: null,
    recent: null,
  };
}

/** The same profile, as the server now has it; what did not change stays the same object. What is derived of it may be behind. */
export function stateShowing(before: EditorState, received: ShownView): EditorState {
  const { selected, focused, lens } = before;
  const state = keepSame(before.profile.state, received.profile.state);
  const profile = keepSame(before.profile, { ...received.profile, state });
  // Of the stock it is known already, and it is large.
  const view = keepSame({ ...before.view, stock: received.stock }, { ...received, profile });
  const { history } = view;
  // The very object: by it is known what is to be looked at of it, though it say the same as an earlier one.
  const { onDisk } = received;
  const isSame =
    profile === before.profile && view.stock === before.view.stock && view.game === before.view.game;
  const roster = isSame ? before.roster : makeRoster(view.game, profile, view.stock, before.roster);
  const rest = sameIds(before.roster, roster) ? {} : deriveRest(roster, onDisk, before);
  const still = stillThere(roster.lists[lens], selected, focused);
  return { ...before, ...rest, view, profile, history, onDisk, roster, recent: null, ...still };
}

function deriveFirst({ game, profile, stock }: ShownView) {
  const roster = makeRoster(game, profile, stock);
  return { roster, ties: allTies(roster), findings: [], checked: null, derivedFrom: roster };
}

export type Derived = Pick<EditorState, "ties" | "findings" | "checked" | "derivedFrom">;

/**
 * Ties and findings of an order, a step at a time, each of which is short enough for the rest of a frame. What comes from nothing
 * that has changed is taken over.
 */
export function* deriving(roster: Roster, onDisk: OnDisk, before: Derived): Generator<void, Derived> {
  const ties = before.derivedFrom === roster ? before.ties : yield* derivingTies(roster, before);
  const checked = yield* checking(
    { roster, ties, onDisk, today: dayOf(new Date()) },
    before.checked ?? undefined,
  );
  return { ties, findings: checked.told, checked, derivedFrom: roster };
}

export function* derivingTies(
  roster: Roster,
  { ties, derivedFrom }: Pick<Derived, "ties" | "derivedFrom">,
): Generator<void, Ties> {
  const sameMods =
    derivedFrom.lists.mods === roster.lists.mods &&
    derivedFrom.profile.state.rules === roster.profile.state.rules;
  const mods = sameMods ? ties.mods : yield* indexingTies(roster, "mods");
  yield;
  const plugins = yield* indexingTies(roster, "plugins");
  yield;
  return { mods, plugins };
}

export const deriveRest = (roster: Roster, onDisk: OnDisk, before: Derived): Derived =>
  runToEnd(deriving(roster, onDisk, before));

export const sameIds = (before: Roster, now: Roster): boolean =>
  holdsSame(before.lists.mods, now.lists.mods) && holdsSame(before.lists.plugins, now.lists.plugins);

const holdsSame = (before: SeatedList, now: SeatedList): boolean =>
  before === now ||
  (before.items.length === now.items.length && now.items.every(({ id }) => before.itemOf.has(id)));

export function stillThere({ itemOf }: SeatedList, selected: readonly string[], focused: string | null) {
  return {
    selected: selected.every((id) => itemOf.has(id)) ? selected : selected.filter((id) => itemOf.has(id)),
    focused: focused !== null && itemOf.has(focused) ? focused : null,
  };
}

/** What is known of the game's folder stays until that has been looked at again. */
export const withDriftKnown = (now: OnDisk, { drift }: OnDisk): OnDisk =>
  drift && !now.drift && now.laid !== undefined ? { ...now, drift } : now;

/** Whether the game reads one order for both: one that keeps profiles of its own may read another for another profile. */
export const isOfSameOrder = (before: ShownView, now: ShownView): boolean =>
  now.game.id === before.game.id && (now.profile.id === before.profile.id || now.onDisk.ofGame === undefined);

/** Whether something that shows is not stored yet. */
export const isStoring = ({ pending, travelling }: EditorState): boolean =>
  pending.length > 0 || travelling > 0;

/** Looks at the other order; what belongs to the selection there is selected. */
export function lookingAt(state: EditorState, lens: ListName): EditorState {
  const { roster, selected, focused } = state;
  const there = counterparts(roster, lens, selected);
  const [first = null] = counterparts(roster, lens, focused === null ? [] : [focused]);
  return { ...state, lens, selected: there, focused: first ?? there[0] ?? null };
}
