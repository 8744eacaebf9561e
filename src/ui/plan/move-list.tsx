"use client";

import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { useMemo, useState } from "react";
import { sharedCount } from "@/core/messages/counts";
import { moveText } from "@/core/messages/reasons";
import type { ListName } from "@/core/model/profile";
import type { Move } from "@/core/order/propose";
import { addRule } from "@/core/edit/rule-edits";
import { moveEffects, type MoveEffect, type ProposalPart } from "@/core/edit/proposal-parts";
import { titleOf } from "@/core/roster/roster";
import { seatsOf } from "@/core/roster/seats";
import { Button } from "../kit/button";
import { ItemName, Say } from "../kit/sentence";
import { Toggle } from "../kit/toggle";
import { RuleDialog, type RuleStart } from "../rules/rule-dialog";
import { tellingOf } from "../workspace/telling";
import type { Proposed } from "../workspace/use-proposal";
import { useWorkspace } from "../workspace/workspace.client";

/** The moves, those that change something in the game first; each can be left, and what is left can be remembered. */
export function MoveList({
  roster,
  proposal,
  part: { entries, taken },
  left,
  onTake,
}: Proposed & {
  part: ProposalPart;
  left: ReadonlySet<string>;
  onTake: (id: string, isTaken: boolean) => void;
}) {
  const { editor } = useWorkspace();
  const [start, setStart] = useState<RuleStart | null>(null);
  const list = roster.lists[proposal.list];
  const effects = useMemo(() => moveEffects(roster, proposal), [roster, proposal]);
  const seats = useMemo(() => seatsOf({ sections: list.sections, entries }), [list, entries]);
  const telling = useMemo(() => tellingOf(roster, list.name), [roster, list]);
  const changes = ({ id }: Move) => effects.get(id)!.mends || effects.get(id)!.winners.length > 0;
  const groups = [
    { title: say("plan.theseChangeSomething"), moves: proposal.moves.filter(changes) },
    { title: say("plan.theseOnlyTidyTheSections"), moves: proposal.moves.filter((move) => !changes(move)) },
  ].filter((group) => group.moves.length > 0);
  return (
    <div aria-label={say("plan.moves")} role="group">
      {groups.map(({ title, moves }) => (
        <section key={title}>
          <h2 className="border-line bg-sunk text-ink2 border-b px-4 py-1 text-sm font-semibold">
            {title} <span className="font-mono font-normal">{moves.length}</span>
          </h2>
          <ol aria-label={title}>
            {moves.map((move) => (
              <li key={move.id} className="border-line flex gap-2.5 border-b px-3 py-2">
                <Toggle
                  on={taken.has(move.id)}
                  label={say("plan.theMoveOf", {
                    which: String(taken.has(move.id)),
                    titleOf: titleOf(list.itemOf.get(move.id)!),
                  })}
                  onClick={() => onTake(move.id, !taken.has(move.id))}
                />
                <div className="min-w-0 grow">
                  <p
                    className={`truncate font-mono text-sm font-semibold ${taken.has(move.id) ? "" : "text-ink3"}`}
                  >
                    {titleOf(list.itemOf.get(move.id)!)}
                  </p>
                  <p className="text-ink2 mt-0.5">
                    <Say parts={moveText(move.id, move.because, telling)} />
                  </p>
                  <Winners effect={effects.get(move.id)!} of={list.name} />
                  {left.has(move.id) && taken.has(move.id) && (
                    <p className="text-saffron mt-0.5">{say("plan.takenAllTheSameAMove")}</p>
                  )}
                  {!taken.has(move.id) && (
                    <p className="mt-1.5">
                      <Button small onClick={() => setStart({ list: list.name, about: [move.id] })}>
                        {say("plan.leftWhereItIsRememberA")}
                      </Button>
                    </p>
                  )}
                </div>
                <p className="text-pine shrink-0 font-mono text-sm font-semibold">
                  {taken.has(move.id)
                    ? `${list.itemOf.get(move.id)!.seat} → ${seats.get(move.id)}`
                    : say("plan.staysAt", { value: seats.get(move.id) })}
                </p>
              </li>
            ))}
          </ol>
        </section>
      ))}
      <RuleDialog
        start={start}
        onClose={() => setStart(null)}
        onStore={(rule) => editor.dispatch(addRule(rule))}
      />
    </div>
  );
}

const mostNamed = 2;

function Winners({ effect: { winners }, of }: { effect: MoveEffect; of: ListName }) {
  if (winners.length === 0) return null;
  return (
    <p className="text-ink2 mt-0.5">
      {winners.slice(0, mostNamed).map(({ winner, loser, shared }) => (
        <span key={`${winner} ${loser}`}>
          {rich("plan.thenComesAfter", {
            winner: <ItemName id={winner} />,
            loser: <ItemName id={loser} />,
            shared: sharedCount(of, shared),
          })}
        </span>
      ))}
      {winners.length > mostNamed && say("plan.andMorePairsChange", { count: winners.length - mostNamed })}
    </p>
  );
}
