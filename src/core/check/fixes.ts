import type { Fix } from "../model/finding";
import type { ListName } from "../model/profile";
import { newestHere, type Roster, type SeatedItem } from "../roster/roster";

export const switchOn = (plugin: string): Fix => ({
  id: "switch-on",
  data: { item: plugin },
  does: { act: "switch-on", list: "plugins", id: plugin },
});

/** An item of either order. */
export const switchOff = (list: ListName, id: string): Fix => ({
  id: "switch-off",
  data: { item: id },
  does: { act: "switch-off", list, id },
});

/** Brings the file of a plugin back that the profile leaves out. */
export const bringBack = (plugin: string): Fix => ({
  id: "bring-back",
  data: { item: plugin },
  does: { act: "bring-back", plugin },
});

/** Does without a file of a mod, or a folder of it. */
export const leaveOut = (mod: string, path: string): Fix => ({
  id: "leave-out",
  data: { item: mod, path },
  does: { act: "leave-out", mod, path },
});

/** Switches a mod of the shelf on, which joins the profile where it is not in it yet; none where it does not lie there. */
export function switchOnMod(roster: Roster, id: string): Fix[] {
  const mod = newestHere(roster.stock, id);
  if (!mod) return [];
  return [{ id: "switch-on-mod", data: { name: mod.name }, does: { act: "switch-on", list: "mods", id } }];
}

/** Takes a part of a package, or does without it, by its key. */
export const takePart = (mod: string, part: string, label: string): Fix => ({
  id: "take-part",
  data: { part: label },
  does: { act: "take-part", mod, part },
});
export const leavePart = (mod: string, part: string, label: string): Fix => ({
  id: "leave-part",
  data: { part: label },
  does: { act: "leave-part", mod, part },
});

export const lookAtParts = (mod: string): Fix => ({
  id: "look-at-parts",
  data: {},
  does: { act: "look-at-parts", mod },
});

/** Switches an item off, and a plugin of the profile or a mod of the shelf on in its place. */
export const switchOver = (
  { list, id }: SeatedItem,
  to: { readonly list: ListName; readonly id: string },
  name: string,
): Fix => ({ id: "switch-over", data: { name }, does: { act: "switch-over", list, id, to } });

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
