import { packOverlaps, type Overlap } from "../order/overlap";
import { noOverlaps, type Overlaps } from "../roster/overlaps";

/** Who meets whom, as a test notes it down. */
export const testOverlaps = ({
  mods = [],
  plugins = [],
}: {
  readonly mods?: readonly Overlap[];
  readonly plugins?: readonly Overlap[];
}): Overlaps => ({ ...noOverlaps, mods: packOverlaps(mods), plugins: packOverlaps(plugins) });
