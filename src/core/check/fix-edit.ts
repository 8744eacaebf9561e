import type { Edit } from "../model/edit";
import type { EditingAct, Fix } from "../model/finding";
import type { ListName } from "../model/profile";
import { chooseEdit, partStates, withPart } from "../edit/choices";
import { switchItems, switchMods } from "../edit/edits";
import { leaveOutEdit } from "../edit/leave-out";
import { purposeEdit } from "../edit/purpose";
import { dropReminder } from "../edit/reminders";
import { expansionEdit } from "../edit/settings";
import { versionEdit } from "../edit/versions";
import { newestHere, type Roster } from "../roster/roster";

const editing: Readonly<Record<EditingAct["act"], true>> = {
  "switch-on": true,
  "switch-off": true,
  "bring-back": true,
  "leave-out": true,
  "leave-part": true,
  "take-part": true,
  "switch-over": true,
  "take-newest": true,
  "switch-on-expansion": true,
  "drop-reminder": true,
  "follow-purpose": true,
};

export const isEditing = (does: Fix["does"]): does is EditingAct => does.act in editing;

/** The edit that a way out is in a profile as it is now; null where it would change nothing any more. */
export function fixEdit(roster: Roster, does: EditingAct): Edit | null {
  switch (does.act) {
    case "switch-on":
      return switchOn(roster, does);
    case "switch-off": {
      const item = roster.lists[does.list].itemOf.get(does.id);
      return item ? switchItems(roster, [item], false) : null;
    }
    case "bring-back":
      return bringBack(roster, does.plugin);
    case "leave-out": {
      const item = roster.modOf.get(does.mod);
      return item ? leaveOutEdit(roster, item, [does.path], true, []) : null;
    }
    case "leave-part":
      return choosePart(roster, does, false);
    case "take-part":
      return choosePart(roster, does, true);
    case "switch-over":
      return switchOver(roster, does);
    case "take-newest":
      return takeNewest(roster, does.mod);
    case "switch-on-expansion":
      return expansionEdit(roster, does.expansion, true);
    case "follow-purpose":
      return purposeEdit(roster);
    case "drop-reminder": {
      const reminder = roster.profile.state.reminders.find(({ id }) => id === does.reminder);
      return reminder ? dropReminder(reminder) : null;
    }
  }
}

/** A mod of the shelf joins the profile where it is not in it yet. */
function switchOn(
  roster: Roster,
  { list, id }: { readonly list: ListName; readonly id: string },
): Edit | null {
  if (list === "mods") {
    const mod = newestHere(roster.stock, id);
    return mod ? switchMods(roster, [mod], true) : null;
  }
  const plugin = roster.pluginOf.get(id);
  return plugin ? switchItems(roster, [plugin], true) : null;
}

function bringBack(roster: Roster, id: string): Edit | null {
  const mod = roster.pluginOf.get(id)?.mod;
  if (!mod) return null;
  const files = (mod.mod?.plugins ?? []).map(({ name }) => name);
  return leaveOutEdit(roster, mod, [id], false, files);
}

function choosePart(
  roster: Roster,
  does: { readonly mod: string; readonly part: string },
  taken: boolean,
): Edit | null {
  const item = roster.modOf.get(does.mod);
  const part = item && partStates(roster, item).find(({ key }) => key === does.part);
  if (!part) return null;
  const question = item.mod?.manifest?.options?.find(({ id }) => id === part.question);
  return chooseEdit(roster, item, withPart(item.choice, part, taken, question?.choose === "one"));
}

/** Of a plugin its mod may stay on for the rest of what it brings. */
function switchOver(
  roster: Roster,
  { list, id, to }: Extract<EditingAct, { act: "switch-over" }>,
): Edit | null {
  const item = roster.lists[list].itemOf.get(id);
  const on = switchOn(roster, to);
  const off = item && switchItems(roster, [item], false);
  if (!on || !off) return on ?? off ?? null;
  return { label: on.label, steps: [...off.steps, ...on.steps] };
}

function takeNewest(roster: Roster, id: string): Edit | null {
  const item = roster.modOf.get(id);
  const to = newestHere(roster.stock, id);
  return item && to ? versionEdit(roster, [{ item, to }]) : null;
}
