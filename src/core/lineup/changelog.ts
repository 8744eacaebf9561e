import { movedBetween } from "../graph/moved";
import { plural } from "../messages/parts";
import type { Lineup, LineupMod } from "../model/lineup";
import { sameValue } from "./three-way";

/** What became of a list between two versions of it, a line for each kind of change; empty where nothing did. */
export function changesBetween(before: Lineup, after: Lineup): string[] {
  const was = new Map(before.mods.map((mod) => [mod.id, mod]));
  const is = new Map(after.mods.map((mod) => [mod.id, mod]));
  const shared = after.mods.filter(({ id }) => was.has(id));
  const pairs = shared.map((mod) => [was.get(mod.id)!, mod] as const);
  const line = (words: string, mods: readonly string[]) =>
    mods.length > 0 ? [`${words}: ${mods.join(", ")}`] : [];
  const those = (differ: (a: LineupMod, b: LineupMod) => boolean) =>
    pairs.filter(([a, b]) => differ(a, b)).map(([, { name }]) => name);
  return [
    ...line("Added", after.mods.filter(({ id }) => !was.has(id)).map(named)),
    ...line("Removed", before.mods.filter(({ id }) => !is.has(id)).map(named)),
    ...line(
      "Other version",
      pairs
        .filter(([a, b]) => a.version !== b.version)
        .map(([a, b]) => `${b.name} ${a.version} → ${b.version}`),
    ),
    ...line(
      "Other contents under the same version",
      those((a, b) => a.version === b.version && a.content !== b.content),
    ),
    ...line(
      "Switched on",
      those((a, b) => !a.on && b.on),
    ),
    ...line(
      "Switched off",
      those((a, b) => a.on && !b.on),
    ),
    ...line(
      "Other parts chosen",
      those((a, b) => !sameValue([a.options, a.components], [b.options, b.components])),
    ),
    ...moves("mod", idsOf(before.mods), idsOf(after.mods)),
    ...moves("plugin", namesOf(before), namesOf(after)),
    ...(sameValue(rulesOf(before), rulesOf(after))
      ? []
      : [`Rules: ${before.rules.length} → ${after.rules.length}`]),
    ...(sameValue(settingsOf(before), settingsOf(after)) ? [] : ["Expansions or launch settings changed"]),
    ...(before.game.version === after.game.version
      ? []
      : [`Game version: ${before.game.version} → ${after.game.version}`]),
  ];
}

const named = ({ name, version }: LineupMod): string => `${name} ${version}`;
const idsOf = (mods: readonly LineupMod[]): string[] => mods.map(({ id }) => id);
const namesOf = ({ plugins }: Lineup): string[] => plugins.map(({ name }) => name);
const rulesOf = ({ rules }: Lineup) => rules.map(({ rule, off, list }) => ({ rule, off, list }));
const settingsOf = ({ expansions, baseOff, launch }: Lineup) => [
  [...expansions].sort(),
  [...baseOff].sort(),
  launch,
];

/** How many items of both stand elsewhere, the fewest that explain it. */
function moves(noun: string, before: readonly string[], after: readonly string[]): string[] {
  const moved = movedBetween(before, after);
  return moved.length > 0 ? [`Moved: ${plural(moved.length, noun)}`] : [];
}
