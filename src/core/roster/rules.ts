import type { RuleId } from "../model/ids";
import type { OrderRule } from "../model/problem";
import { listOfRule, type ListName, type Rule } from "../model/profile";
import { itemsOf } from "../order/rule-items";
import { findConstraints } from "../order/constraints";
import { propose } from "../order/propose";
import { findContradictions, withoutRule, type Contradiction } from "../order/what-if";
import { listProblem } from "./list-problem";
import type { Roster, SeatedList } from "./roster";
import type { TieIndex, Ties } from "./ties";

/** `absent`: it names something that this profile does not hold. `set-aside`: no order can keep it with the others. */
export type RuleStanding = "holds" | "broken" | "set-aside" | "absent" | "off";

/** How each rule of the profile stands in the order as it is, by its id. */
export function ruleStandings(roster: Roster, ties: Ties): Map<string, RuleStanding> {
  const aside = new Set(
    [ties.mods, ties.plugins].flatMap(({ constraints }) =>
      constraints.setAside.map(({ rule }) => ("id" in rule ? rule.id : undefined)),
    ),
  );
  const standing = ({ id, rule, off, ...scope }: Rule): RuleStanding => {
    if (off) return "off";
    const list = roster.lists[listOfRule(scope)];
    const present = itemsOf(rule).filter((each) => list.itemOf.has(each));
    if (present.length < (rule.kind === "together" ? 2 : itemsOf(rule).length)) return "absent";
    if (aside.has(id)) return "set-aside";
    return holds(list, rule, ties[list.name].constraints.effective) ? "holds" : "broken";
  };
  return new Map(roster.profile.state.rules.map((rule) => [rule.id, standing(rule)]));
}

function holds({ itemOf, items }: SeatedList, rule: OrderRule, effective: Int32Array): boolean {
  const placeOf = (id: string) => itemOf.get(id)!.place;
  if (rule.kind === "together") {
    const places = rule.items.filter((id) => itemOf.has(id)).map(placeOf);
    return Math.max(...places) - Math.min(...places) === places.length - 1;
  }
  if ("other" in rule) return placeOf(rule.item) < placeOf(rule.other) === (rule.kind === "before");
  const own = itemOf.get(rule.item)!;
  const scope = items.filter(
    ({ rank, place }) =>
      rank.id === own.rank.id && (rule.within === "list" || effective[place] === effective[own.place]),
  );
  return (rule.kind === "first" ? scope[0] : scope.at(-1))?.id === rule.item;
}

export type ListContradiction = Contradiction & { readonly list: ListName };

/** What cannot be kept of the profile's own rules, with the ways out. That a book's gives way to one of them is no trouble. */
export const contradictionsOf = (roster: Roster): ListContradiction[] =>
  (["plugins", "mods"] as const).flatMap((list) =>
    contradictionsIn(roster, list).map((contradiction) => ({ ...contradiction, list })),
  );

function contradictionsIn(roster: Roster, list: ListName): Contradiction[] {
  const problem = listProblem(roster, list);
  const own = new Set<string | undefined>(roster.profile.state.rules.map((rule) => rule.id));
  const proposal = propose(problem);
  const setAside = proposal.result.setAside.filter(({ rule }) => "id" in rule && own.has(rule.id));
  return findContradictions(problem, { ...proposal, result: { ...proposal.result, setAside } });
}

/** What a rule does: whether other ties imply it, and what the proposal would be without it. */
export interface RuleEffect {
  /** Null where it is not kept, or is of a kind that others cannot imply. */
  readonly idle: boolean | null;
  readonly moves: number;
  readonly movesWithout: number;
  readonly setAside: number;
  readonly setAsideWithout: number;
}

/** Computes two proposals; null where there is no such rule, or it is off. */
export function ruleEffect(roster: Roster, id: string): RuleEffect | null {
  const own = roster.profile.state.rules.find((rule) => rule.id === id);
  const problem = listProblem(roster, listOfRule(own ?? {}));
  const index = problem.rules!.findIndex((rule) => rule.id === id);
  if (index === -1) return null;
  const { result } = propose(problem);
  const without = withoutRule(problem, index);
  const other = propose(without).result;
  return {
    idle: isImplied(without, problem.rules![index]!),
    moves: result.moved.length,
    movesWithout: other.moved.length,
    setAside: result.setAside.length,
    setAsideWithout: other.setAside.length,
  };
}

function isImplied(without: ReturnType<typeof withoutRule>, rule: OrderRule): boolean | null {
  if (!("other" in rule)) return null;
  const { groups, problem } = findConstraints(without);
  const [item, other] = [problem.placeOf.get(rule.item), problem.placeOf.get(rule.other)];
  if (item === undefined || other === undefined) return null;
  return (
    groups.chain(...(rule.kind === "before" ? ([item, other] as const) : ([other, item] as const))) !== null
  );
}

/** Ids of the rules for pairs that other ties imply: they hold, and would without being said. One search a rule. */
export const idleRules = (roster: Roster, ties: Ties): Set<RuleId> =>
  new Set([...idleIn(roster, ties.mods), ...idleIn(roster, ties.plugins)]);

function idleIn(roster: Roster, { constraints }: TieIndex): Set<RuleId> {
  const { graph } = constraints.ties;
  const idle = new Set<string>();
  for (let e = 0; e < graph.from.length; e++) {
    const origin = graph.origin[e]!;
    const rule = origin >= 0 ? constraints.problem.rules[origin] : undefined;
    if (rule?.id === undefined || !("other" in rule)) continue;
    if (graph.reachesWithout(graph.from[e]!, graph.to[e]!, e)) idle.add(rule.id);
  }
  return new Set(roster.profile.state.rules.map(({ id }) => id).filter((id) => idle.has(id)));
}
