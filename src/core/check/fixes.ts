import type { Step } from "../model/edit";
import type { Fix } from "../model/finding";
import { label } from "../profile/steps";
import type { SeatedPlugin } from "../profile/roster";

/** Switches a plugin on, and its mod with it, for a plugin whose mod is off does not load. */
export function switchOnSteps(plugin: SeatedPlugin): Step[] {
  const steps: Step[] = [];
  if (plugin.mod && !plugin.mod.on) steps.push({ kind: "switch", list: "mods", ids: [plugin.mod.id], on: true });
  if (!plugin.entry.on) steps.push({ kind: "switch", list: "plugins", ids: [plugin.id], on: true });
  return steps;
}

export function switchOn(plugin: SeatedPlugin): Fix {
  const edit = { label: label("switch-on", { item: plugin.id, count: 1 }), steps: switchOnSteps(plugin) };
  return { id: "switch-on", data: { item: plugin.id }, does: { edit } };
}

export function switchOff(id: string): Fix {
  const steps: Step[] = [{ kind: "switch", list: "plugins", ids: [id], on: false }];
  const edit = { label: label("switch-off", { item: id, count: 1 }), steps };
  return { id: "switch-off", data: { item: id }, does: { edit } };
}

export const proposeOrder: Fix = { id: "propose", data: {}, does: { act: "propose" } };
export const writeOrder: Fix = { id: "write-order", data: {}, does: { act: "write-order" } };
