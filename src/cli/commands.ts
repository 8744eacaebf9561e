import { issueText } from "@/core/language/issue";
import { say } from "@/core/language/say";
import { plainText } from "@/core/messages/parts";
import { ruleText } from "@/core/messages/rules";
import { ruleName } from "@/core/order/ties";
import { done, refuse, type Outcome } from "@/core/model/outcome";
import type { FoundOrder, Link, OrderProblem, ToldChain } from "@/core/model/problem";
import { OrderResult as ResultSchema } from "@/core/model/problem";
import { findConstraints } from "@/core/order/constraints";
import { whyHere } from "@/core/order/explain";
import { rangesInAnyOrder, rangesStayingPut } from "@/core/order/ranges";
import { explainMoves, propose, type Proposal } from "@/core/order/propose";
import { jsonPath, readProblem } from "@/core/order/read-problem";
import { writeLinks, writeResult } from "@/core/order/write-result";
import { gapOf, tellChain } from "@/core/order/tell-chain";
import { verifyResult } from "@/core/order/verify";
import { findContradictions, type Contradiction } from "@/core/order/what-if";
import type { Answer } from "./answer";
import type { FailLevel } from "./usage";

const lines = (...parts: (string | string[])[]): string => parts.flat().join("\n");
/** What ties come from, in words: a rule without an id says what it says. */
class Reports {
  private readonly rules: ReadonlyMap<string, string>;

  constructor({ rules = [] }: Pick<OrderProblem, "rules">) {
    this.rules = new Map(
      rules.map((rule, at) => [ruleName(rule, at), rule.id ?? `“${plainText(ruleText(rule))}”`]),
    );
  }

  readonly rule = (name: string): string => this.rules.get(name) ?? name;

  readonly link = ({ before, after, because }: Link): string =>
    say("cli.before", {
      before,
      after,
      originName: typeof because === "string" ? say(`cli.because.${because}`) : this.rule(because.rule),
    });

  readonly chain = (told: ToldChain): string => {
    const links = told.links.map(this.link);
    const gap = gapOf(told);
    return (gap === null ? links : links.toSpliced(gap, 0, say("cli.more", { left: told.left }))).join(", ");
  };
}

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
  const reports = new Reports(problem);
  const moves = explainMoves(proposal);
  const proof = result.certificate ? say("common.noValidOrderMovesFewer") : "";
  return lines(
    say("cli.ofItemsMove", { count: moves.length, count2: result.order.length, proof }),
    moves.map(({ id, because }) => `  ${id}: ${reports.chain(because)}`),
    result.missing.map(({ item, needs }) => say("cli.missingNeeds", { item, needs })),
    result.cycles.map(({ links }) => say("cli.inACircle", { chain: reports.chain(tellChain(links)) })),
    findContradictions(problem, proposal).flatMap((each, at) => contradictionReport(each, at, reports)),
    result.raised.map(({ item, section, effective }) =>
      say("cli.raisedBelongsToButMustStand", { item, section, effective }),
    ),
    say("cli.order"),
    result.order.map((id, at) => `${String(at + 1).padStart(5)}  ${id}`),
  );
}

/** Of how many contradictions the ways out are told: each costs as much as the order itself. */
const mostWithWaysOut = 20;

function contradictionReport(contradiction: Contradiction, at: number, reports: Reports): string[] {
  const { rule, name, circle } = contradiction;
  const said =
    rule.kind === "needs"
      ? say("common.needs", { item: rule.item, other: rule.other })
      : say("cli.theRule", { name: reports.rule(name!) });
  return [
    say("cli.setAside", {
      said,
      rest: circle.links.length > 0 ? say("cli.itWouldCloseACircle", { chain: reports.chain(circle) }) : "",
    }),
    ...(at < mostWithWaysOut ? contradiction.waysOut : []).map((way) =>
      say("cli.movesSetAside", {
        how: way.how,
        rule: reports.rule(way.rule),
        moves: way.moves,
        setAside: way.setAside,
      }),
    ),
  ];
}

const noItem = (item: string) =>
  refuse("problem-broken", { path: "items", detail: say("cli.thereIsNoItem", { item }) });

export function why(value: unknown, item: string, other?: string): Outcome<Answer> {
  const problem = readProblem(value);
  if (!problem.ok) return problem;
  const constraints = findConstraints(problem.value);
  const here = whyHere(constraints, item);
  if (!here) return noItem(item);
  if (other !== undefined) return whyBefore(constraints, item, other);
  const { link } = new Reports(problem.value);
  const told = (links: readonly Link[]) =>
    links.length === 0 ? say("cli.nothing") : links.map((each) => `  ${link(each)}`);
  return done({
    json: { item, above: writeLinks(here.above), below: writeLinks(here.below) },
    text: lines(say("cli.above", { item }), told(here.above), say("cli.below", { item }), told(here.below)),
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
      text: say("cli.andAreFreeEitherMayCome", { a, b }),
      findings: false,
    });
  const [before, after] = forward ? [a, b] : [b, a];
  return done({
    json: { before, after, chain: links },
    text: say("cli.mustComeBefore", { before, after, chain: new Reports(problem).chain(tellChain(links)) }),
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
      ? say("cli.noPlaceKeepsItsTies")
      : say("cli.to", { earliest: staying.earliest, latest: staying.latest });
  return done({
    json,
    text: lines(
      say("cli.standsAt", { item, present: json.present }),
      say("cli.whileTheOthersStay", { words }),
      say("cli.inAnyValidOrderTo", { earliest: any.earliest, latest: any.latest }),
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
      name: say("cli.theResult"),
      path: jsonPath(issue.path),
      detail: issueText(issue),
    });
  }
  const complaints = verifyResult(problem.value, result.data);
  const { moved, certificate } = result.data;
  const proof = certificate ? say("common.noValidOrderMovesFewer") : say("cli.withoutAProofThatFewerWould");
  return done({
    json: { right: complaints.length === 0, complaints },
    text:
      complaints.length === 0
        ? say("cli.rightMoves", { count: moved.length, proof })
        : lines(
            say("cli.wrong"),
            complaints.map((each) => `  ${each}`),
          ),
    findings: complaints.length > 0,
  });
}
