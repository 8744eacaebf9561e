import type { GameDefinition } from "@/core/model/game";
import type { ModId } from "@/core/model/ids";
import type { Entry, ProfileState } from "@/core/model/profile";
import { compareVersions } from "@/core/version/version";
import type { Stock } from "@/core/roster/roster";
import { arrange, type DemoProfile } from "./arrange";
import { blocking } from "./kitefall-mods";

/** A set of nearly everything, one mod of which the curator put too early, and a bare one. */
export function kitefallProfiles(game: GameDefinition, stock: Stock): DemoProfile[] {
  const all = [...new Set(stock.shelf.filter((mod) => !mod.problem).map((mod) => mod.id))];
  const tried = blocking.map(({ id }) => id);
  const club = arrange(
    game,
    stock,
    all.filter((id) => !tried.includes(id)),
    [],
  );
  return [
    {
      name: "Club Evenings",
      purpose: "play",
      state: { ...club, mods: { ...club.mods, entries: turned(club.mods.entries, stock) } },
    },
    { name: "Bare Field", purpose: "test", state: withOlder(stock, arrange(game, stock, bare(all), [])) },
  ];
}

const older = "seam-repair";
const bare = (all: readonly string[]): string[] => [
  ...new Set([...all.slice(0, 6), ...blocking.map(({ id }) => id), "bridle-kit", older]),
];

/** It was made before the newer version of one of its mods came out, and holds the one that there was. */
function withOlder(stock: Stock, state: ProfileState): ProfileState {
  const versions = stock.shelf.filter((mod) => mod.id === older);
  const first = versions.reduce((a, b) => (compareVersions(a.version, b.version) < 0 ? a : b));
  const entries = state.mods.entries.map((entry) =>
    entry.id === older ? { ...entry, content: first.content! } : entry,
  );
  return { ...state, mods: { ...state.mods, entries } };
}

/** A mod that requires the framework is put before it. */
function turned(entries: readonly Entry<ModId>[], stock: Stock): Entry<ModId>[] {
  const framework = entries.find((entry) => entry.id === "bridle-kit")!;
  const requiring = stock.shelf.filter((mod) =>
    mod.manifest?.requires?.some((each) => each.mod === framework.id),
  );
  const early = entries.find((entry) => requiring.some((mod) => mod.id === entry.id))!;
  return entries.flatMap((entry) => {
    if (entry === early) return [];
    return entry === framework ? [{ ...early, section: framework.section }, entry] : [entry];
  });
}
