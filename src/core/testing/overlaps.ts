import { packOverlaps, type Overlap } from "../order/overlap";
import { noOverlaps } from "../roster/overlaps";
import type { Roster } from "../roster/roster";

/** The same with who meets whom in it. */
export const withOverlaps = (
  roster: Roster,
  { mods = [], plugins = [] }: { readonly mods?: readonly Overlap[]; readonly plugins?: readonly Overlap[] },
): Roster => ({
  ...roster,
  overlaps: { ...noOverlaps, mods: packOverlaps(mods), plugins: packOverlaps(plugins) },
});
