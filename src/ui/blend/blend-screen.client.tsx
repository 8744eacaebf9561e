"use client";

import { useSearchParams } from "next/navigation";
import { Tabs } from "radix-ui";
import { useCallback, useEffect, useMemo, useState, type ReactNode } from "react";
import { decideBlend, leaveLists, recipeOf } from "@/core/blend/decisions";
import { acceptMarks } from "@/core/edit/advice";
import { dropBlend } from "@/core/edit/take-blend";
import { say } from "@/core/language/say";
import { sayRefusal } from "@/core/messages/refusals";
import type { BlendReport } from "@/core/model/blend-report";
import type { BlendView } from "@/formats/blend-view";
import { Button } from "../kit/button";
import { Empty } from "../kit/empty";
import { inputLook, Labelled } from "../kit/field";
import { InspectorButton, useInspecting, WithInspector } from "../kit/panes/inspector";
import { Say } from "../kit/sentence";
import { Term } from "../kit/term";
import { keepQuery, queryAtBegin } from "../workspace/address";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { AboutClash, AboutList, AboutPart } from "./about";
import { blendFromQuery, blendToQuery, sheets, type Sheet } from "./blend-address";
import { ClashesGrid, clashKey, ListsGrid, PartsGrid } from "./blend-grids";
import { listName, listRows } from "./list-rows";
import { AboutReport, ReportsGrid, useReports } from "./reports";
import { useBlendView } from "./use-blend-view";

