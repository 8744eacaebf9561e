"use client";

import { useSearchParams } from "next/navigation";
import { Tabs } from "radix-ui";
import { useCallback, useEffect, useMemo, useState } from "react";
import { recipeOf } from "@/core/blend/decisions";
import { dropBlend } from "@/core/edit/take-blend";
import { say } from "@/core/language/say";
import { sayRefusal } from "@/core/messages/refusals";
import type { BlendView } from "@/formats/blend-view";
import { Button } from "../kit/button";
import { Empty } from "../kit/empty";
import { InspectorButton, useInspecting, WithInspector } from "../kit/panes/inspector";
import { Say } from "../kit/sentence";
import { Term } from "../kit/term";
import { keepQuery, queryAtBegin } from "../workspace/address";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { AboutClash, AboutList, AboutPart } from "./about";
import { blendFromQuery, blendToQuery, sheets, type Sheet } from "./blend-address";
import { ClashesGrid, clashKey, ListsGrid, PartsGrid } from "./blend-grids";
import { listRows } from "./list-rows";
import { useBlendView, useBuildBlend } from "./use-blend";

/** One plugin that holds what all others add to the game's lists: what it would come to, who has part in it, and the key that builds it. */
export function BlendScreen() {
  const params = useSearchParams();
  const [address, setAddress] = useState(() => blendFromQuery(queryAtBegin("/blend", params).query));
  useEffect(() => keepQuery("/blend", blendToQuery(address).toString()));
  const { answer: view, fault } = useBlendView();
  const { build, isBuilding } = useBuildBlend();
  const { editor } = useWorkspace();
  const recipe = useEditor(({ roster }) => recipeOf(roster.profile.state));
  const inspecting = useInspecting();
  const { sheet, at } = address;
  const look = useCallback((next: string) => setAddress((now) => ({ ...now, at: next })), []);
  const isThere = view !== undefined && (view.lists.length > 0 || view.standing !== "none");
  const canBuild = isThere && view.refusal === null && view.standing !== "current" && !isBuilding;
  const run = useMemo(() => (canBuild ? () => void build() : null), [canBuild, build]);
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
              {say(`blend.sheet.${each}`, { count: view ? countOf(view, each) : -1 })}
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
      {view && <StandingLine view={view} />}
      <WithInspector
        inspecting={inspecting}
        inspector={
          <div tabIndex={0} className="min-h-0 grow space-y-4 overflow-auto p-3.5">
            {view && <Looking view={view} sheet={sheet} at={at} />}
          </div>
        }
      >
        <Tabs.Content value={sheet} tabIndex={-1} className="flex min-h-0 min-w-0 grow flex-col">
          {fault !== null && <p className="text-brick p-4">{say("blend.cannotKnow")}</p>}
          {!view && fault === null && <p className="text-ink2 p-4">{say("common.checking")}</p>}
          {view && <Shown view={view} sheet={sheet} at={at} onLook={look} build={run} />}
        </Tabs.Content>
      </WithInspector>
    </Tabs.Root>
  );
}

function countOf({ lists, left, parts, clashes }: BlendView, sheet: Sheet): number {
  if (sheet === "lists") return lists.length + left.length;
  return sheet === "plugins" ? parts.length : clashes.length;
}

/** How the blend stands, what would come of it, and what stands in the way. */
function StandingLine({ view: { standing, plugin, lists, refusal, doubled } }: { view: BlendView }) {
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
      {refusal && (
        <p className="text-brick">
          <Say parts={sayRefusal(refusal)} />
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

interface ShownProps {
  view: BlendView;
  sheet: Sheet;
  at: string | null;
  onLook: (key: string) => void;
  build: (() => void) | null;
}

function Shown({ view, sheet, ...rest }: ShownProps) {
  const rows = useMemo(() => listRows(view), [view]);
  if (countOf(view, sheet) === 0) return <Empty purpose={say(`blend.empty.${sheet}`)} />;
  if (sheet === "lists") return <ListsGrid rows={rows} {...rest} />;
  if (sheet === "plugins") return <PartsGrid rows={view.parts} {...rest} />;
  return <ClashesGrid rows={view.clashes} {...rest} />;
}

function Looking({ view, sheet, at }: { view: BlendView; sheet: Sheet; at: string | null }) {
  const rows = useMemo(() => listRows(view), [view]);
  if (sheet === "lists") {
    const row = rows.find(({ record }) => record === at) ?? rows[0];
    return row ? <AboutList key={row.record} row={row} /> : null;
  }
  if (sheet === "plugins") {
    const part = view.parts.find(({ plugin }) => plugin === at) ?? view.parts[0];
    return part ? <AboutPart key={part.plugin} part={part} /> : null;
  }
  const clash = view.clashes.find((each) => clashKey(each) === at) ?? view.clashes[0];
  return clash ? <AboutClash key={clashKey(clash)} clash={clash} /> : null;
}
