"use client";

import { say } from "@/core/language/say";
import { useMemo, useState } from "react";
import type { OrderProposal } from "@/core/edit/accept";
import type { ProposalPart } from "@/core/edit/proposal-parts";
import { titleOf, type Roster } from "@/core/roster/roster";
import { seatsOf } from "@/core/roster/seats";
import { Button } from "../kit/button";

const step = 26;
const width = 580;
const left = 226;
const right = 354;

/** The order now and as proposed, with a line from each item's seat to its new one. */
export function SlopeChart({
  roster,
  proposal,
  part,
}: {
  roster: Roster;
  proposal: OrderProposal;
  /** What of the proposal is taken: only that is drawn as a move. */
  part: ProposalPart;
}) {
  const [all, setAll] = useState(false);
  const { before, after, seats, moved } = useMemo(
    () => findColumns(roster, proposal, part, all),
    [roster, proposal, part, all],
  );
  const yOf = (at: number) => 40 + at * step;
  const placeAfter = new Map(after.map((id, at) => [id, at]));
  const list = roster.lists[proposal.list];
  const hidden = list.items.length - before.length;
  const titled = (id: string, seat: string) => cut(titleOf(list.itemOf.get(id)!), 27 - seat.length);
  return (
    <div>
      <svg
        viewBox={`0 0 ${width} ${yOf(before.length)}`}
        fontSize={12.5}
        // As large as the text around it, whatever its user has chosen.
        style={{ width: `${width / 16}rem` }}
        role="img"
        aria-label={say("plan.theOrderNowBesideTheOrder")}
      >
        <text x={left - 10} y={18} textAnchor="end" className="fill-ink2 font-semibold">
          {say("common.now")}
        </text>
        <text x={right + 10} y={18} className="fill-ink2 font-semibold">
          {say("plan.proposed")}
        </text>
        {before.map((id, at) => {
          const to = placeAfter.get(id)!;
          const isMoved = moved.has(id);
          const look = isMoved ? "fill-ink font-semibold" : "fill-ink3";
          const [y1, y2] = [yOf(at), yOf(to)];
          return (
            <g key={id} className="font-mono">
              <text x={left - 10} y={y1 + 4} textAnchor="end" className={look}>
                {titled(id, list.itemOf.get(id)!.seat)} {list.itemOf.get(id)!.seat}
              </text>
              <path
                d={`M${left - 4} ${y1} C${left + 50} ${y1} ${right - 50} ${y2} ${right + 4} ${y2}`}
                fill="none"
                stroke={isMoved ? "var(--saffron)" : "var(--line)"}
                strokeWidth={isMoved ? 2 : 1}
              />
              <text x={right + 10} y={y2 + 4} className={look}>
                {seats.get(id)} {titled(id, seats.get(id)!)}
              </text>
            </g>
          );
        })}
      </svg>
      <p className="text-ink2 flex items-center justify-center gap-2 pb-3 text-sm">
        {hidden > 0 && <span>{say("plan.moreStayAndAreNotDrawn", { hidden })}</span>}
        <Button small look="quiet" onClick={() => setAll(!all)}>
          {all ? say("plan.onlyWhatMoves") : say("plan.drawAll")}
        </Button>
      </p>
    </div>
  );
}

const cut = (text: string, length: number): string =>
  text.length > length ? `${text.slice(0, length - 1)}…` : text;

/** What is drawn: all, or what moves and its neighbours in both orders. */
function findColumns(
  { lists }: Roster,
  { list, moves }: OrderProposal,
  { entries, taken }: ProposalPart,
  all: boolean,
) {
  const { sections, items } = lists[list];
  const before = items.map((item) => item.id);
  const after = entries.map((entry) => entry.id);
  const proposed = new Set(moves.map((move) => move.id));
  const drawn = new Set<string>();
  for (const order of [before, after])
    order.forEach((id, at) => {
      if (proposed.has(id)) for (const near of order.slice(Math.max(0, at - 1), at + 2)) drawn.add(near);
    });
  const keep = (ids: string[]) => (all ? ids : ids.filter((id) => drawn.has(id)));
  return {
    before: keep(before),
    after: keep(after),
    seats: seatsOf({ sections, entries }),
    moved: taken,
  };
}
