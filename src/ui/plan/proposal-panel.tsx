"use client";

import { facetWord } from "@/core/messages/facets";
import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { useMemo, useState, type ReactNode } from "react";
import type { SetAside } from "@/core/model/problem";
import { chainText } from "@/core/messages/reasons";
import { ruleText } from "@/core/messages/rules";
import { arrangeEdit } from "@/core/edit/accept";
import { stateAfter } from "@/core/edit/steps";
import { takeMoves } from "@/core/edit/proposal-parts";
import { indexTies } from "@/core/roster/ties";
import { HandChanges } from "../conflicts/hand-changes";
import { Term } from "../kit/term";
import { Button } from "../kit/button";
import { LevelMark } from "../kit/level";
import { ItemName, Say } from "../kit/sentence";
import { tellingOf } from "../workspace/telling";
import type { Proposed } from "../workspace/use-proposal";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { MoveList } from "./move-list";
import { SlopeChart } from "./slope-chart";
import { ViewLink } from "../workspace/view-link";

/**
 * A computed order beside the one that it was made for, before anything is changed. Where the profile has changed since, a
 * newer one is on its way, and this one cannot be accepted any more.
 */
export function ProposalPanel({ roster, proposal }: Proposed) {
  const { editor, leaveProposal, refresh, proposing } = useWorkspace();
  const isCurrent = useEditor((state) => state.profile.state) === roster.profile.state;
  const ties = useMemo(() => indexTies(roster, proposal.list), [roster, proposal.list]);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const part = useMemo(() => {
    const wanted = proposal.moves.map(({ id }) => id).filter((id) => !left.has(id));
    return takeMoves(roster, ties, proposal, new Set(wanted));
  }, [roster, ties, proposal, left]);
  const edit = useMemo(
    () => arrangeEdit(roster, proposal.list, part.entries, part.taken.size),
    [roster, proposal.list, part],
  );
  const then = useMemo(() => edit && stateAfter(roster.profile.state, edit), [roster, edit]);
  const total = roster.lists[proposal.list].items.length;
  const count = proposal.moves.length;
  const accept = () => {
    leaveProposal();
    if (!edit) return;
    editor.dispatch(edit);
    // The restore point that was made before it is listed by the server.
    void editor.settled().then(refresh);
  };
  const take = (id: string, isTaken: boolean) => {
    const next = new Set(left);
    if (isTaken) next.delete(id);
    else next.add(id);
    setLeft(next);
  };
  return (
    <section aria-label={say("plan.proposal")} className="flex h-full flex-col">
      <header className="border-line flex min-h-15 shrink-0 flex-wrap items-center gap-2 border-b px-4 py-2">
        <div className="min-w-0 grow">
          <h1 className="text-lg font-bold">
            <Term word="proposal">{say("plan.ofMove", { count, total })}</Term>
            {proposal.result.certificate ? say("common.noValidOrderMovesFewer") : ""}
          </h1>
          <p className="text-ink2">
            {isCurrent
              ? say("plan.stayAsYouArrangedThemNothing", {
                  total: total - count,
                  list: facetWord(proposal.list, "many"),
                })
              : proposing
                ? say("plan.thePlanHasChangedSinceComputing")
                : say("plan.thePlanHasChangedSinceThis")}
          </p>
          {isCurrent && <HandChanges state={then} />}
        </div>
        <Button look="quiet" onClick={leaveProposal}>
          {say("common.cancel")}
        </Button>
        <Button look="main" onClick={accept} disabled={!edit || !isCurrent} autoFocus>
          {part.taken.size === count
            ? say("plan.acceptMoves", { count })
            : say("plan.acceptOfMoves", { count: part.taken.size, count2: count })}
        </Button>
      </header>
      <Notices roster={roster} proposal={proposal} />
      <div className="flex min-h-0 grow flex-col overflow-auto lg:flex-row lg:overflow-hidden">
        <div className="border-line w-[596px] max-w-full shrink-0 overflow-auto border-r px-2 pt-2 max-lg:order-last lg:min-h-0">
          <SlopeChart roster={roster} proposal={proposal} part={part} />
        </div>
        <div className="min-w-0 grow lg:min-h-0 lg:overflow-auto">
          <MoveList roster={roster} proposal={proposal} part={part} left={left} onTake={take} />
          <Raised roster={roster} proposal={proposal} />
        </div>
      </div>
    </section>
  );
}

