"use client";

import { useSearchParams } from "next/navigation";
import { Tabs } from "radix-ui";
import { useDeferredValue, useEffect, useMemo, useState } from "react";
import { say } from "@/core/language/say";
import { contestedIn, type Contested } from "@/core/conflict/conflicts";
import type { ConflictQuery, ConflictSurvey } from "@/core/conflict/survey";
import { conflictsCsv } from "@/formats/conflicts-csv";
import { csv } from "@/formats/lineup/csv";
import { Button } from "../kit/button";
import { Choice } from "../kit/choice";
import { Empty } from "../kit/empty";
import { inputLook } from "../kit/field";
import { InspectorButton, useInspecting, WithInspector } from "../kit/panes/inspector";
import { rich } from "../kit/rich";
import { saveText } from "../kit/save-text";
import { Term } from "../kit/term";
import { keepQuery, queryAtBegin } from "../workspace/address";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { ItemInspector } from "./about-mod";
import { KeyInspector } from "./about-key";
import { PairInspector } from "./about-pair";
import { ConflictFilterBar } from "./conflict-filter-bar";
import { PathGrid } from "./conflict-grids";
import { holderText } from "./holder";
import { ConflictPictures } from "./conflict-pictures";
import { conflictsFromQuery, conflictsToQuery, sheets, type Looked, type Sheet } from "./conflicts-address";
import { LeftOutSheet } from "./left-out-sheet";
import { MatrixSheet } from "./matrix-sheet";
import { isOpenPair, pairsOf } from "./named-pairs";
import { OrdersSheet } from "./orders-sheet";
import { useSurvey } from "./use-ask-conflicts";
import { useDecide, type Decide } from "./use-decide";

/** Who wins what, and what says so. */
export function ConflictsScreen() {
  const params = useSearchParams();
  const [address, setAddress] = useState(() => conflictsFromQuery(queryAtBegin("/conflicts", params).query));
  const hasPlugins = useEditor(({ roster }) => roster.game.lists.includes("plugins"));
  const { sheet, query, looked } = address;
  const of: Contested = hasPlugins ? address.of : "files";
  useEffect(() => keepQuery("/conflicts", conflictsToQuery(address).toString()));
  const wanted = useDeferredValue(query);
  const { answer: survey, fault } = useSurvey(of, wanted);
  const decide = useDecide();
  const inspecting = useInspecting();
  const look = (next: Looked | null) => setAddress((now) => ({ ...now, looked: next }));
  const ask = (part: Partial<ConflictQuery>) =>
    setAddress((now) => ({ ...now, query: { ...now.query, ...part } }));
  return (
    <Tabs.Root
      value={sheet}
      onValueChange={(next) => setAddress((now) => ({ ...now, sheet: next as Sheet }))}
      className="flex h-full flex-col"
    >
      <header className="border-line flex min-h-11 shrink-0 flex-wrap items-center gap-x-3 gap-y-1 border-b px-3 py-1">
        <h1 className="text-lg font-bold">
          <Term word="conflict">{say("common.conflicts")}</Term>
        </h1>
        {hasPlugins && (
          <OfChoice
            of={of}
            onChoose={(next) =>
              setAddress((now) => ({
                ...now,
                of: next,
                looked: null,
                query: { ...now.query, section: null, kind: null, item: null },
              }))
            }
          />
        )}
        <span className="text-ink2 font-mono">
          {survey && say("conflicts.shownOf", { count: survey.count, contested: survey.contested })}
        </span>
        <input
          value={query.text}
          onChange={(event) => ask({ text: event.target.value })}
          placeholder={say(`conflicts.search.${of}`)}
          aria-label={say(`conflicts.search.${of}`)}
          className={`${inputLook} !w-52`}
        />
        <div className="ml-auto flex gap-2">
          <SaveTable of={of} query={wanted} />
          <InspectorButton inspecting={inspecting} />
        </div>
      </header>
      <SheetTabs hasPlugins={hasPlugins} />
      <WithInspector
        inspecting={inspecting}
        inspector={
          <div tabIndex={0} className="min-h-0 grow space-y-4 overflow-auto p-3.5">
            <Looking of={of} looked={looked} survey={survey} onLook={look} decide={decide} />
          </div>
        }
      >
        <Tabs.Content value={sheet} tabIndex={-1} className="flex min-h-0 min-w-0 grow flex-col">
          {sheet === "left-out" ? (
            <LeftOutSheet />
          ) : sheet === "orders" ? (
            <OrdersSheet onLook={(next, looked) => setAddress((now) => ({ ...now, of: next, looked }))} />
          ) : (
            <>
              <ConflictFilterBar of={of} query={query} onQuery={ask} survey={survey}>
                <KeepShown of={of} survey={survey} decide={decide} />
              </ConflictFilterBar>
              {fault !== null && <p className="text-brick p-4">{say("conflicts.cannotKnow")}</p>}
              {!survey && fault === null && <p className="text-ink2 p-4">{say("conflicts.reading")}</p>}
              {survey?.contested === 0 && <Empty purpose={say("conflicts.nothingContested")} />}
              {survey && survey.contested > 0 && (
                <Surveyed
                  sheet={sheet}
                  of={of}
                  survey={survey}
                  looked={looked}
                  onLook={look}
                  decide={decide}
                  text={query.text}
                />
              )}
            </>
          )}
        </Tabs.Content>
      </WithInspector>
    </Tabs.Root>
  );
}

