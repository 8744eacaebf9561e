"use client";

import { facetWord } from "@/core/messages/facets";
import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { ListFilter, Rows3 } from "lucide-react";
import { useSearchParams } from "next/navigation";
import { ToggleGroup } from "radix-ui";
import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import { mainList } from "@/core/model/game";
import type { ListName } from "@/core/model/profile";
import { findItem } from "@/core/roster/roster";
import { filterItems, narrows, noFilter } from "@/core/roster/plan-filter";
import { Explained, Term } from "../kit/term";
import { Button } from "../kit/button";
import { ColumnChoice } from "../kit/grid/column-choice";
import { useTextScale } from "../kit/text-scale";
import { useWidth } from "../kit/use-width";
import { InspectorButton, useInspecting, WithInspector } from "../kit/panes/inspector";
import { MoveToDialog } from "./move-to-dialog";
import { Later, useEditor, useWorkspace } from "../workspace/workspace.client";
import { keepQuery, queryAtBegin } from "../workspace/address";
import { FilterBar } from "./filter-bar";
import { planFromQuery, planToQuery, type PlanAddress } from "./plan-address";
import { Inspector } from "./inspector";
import { LookMenu } from "./look-menu";
import { useLook } from "./use-look";
import { Empty } from "../kit/empty";
import { Floor } from "../kit/floor";
import { PlanList } from "./plan-list";
import { ProposeButton } from "./propose-button";
import { planShownAtFirst } from "./plan-columns";
import { planRows } from "./plan-rows";
import { ProposalPanel } from "./proposal-panel";
import { RememberBar } from "./remember-bar";
import { SheetDialog } from "./sheet-dialog";
import { SectionsDialog } from "./sections-dialog";
import { useCarry } from "./use-carry";
import { usePlanCommands } from "./use-plan-commands";
import { usePlanGrid } from "./use-plan-grid";
import { useScopedCommands } from "../workspace/scoped-commands";
import { TextLink } from "../workspace/view-link";

/** The plugins in order, or a proposal beside it. */
export function PlanScreen() {
  const { proposed } = useWorkspace();
  return proposed ? <ProposalPanel {...proposed} /> : <PlanView />;
}

