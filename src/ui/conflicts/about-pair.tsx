"use client";

import { useCallback, useMemo } from "react";
import { say } from "@/core/language/say";
import type { AboutPair } from "@/core/conflict/about";
import { contestedIn, type Contested } from "@/core/conflict/conflicts";
import { decideEdit } from "@/core/edit/decide";
import { stateAfter } from "@/core/edit/steps";
import { sayRefusal } from "@/core/messages/refusals";
import { chainText } from "@/core/messages/reasons";
import { tellChain } from "@/core/order/tell-chain";
import { Button } from "../kit/button";
import { Part } from "../kit/part";
import { rich } from "../kit/rich";
import { Say } from "../kit/sentence";
import { newRule } from "../rules/new-rule";
import { tellingOf } from "../workspace/telling";
import { useEditor } from "../workspace/workspace.client";
import { Holder } from "./holder";
import type { Looked } from "./conflicts-address";
import { HandChanges } from "./hand-changes";
import { RowsOfPair } from "./rows-of-pair";
import { PatchesFor } from "./patches-for";
import { useAskConflicts } from "./use-ask-conflicts";
import type { Decide } from "./use-decide";
import type { ConflictQuestion } from "../workspace/use-conflicts";

interface Props {
  of: Contested;
  pair: readonly [string, string];
  onLook: (looked: Looked) => void;
  decide: Decide;
}

/** Two that meet: who wins and why, what each of it is, and what would decide it. */
export function PairInspector({ of, pair, onLook, decide }: Props) {
  const [one, other] = pair;
  const question: ConflictQuestion<AboutPair> = useCallback(
    (jobs) => jobs.aboutPair(of, [one, other]),
    [of, one, other],
  );
  const { answer } = useAskConflicts(question);
  if (!answer?.items.includes(one) || !answer.items.includes(other)) return null;
  const [first, second] = answer.items;
  const contested = answer.rows.filter(({ none }) => none === null);
  const by = (id: string) => contested.filter(({ winner }) => winner === id).length;
  return (
    <>
      <h2 className="font-bold break-words">
        {rich("conflicts.and", { one: <Holder id={first} />, other: <Holder id={second} /> })}
      </h2>
      <p>
        {rich(`conflicts.pairSays.${of}`, {
          count: answer.rows.length,
          contested: contested.length,
          second: <Holder id={second} />,
          wins: by(second),
          loses: by(first),
        })}
      </p>
      <Decided of={of} about={answer} decide={decide} />
      <RowsOfPair of={of} about={answer} onLook={onLook} />
      {answer.rows.length === 0 && of === "files" && (
        <p className="text-ink2">{say("conflicts.pointsElsewhere")}</p>
      )}
      {of === "records" && contested.length > 0 && <PatchesFor plugins={[first, second]} />}
      <p className="flex flex-wrap gap-2">
        {answer.items
          .filter((id) => id !== "")
          .map((id) => (
            <Button
              key={id}
              small
              look="quiet"
              className="-ml-2"
              onClick={() => onLook({ kind: "item", id })}
            >
              {rich("conflicts.allOf", { item: <Holder id={id} /> })}
            </Button>
          ))}
      </p>
    </>
  );
}

function Decided({ of, about, decide }: { of: Contested; about: AboutPair; decide: Decide }) {
  const roster = useEditor((state) => state.roster);
  const { decided, items } = about;
  const list = contestedIn[of];
  if (decided === "own") return <p>{say("conflicts.ownIsFirst")}</p>;
  if (decided) {
    const [only] = decided.length === 1 ? decided : [];
    const rule = only && typeof only.because === "object" && !only.because.source ? only.because.rule : null;
    return (
      <Part title={say("conflicts.decidedBy")}>
        <p className="border-pine border-l-2 pl-3">
          <Say parts={[...chainText(tellChain(decided), tellingOf(roster, list)), "."]} />
        </p>
        {rule !== null && (
          <Button small look="quiet" className="mt-1 -ml-2" onClick={() => decide.dropRule(rule)}>
            {say("conflicts.deleteRule")}
          </Button>
        )}
      </Part>
    );
  }
  if (!about.rows.some(({ none }) => none === null || none.because === "packed")) return null;
  const [first, second] = items;
  return (
    <Part title={say("conflicts.nothingDecides")}>
      <p className="text-ink2 mb-2">{say("conflicts.nothingDecidesHint")}</p>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => decide.keep(list, [{ earlier: first, later: second }])}>
          {rich("conflicts.letWin", { item: <Holder id={second} /> })}
        </Button>
        <Button onClick={() => decide.pairs(list, [{ earlier: second, later: first }])}>
          {rich("conflicts.letWin", { item: <Holder id={first} /> })}
        </Button>
      </div>
      <IfTurned of={of} about={about} />
    </Part>
  );
}

/** What would change hands if the one that loses now were let win. */
function IfTurned({ of, about: { items } }: { of: Contested; about: AboutPair }) {
  const roster = useEditor((state) => state.roster);
  const [first, second] = items;
  const { then, refused } = useMemo(() => {
    const edit = decideEdit(roster, contestedIn[of], [{ earlier: second, later: first }], newRule);
    return edit.ok
      ? { then: edit.value && stateAfter(roster.profile.state, edit.value), refused: null }
      : { then: null, refused: sayRefusal(edit.refusal) };
  }, [roster, of, first, second]);
  return (
    <div className="mt-2">
      <p className="text-ink2">{rich("conflicts.ifWins", { item: <Holder id={first} /> })}</p>
      {refused ? (
        <p>
          <Say parts={refused} />
        </p>
      ) : (
        <HandChanges key={`${first} ${second}`} state={then} />
      )}
    </div>
  );
}
