import { issueText } from "../language/issue";
import { say } from "../language/say";
import { done, refuse, type Outcome } from "../model/outcome";
import { OrderProblem, type OrderRule } from "../model/problem";

/**
 * Checks a problem that came from outside (step 0 of docs/ORDERING.md). The refusal `problem-broken` names the JSON
 * path of what is wrong, as in `rules[2].weight`.
 */
export function readProblem(value: unknown): Outcome<OrderProblem, "problem-broken"> {
  const parsed = OrderProblem.safeParse(value);
  if (!parsed.success) {
    const issue = parsed.error.issues[0]!;
    return broken(jsonPath(issue.path), issueText(issue));
  }
  const problem = parsed.data;
  return (
    firstTwice(
      problem.items.map((item) => item.id),
      "items",
      ".id",
    ) ??
    firstTwice(problem.classes ?? [], "classes") ??
    firstTwice(problem.sections ?? [], "sections") ??
    firstUnknown(problem, "class", problem.classes) ??
    firstUnknown(problem, "section", problem.sections) ??
    checkRules(problem.rules ?? []) ??
    done(problem)
  );
}

const broken = (path: string, detail: string) => refuse("problem-broken", { path, detail });

export const jsonPath = (path: readonly PropertyKey[]): string =>
  path
    .map((part) => (typeof part === "number" ? `[${part}]` : `.${String(part)}`))
    .join("")
    .replace(/^\./, "") || say("common.theTop");

function firstTwice(names: readonly string[], list: string, field = "") {
  const seen = new Set<string>();
  const at = names.findIndex((name) => seen.size === seen.add(name).size);
  return at === -1 ? null : broken(`${list}[${at}]${field}`, say("order.standsTwice", { name: names[at] }));
}

function firstUnknown({ items }: OrderProblem, field: "class" | "section", known: readonly string[] = []) {
  const names = new Set(known);
  const at = items.findIndex((item) => item[field] !== undefined && !names.has(item[field]));
  return at === -1
    ? null
    : broken(`items[${at}].${field}`, say("order.thereIsNo", { field, item: items[at]![field] }));
}

function checkRules(rules: readonly OrderRule[]) {
  const ids = rules.map((rule, at) => rule.id ?? `#${at}`);
  return firstTwice(ids, "rules", ".id");
}
