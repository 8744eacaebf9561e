import { plural } from "@/core/messages/parts";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { FoundOrder, Link, OrderProblem, ToldChain } from "@/core/model/problem";
import { OrderResult as ResultSchema } from "@/core/model/problem";
import { findConstraints } from "@/core/order/constraints";
import { whyHere } from "@/core/order/explain";
import { rangesInAnyOrder, rangesStayingPut } from "@/core/order/ranges";
import { explainMoves, propose, type Proposal } from "@/core/order/propose";
import { jsonPath, readProblem } from "@/core/order/read-problem";
import { originName, writeLinks, writeResult } from "@/core/order/write-result";
import { gapOf, tellChain } from "@/core/order/tell-chain";
import { verifyResult } from "@/core/order/verify";
import { findContradictions, type Contradiction } from "@/core/order/what-if";
import type { Answer } from "./answer";
import type { FailLevel } from "./usage";

const lines = (...parts: (string | string[])[]): string => parts.flat().join("\n");
const linkReport = ({ before, after, because }: Link): string =>
  `${before} before ${after} (${originName(because)})`;
const chain = (told: ToldChain): string => {
  const links = told.links.map(linkReport);
  const gap = gapOf(told);
  return (gap === null ? links : links.toSpliced(gap, 0, `… ${told.left} more …`)).join(", ");
};

export function order(value: unknown, failOn: FailLevel): Outcome<Answer> {
  const problem = readProblem(value);
  if (!problem.ok) return problem;
  const proposal = propose(problem.value);
  return done({
    json: writeResult(proposal.result),
    // With a reason for each move it costs far more than the order itself.
    get text() {
      return orderReport(problem.value, proposal);
    },
    findings: hasFindings(problem.value, proposal.result, failOn),
  });
}

function hasFindings(problem: OrderProblem, result: FoundOrder, failOn: FailLevel): boolean {
  if (failOn === "never") return false;
  if (result.missing.length + result.cycles.length > 0) return true;
  if (failOn === "blocker") return false;
  const aside = result.setAside.map(({ index }) =>
    index === undefined ? "must" : problem.rules![index]!.strength,
  );
  if (aside.includes("must")) return true;
  return failOn === "hint" && aside.length + result.raised.length > 0;
}

function orderReport(problem: OrderProblem, proposal: Proposal): string {
  const { result } = proposal;
  const moves = explainMoves(proposal);
  const proof = result.certificate ? "; no valid order moves fewer" : "";
  return lines(
    `${moves.length} of ${plural(result.order.length, "item")} ${moves.length === 1 ? "moves" : "move"}${proof}.`,
    moves.map(({ id, because }) => `  ${id}: ${chain(because)}`),
    result.missing.map(({ item, needs }) => `Missing: ${item} needs ${needs}.`),
    result.cycles.map(({ links }) => `In a circle: ${chain(tellChain(links))}.`),
    findContradictions(problem, proposal).flatMap(contradictionReport),
    result.raised.map(
      ({ item, section, effective }) =>
        `Raised: ${item} belongs to ${section} but must stand in ${effective}.`,
    ),
    "Order:",
    result.order.map((id, at) => `${String(at + 1).padStart(5)}  ${id}`),
  );
}

/** Of how many contradictions the ways out are told: each costs as much as the order itself. */
const mostWithWaysOut = 20;

function contradictionReport(contradiction: Contradiction, at: number): string[] {
  const { rule, name, circle } = contradiction;
  const said = rule.kind === "needs" ? `${rule.item} needs ${rule.other}` : `the rule ${name}`;
  return [
    `Set aside: ${said}.${circle.links.length > 0 ? ` It would close a circle: ${chain(circle)}.` : ""}`,
    ...(at < mostWithWaysOut ? contradiction.waysOut : []).map(
      (way) =>
        `  ${way.how === "drop" ? "without the rule" : "with only a preference in place of"} ${way.rule}: ${plural(way.moves, "move")}, ${way.setAside} set aside`,
    ),
  ];
}

const noItem = (item: string) =>
  refuse("problem-broken", { path: "items", detail: `there is no item “${item}”` });

export function why(value: unknown, item: string, other?: string): Outcome<Answer> {
  const problem = readProblem(value);
  if (!problem.ok) return problem;
  const constraints = findConstraints(problem.value);
  const here = whyHere(constraints, item);
  if (!here) return noItem(item);
  if (other !== undefined) return whyBefore(constraints, item, other);
  const say = (links: readonly Link[]) => links.map((link) => `  ${linkReport(link)}`);
  return done({
    json: { item, above: writeLinks(here.above), below: writeLinks(here.below) },
    text: lines(`Above ${item}:`, say(here.above), `Below ${item}:`, say(here.below)),
    findings: false,
  });
}

function whyBefore(
  { groups, problem }: ReturnType<typeof findConstraints>,
  a: string,
  b: string,
): Outcome<Answer> {
  const [placeA, placeB] = [problem.placeOf.get(a), problem.placeOf.get(b)];
  if (placeA === undefined || placeB === undefined) return noItem(placeA === undefined ? a : b);
  const forward = groups.chain(placeA, placeB);
  const links = forward ?? groups.chain(placeB, placeA);
  if (!links)
    return done({
      json: { free: [a, b] },
      text: `${a} and ${b} are free: either may come first.`,
      findings: false,
    });
  const [before, after] = forward ? [a, b] : [b, a];
  return done({
    json: { before, after, chain: links },
    text: `${before} must come before ${after}: ${chain(tellChain(links))}.`,
    findings: false,
  });
}

export function seats(value: unknown, item: string): Outcome<Answer> {
  const problem = readProblem(value);
  if (!problem.ok) return problem;
  const constraints = findConstraints(problem.value);
  const place = constraints.problem.placeOf.get(item);
  if (place === undefined) return noItem(item);
  const range = ({ first, last }: ReturnType<typeof rangesInAnyOrder>) => ({
    earliest: first[place]! + 1,
    latest: last[place]! + 1,
  });
  const json = {
    item,
    present: place + 1,
    staying: range(rangesStayingPut(constraints)),
    any: range(rangesInAnyOrder(constraints)),
  };
  const { staying, any } = json;
  const words =
    staying.earliest > staying.latest
      ? "no place keeps its ties"
      : `${staying.earliest} to ${staying.latest}`;
  return done({
    json,
    text: lines(
      `${item} stands at ${json.present}.`,
      `While the others stay: ${words}.`,
      `In any valid order: ${any.earliest} to ${any.latest}.`,
    ),
    findings: false,
  });
}

export function verify(value: unknown, resultValue: unknown): Outcome<Answer> {
  const problem = readProblem(value);
  if (!problem.ok) return problem;
  const result = ResultSchema.safeParse(resultValue);
  if (!result.success) {
    const issue = result.error.issues[0]!;
    return refuse("problem-broken", {
      name: "The result",
      path: jsonPath(issue.path),
      detail: issue.message,
    });
  }
  const complaints = verifyResult(problem.value, result.data);
  const { moved, certificate } = result.data;
  const proof = certificate ? "; no valid order moves fewer" : ", without a proof that fewer would not do";
  return done({
    json: { right: complaints.length === 0, complaints },
    text:
      complaints.length === 0
        ? `Right: ${plural(moved.length, "move")}${proof}.`
        : lines(
            "Wrong:",
            complaints.map((each) => `  ${each}`),
          ),
    findings: complaints.length > 0,
  });
}
