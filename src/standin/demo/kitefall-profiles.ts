import type { GameDefinition } from "@/core/model/game";
import type { Entry } from "@/core/model/profile";
import type { Stock } from "@/core/roster/roster";
import { arrange, type DemoProfile } from "./arrange";

/** A set of nearly everything, one mod of which the curator put too early, and a bare one. */
export function kitefallProfiles(game: GameDefinition, stock: Stock): DemoProfile[] {
  const all = stock.shelf.filter((mod) => !mod.problem).map((mod) => mod.id);
  const club = arrange(game, stock, all, []);
  return [
    {
      name: "Club Evenings",
      purpose: "play",
      state: { ...club, mods: { ...club.mods, entries: turned(club.mods.entries, stock) } },
    },
    { name: "Bare Field", purpose: "test", state: arrange(game, stock, all.slice(0, 6), []) },
  ];
}

/** A mod that requires the framework is put before it. */
function turned(entries: readonly Entry[], stock: Stock): Entry[] {
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
