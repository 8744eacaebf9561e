import type { RuleOrigin, Strength } from "../model/problem";
import { findConstraints, type Constraints } from "../order/constraints";
import { CLASS, NEEDS, ruleOrigin, SECTION } from "../order/ties";
import type { ListName } from "../model/profile";
import { runToEnd } from "../run-to-end";
import { listProblem } from "./list-problem";
import type { Roster } from "./roster";

/** A reason why one item must load before another: the later needs the earlier, or a rule says so. */
export interface DirectTie {
  readonly earlier: string;
  readonly later: string;
  readonly strength: Strength;
  readonly because: "needs" | RuleOrigin;
  /** False where it was set aside, for no order can keep it together with the others. */
  readonly kept: boolean;
}

/** The ties that join two items directly, and of each item those it has part in. */
export interface TieIndex {
  readonly list: ListName;
  readonly constraints: Constraints;
  readonly all: readonly DirectTie[];
  readonly of: (id: string) => readonly DirectTie[];
}

/** A step at a time: needs and the rules for pairs, kept or set aside; load ranks and sections hold of groups and are left out. */
export function* indexingTies(roster: Roster, list: ListName): Generator<void, TieIndex> {
  const asked = listProblem(roster, list);
  yield;
  const constraints = findConstraints(asked);
  yield;
  const all = directTies(constraints);
  return { list, constraints, all, of: groupByItem(all) };
}

function directTies(constraints: Constraints): DirectTie[] {
  const { graph, problem } = constraints.ties;
  const all: DirectTie[] = [];
  for (let e = 0; e < graph.from.length; e++) {
    const origin = graph.origin[e]!;
    if (graph.from[e]! >= graph.items || graph.to[e]! >= graph.items || origin < NEEDS) continue;
    if (origin === CLASS || origin === SECTION) continue;
    const rule = origin === NEEDS ? null : problem.rules[origin]!;
    all.push({
      earlier: problem.ids[graph.from[e]!]!,
      later: problem.ids[graph.to[e]!]!,
      strength: rule?.strength ?? "must",
      because: rule ? ruleOrigin(rule, origin) : "needs",
      kept: true,
    });
  }
  for (const { rule } of constraints.setAside) {
    if (rule.kind === "needs")
      all.push({ earlier: rule.other, later: rule.item, strength: "must", because: "needs", kept: false });
  }
  return all;
}

export const indexTies = (roster: Roster, list: ListName): TieIndex => runToEnd(indexingTies(roster, list));

/** The ties of both orders. */
export type Ties = Readonly<Record<ListName, TieIndex>>;

export const allTies = (roster: Roster): Ties => ({
  mods: indexTies(roster, "mods"),
  plugins: indexTies(roster, "plugins"),
});

function groupByItem(all: readonly DirectTie[]): (id: string) => readonly DirectTie[] {
  const groups = new Map<string, DirectTie[]>();
  const add = (id: string, tie: DirectTie) => {
    const group = groups.get(id);
    if (group) group.push(tie);
    else groups.set(id, [tie]);
  };
  for (const tie of all) {
    add(tie.earlier, tie);
    if (tie.later !== tie.earlier) add(tie.later, tie);
  }
  return (id) => groups.get(id) ?? [];
}

/** A tie is broken where what must load before stands after. */
export function isBroken(tie: DirectTie, placeOf: (id: string) => number): boolean {
  return placeOf(tie.earlier) >= placeOf(tie.later);
}
