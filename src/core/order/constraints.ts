import type { OrderProblem, SetAside } from "../model/problem";
import type { Groups } from "./groups";
import { indexProblem, type IndexedProblem } from "./indexed";
import { keepNeeds, type Cycle } from "./needs";
import { RuleKeeper } from "./rules";
import { keepSections, type Raised } from "./section-ties";
import { Ties } from "./ties";

/** Everything that an order of this problem must keep, and what could not be kept. */
export interface Constraints {
  readonly problem: IndexedProblem;
  readonly ties: Ties;
  readonly groups: Groups;
  readonly setAside: SetAside[];
  readonly cycles: Cycle[];
  readonly raised: Raised[];
  /** Effective section of each item by place, -1 for none. */
  readonly effective: Int32Array;
}

/** Steps 1 to 7 of docs/ORDERING.md: needs, load ranks, must rules, sections, prefer rules, in this order. */
export function findConstraints(problem: OrderProblem): Constraints {
  const indexed = indexProblem(problem);
  const ties = new Ties(indexed);
  const needs = keepNeeds(ties);
  const keeper = new RuleKeeper(ties);
  keeper.keepListMusts();
  const { effective, raised } = keepSections(ties, keeper.fixedAtEnd);
  keeper.keepSectionMusts(effective);
  keeper.keepPrefers();
  return {
    problem: indexed,
    ties,
    groups: keeper.groups,
    setAside: [...needs.setAside, ...keeper.setAside],
    cycles: needs.cycles,
    raised,
    effective,
  };
}
