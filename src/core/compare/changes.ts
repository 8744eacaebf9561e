import { movedBetween } from "../graph/moved";
import type { Entry, ListName, ProfileState } from "../model/profile";

/** What one of the orders has become since an earlier state; ids in the present order. */
export interface ListChanges {
  readonly added: readonly string[];
  readonly gone: readonly string[];
  /** The fewest that must have moved for the others to have kept their order. */
  readonly moved: readonly string[];
  readonly switchedOn: readonly string[];
  readonly switchedOff: readonly string[];
}

/** What a profile has become since an earlier state. */
export interface Changes extends Readonly<Record<ListName, ListChanges>> {
  readonly rulesAdded: number;
  readonly rulesGone: number;
}

export function changesSince(before: ProfileState, now: ProfileState): Changes {
  const rules = new Set(now.rules.map((rule) => rule.id));
  const rulesThen = new Set(before.rules.map((rule) => rule.id));
  return {
    mods: changesOf(before.mods.entries, now.mods.entries),
    plugins: changesOf(before.plugins.entries, now.plugins.entries),
    rulesAdded: [...rules].filter((id) => !rulesThen.has(id)).length,
    rulesGone: [...rulesThen].filter((id) => !rules.has(id)).length,
  };
}

function changesOf(before: readonly Entry[], entries: readonly Entry[]): ListChanges {
  const then = new Map(before.map((entry) => [entry.id, entry]));
  const shared = entries.filter((entry) => then.has(entry.id));
  const present = new Set(entries.map((entry) => entry.id));
  const turned = (on: boolean) => (entry: Entry) => entry.on === on && then.get(entry.id)!.on !== on;
  const ids = (list: readonly Entry[]) => list.map((entry) => entry.id);
  return {
    added: ids(entries.filter((entry) => !then.has(entry.id))),
    gone: ids(before.filter((entry) => !present.has(entry.id))),
    moved: movedBetween(ids(before), ids(entries)),
    switchedOn: ids(shared.filter(turned(true))),
    switchedOff: ids(shared.filter(turned(false))),
  };
}
