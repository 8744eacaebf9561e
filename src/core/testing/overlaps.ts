import type { ConflictStanding } from "../model/conflict-standing";
import { packOverlaps, type Overlap } from "../order/overlap";
import { noOverlaps } from "../roster/overlaps";
import type { Roster } from "../roster/roster";

interface Meeting {
  readonly mods?: readonly Overlap[];
  readonly plugins?: readonly Overlap[];
  readonly standing?: Partial<ConflictStanding>;
}

/** The same with who meets whom in it, and what that comes to. */
export const withOverlaps = (
  roster: Roster,
  { mods = [], plugins = [], standing = {} }: Meeting,
): Roster => ({
  ...roster,
  overlaps: {
    ...noOverlaps,
    mods: packOverlaps(mods),
    plugins: packOverlaps(plugins),
    standing: { ...noOverlaps.standing, ...standing },
  },
});
