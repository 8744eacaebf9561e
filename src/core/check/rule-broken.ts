import type { Finding, Level } from "../model/finding";
import type { Origin, ProblemRule } from "../model/problem";
import type { ListName } from "../model/profile";
import { ruleNotes } from "../roster/rule-notes";
import { isBroken } from "../roster/ties";
import { subject, type Check, type CheckInput } from "./check";
import { damagesSaves } from "./damages-saves";
import { proposeOrder } from "./fixes";

/** An order as it stands breaks one of the curator's own rules for a pair, or a mod stands before one that it requires. */
export const ruleBroken: Check = {
  reads: ["plugins", "mods", "ties", "rules", "books", "stock"],
  find: (input) => (["plugins", "mods"] as const).flatMap((list) => brokenIn(input, list)),
};

/** An order as it stands breaks a rule that an item is first or last, or that some stand together. */
export const placeBroken: Check = {
  reads: ["ties", "rules", "books", "stock"],
  find: (input) =>
    (["plugins", "mods"] as const).flatMap((list) => [
      ...endsBrokenIn(input, list),
      ...groupsBrokenIn(input, list),
    ]),
};

const isOwn = ({ source }: ProblemRule): boolean => source === undefined || source.kind === "book";

/** A rule that keeps saves from harm goes before all that is merely wrong. */
const gravity = ({ roster }: CheckInput, rule: string | undefined): Level =>
  damagesSaves(ruleNotes(roster).get(rule ?? "") ?? "") ? "blocker" : "problem";

const whose = (rule: string | undefined) => (rule === undefined ? {} : { rule });

function endsBrokenIn(input: CheckInput, list: ListName): Finding[] {
  const { ties } = input;
  const { graph, problem } = ties[list].constraints.ties;
  const besideOf = new Map<number, number[]>();
  const own: { readonly item: number; readonly beside: readonly number[]; readonly rule: ProblemRule }[] = [];
  for (let e = 0; e < graph.from.length; e++) {
    const [from, to, origin] = [graph.from[e]!, graph.to[e]!, graph.origin[e]!];
    const [gate, item] = from >= graph.items ? [from, to] : [to, from];
    if (gate < graph.items || item >= graph.items) continue;
    const rule = origin < 0 ? undefined : problem.rules[origin];
    const beside = besideOf.get(gate) ?? [];
    besideOf.set(gate, beside);
    if (rule && "within" in rule) own.push({ item, beside, rule });
    else beside.push(item);
  }
  return own
    .filter(({ rule }) => isOwn(rule))
    .flatMap(({ item, beside, rule }) => {
      const isFirst = rule.kind === "first";
      const other = beside.find((place) => (isFirst ? place < item : place > item));
      if (other === undefined) return [];
      const [id, otherId] = [problem.ids[item]!, problem.ids[other]!];
      return [
        {
          check: "rule-broken",
          id: "end-broken" as const,
          data: { item: id, other: otherId, end: isFirst ? ("first" as const) : ("last" as const) },
          level: gravity(input, rule.id),
          ...whose(rule.id),
          subjects: [subject(list, id), subject(list, otherId)],
          fixes: [proposeOrder(list)],
        },
      ];
    });
}

function groupsBrokenIn(input: CheckInput, list: ListName): Finding[] {
  const { groups, problem } = input.ties[list].constraints;
  return groups.kept.flatMap(({ members, rule: index }) => {
    const [first, last] = [Math.min(...members), Math.max(...members)];
    if (last - first === members.length - 1) return [];
    const inGroup = new Set(members);
    let between = first;
    while (inGroup.has(between)) between++;
    const items = [...members].sort((a, b) => a - b).map((place) => problem.ids[place]!);
    return [
      {
        check: "rule-broken",
        id: "group-broken" as const,
        data: { items, between: problem.ids[between]! },
        level: gravity(input, problem.rules[index]?.id),
        ...whose(problem.rules[index]?.id),
        subjects: [...items, problem.ids[between]!].map((id) => subject(list, id)),
        fixes: [proposeOrder(list)],
      },
    ];
  });
}

function brokenIn(input: CheckInput, list: ListName) {
  const { roster, ties } = input;
  const { itemOf } = roster.lists[list];
  return ties[list].all
    .filter(({ because }) =>
      because === "needs" ? list === "mods" : because.source?.kind !== "broader-first",
    )
    .filter((tie) => isBroken(tie, (id) => itemOf.get(id)!.place))
    .map(({ earlier, later, because }) => ({
      check: "rule-broken",
      id: because === "needs" ? ("required-late" as const) : ("rule-broken" as const),
      data: { earlier, later },
      level: because === "needs" ? ("blocker" as const) : gravity(input, ruleOf(because)),
      ...whose(ruleOf(because)),
      subjects: [subject(list, later), subject(list, earlier)],
      fixes: [proposeOrder(list)],
    }));
}

const ruleOf = (because: Origin): string | undefined =>
  typeof because === "string" ? undefined : because.rule;
