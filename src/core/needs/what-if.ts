import { neededToo, switchOnWithNeeds } from "../edit/needed-too";
import { switchItems } from "../edit/edits";
import { expansionEdit } from "../edit/settings";
import { rosterAfter } from "../edit/roster-after";
import { label } from "../edit/steps";
import type { Edit, Step } from "../model/edit";
import { newestHere, titleOf, type Roster, type SeatedItem } from "../roster/roster";
import { keyOfItem, neededByIn, needGraph, needsIn, type NeedNode, itemOfNode } from "./need-graph";

/** What switching one item comes to for the others. */
export interface WhatIf {
  /** Switches it and them; null where nothing changes. */
  readonly edit: Edit | null;
  /** Ids of the others that fall with it, or come along, in the order of mods and then plugins. */
  readonly mods: readonly string[];
  readonly plugins: readonly string[];
  /** Of what comes: names of what nothing here brings. */
  readonly missing: readonly string[];
  /** Names of two that would both be on, of which one says that it cannot stand the other. */
  readonly clashes: readonly (readonly [string, string])[];
}

/**
 * What falls if an item goes: all that then stands without something that it has now, tried on the profile itself, so that a plugin
 * that another mod brings as well does not fall. Null of what does not load, or cannot be switched off.
 */
export function ifItGoes(roster: Roster, item: SeatedItem): WhatIf | null {
  if (!item.loads || item.fixed) return null;
  const steps: Step[] = [];
  let present = roster;
  let going: readonly SeatedItem[] = [item];
  while (going.length > 0) {
    const falling = withNeeding(present, going);
    for (const list of ["mods", "plugins"] as const) {
      const edit = switchItems(
        present,
        falling.filter((each) => each.list === list),
        false,
      );
      if (edit) steps.push(...edit.steps);
    }
    present = rosterAfter(roster, steps);
    going = [...present.mods, ...present.plugins].filter((each) => lacks(roster, present, each));
  }
  const count = steps.reduce((sum, step) => sum + (step.kind === "switch" ? step.ids.length : 0), 0);
  return {
    edit: { label: label("switch-off", { item: titleOf(item), count }), steps },
    ...switched(roster, present, item, true),
    missing: [],
    clashes: [],
  };
}

/** Items, and all that needs them, directly or through others. Of files that another one may bring as well, the profile itself tells. */
function withNeeding(roster: Roster, items: readonly SeatedItem[]): readonly SeatedItem[] {
  const graph = needGraph(roster);
  const all = new Map(items.map((item) => [keyOfItem(item), item]));
  // Grows while it is walked.
  for (const key of all.keys())
    for (const { from, why, isMet } of neededByIn(graph, key)) {
      const item =
        isMet && why !== "brings" && !all.has(from) ? itemOfNode(roster, graph.nodes.get(from)!) : null;
      if (item?.loads && !item.fixed) all.set(from, item);
    }
  return [...all.values()];
}

/** It loads, and something that it needs does not any more. */
function lacks(before: Roster, now: Roster, item: SeatedItem): boolean {
  if (!item.loads || item.fixed) return false;
  const key = keyOfItem(item);
  const had = new Set(
    needsIn(needGraph(before), key).flatMap(({ to, why, isMet }) => (isMet ? [`${why} ${to}`] : [])),
  );
  return needsIn(needGraph(now), key).some(({ to, why, isMet }) => !isMet && had.has(`${why} ${to}`));
}

/** What comes along if something comes: all that it needs and that is here. Null of what is on, and of what nothing here brings. */
export function ifItComes(roster: Roster, { key, kind, id, standing }: NeedNode): WhatIf | null {
  if (standing === "on" || standing === "missing") return null;
  if (kind === "expansion") return ifExpansionComes(roster, id);
  const plugin = kind === "plugin" ? roster.pluginOf.get(id) : undefined;
  if (plugin?.withheld) return null;
  if (kind === "plugin" && !plugin?.mod) {
    const graph = needGraph(roster);
    const bringing = needsIn(graph, key).find(({ why }) => why === "brings");
    return bringing ? ifItComes(roster, graph.nodes.get(bringing.to)!) : null;
  }
  const mod = kind === "mod" ? (roster.modOf.get(id)?.mod ?? newestHere(roster.stock, id)) : plugin?.mod?.mod;
  if (!mod) return null;
  const withPlugins = plugin ? [plugin.id] : [];
  const { missing, clashes } = neededToo(roster, [mod], withPlugins);
  const edit = switchOnWithNeeds(roster, [mod], withPlugins);
  const now = rosterAfter(roster, edit?.steps ?? []);
  return { edit, ...switched(roster, now, plugin ?? now.modOf.get(mod.id)!, false), missing, clashes };
}

function ifExpansionComes(roster: Roster, id: string): WhatIf | null {
  const edit = expansionEdit(roster, id, true);
  if (!edit) return null;
  const now = rosterAfter(roster, edit.steps);
  return { edit, ...switched(roster, now, null, false), missing: [], clashes: [] };
}

/** What loads in one roster and not in the other, without the item that it is about. */
function switched(
  before: Roster,
  now: Roster,
  about: SeatedItem | null,
  goes: boolean,
): Pick<WhatIf, "mods" | "plugins"> {
  const [here, there] = goes ? [before, now] : [now, before];
  const idsOf = (list: "mods" | "plugins") =>
    here.lists[list].items
      .filter(({ id, loads }) => loads && !there.lists[list].itemOf.get(id)?.loads)
      .filter(({ id }) => !(about?.list === list && about.id === id))
      .map(({ id }) => id as string);
  return { mods: idsOf("mods"), plugins: idsOf("plugins") };
}