/** One plugin that holds what all others add to the game's lists: what it would come to, who has part in it, and the key that builds it. */
export function BlendScreen() {
  const params = useSearchParams();
  const [address, setAddress] = useState(() => blendFromQuery(queryAtBegin("/blend", params).query));
  useEffect(() => keepQuery("/blend", blendToQuery(address).toString()));
  const { answer: view, fault } = useBlendView();
  const {
    editor,
    blend: { build, isBuilding },
  } = useWorkspace();
  const recipe = useEditor(({ roster }) => recipeOf(roster.profile.state));
  const reports = useReports();
  /** What one that is not there yet is to be called. */
  const [name, setName] = useState("");
  const inspecting = useInspecting();
  const { sheet, at } = address;
  const look = useCallback((next: string) => setAddress((now) => ({ ...now, at: next })), []);
  const isThere = view !== undefined && (view.lists.length > 0 || view.standing !== "none");
  const canBuild = isThere && view.refusal === null && view.standing !== "current" && !isBuilding;
  const run = useMemo(
    () => (canBuild ? () => void build(recipe ? undefined : name.trim() || undefined) : null),
    [canBuild, build, recipe, name],
  );
  return (
    <Tabs.Root
      value={sheet}
      onValueChange={(next) => setAddress({ sheet: next as Sheet, at: null })}
      className="flex h-full flex-col"
    >
      <header className="border-line flex min-h-11 shrink-0 flex-wrap items-center gap-x-3 gap-y-1 border-b px-3 py-1">
        <h1 className="text-lg font-bold">
          <Term word="blend">{say("blend.title")}</Term>
        </h1>
        <Tabs.List aria-label={say("blend.show")} className="flex flex-wrap gap-1">
          {sheets.map((each) => (
            <Tabs.Trigger
              key={each}
              value={each}
              className="text-ink2 hover:bg-sunk aria-selected:bg-pine-soft aria-selected:text-pine flex h-7 items-center rounded-md px-2.5 font-semibold"
            >
              {say(`blend.sheet.${each}`, { count: countOf(view, reports, each) ?? -1 })}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <div className="ml-auto flex flex-wrap justify-end gap-2">
          {recipe && (
            <Button look="quiet" onClick={() => editor.dispatch(dropBlend(editor.getState().roster, recipe))}>
              {say("blend.drop")}
            </Button>
          )}
          <Button look="main" disabled={!run} onClick={() => run?.()}>
            {isBuilding
              ? say("blend.building")
              : say(view && view.standing !== "none" ? "blend.rebuild" : "blend.build")}
          </Button>
          <InspectorButton inspecting={inspecting} />
        </div>
      </header>
      {view && (
        <StandingLine view={view}>
          {recipe ? (
            <BlendName
              start={recipe.name}
              onName={(next) => editor.dispatch(decideBlend({ ...recipe, name: next }))}
            />
          ) : (
            isThere && <BlendName start={name} onName={setName} />
          )}
        </StandingLine>
      )}
      <WithInspector
        inspecting={inspecting}
        inspector={
          <div tabIndex={0} className="min-h-0 grow space-y-4 overflow-auto p-3.5">
            {view && sheet !== "reports" && <Looking view={view} sheet={sheet} at={at} />}
            {sheet === "reports" && reports && <LookingBack reports={reports} at={at} />}
          </div>
        }
      >
        <Tabs.Content value={sheet} tabIndex={-1} className="flex min-h-0 min-w-0 grow flex-col">
          {fault !== null && <p className="text-brick p-4">{say("blend.cannotKnow")}</p>}
          {!view && fault === null && <p className="text-ink2 p-4">{say("common.checking")}</p>}
          {view && sheet !== "reports" && (
            <Shown view={view} sheet={sheet} at={at} onLook={look} build={run} />
          )}
          {sheet === "reports" &&
            reports &&
            (reports.length === 0 ? (
              <Empty purpose={say("blend.empty.reports")} />
            ) : (
              <ReportsGrid rows={reports} at={at} onLook={look} />
            ))}
        </Tabs.Content>
      </WithInspector>
    </Tabs.Root>
  );
}

/** Undefined before it is known. */
function countOf(
  view: BlendView | undefined,
  reports: readonly BlendReport[] | null,
  sheet: Sheet,
): number | undefined {
  switch (sheet) {
    case "lists":
      return view && view.lists.length + view.left.length;
    case "plugins":
      return view?.parts.length;
    case "clashes":
      return view?.clashes.length;
    case "reports":
      return reports?.length;
  }
}

/** How the blend stands, what would come of it, what stands in the way, and what Seating suggests. */
function StandingLine({
  view: { standing, plugin, lists, refusal, doubled, toLeave, suggestions },
  children,
}: {
  view: BlendView;
  children: ReactNode;
}) {
  const { editor } = useWorkspace();
  return (
    <div
      className={`border-b px-3 py-1.5 ${standing === "due" || refusal ? "border-saffron bg-saffron-soft" : "border-line bg-sunk"}`}
    >
      <p role="status">
        {say(`blend.standing.${standing}`)}{" "}
        {plugin
          ? say("blend.wouldBe", { plugin: plugin.name, lists: lists.length, masters: plugin.masters })
          : lists.length === 0 && say("blend.nothingToBlend")}
      </p>
      {children}
      {refusal && (
        <p className="text-brick">
          <Say parts={sayRefusal(refusal)} />
        </p>
      )}
      {toLeave.length > 0 && (
        <p className="flex flex-wrap items-center gap-2">
          {say("blend.toLeave", { lists: toLeave.map(listName).join(", ") })}
          <Button small onClick={() => editor.dispatch(leaveLists(toLeave))}>
            {say("blend.leaveThem", { count: toLeave.length })}
          </Button>
        </p>
      )}
      {suggestions.length > 0 && (
        <p className="flex flex-wrap items-center gap-2">
          {say("blend.suggestions", { count: suggestions.length })}
          <Button small onClick={() => editor.dispatch(acceptMarks(suggestions))}>
            {say("blend.acceptAll")}
          </Button>
        </p>
      )}
      {doubled.map(({ plugin: name, record }) => (
        <p key={`${name} ${record}`} className="text-ink2">
          {say("blend.doubledIn", { plugin: name, record })}
        </p>
      ))}
      <p className="text-ink2">{say("blend.onlyLists")}</p>
    </div>
  );
}

function LookingBack({ reports, at }: { reports: readonly BlendReport[]; at: string | null }) {
  const report = reports.find(({ date }) => date === at) ?? reports[0];
  return report ? <AboutReport key={report.date} report={report} reports={reports} /> : null;
}

/** What the blend is called; another name is taken when it is left, or by Enter. */
function BlendName({ start, onName }: { start: string; onName: (name: string) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  const commit = () => {
    const name = typed?.trim() ?? "";
    if (name !== "" && name !== start) onName(name);
    setTyped(null);
  };
  return (
    <Labelled label={say("blend.name")} beside>
      {({ id }) => (
        <input
          id={id}
          className={`${inputLook} max-w-64`}
          value={typed ?? start}
          placeholder={say("blend.title")}
          maxLength={60}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={commit}
          onKeyDown={(event) => event.key === "Enter" && commit()}
        />
      )}
    </Labelled>
  );
}

/** The sheets that are worked out of what loads. */
type Worked = Exclude<Sheet, "reports">;

interface ShownProps {
  view: BlendView;
  sheet: Worked;
  at: string | null;
  onLook: (key: string) => void;
  build: (() => void) | null;
}

function Shown({ view, sheet, ...rest }: ShownProps) {
  const rows = useMemo(() => listRows(view), [view]);
  if (countOf(view, null, sheet) === 0) return <Empty purpose={say(`blend.empty.${sheet}`)} />;
  if (sheet === "lists") return <ListsGrid rows={rows} {...rest} />;
  if (sheet === "plugins") return <PartsGrid rows={view.parts} {...rest} />;
  return <ClashesGrid rows={view.clashes} {...rest} />;
}

function Looking({ view, sheet, at }: { view: BlendView; sheet: Worked; at: string | null }) {
  const rows = useMemo(() => listRows(view), [view]);
  if (sheet === "lists") {
    const row = rows.find(({ record }) => record === at) ?? rows[0];
    return row ? <AboutList key={row.record} row={row} /> : null;
  }
  if (sheet === "plugins") {
    const part = view.parts.find(({ plugin }) => plugin === at) ?? view.parts[0];
    const suggestion = view.suggestions.find(({ plugin }) => plugin === part?.plugin);
    return part ? <AboutPart key={part.plugin} part={part} suggestion={suggestion} /> : null;
  }
  const clash = view.clashes.find((each) => clashKey(each) === at) ?? view.clashes[0];
  return clash ? <AboutClash key={clashKey(clash)} clash={clash} /> : null;
}
