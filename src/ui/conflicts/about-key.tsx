"use client";

import { useCallback, useState } from "react";
import { say } from "@/core/language/say";
import type { AboutKey, AboutProvider } from "@/core/conflict/about";
import { contestedIn, type Contested } from "@/core/conflict/conflicts";
import { switchItems } from "@/core/edit/edits";
import { partsOf } from "@/core/roster/parts";
import { Button } from "../kit/button";
import { rich } from "../kit/rich";
import type { ConflictQuestion } from "../workspace/use-conflicts";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { ChainDialog } from "./chain-dialog";
import { Holder, Standing } from "./holder";
import { ContentsDialog, type Compared } from "./contents-dialog";
import type { Looked } from "./conflicts-address";
import { useAskConflicts } from "./use-ask-conflicts";
import type { Decide } from "./use-decide";

interface Props {
  of: Contested;
  name: string;
  onLook: (looked: Looked) => void;
  decide: Decide;
}

/** A path or record: all that provide it, first to last, and what would be without each. */
export function KeyInspector({ of, name, onLook, decide }: Props) {
  const question: ConflictQuestion<AboutKey | null> = useCallback(
    (jobs, profile) => jobs.aboutKey(profile, of, name),
    [of, name],
  );
  const { answer } = useAskConflicts(question);
  const [compared, compare] = useState<Compared | null>(null);
  const [chained, chain] = useState<readonly string[] | null>(null);
  if (answer?.key !== name) return <p className="text-ink2">{say("conflicts.nobodyProvides", { name })}</p>;
  const { providers } = answer;
  const winner = providers.at(-1)!;
  const ids = providers.map(({ id }) => id).filter((id) => id !== "");
  return (
    <>
      <h2 className="font-mono text-sm font-bold break-all">{name}</h2>
      <p>{say("conflicts.firstToLast", { count: providers.length })}</p>
      <ol aria-label={say("conflicts.providersFirstToLast")} className="space-y-2">
        {providers.map((provider) => (
          <li key={provider.id} className="border-line border-l-2 pl-2.5">
            <p className="break-words">
              <Holder id={provider.id} />
            </p>
            <ProviderFacts of={of} provider={provider} winner={winner.id} />
            <p className="flex flex-wrap gap-1">
              {provider.id !== "" && of === "files" && providers.length > 1 && (
                <Button
                  small
                  look="quiet"
                  className="-ml-2"
                  onClick={() =>
                    decide.letWin({ key: name, providers: providers.map(({ id }) => id) }, provider.id)
                  }
                >
                  {say("conflicts.letThisWin")}
                </Button>
              )}
              {provider !== winner && provider.id !== "" && winner.id !== "" && (
                <Button
                  small
                  look="quiet"
                  className="-ml-2"
                  onClick={() => onLook({ kind: "pair", pair: [provider.id, winner.id] })}
                >
                  {say("conflicts.lookAtPair")}
                </Button>
              )}
              {provider !== winner && of === "files" && (
                <Button
                  small
                  look="quiet"
                  className="-ml-2"
                  onClick={() => compare({ path: name, items: [provider.id, winner.id] })}
                >
                  {say("conflicts.compareContents")}
                </Button>
              )}
              <SwitchOff of={of} id={provider.id} />
            </p>
          </li>
        ))}
      </ol>
      {ids.length > 1 && <Button onClick={() => chain(ids)}>{say("conflicts.putIntoOrder")}</Button>}
      <ContentsDialog compared={compared} onClose={() => compare(null)} />
      <ChainDialog list={contestedIn[of]} items={chained} onClose={() => chain(null)} decide={decide} />
    </>
  );
}

function ProviderFacts({ of, provider, winner }: { of: Contested; provider: AboutProvider; winner: string }) {
  const roster = useEditor((state) => state.roster);
  const { id, part, container, equal, decided, without } = provider;
  const label =
    part && partsOf(roster.modOf.get(id as never)?.mod?.manifest ?? null).find(({ key }) => key === part);
  return (
    <p className="text-ink2 text-sm">
      {id === winner ? (
        <span className="text-pine font-semibold">{say("conflicts.winsThis")} </span>
      ) : (
        <>
          {of === "files" && `${say(equal ? "conflicts.sameAsWinner" : "conflicts.otherThanWinner")}, `}
          <Standing decided={decided} />.{" "}
        </>
      )}
      {container !== null && `${say("conflicts.packedIn", { container })} `}
      {label && `${say("conflicts.fromPart", { part: label.part.label })} `}
      {without !== winner && rich("conflicts.withoutIt", { item: <Holder id={without} /> })}
    </p>
  );
}

function SwitchOff({ of, id }: { of: Contested; id: string }) {
  const { editor } = useWorkspace();
  const item = useEditor(({ roster }) => roster.lists[contestedIn[of]].itemOf.get(id));
  if (!item || item.fixed) return null;
  return (
    <Button
      small
      look="quiet"
      className="-ml-2"
      onClick={() => {
        const edit = switchItems(editor.getState().roster, [item], false);
        if (edit) editor.dispatch(edit);
      }}
    >
      {say("conflicts.switchOff")}
    </Button>
  );
}