function OfChoice({ of, onChoose }: { of: Contested; onChoose: (of: Contested) => void }) {
  return (
    <div role="radiogroup" aria-label={say("conflicts.ofWhat")} className="flex gap-3">
      {(["files", "records"] as const).map((each) => (
        <Choice key={each} name="conflicts-of" checked={of === each} onChoose={() => onChoose(each)}>
          {say(`conflicts.${each}`)}
        </Choice>
      ))}
    </div>
  );
}

function SheetTabs({ hasPlugins }: { hasPlugins: boolean }) {
  const leftOut = useEditor(({ roster }) => roster.profile.state.leftOut.length);
  return (
    <Tabs.List
      aria-label={say("conflicts.show")}
      className="border-line flex shrink-0 flex-wrap gap-1 border-b px-2 py-1"
    >
      {sheets
        .filter((each) => each !== "orders" || hasPlugins)
        .map((each) => (
          <Tabs.Trigger
            key={each}
            value={each}
            className="text-ink2 hover:bg-sunk hover:text-ink data-[state=active]:bg-pine-soft data-[state=active]:text-pine flex h-7 items-center rounded-md px-3 font-semibold forced-colors:data-[state=active]:outline-1"
          >
            {say(`conflicts.sheet.${each}`)}
            {each === "left-out" && leftOut > 0 && ` (${leftOut})`}
          </Tabs.Trigger>
        ))}
    </Tabs.List>
  );
}

interface SurveyedProps {
  sheet: Sheet;
  of: Contested;
  survey: ConflictSurvey;
  looked: Looked | null;
  onLook: (looked: Looked | null) => void;
  decide: Decide;
  text: string;
}

function Surveyed({ sheet, text, ...rest }: SurveyedProps) {
  const { of, survey, onLook } = rest;
  if (sheet === "pictures") return <ConflictPictures of={of} survey={survey} onLook={onLook} />;
  if (sheet === "matrix") return <MatrixSheet text={text} {...rest} />;
  return (
    <>
      <PathGrid {...rest} />
      {survey.count > survey.rows.length && (
        <p className="border-line text-ink2 border-t px-3 py-1.5">
          {say("conflicts.firstOfAll", { shown: survey.rows.length, count: survey.count })}
        </p>
      )}
    </>
  );
}

