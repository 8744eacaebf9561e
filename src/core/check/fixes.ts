import type { Step } from "../model/edit";
import type { Fix } from "../model/finding";
import type { ItemId } from "../model/ids";
import type { ListName } from "../model/profile";
import { leaveOutEdit } from "../edit/leave-out";
import { label } from "../edit/steps";
import { switchItems, switchMods, switchOnSteps } from "../edit/edits";
import { newestHere, type Roster, type SeatedPlugin } from "../roster/roster";

export function switchOn(plugin: SeatedPlugin): Fix {
  const edit = { label: label("switch-on", { item: plugin.id, count: 1 }), steps: switchOnSteps(plugin) };
  return { id: "switch-on", data: { item: plugin.id }, does: { edit } };
}

export function switchOff(id: ItemId): Fix {
  const steps: Step[] = [{ kind: "switch", list: "plugins", ids: [id], on: false }];
  const edit = { label: label("switch-off", { item: id, count: 1 }), steps };
  return { id: "switch-off", data: { item: id }, does: { edit } };
}

/** Brings the file of a plugin back that the profile leaves out. */
export function bringBack(roster: Roster, { id, mod }: SeatedPlugin): Fix | null {
  const edit =
    mod &&
    leaveOutEdit(
      roster,
      mod,
      id,
      false,
      (mod.mod?.plugins ?? []).map(({ name }) => name),
    );
  return edit && { id: "bring-back", data: { item: id }, does: { edit } };
}

/** Switches a mod of the shelf on, which joins the profile where it is not in it yet. */
export function switchOnMod(roster: Roster, id: string): Fix | null {
  const mod = newestHere(roster.stock, id);
  const edit = mod ? switchMods(roster, [mod], true) : null;
  return edit && { id: "switch-on-mod", data: { name: mod!.name }, does: { edit } };
}

/** Switches a mod of the profile off. */
export function leaveMod(roster: Roster, id: string): Fix | null {
  const item = roster.modOf.get(id);
  const edit = item ? switchItems(roster, [item], false) : null;
  return edit && { id: "switch-off", data: { item: id }, does: { edit } };
}

export const proposeOrder = (list: ListName): Fix => ({
  id: "propose",
  data: {},
  does: { act: "propose", list },
});
export const alignOrder = (list: ListName): Fix => ({
  id: `align-${list}`,
  data: {},
  does: { act: "align", list },
});

export const lookAtOrder: Fix = { id: "look-at-order", data: {}, does: { act: "look-at-order" } };

export const writeOrder: Fix = { id: "write-order", data: {}, does: { act: "write-order" } };
