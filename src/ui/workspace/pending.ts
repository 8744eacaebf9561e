import { changesNothing, prepareEdit } from "@/core/edit/prepare-edit";
import { labelText } from "@/core/messages/labels";
import type { Edit, EditLabel } from "@/core/model/edit";
import type { ProfileId } from "@/core/model/ids";
import type { Profile, ProfileState } from "@/core/model/profile";
import { refuse } from "@/core/model/outcome";
import type { Refusal } from "@/core/model/refusal";
import { findItem, makeRoster, titleOfId, type Roster } from "@/core/roster/roster";
import { indexTies } from "@/core/roster/ties";
import type { ShownView } from "./read-workspace";

/** An edit that the server has not answered yet. */
export interface Pending {
  /** Its own, by which the server knows one that it has stored already. */
  readonly id: string;
  readonly profile: ProfileId;
  /** The version of the profile that it was made on. */
  readonly on: number;
  readonly edit: Edit;
  /** What it makes of the profile; not there of one that is not shown. */
  readonly after?: ProfileState;
}

export interface EditorHistory {
  readonly undo: EditLabel | null;
  readonly redo: EditLabel | null;
  readonly edits: number;
}

/** The profile as the server has it. */
export interface StoredProfile {
  readonly profile: Profile;
  readonly history: EditorHistory;
}

export const withoutEdit = (pending: readonly Pending[], { id }: Pending): readonly Pending[] =>
  pending.filter((each) => each.id !== id);

/** The history with what is pending, as it will be once that is stored. */
export function historyWith({ profile, history }: StoredProfile, pending: readonly Pending[]): EditorHistory {
  const here = pending.filter((each) => each.profile === profile.id && each.after);
  const last = here.at(-1);
  return last ? { undo: last.edit.label, redo: null, edits: history.edits + here.length } : history;
}

/** Whether it says how a whole order, or more, is to be: made anew on another version it would undo what was done there. */
export const isWhole = ({ edit }: Pending): boolean =>
  edit.steps.some(({ kind }) => kind === "arrange" || kind === "replace");

/** An item that was to be switched and is not there any more, so that nothing is left to be done with it. */
const goneOf = (roster: Roster, { steps }: Edit): string | undefined =>
  steps.flatMap((step) => (step.kind === "switch" ? step.ids : [])).find((id) => !findItem(roster, id));

export const orderChanged = (): Refusal => refuse("order-changed").refusal;

interface Remade {
  readonly profile: Profile;
  /** Without what needs no doing any more, with what is not shown. */
  readonly kept: readonly Pending[];
  readonly lost: readonly { readonly edit: Pending; readonly why: Refusal }[];
}

/** Makes edits anew, in their order, on what the profile has become elsewhere; they name what they are about by its id. */
export function remake(
  { game, stock }: Pick<ShownView, "game" | "stock">,
  stored: Profile,
  pending: readonly Pending[],
): Remade {
  let profile = stored;
  const kept: Pending[] = [];
  const lost: { edit: Pending; why: Refusal }[] = [];
  for (const each of pending) {
    if (each.profile !== stored.id || !each.after) {
      kept.push(each);
      continue;
    }
    if (isWhole(each) && each.on !== profile.version) {
      lost.push({ edit: each, why: orderChanged() });
      continue;
    }
    const roster = makeRoster(game, profile, stock);
    const prepared = prepareEdit(roster, (list) => indexTies(roster, list), each.edit);
    if (!prepared.ok) lost.push({ edit: each, why: prepared.refusal });
    else if (changesNothing(roster, prepared.value, each.edit)) {
      const gone = goneOf(roster, each.edit);
      if (gone) lost.push({ edit: each, why: refuse("unknown-item", { item: gone }).refusal });
    } else {
      const { state } = prepared.value;
      kept.push({ ...each, on: profile.version, after: state });
      profile = { ...profile, version: profile.version + 1, state };
    }
  }
  return { profile, kept, lost };
}

/** That an edit, which is shown already, can never be stored. */
export function lostRefusal(roster: Roster, { label }: Edit, why: Refusal): Refusal {
  const title = (id: string) => titleOfId(roster, id);
  return refuse("edit-lost", { what: labelText(label, { title, seat: () => null }), why }).refusal;
}
