"use client";

import { say } from "@/core/language/say";
import { useCallback, useDeferredValue, useEffect, useMemo, useState } from "react";
import { inputLook } from "../kit/field";
import { chooseMods } from "../incoming/choose-mods";
import { Button } from "../kit/button";
import { Empty } from "../kit/empty";
import { rich } from "../kit/rich";
import { Floor } from "../kit/floor";
import { ColumnChoice } from "../kit/grid/column-choice";
import type { GridCommand } from "../kit/grid/commands";
import { nothingSelected, selectOne } from "../kit/grid/selection";
import { InspectorButton, useInspecting, WithInspector } from "../kit/panes/inspector";
import { useGridLayout } from "../workspace/use-grid-layout";
import { binQuestion } from "../workspace/arrival-choices";
import { useScopedCommands } from "../workspace/scoped-commands";
import { useUsage } from "../workspace/use-usage";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { AddMods } from "./add-mods";
import { Bulk, bulkCommands, BulkDialogs, type BulkAct } from "./bulk";
import { ModInspector } from "./mod-inspector";
import { SameByNameBar } from "./same-by-name";
import { ShelfBin } from "./shelf-bin";
import { columnsFor, shownAtFirst } from "./shelf-columns";
import { isNarrow, narrowShelf } from "./shelf-filter";
import { ShelfFilterBar } from "./shelf-filter-bar";
import { Term } from "../kit/term";
import { ShelfList } from "./shelf-list";
import { ShelfReading } from "./shelf-reading";
import { shelfRows, type ShelfRow } from "./shelf-rows";
import { keepQuery } from "../workspace/address";
import { shelfQuery, useShelfFilter } from "./use-shelf-filter";
import { useSwitchMods } from "./use-switch-mods";
import { useDropMods } from "./use-drop-mods";
import { useGo } from "../workspace/use-go";

/** Everything on the shelf, in use or not, with what each brings. */
export function ShelfScreen() {
  const roster = useEditor((state) => state.roster);
  const findings = useEditor((state) => state.findings);
  const usage = useUsage();
  const { filter, sort, wanted, setFilter, setSort } = useShelfFilter();
  const columns = useMemo(() => columnsFor(roster.game), [roster.game]);
  const standard = useMemo(() => shownAtFirst(columns), [columns]);
  const [layout, setLayout] = useGridLayout("shelf-columns", columns, standard);
  const [chosen, setChosen] = useState(nothingSelected);
  const inspecting = useInspecting();
  const [act, setAct] = useState<BulkAct | null>(null);
  const { losses, drop } = useDropMods();
  const { shelfReading } = useWorkspace();
  const choose = useCallback(
    (chosen: BulkAct) => {
      const isAsked = chosen.id !== "drop" || binQuestion.get() === "always" || losses(chosen.rows).size > 0;
      if (isAsked) setAct(chosen);
      else void drop(chosen.rows);
    },
    [losses, drop],
  );
  const all = useMemo(() => shelfRows(roster, usage, findings), [roster, usage, findings]);
  // What is typed shows at once; the rows follow as fast as they can.
  const followed = useDeferredValue(filter);
  const narrowed = useMemo(() => narrowShelf(all, followed), [all, followed]);
  const { shown } = narrowed;
  const asked = all.find(({ id }) => id === wanted);
  const selection = chosen.active === null && asked ? selectOne(asked.key) : chosen;
  const inspected = all.find(({ key }) => key === selection.active) ?? null;
  const query = shelfQuery({ filter, sort }, inspected?.id ?? null);
  useEffect(() => keepQuery("/shelf", query));
  const selected = useMemo(() => {
    const chosenKeys = new Set(selection.selected);
    return shown.filter(({ key }) => chosenKeys.has(key));
  }, [shown, selection.selected]);
  const switchRow = useSwitchMods();
  const showInPlan = useShowInPlan();
  const commands = useMemo(() => [showInPlan, ...bulkCommands(choose)], [showInPlan, choose]);
  useScopedCommands(say("shelf.withWhatIsSelectedOnThe"), commands, selected);
  return (
    <div className="flex h-full flex-col">
      <header className="border-line flex min-h-11 shrink-0 flex-wrap items-center gap-y-1 py-1 gap-3 border-b px-3">
        <h1 className="text-lg font-bold">
          <Term word="shelf">{say("common.shelf")}</Term>
        </h1>
        <input
          type="search"
          value={filter.text}
          onChange={(event) => setFilter({ text: event.target.value })}
          placeholder={say("shelf.searchNameAuthorTagPluginOr")}
          aria-label={say("shelf.filterTheShelf")}
          className={`${inputLook} max-w-72 ${filter.text ? "!border-saffron !bg-saffron-soft" : ""}`}
        />
        <span className="text-ink2 font-mono text-sm" role="status">
          {say("common.ofShown", { count: shown.length, count2: all.length })}
        </span>
        <div className="ml-auto flex flex-wrap items-center gap-2">
          <ShelfBin />
          <ColumnChoice columns={columns} layout={layout} standard={standard} onLayout={setLayout} />
          <ShelfReading />
          <AddMods />
          <InspectorButton inspecting={inspecting} />
        </div>
      </header>
      <SameByNameBar />
      <ShelfFilterBar
        narrowed={narrowed}
        filter={filter}
        onFilter={setFilter}
        bulk={
          selected.length > 1 ? (
            <Bulk rows={selected} what="selected" onAct={choose} />
          ) : isNarrow(followed) ? (
            <Bulk rows={shown} what="shown" onAct={choose} />
          ) : null
        }
      />
      <WithInspector
        inspecting={inspecting}
        inspector={
          <Floor what={say("common.theInspector")}>
            <ModInspector row={inspected} selected={selected} onSwitch={switchRow} />
          </Floor>
        }
      >
        <Floor what={say("common.theList")}>
          {all.length === 0 ? (
            <Empty purpose={rich("shelf.nothingOnTheShelfYet", { folder: <Folders /> })}>
              <Button look="main" disabled={shelfReading.busy} onClick={() => void shelfReading.read()}>
                {say("frame.scanTheShelfForChanges")}
              </Button>
              <Button onClick={() => chooseMods("archives")}>{say("frame.addModsToTheShelf")}</Button>
            </Empty>
          ) : (
            <ShelfList
              rows={shown}
              columns={columns}
              layout={layout}
              onLayout={setLayout}
              sort={sort}
              onSort={setSort}
              selection={selection}
              onSelection={setChosen}
              onSwitch={switchRow}
              commands={commands}
            />
          )}
        </Floor>
      </WithInspector>
      <BulkDialogs act={act} onClose={() => setAct(null)} />
    </div>
  );
}

/** Looks at mods of the profile where they stand in the order. */
function useShowInPlan(): GridCommand<ShelfRow> {
  const { editor } = useWorkspace();
  const go = useGo();
  return useMemo(
    () => ({
      id: "show-in-plan",
      title: () => say("shelf.showInThePlan"),
      isPossible: (rows) => rows.some(({ seated }) => seated !== null),
      run: (rows) => {
        const ids = rows.flatMap(({ seated }) => (seated ? [seated.id] : []));
        editor.select(ids, ids[0]!, "mods");
        go("/plan");
      },
    }),
    [editor, go],
  );
}

function Folders() {
  const { shelves } = useEditor((state) => state.view.folders);
  return <span className="font-mono text-sm break-all">{shelves.join(", ")}</span>;
}
