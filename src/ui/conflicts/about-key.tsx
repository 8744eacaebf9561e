"use client";

import { useCallback, useMemo, useState } from "react";
import { say } from "@/core/language/say";
import type { AboutKey, AboutProvider } from "@/core/conflict/about";
import { contestedIn, type Contested } from "@/core/conflict/conflicts";
import { switchItems } from "@/core/edit/edits";
import { partsOf } from "@/core/roster/parts";
import type { Roster } from "@/core/roster/roster";
import { Button } from "../kit/button";
import type { GridColumn } from "../kit/grid/columns";
import { textLook } from "../kit/grid/grid-cells";
import { nothingSelected, selectOne } from "../kit/grid/selection";
import { rich } from "../kit/rich";
import { ListGrid } from "../workspace/list-grid";
import type { ConflictQuestion } from "../workspace/use-conflicts";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { ChainDialog } from "./chain-dialog";
import { Holder, holderText, Standing, standingText } from "./holder";
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
    (jobs) => jobs.aboutKey(of, name),
    [of, name],
  );
  const { answer } = useAskConflicts(question);
  const [compared, compare] = useState<Compared | null>(null);
  const [chained, chain] = useState<readonly string[] | null>(null);
  const [selection, select] = useState(nothingSelected);
  const roster = useEditor((state) => state.roster);
  const columns = useMemo(() => columnsOf(of, roster), [of, roster]);
  if (answer === undefined || (answer && answer.key !== name)) return null;
  if (answer === null) return <p className="text-ink2">{say("conflicts.nobodyProvides", { name })}</p>;
  const { providers } = answer;
  const winner = providers.at(-1)!;
  const chosen = providers.find(({ id }) => id === selection.active) ?? winner;
  const ids = providers.map(({ id }) => id).filter((id) => id !== "");
  return (
    <>
      <h2 className="font-mono text-sm font-bold break-all">{name}</h2>
      <p>{say("conflicts.firstToLast", { count: providers.length })}</p>
      <ListGrid
        kind={`providers-${of}`}
        label={say("conflicts.providersFirstToLast")}
        rows={providers}
        keyOf={keyOf}
        columns={columns}
        selection={selection.active === null ? selectOne(winner.id) : selection}
        onSelection={select}
        className="border-line max-h-72 rounded-md border"
      />
      <section aria-label={say("conflicts.chosenProvider")} className="space-y-2">
        <p className="break-words">
          <Holder id={chosen.id} />
        </p>
        <ProviderFacts of={of} name={name} provider={chosen} winner={winner.id} />
        <p className="flex flex-wrap gap-2">
          {chosen.id !== "" && of === "files" && providers.length > 1 && (
            <Button
              small
              onClick={() =>
                decide.letWin({ key: name, providers: providers.map(({ id }) => id) }, chosen.id)
              }
            >
              {say("conflicts.letThisWin")}
            </Button>
          )}
          {chosen !== winner && chosen.id !== "" && (
            <Button small onClick={() => onLook({ kind: "pair", pair: [chosen.id, winner.id] })}>
              {say("conflicts.lookAtPair")}
            </Button>
          )}
          {chosen !== winner && of === "files" && (
            <Button small onClick={() => compare({ path: name, items: [chosen.id, winner.id] })}>
              {say("conflicts.compareContents")}
            </Button>
          )}
          <SwitchOff of={of} id={chosen.id} />
        </p>
      </section>
      {ids.length > 1 && <Button onClick={() => chain(ids)}>{say("conflicts.putIntoOrder")}</Button>}
      <ContentsDialog compared={compared} onClose={() => compare(null)} />
      <ChainDialog list={contestedIn[of]} items={chained} onClose={() => chain(null)} decide={decide} />
    </>
  );
}

const keyOf = ({ id }: AboutProvider): string => id;

const columnsOf = (of: Contested, roster: Roster): readonly GridColumn<AboutProvider>[] => [
  {
    id: "provider",
    label: say("conflicts.provider"),
    width: 150,
    isFixed: true,
    isMain: true,
    sortBy: null,
    text: ({ id }) => holderText(roster, id),
    cell: ({ id }) => (
      <span className={textLook}>
        <Holder id={id} />
      </span>
    ),
  },
  {
    id: "decided",
    label: say("conflicts.standing"),
    width: 84,
    sortBy: null,
    text: ({ decided }) => standingText(decided),
    cell: ({ decided }) => <Standing decided={decided} />,
  },
  ...(of === "files"
    ? [
        {
          id: "equal",
          label: say("common.contents"),
          width: 70,
          sortBy: null,
          text: ({ equal }: AboutProvider) => say(equal ? "conflicts.equal" : "conflicts.unequal2"),
        },
      ]
    : []),
];

interface ProviderFactsProps {
  of: Contested;
  name: string;
  provider: AboutProvider;
  winner: string;
}

function ProviderFacts({ of, name, provider, winner }: ProviderFactsProps) {
  const roster = useEditor((state) => state.roster);
  const { id, part, container, equal, decided } = provider;
  const question: ConflictQuestion<{ of: string; winner: string | null }> = useCallback(
    async (jobs) => ({ of: id, winner: await jobs.winnerWithout(of, name, id) }),
    [of, name, id],
  );
  const { answer: without } = useAskConflicts(question);
  const label = part && partsOf(roster.modOf.get(id)?.mod?.manifest ?? null).find(({ key }) => key === part);
  return (
    <p className="text-ink2">
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
      {without?.of === id &&
        without.winner !== winner &&
        rich("conflicts.withoutIt", { item: <Holder id={without.winner} /> })}
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
      onClick={() => {
        const edit = switchItems(editor.getState().roster, [item], false);
        if (edit) editor.dispatch(edit);
      }}
    >
      {say("conflicts.switchOff")}
    </Button>
  );
}