/** What could not be kept, and circles among masters: on top, each with its links. */
function Notices({ roster, proposal: { list, result, mixed = [] } }: Proposed) {
  const telling = tellingOf(roster, list);
  const isAligned = (rule: SetAside["rule"]) => rule.kind !== "needs" && rule.source?.kind === "aligned";
  const setAside = result.setAside.filter(({ rule }) => !isAligned(rule));
  const unaligned = result.setAside.filter(({ rule }) => isAligned(rule));
  if (result.cycles.length + result.setAside.length + mixed.length === 0) return null;
  return (
    <ul
      aria-label={say("plan.whatCannotBeKept")}
      className="border-line bg-saffron-soft max-h-[30%] min-h-10 shrink-0 overflow-auto border-b"
    >
      {result.cycles.map((cycle, at) => (
        <li key={`cycle ${at}`} className="flex gap-2.5 px-4 py-2">
          <span className="pt-0.5">
            <LevelMark level="blocker" label={say("plan.blocker")} />
          </span>
          <span>
            <b>
              {cycle.links.length === 1
                ? say("plan.oneNeedsItself")
                : say("plan.needOneAnotherInACircle", {
                    count: cycle.links.length + cycle.left,
                    list: facetWord(list, "many"),
                  })}
            </b>
            {rich("plan.theOrderBelowKeepsWhatIt", { say: <Say parts={chainText(cycle, telling)} /> })}
            {list === "plugins" ? say("plan.theGameWillStopUntilOne") : "."}
          </span>
        </li>
      ))}
      {unaligned.map((each, at) => (
        <NotAligned key={`unaligned ${at}`}>
          <Say parts={[...ruleText(each.rule), say("plan.inTheOtherOrderItCannot")]} />
          <Say parts={chainText(each.because, telling)} />.
        </NotAligned>
      ))}
      {mixed.map(([earlier, later]) => (
        <NotAligned key={`mixed ${earlier} ${later}`}>
          {rich("plan.andTheirPluginsStandMixedSo", {
            earlier: <ItemName id={earlier} />,
            later: <ItemName id={later} />,
          })}
        </NotAligned>
      ))}
      {setAside.map((each, at) => (
        <li key={`aside ${at}`} className="flex gap-2.5 px-4 py-2">
          <span className="pt-0.5">
            <LevelMark level="problem" label={say("common.problem")} />
          </span>
          <span>
            <b>
              <Term word="set-aside">{say("plan.setAside")}</Term>
            </b>
            <Say parts={[...ruleText(each.rule), "."]} />
            {each.because.links.length > 0 && (
              <>
                {rich("plan.itWouldCloseACircle", { say: <Say parts={chainText(each.because, telling)} /> })}
              </>
            )}
            {each.rule.kind !== "needs" && (
              <ViewLink href="/rules" className="text-pine ml-2 font-semibold underline">
                {say("plan.waysOut")}
              </ViewLink>
            )}
          </span>
        </li>
      ))}
    </ul>
  );
}

/** A pair that stays as it is, though the two orders disagree about it. */
function NotAligned({ children }: { children: ReactNode }) {
  return (
    <li className="flex gap-2.5 px-4 py-2">
      <span className="pt-0.5">
        <LevelMark level="hint" label={say("plan.hint")} />
      </span>
      <span>
        <b>{say("plan.staysAsItIs")}</b>
        {children}
      </span>
    </li>
  );
}

/** Items that a tie seats in a later section than the one that they belong to. */
function Raised({ roster, proposal: { list, result } }: Proposed) {
  const { sections } = roster.lists[list];
  const name = (id: string) => sections.find((section) => section.id === id)?.name ?? id;
  return result.raised.map((raised) => (
    <p key={`raised ${raised.item}`} className="border-line bg-sunk text-ink2 border-b px-4 py-2.5">
      {rich("plan.belongsToButStandsInAfter", {
        item: <ItemName id={raised.item} />,
        section: name(raised.section),
        effective: name(raised.effective),
      })}
    </p>
  ));
}
