import { overlapsOf } from "../order/overlap";
import type { ShelfMod } from "../model/shelf";
import { foldName } from "../roster/fold";
import { newestHere, type Roster } from "../roster/roster";
import { mod, type Check } from "./check";
import { switchOnMod } from "./fixes";

/** A mod of the shelf that is off is made for two that are on and meet: it requires both, or a plugin of it has plugins of both as masters. */
export const patchHere: Check = {
  reads: ["plugins", "mods", "stock", "game", "overlaps"],
  find: ({ roster }) => {
    const patches = roster.stock.shelf
      .filter(
        (mod) => !mod.problem && newestHere(roster.stock, mod.id) === mod && !roster.modOf.get(mod.id)?.loads,
      )
      .map((patch) => ({ patch, pairs: patchedBy(roster, patch) }))
      .filter(({ pairs }) => pairs.length > 0);
    const meeting = meetingOf(roster, new Set(patches.flatMap(({ pairs }) => pairs.map(keyOf))));
    return patches.flatMap(({ patch, pairs }) => {
      const pair = pairs.find((each) => meeting.has(keyOf(each)));
      if (!pair) return [];
      return {
        check: "patch-here",
        id: "patch-here",
        data: { name: patch.name, item: pair[0], other: pair[1] },
        level: "hint" as const,
        subjects: pair.map(mod),
        besides: [{ kind: "mod" as const, id: patch.id }],
        fixes: switchOnMod(roster, patch.id),
      };
    });
  },
};

const keyOf = (pair: readonly [string, string]): string => [...pair].sort().join("\n");

/** Those of the pairs that meet, by their files or by the records of their plugins. */
function meetingOf({ overlaps, pluginOf }: Roster, wanted: ReadonlySet<string>): ReadonlySet<string> {
  const found = new Set<string>();
  if (wanted.size === 0) return found;
  const meet = (one: string | undefined, other: string | undefined) => {
    if (one === undefined || other === undefined) return;
    const key = keyOf([one, other]);
    if (wanted.has(key)) found.add(key);
  };
  const ids = new Set([...wanted].flatMap((key) => key.split("\n")));
  const plugins = new Set<string>(
    [...pluginOf.values()].flatMap(({ id, mod }) => (mod && ids.has(mod.id) ? id : [])),
  );
  for (const { broader, narrower } of overlapsOf(overlaps.mods, ids)) meet(broader, narrower);
  for (const { broader, narrower } of overlapsOf(overlaps.plugins, plugins))
    meet(pluginOf.get(broader)?.mod?.id, pluginOf.get(narrower)?.mod?.id);
  return found;
}

/** Pairs of mods that are on and for which a mod is made at once. */
function patchedBy(roster: Roster, { id, manifest, plugins }: ShelfMod): (readonly [string, string])[] {
  const required = (manifest?.requires ?? []).map((each) => each.mod);
  const sets = [required, ...plugins.map(({ header }) => bringersOf(roster, header?.masters ?? []))];
  return sets.flatMap((set) => {
    const on = [...new Set(set)].filter((each) => each !== id && roster.modOf.get(each)?.loads);
    return on.flatMap((one, at) => on.slice(at + 1).map((other) => [one, other] as const));
  });
}

const bringersOf = ({ game, idOfName, pluginOf }: Roster, masters: readonly string[]): string[] =>
  masters.flatMap((name) => pluginOf.get(idOfName.get(foldName(game, name)) ?? "")?.mod?.id ?? []);
