import { addAbsentMods, addAbsentPlugins, emptyState } from "../edit/arrivals";
import type { GameDefinition } from "../model/game";
import type { ProfileState } from "../model/profile";
import type { Random } from "../random";
import { foldName } from "../roster/fold";
import { partsOf } from "../roster/parts";
import { newestById, type Stock } from "../roster/roster";

/** A profile as somebody may have made it: some mods, some of them off, in any order that sections allow, parts chosen. */
export function drawnState(
  { below, pick, chance }: Random,
  game: GameDefinition,
  stock: Stock,
): ProfileState {
  const sound = [...newestById(stock.shelf).values()].filter(() => chance(0.5));
  const bare = {
    ...emptyState(
      game,
      stock.owned.filter(() => chance(0.7)),
    ),
  };
  const choose = (mod: (typeof sound)[number]) => ({
    mod: mod.id,
    options: Object.fromEntries(
      (mod.manifest?.options ?? []).map(({ id, parts }) => [id, chance(0.2) ? [] : [pick(parts).id]]),
    ),
    components: (mod.manifest?.components ?? []).filter(() => chance(0.5)).map(({ id }) => id),
  });
  const choices = sound.filter((mod) => partsOf(mod.manifest).length > 0).map(choose);
  const withMods = addAbsentMods({ ...bare, choices }, sound, true);
  const first = addAbsentPlugins(game, withMods, sound, true);
  // Some changed their mind: the plugins of the parts that they had before keep their seats.
  const second = choices.map((choice) =>
    chance(0.5) ? choose(sound.find(({ id }) => id === choice.mod)!) : choice,
  );
  const whole = addAbsentPlugins(game, { ...first, choices: second }, sound, true);
  const shuffled = <T extends { section: string | null; on: boolean }>(
    entries: readonly T[],
    fixed: ReadonlySet<T>,
  ): T[] =>
    entries
      .map((entry) => ({ entry, key: fixed.has(entry) ? -1 : below(1_000_000) }))
      .sort((a, b) => (a.entry.section === b.entry.section ? a.key - b.key : 0))
      .map(({ entry }) => (fixed.has(entry) ? entry : { ...entry, on: chance(0.85) }));
  const { mods, plugins } = whole;
  const builtIn = new Set(plugins.entries.filter(({ section }) => section === plugins.sections[0]?.id));
  const launch = Object.fromEntries(
    (game.launchSettings ?? [])
      .filter(() => chance(0.3))
      .map(({ id, kind }) => [id, kind === "switch" ? chance(0.5) : kind === "number" ? 7 : "x"]),
  );
  // Files and folders, as the game compares them.
  const leavesOut = chance(0.5);
  const leftOut = sound.flatMap(({ id, contentFiles = [] }) => {
    const some = contentFiles.filter(() => leavesOut && chance(0.05));
    const paths = some.map(({ path }) => foldName(game, path));
    const [first] = paths;
    const folder = first?.includes("/") && chance(0.5) ? [first.slice(0, first.indexOf("/") + 1)] : [];
    return [...new Set([...folder, ...paths])].map((path) => ({ mod: id, path }));
  });
  const settings = (game.settings ?? [])
    .filter(() => chance(0.3))
    .map(({ id, format }) => ({
      file: id,
      at: format === "json" ? "/wind/gusts" : format === "xml" ? "/view/@far" : "view/far",
      value: pick([null, 7, "far", true]),
    }));
  return {
    ...whole,
    settings,
    leftOut,
    mods: { ...mods, entries: shuffled(mods.entries, new Set()) },
    plugins: { ...plugins, entries: shuffled(plugins.entries, builtIn) },
    launch,
    baseOff: (game.baseItems ?? []).filter(() => chance(0.3)).map(({ id }) => id),
  };
}
