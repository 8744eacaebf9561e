"use client";

import { ListFilter, PanelRight, Rows3 } from "lucide-react";
import Link from "next/link";
import { useCallback, useDeferredValue, useMemo, useState } from "react";
import { filterPlugins, narrows, noFilter, type PlanSort } from "@/core/profile/plan-filter";
import { Button } from "../kit/button";
import { MoveToDialog } from "./move-to-dialog";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { FilterBar } from "./filter-bar";
import { Inspector } from "./inspector";
import { PlanList } from "./plan-list";
import { ProposeButton } from "./propose-button";
import { planRows } from "./plan-rows";
import { ProposalPanel } from "./proposal-panel";
import { RememberBar } from "./remember-bar";
import { SectionsDialog } from "./sections-dialog";
import { useCarry } from "./use-carry";

/** The plugins in order, or a proposal beside it. */
export function PlanScreen() {
  const { proposed } = useWorkspace();
  return proposed ? <ProposalPanel {...proposed} /> : <PlanView />;
}

function PlanView() {
  const roster = useEditor((state) => state.roster);
  const findings = useEditor((state) => state.findings);
  const [inspecting, setInspecting] = useState(true);
  const [filtering, setFiltering] = useState(false);
  const [sectioning, setSectioning] = useState(false);
  const [moving, setMoving] = useState(false);
  const [filter, setFilter] = useState(noFilter);
  const [sortBy, setSortBy] = useState<PlanSort | null>(null);
  const [collapsed, setCollapsed] = useState<ReadonlySet<string>>(new Set());
  const wanted = useDeferredValue(filter);
  const shown = useMemo(
    () => (narrows(wanted) ? filterPlugins(roster, findings, wanted) : null),
    [roster, findings, wanted],
  );
  const rows = useMemo(
    () => planRows(roster, { shown, collapsed, sortBy }),
    [roster, shown, collapsed, sortBy],
  );
  const carrying = useCarry(rows);
  const loading = roster.plugins.filter((plugin) => plugin.loads).length;
  const fold = useCallback(
    (section: string) =>
      setCollapsed(
        (now) => new Set(now.has(section) ? [...now].filter((id) => id !== section) : [...now, section]),
      ),
    [],
  );
  return (
    <div className="flex h-full flex-col">
      <header className="border-line flex h-11 shrink-0 items-center gap-3 border-b px-3">
        <h1 className="text-lg font-bold">Plan</h1>
        <span className="text-ink2 min-w-0 truncate">
          <b className="text-ink font-mono">{loading}</b> of{" "}
          <span className="font-mono">{roster.plugins.length}</span> plugins load, top to bottom; what loads
          later wins
        </span>
        <div className="ml-auto flex gap-2">
          <Button look="quiet" onClick={() => setSectioning(true)}>
            <Rows3 size={16} aria-hidden /> Sections
          </Button>
          <Button look="quiet" aria-pressed={filtering} onClick={() => setFiltering(!filtering)}>
            <ListFilter size={16} aria-hidden /> Filter
          </Button>
          <ProposeButton />
          <Button
            look="quiet"
            aria-pressed={inspecting}
            aria-label="Inspector"
            title={inspecting ? "Hide the inspector" : "Show the inspector"}
            onClick={() => setInspecting(!inspecting)}
            className="w-8 !px-0"
          >
            <PanelRight size={16} aria-hidden />
          </Button>
        </div>
      </header>
      {(filtering || shown || sortBy) && (
        <FilterBar
          filter={filter}
          onFilter={setFilter}
          sortBy={sortBy}
          onSort={setSortBy}
          shown={shown}
          total={roster.plugins.length}
        />
      )}
      <div className="flex min-h-0 grow">
        <div className="relative flex min-w-0 grow flex-col">
          {roster.mods.length === 0 && <EmptyHint />}
          <div className="min-h-0 grow">
            <PlanList rows={rows} carrying={carrying} onFold={fold} />
          </div>
          <RememberBar />
        </div>
        {inspecting && <Inspector onMoveTo={() => setMoving(true)} />}
      </div>
      <SectionsDialog open={sectioning} onClose={() => setSectioning(false)} />
      <MoveToDialog open={moving} onClose={() => setMoving(false)} />
    </div>
  );
}

function EmptyHint() {
  return (
    <p className="border-line bg-sunk text-ink2 border-b px-4 py-2">
      No mod is in this profile yet. Switch mods on in the{" "}
      <Link className="text-pine font-semibold underline" href="/shelf">
        Shelf
      </Link>
      , or make a profile from a lineup.
    </p>
  );
}