function PlanView() {
  const { editor, tell } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const lens = useEditor((state) => state.lens);
  const list = roster.lists[lens];
  const findings = useEditor((state) => state.findings);
  const inspecting = useInspecting();
  const [filtering, setFiltering] = useState(false);
  const [sectioning, setSectioning] = useState(false);
  const [moving, setMoving] = useState(false);
  const [numbering, setNumbering] = useState(false);
  const begin = usePlanBegin();
  const [filter, setFilter] = useState(begin.filter);
  const ground = useRef<HTMLDivElement>(null);
  const grid = usePlanGrid(useWidth(ground, 800), begin.sort);
  const [look, setLook] = useLook();
  const [collapsed, setCollapsed] = useState<ReadonlySet<string>>(() => new Set(begin.folded));
  const wanted = useDeferredValue(filter);
  const focused = useEditor((state) => state.focused);
  const query = planToQuery({
    list: lens === mainList(roster.game) ? null : lens,
    item: focused,
    folded: [...collapsed],
    sort: grid.sort,
    filter,
  }).toString();
  useEffect(() => keepQuery("/plan", query));
  const shown = useMemo(
    () => (narrows(wanted) ? filterItems(roster, list, findings, wanted) : null),
    [roster, list, findings, wanted],
  );
  const textScale = useTextScale();
  const rows = useMemo(
    () => planRows(list, { shown, collapsed, sorted: grid.sorted, textScale, ...look }),
    [list, shown, collapsed, grid.sorted, textScale, look],
  );
  const turn = (to: ListName) => {
    // What narrows the one list need not exist in the other.
    setFilter(noFilter);
    grid.onSort("");
    editor.lookAt(to);
  };
  const narrowing = useRef({ rows, list, isFiltered: false });
  useEffect(() => void (narrowing.current = { rows, list, isFiltered: shown !== null }));
  const carrying = useCarry(rows);
  const loading = list.items.filter((item) => item.loads).length;
  const openMoveTo = useCallback(() => setMoving(true), []);
  const planCommands = usePlanCommands(openMoveTo, grid);
  const selected = useEditor((state) => state.selected);
  const selectedItems = useMemo(() => selected.flatMap((id) => list.itemOf.get(id) ?? []), [selected, list]);
  useScopedCommands(say("plan.withWhatIsSelectedInThe"), planCommands, selectedItems);
  const asLeft = useRef(begin.item);
  useEffect(() => {
    const { focused } = editor.getState();
    const latest = narrowing.current;
    // What was selected when the plan was left may be hidden as it was then.
    const isAsLeft = focused === asLeft.current;
    asLeft.current = null;
    if (isAsLeft) return;
    const hidden =
      focused === null || latest.rows.rowOf.has(focused) ? null : latest.list.itemOf.get(focused);
    if (!hidden) return;
    // What is being looked for shows, whatever hid it.
    if (latest.isFiltered) {
      setFilter(noFilter);
      tell([say("plan.theFilterWasLiftedItHid"), { item: hidden.id }, "."]);
    }
    setCollapsed((now) => new Set([...now].filter((id) => id !== hidden.entry.section)));
    // Only where something is selected anew: a filter that is set later may hide it.
  }, [selected, editor, tell]);
  const fold = useCallback(
    (section: string) =>
      setCollapsed(
        (now) => new Set(now.has(section) ? [...now].filter((id) => id !== section) : [...now, section]),
      ),
    [],
  );
  return (
    <div className="flex h-full flex-col">
      <header className="border-line flex min-h-11 shrink-0 flex-wrap items-center gap-y-1 py-1 gap-3 border-b px-3">
        <h1 className="text-lg font-bold">
          <Term word="plan">{say("common.plan")}</Term>
        </h1>
        {roster.game.lists.length > 1 && (
          <Explained word="lens">
            <span className="flex shrink-0">
              <Lens lens={lens} onTurn={turn} />
            </span>
          </Explained>
        )}
        <span className="text-ink2 min-w-0 truncate">
          {rich("common.of", { name: <b className="text-ink font-mono">{loading}</b> })}
          <span className="font-mono">{list.items.length}</span> {lensWords[lens]}
        </span>
        <div className="ml-auto flex flex-wrap items-center gap-2">
          <ColumnChoice
            columns={grid.columns}
            layout={grid.layout}
            standard={planShownAtFirst[lens]}
            onLayout={grid.onLayout}
          />
          <LookMenu look={look} onLook={setLook} onNumbers={() => setNumbering(true)} />
          <Explained word="section">
            <Button look="quiet" onClick={() => setSectioning(true)}>
              {rich("plan.sections", { rows3: <Rows3 size={16} aria-hidden /> })}
            </Button>
          </Explained>
          <Button look="quiet" aria-pressed={filtering} onClick={() => setFiltering(!filtering)}>
            {rich("plan.filter", { listFilter: <ListFilter size={16} aria-hidden /> })}
          </Button>
          <ProposeButton />
          <InspectorButton inspecting={inspecting} />
        </div>
      </header>
      {(filtering || shown || grid.sortedBy) && (
        <FilterBar
          isAsked={filtering}
          filter={filter}
          onFilter={setFilter}
          sortedBy={grid.sortedBy}
          onUnsort={() => grid.onSort("")}
          shown={shown}
          total={list.items.length}
        />
      )}
      <WithInspector
        inspecting={inspecting}
        inspector={
          <Later>
            <Floor what={say("common.theInspector")}>
              <Inspector onMoveTo={openMoveTo} />
            </Floor>
          </Later>
        }
      >
        <div ref={ground} className="relative flex min-h-0 min-w-0 grow flex-col">
          {roster.mods.length === 0 && <EmptyHint />}
          <div className="min-h-0 grow">
            <Floor what={say("common.theList")}>
              <PlanList rows={rows} carrying={carrying} grid={grid} commands={planCommands} onFold={fold} />
            </Floor>
          </div>
          <RememberBar />
        </div>
      </WithInspector>
      <SheetDialog open={numbering} onClose={() => setNumbering(false)} />
      <SectionsDialog open={sectioning} onClose={() => setSectioning(false)} />
      <MoveToDialog open={moving} onClose={() => setMoving(false)} />
    </div>
  );
}

const lensWords: Record<ListName, string> = {
  get plugins() {
    return say("plan.loadTopToBottomWhatLoads");
  },
  get mods() {
    return say("plan.areOnTopToBottomWhat");
  },
};

/** As the address says, or as it was left; what the address names is selected. */
function usePlanBegin(): PlanAddress {
  const { editor } = useWorkspace();
  const params = useSearchParams();
  const [{ address, isAsked }] = useState(() => {
    const { query, isAsked } = queryAtBegin("/plan", params);
    return { address: planFromQuery(query), isAsked };
  });
  useEffect(() => {
    const { list, item } = address;
    const { roster, lens } = editor.getState();
    if (!isAsked) return;
    const found = item === null ? undefined : findItem(roster, item);
    const wanted = list ?? found?.list ?? lens;
    if (roster.game.lists.includes(wanted)) editor.lookAt(wanted);
    if (found && found.list === wanted) editor.select([found.id], found.id, wanted);
  }, [editor, address, isAsked]);
  return address;
}

/** Which of the two orders is looked at; the selection goes along. */
function Lens({ lens, onTurn }: { lens: ListName; onTurn: (lens: ListName) => void }) {
  return (
    <ToggleGroup.Root
      type="single"
      value={lens}
      onValueChange={(value) => value && onTurn(value as ListName)}
      aria-label={say("plan.whichOrder")}
      className="border-line flex shrink-0 rounded-md border p-0.5"
    >
      {(["plugins", "mods"] as const).map((name) => (
        <ToggleGroup.Item
          key={name}
          value={name}
          className="text-ink2 data-[state=on]:bg-pine-soft data-[state=on]:text-ink forced-colors:data-[state=on]:outline-1 h-6 rounded px-2.5 font-semibold capitalize"
        >
          {facetWord(name, "many")}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}

function EmptyHint() {
  return (
    <Empty purpose={say("plan.noModIsInThisProfile")}>
      <TextLink href="/shelf">{say("plan.chooseModsOnTheShelf")}</TextLink>
      <TextLink href="/lineups?part=in">{say("frame.importAList")}</TextLink>
    </Empty>
  );
}
