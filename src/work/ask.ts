import { wrap, type Remote } from "comlink";
import type { Answers } from "@/core/lineup/match-lines";
import { refuse, type Outcome } from "@/core/model/outcome";
import type { ShelfMod } from "@/core/model/shelf";
import type { ResolvedList } from "@/formats/lineup/resolve";
import type { GameDefinition } from "@/core/model/game";
import type { OrderProposal } from "@/core/edit/accept";
import type { Stock } from "@/core/roster/roster";
import type { ListContradiction, RuleEffect } from "@/core/roster/rules";
import type { SureWays, WayOut } from "@/core/check/ways-out";
import type { Explored } from "@/core/needs/explore";
import type { Fix } from "@/core/model/finding";
import type { Around, Asked, Jobs, Question } from "./jobs";
import { failureOf } from "./thread";

/** A web worker that answers one question at a time: a newer one, or `cancel`, ends an older one. */
class Helper {
  private worker: {
    readonly thread: Worker;
    readonly remote: Remote<Jobs>;
    /** What the worker has been told of; not told again with every question, for it is large. */
    known: Stock | null;
    readonly ended: Promise<null>;
    readonly failed: Promise<never>;
    readonly end: () => void;
  } | null = null;
  private busy = false;

  /** Null where the question was ended by a newer one or given up. Rejects where the worker fails, and then has another one next. */
  async ask<T>(
    game: GameDefinition,
    stock: Stock,
    question: (jobs: Remote<Jobs>) => Promise<T>,
  ): Promise<T | null> {
    this.cancel();
    const own = (this.worker ??= start());
    this.busy = true;
    const answer = async () => {
      if (own.known !== stock) await own.remote.know(game, stock);
      own.known = stock;
      return question(own.remote);
    };
    try {
      return await Promise.race([own.ended, own.failed, answer()]);
    } catch (error) {
      if (this.worker === own) {
        own.end();
        this.worker = null;
      }
      throw error;
    } finally {
      if (this.worker === own || this.worker === null) this.busy = false;
    }
  }

  /** Ends the worker if it is at work; the next question starts another. */
  cancel(): void {
    if (!this.busy) return;
    this.worker?.end();
    this.worker = null;
    this.busy = false;
  }
}

function start() {
  const thread = new Worker(new URL("./worker.ts", import.meta.url), { type: "module" });
  let answerNull!: (answer: null) => void;
  const ended = new Promise<null>((resolve) => (answerNull = resolve));
  const end = () => {
    thread.terminate();
    answerNull(null);
  };
  return { thread, remote: wrap<Jobs>(thread), known: null, ended, failed: failureOf(thread), end };
}

/** One for each kind of question, so that looking at a rule does not end a proposal. */
const forProposals = new Helper();
const forRules = new Helper();
const forContradictions = new Helper();
const forLists = new Helper();
const forWays = new Helper();
const forSureWays = new Helper();
const forNeeds = new Helper();

/** Of a roster only what the worker does not know already. */
const told = ({ profile, overlaps }: Asked): Asked => ({ profile, overlaps });

/** The proposal, computed in a web worker; null where a newer question or `cancelWork` ended it. */
export const askForProposal = (
  game: GameDefinition,
  stock: Stock,
  asked: Asked,
  question: Question,
): Promise<OrderProposal | null> =>
  forProposals.ask(game, stock, (jobs) => jobs.propose(told(asked), question));

export const askForRuleEffect = (
  game: GameDefinition,
  stock: Stock,
  asked: Asked,
  rule: string,
): Promise<RuleEffect | null> => forRules.ask(game, stock, (jobs) => jobs.ruleEffect(told(asked), rule));

export const askForContradictions = (
  game: GameDefinition,
  stock: Stock,
  asked: Asked,
): Promise<ListContradiction[] | null> =>
  forContradictions.ask(game, stock, (jobs) => jobs.contradictions(told(asked)));

/** What ways out would come to, in their order; null where a newer question ended it. */
export const askForWays = (
  game: GameDefinition,
  stock: Stock,
  asked: Asked,
  around: Around,
  fixes: readonly Pick<Fix, "does">[],
): Promise<(WayOut | null)[] | null> =>
  forWays.ask(game, stock, (jobs) => jobs.previewWays(told(asked), around, fixes));

/** All that is sure, taken together; `none` where nothing is, null where a newer question ended it. */
export const askForSureWays = (
  game: GameDefinition,
  stock: Stock,
  asked: Asked,
  around: Around,
): Promise<SureWays | "none" | null> =>
  forSureWays.ask(game, stock, async (jobs) => (await jobs.sureWays(told(asked), around)) ?? "none");

/** What an item needs and what needs it; `unknown` of one that is not known, null where a newer question ended it. */
export const askForNeeds = (
  game: GameDefinition,
  stock: Stock,
  asked: Asked,
  around: Around,
  key: string,
): Promise<Explored | "unknown" | null> =>
  forNeeds.ask(game, stock, async (jobs) => (await jobs.explore(told(asked), around, key)) ?? "unknown");

/** What came in as a lineup; null where a newer question ended it. */
export const askForList = (
  game: GameDefinition,
  stock: Stock,
  { bytes, name }: { readonly bytes: Uint8Array; readonly name: string },
  depot: readonly ShelfMod[],
  answers: Answers,
): Promise<Outcome<ResolvedList> | null> =>
  forLists
    .ask(
      game,
      stock,
      // The wrapper of the worker takes the two sides of an outcome apart.
      (jobs) => jobs.readList(bytes, name, depot, answers) as Promise<Outcome<ResolvedList>>,
    )
    .catch((error: Error) => refuse("fault", { detail: error.message }));

/** Gives up the proposal that is being computed. */
export const cancelWork = (): void => forProposals.cancel();