function Looking({
  of,
  looked,
  survey,
  onLook,
  decide,
}: {
  of: Contested;
  looked: Looked | null;
  survey: ConflictSurvey | undefined;
  onLook: (looked: Looked) => void;
  decide: Decide;
}) {
  if (looked?.kind === "pair")
    return <PairInspector of={of} pair={looked.pair} onLook={onLook} decide={decide} />;
  if (looked?.kind === "key")
    return <KeyInspector of={of} name={looked.key} onLook={onLook} decide={decide} />;
  if (looked?.kind === "item") {
    return <ItemInspector of={of} id={looked.id} onLook={onLook} decide={decide} />;
  }
  return (
    <div className="text-ink2 space-y-2">
      <p className="text-ink font-bold">{say("conflicts.whoOverridesWhom")}</p>
      <p>{say("conflicts.inspectorHint")}</p>
      <p>
        {rich("conflicts.decidedHint", {
          word: <Term word="decided">{say("conflicts.decided")}</Term>,
        })}
      </p>
      <DoNothing survey={survey} onLook={onLook} />
    </div>
  );
}

/** Those of which nothing reaches the game, or that another one brings whole. */
function DoNothing({
  survey,
  onLook,
}: {
  survey: ConflictSurvey | undefined;
  onLook: (looked: Looked) => void;
}) {
  const roster = useEditor((state) => state.roster);
  const found = (survey?.items ?? []).filter(
    ({ id, covered, copyOf }) => id !== "" && (covered || copyOf !== null),
  );
  if (found.length === 0) return null;
  return (
    <div>
      <p className="text-ink font-semibold">
        {rich("conflicts.doNothing", {
          word: <Term word="covered">{say("conflicts.coveredWord")}</Term>,
        })}
      </p>
      <ul className="mt-1 space-y-1">
        {found.slice(0, 20).map(({ id, copyOf }) => (
          <li key={id}>
            <button
              type="button"
              className="hover:underline text-ink text-left"
              onClick={() => onLook({ kind: "item", id })}
            >
              {holderText(roster, id)}
            </button>{" "}
            {copyOf === null
              ? say("conflicts.coveredShort")
              : say("conflicts.copyShort", { item: holderText(roster, copyOf) })}
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Decides all undecided pairs of what is shown as they stand. */
function KeepShown({
  of,
  survey,
  decide,
}: {
  of: Contested;
  survey: ConflictSurvey | undefined;
  decide: Decide;
}) {
  const pairs = useMemo(
    () =>
      (survey ? pairsOf(survey) : [])
        .filter((pair) => isOpenPair(pair) && pair.loser !== "")
        .map(({ loser, winner }) => ({ earlier: loser, later: winner })),
    [survey],
  );
  return (
    <Button
      small
      disabled={pairs.length === 0}
      title={say("conflicts.keepHint")}
      onClick={() => decide.keep(contestedIn[of], pairs)}
    >
      {say("conflicts.keepPairs", { count: pairs.length })}
    </Button>
  );
}

/** All that fits, not only what is listed. */
function SaveTable({ of, query }: { of: Contested; query: ConflictQuery }) {
  const { conflicts, editor } = useWorkspace();
  const save = async () => {
    const survey = await conflicts
      .ask((jobs) => jobs.survey(of, query, Number.MAX_SAFE_INTEGER))
      .catch(() => null);
    if (!survey) return;
    const { roster } = editor.getState();
    const head = [
      say(of === "files" ? "common.file" : "conflicts.record"),
      say("conflicts.wins"),
      say("conflicts.providersFirstToLast"),
      say("conflicts.equal"),
      say("conflicts.decided"),
    ] as const;
    const text = conflictsCsv(head, survey.rows, (id) => holderText(roster, id));
    saveText(`${roster.profile.name} ${say(`conflicts.${of}`)}${csv.extension}`, text, csv.mime);
  };
  return (
    <Button look="quiet" onClick={() => void save()}>
      {say("conflicts.saveTable")}
    </Button>
  );
}
