import type { AdditiveList } from "../model/additive-list";
import type { Counting } from "../model/game";
import { done, refuse, type Outcome } from "../model/outcome";
import { extensionOf, foldName } from "../roster/fold";
import { placesUsed, type Roster } from "../roster/roster";
import type { Blend, Blended, BlendList } from "./blend";
import { isBlend } from "./loading";

/** A plugin that holds blended lists. */
export interface BlendPlugin {
  readonly name: string;
  readonly flags: number;
  /** In load order. */
  readonly masters: readonly string[];
  readonly lists: readonly AdditiveList[];
}

/**
 * The plugin that says what a blend comes to, for the game to load behind all others; null of one without lists. Its masters are
 * those whose word is in it, and those whose records they are. Refused where these are more than the game takes.
 */
export function blendPlugin(
  roster: Roster,
  title: string,
  plugins: readonly Blended[],
  { lists }: Blend,
): Outcome<BlendPlugin | null, "blend-masters"> {
  if (lists.length === 0) return done(null);
  const wanted = new Set([...mastersByList(roster, plugins, lists).values()].flat());
  const masters = plugins.map(({ name }) => name).filter((name) => wanted.has(name));
  const most = roster.game.maxMasters ?? Infinity;
  if (masters.length > most) return refuse("blend-masters", { count: masters.length, most });
  const { flags, extension } = kindOf(roster);
  return done({
    name: freeName(roster, title, extension),
    flags,
    masters,
    lists: lists.map(({ record, entries }) => ({ record, entries })),
  });
}

/** By record, the masters that a plugin with that list needs; what does not load is none. */
export function mastersByList(
  { game }: Roster,
  plugins: readonly Blended[],
  lists: readonly BlendList[],
): Map<string, string[]> {
  const loading = new Map(plugins.map(({ name }) => [foldName(game, name), name]));
  return new Map(
    lists.map(({ record, hands }) => {
      const file = record.slice(record.lastIndexOf("@") + 1);
      const named = [...hands, ...(file === record ? [] : [file])];
      return [record, [...new Set(named.flatMap((name) => loading.get(foldName(game, name)) ?? []))]];
    }),
  );
}

/** Of a class of its own where the game knows one by its mark and has room in it: the others are for whoever needs them more. */
function kindOf(roster: Roster): { readonly extension: string; readonly flags: number } {
  const isMarked = ({ extensions, flag }: Counting) => extensions !== undefined || flag !== undefined;
  const roomy = placesUsed(roster).find(
    ({ counting, used }) => isMarked(counting) && used - blendsIn(roster, counting) < counting.cap,
  );
  const flag = roomy?.counting.flag;
  return {
    extension: roomy?.counting.extensions?.[0] ?? plainExtension(roster),
    flags: flag === undefined ? 0 : 2 ** flag,
  };
}

/** How many places earlier blends take, which this one replaces. */
const blendsIn = ({ plugins }: Roster, { id }: Counting): number =>
  plugins.filter((plugin) => plugin.loads && plugin.counting?.id === id && isBlend(plugin)).length;

/** One that marks neither a rank nor a class. */
function plainExtension({ game: { pluginExtensions, loadRanks, counting } }: Roster): string {
  const marking = new Set([...loadRanks, ...counting].flatMap(({ extensions }) => extensions ?? []));
  return pluginExtensions.find((extension) => !marking.has(extension)) ?? pluginExtensions[0] ?? "";
}

/** With a number where a mod that is on brings another plugin that is called so. */
function freeName({ game, plugins }: Roster, title: string, extension: string): string {
  const taken = new Set(
    plugins
      .filter((plugin) => !isBlend(plugin) && (plugin.fixed || plugin.mod?.loads === true))
      .map(({ id }) => foldName(game, id.slice(0, id.length - extensionOf(id).length))),
  );
  for (let number = 1; ; number++) {
    const name = number === 1 ? title : `${title} ${number}`;
    if (!taken.has(foldName(game, name))) return name + extension;
  }
}
