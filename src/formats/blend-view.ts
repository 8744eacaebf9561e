import type { Blend, Blended, LeftList } from "@/core/blend/blend";
import type { BlendClash } from "@/core/blend/clashes";
import { mastersByList } from "@/core/blend/blend-plugin";
import { markOf, type Marked } from "@/core/blend/marks";
import { markSuggestions, type MarkSuggestion } from "@/core/blend/suggestions";
import { listsToLeave } from "@/core/blend/too-many-masters";
import { placeOf } from "@/core/blend/places";
import { entriesByPlugin, recordsOfSeveral } from "@/core/blend/report";
import type { ContentLibrary } from "@/core/conflict/content-library";
import type { ListEntry } from "@/core/model/additive-list";
import type { BlendStanding } from "@/core/model/conflict-standing";
import type { Refusal } from "@/core/model/refusal";
import type { Roster } from "@/core/roster/roster";
import { blendOfProfile, standingTo } from "./profile-blend";

/** A blended list beside the one that the game would have without a blend: that of the last plugin. */
export interface BlendedView {
  readonly record: string;
  readonly entries: readonly (ListEntry & { readonly by: string })[];
  /** What it has and the last plugin's list has not, and the other way round. */
  readonly comes: readonly (ListEntry & { readonly by: string })[];
  readonly goes: readonly ListEntry[];
  readonly last: string;
}

/** A plugin that says something of a list that several have. */
export interface BlendPart {
  readonly plugin: string;
  readonly marked: Marked | null;
  readonly lists: number;
  /** How many entries of the blended lists have their places from it. */
  readonly entries: number;
}

/** Everything that is to be seen of the blend of a profile, before it is built. */
export interface BlendView {
  readonly standing: BlendStanding;
  readonly lists: readonly BlendedView[];
  readonly left: readonly LeftList[];
  readonly clashes: readonly BlendClash[];
  readonly doubled: readonly { readonly plugin: string; readonly record: string }[];
  /** In load order. */
  readonly parts: readonly BlendPart[];
  /** Of the file that comes of it; null where none does. */
  readonly plugin: { readonly name: string; readonly masters: number } | null;
  /** Why no plugin can come of it. */
  readonly refusal: Refusal | null;
  /** The lists without which its masters would be few enough. */
  readonly toLeave: readonly string[];
  /** For plugins of which more would count if somebody marked them. */
  readonly suggestions: readonly MarkSuggestion[];
}

export function blendView(roster: Roster, library: ContentLibrary): BlendView {
  const own = blendOfProfile(roster, library);
  const { plugins, made, file } = own;
  return {
    standing: standingTo(roster, own),
    lists: made.lists.map(({ record, entries, from }) => {
      const last = plugins.findLast(({ lists }) => lists.some((list) => list.record === record))!;
      const present = last.lists.findLast((list) => list.record === record)!.entries;
      const told = entries.map((entry) => ({ ...entry, by: from.get(entry.name)! }));
      return {
        record,
        entries: told,
        comes: beyond(told, present),
        goes: beyond(present, told),
        last: last.name,
      };
    }),
    left: made.left,
    clashes: made.clashes,
    doubled: made.doubled,
    parts: partsOf(roster, plugins, made),
    plugin:
      file.ok && file.value
        ? { name: file.value.plugin.name, masters: file.value.plugin.masters.length }
        : null,
    refusal: file.ok ? null : file.refusal,
    toLeave: file.ok
      ? []
      : listsToLeave(mastersByList(roster, plugins, made.lists), roster.game.maxMasters ?? Infinity),
    suggestions: markSuggestions(plugins),
  };
}

/** What of some entries stands in others less often. */
function beyond<Entry extends ListEntry>(entries: readonly Entry[], others: readonly ListEntry[]): Entry[] {
  const keyOf = (entry: ListEntry) => `${placeOf(entry)} ${entry.name}`;
  const left = new Map<string, number>();
  for (const entry of others) left.set(keyOf(entry), (left.get(keyOf(entry)) ?? 0) + 1);
  return entries.filter((entry) => {
    const count = left.get(keyOf(entry)) ?? 0;
    left.set(keyOf(entry), count - 1);
    return count <= 0;
  });
}

function partsOf(roster: Roster, plugins: readonly Blended[], made: Blend): BlendPart[] {
  const shared = recordsOfSeveral(plugins);
  const entriesOf = entriesByPlugin(made);
  return plugins
    .map(({ name, lists }) => ({
      plugin: name,
      marked: markOf(roster, roster.pluginOf.get(name)!),
      lists: lists.filter(({ record }) => shared.has(record)).length,
      entries: entriesOf.get(name) ?? 0,
    }))
    .filter(({ lists }) => lists > 0);
}
