"use client";

import { say } from "@/core/language/say";
import { useDeferredValue, useMemo, useState } from "react";
import { Empty } from "../kit/empty";
import { chooseMods } from "../incoming/choose-mods";
import { rich } from "../kit/rich";
import { Term } from "../kit/term";
import { Button } from "../kit/button";
import { NarrowBy } from "../kit/narrow-by";
import { inputLook } from "../kit/field";
import { ColumnChoice } from "../kit/grid/column-choice";
import type { GridCommand } from "../kit/grid/commands";
import { nothingSelected, selectOne } from "../kit/grid/selection";
import { InspectorButton, useInspecting, WithInspector } from "../kit/panes/inspector";
import { useScopedCommands } from "../workspace/scoped-commands";
import { useGridLayout } from "../workspace/use-grid-layout";
import { useEditor } from "../workspace/workspace.client";
import { depotColumns, DepotList, shownAtFirst } from "./depot-list";
import { DepotPage } from "./depot-page";
import { GetFiles } from "./get-missing";
import { depotRows, kindsOf, standingWords, type DepotRow } from "./depot-rows";
import { useDepot } from "./depot.client";

/** What the depot offers: looked through, read about, got. */
export function DepotScreen() {
  const { mods, state, act, get } = useDepot();
  const shelf = useEditor((now) => now.view.stock.shelf);
  const game = useEditor((now) => now.view.game);
  const [text, setText] = useState("");
  const [kind, setKind] = useState<string | null>(null);
  const [standing, setStanding] = useState<string | null>(null);
  const [chosen, setChosen] = useState(nothingSelected);
  const inspecting = useInspecting();
  const wanted = useDeferredValue(text.trim().toLowerCase());
  const rows = useMemo(() => depotRows(mods ?? [], shelf), [mods, shelf]);
  const columns = useMemo(() => depotColumns(game), [game]);
  const standard = useMemo(() => shownAtFirst(columns), [columns]);
  const [layout, setLayout] = useGridLayout("depot-columns", columns, standard);
  const kinds = useMemo(() => kindsOf(rows), [rows]);
  const shown = useMemo(
    () =>
      rows.filter(
        (row) =>
          searchable(row).includes(wanted) &&
          (kind === null || row.newest.mod.tags.includes(kind)) &&
          (standing === null || row.standing === standing),
      ),
    [rows, wanted, kind, standing],
  );
  const row = rows.find(({ id }) => id === chosen.active) ?? null;
  const commands = useMemo(
    (): readonly GridCommand<DepotRow>[] => [
      {
        id: "get",
        title: (some) =>
          some.length === 1 ? say("depot.getIt") : say("depot.get2", { count: some.filter(canGet).length }),
        isPossible: (some) => some.some(canGet),
        run: (some) => void get(some.filter(canGet).map(({ newest }) => newest.mod.path)),
      },
    ],
    [get],
  );
  const selected = useMemo(() => {
    const keys = new Set(chosen.selected);
    return shown.filter(({ id }) => keys.has(id));
  }, [shown, chosen.selected]);
  useScopedCommands(say("depot.withWhatIsSelectedInThe"), commands, selected);
  const updates = rows.filter((each) => each.standing === "newer" && !each.newest.terms);
  return (
    <div className="flex h-full flex-col">
      <header className="border-line flex min-h-11 shrink-0 flex-wrap items-center gap-y-1 py-1 gap-2 border-b px-3">
        <h1 className="text-lg font-bold">
          <Term word="depot">{say("common.depot")}</Term>
        </h1>
        <input
          type="search"
          value={text}
          onChange={(event) => setText(event.target.value)}
          placeholder={say("depot.searchNameAuthorWords")}
          aria-label={say("depot.searchTheDepot")}
          className={`${inputLook} ml-2 max-w-64`}
        />
        <NarrowBy
          label={say("common.kind")}
          value={kind}
          options={kinds.map(([each, count]) => ({ value: each, words: `${each} (${count})` }))}
          onChoose={setKind}
        />
        <NarrowBy
          label={say("depot.hereOrNot")}
          value={standing}
          options={Object.entries(standingWords).map(([each, words]) => ({
            value: each,
            words: `${words} (${rows.filter((one) => one.standing === each).length})`,
          }))}
          onChoose={setStanding}
        />
        <span className="text-ink2 font-mono text-sm" role="status">
          {say("common.ofShown", { count: shown.length, count2: rows.length })}
        </span>
        <span className="ml-auto flex flex-wrap items-center gap-2">
          <ColumnChoice columns={columns} layout={layout} standard={standard} onLayout={setLayout} />
          {updates.length > 0 && (
            <GetFiles files={updates.map(({ newest }) => newest)}>
              {say("depot.getNewerVersions", { count: updates.length })}
            </GetFiles>
          )}
          {state && (
            <Button
              look={state.signedIn ? "quiet" : "plain"}
              onClick={() => void act(state.signedIn ? "sign-out" : "sign-in")}
            >
              {state.signedIn ? say("depot.signedInSignOut") : say("depot.signIn")}
            </Button>
          )}
          <InspectorButton inspecting={inspecting} />
        </span>
      </header>
      {mods?.length === 0 ? (
        <Empty
          purpose={rich("depot.noDepotOffersAnythingForThis", {
            code: <code className="font-mono text-sm">npm run demo</code>,
          })}
        >
          <Button onClick={() => chooseMods("archives")}>{say("frame.addModsToTheShelf")}</Button>
        </Empty>
      ) : (
        <WithInspector
          inspecting={inspecting}
          label={say("common.page")}
          inspector={
            <div tabIndex={0} className="min-h-0 grow overflow-auto p-3.5">
              {row ? (
                <DepotPage row={row} rows={rows} onChoose={(id) => setChosen(selectOne(id))} />
              ) : (
                <p className="text-ink2">{say("depot.selectAModToReadIts")}</p>
              )}
            </div>
          }
        >
          <DepotList
            rows={shown}
            columns={columns}
            layout={layout}
            onLayout={setLayout}
            selection={chosen}
            onSelection={setChosen}
            commands={commands}
            empty={mods ? say("depot.nothingInTheDepotFits") : say("depot.readingWhatTheDepotOffers")}
          />
        </WithInspector>
      )}
    </div>
  );
}

const searchable = ({ newest: { mod, about } }: DepotRow): string =>
  `${mod.name} ${mod.author ?? ""} ${mod.tags.join(" ")} ${about}`.toLowerCase();

/** The newest version, unless it is here or has to be got by hand. */
const canGet = ({ newest, standing }: DepotRow): boolean => standing !== "here" && !newest.terms;
