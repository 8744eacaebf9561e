"use client";

import { useMemo, useState } from "react";
import type { Drift, Stranger } from "@/core/layout/drift";
import { say } from "@/core/language/say";
import { Button } from "../kit/button";
import { Empty } from "../kit/empty";
import { formatSize } from "../kit/format-size";
import type { GridColumn } from "../kit/grid/columns";
import type { GridCommand } from "../kit/grid/commands";
import { ListGrid } from "../workspace/list-grid";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { GatherDialog } from "./gather-dialog";
import { useFolder } from "./use-folder";
import { useModTitles } from "../workspace/use-mod-titles";

/** A file that somebody has touched. */
interface Touched {
  readonly path: string;
  readonly mod: string;
  readonly how: "changed" | "gone";
}

const keyOf = ({ path }: { readonly path: string }): string => path;

const pathColumn = <Row extends { readonly path: string }>(): GridColumn<Row> => ({
  id: "path",
  label: say("layout.path"),
  width: 0,
  isFixed: true,
  isMain: true,
  isMono: true,
  text: ({ path }) => path,
});

/** What somebody has changed or deleted of what Seating laid out. */
export function TouchedSheet({ drift }: { drift: Drift }) {
  const { orderFile } = useWorkspace();
  const titleOf = useModTitles();
  const isMerged = useEditor(({ view }) => view.game.placement?.kind === "merged");
  const { accept, gather } = useFolder();
  const [gathering, setGathering] = useState<readonly string[] | null>(null);
  const rows = useMemo(
    (): Touched[] => [
      ...drift.changed.map((each) => ({ ...each, how: "changed" as const })),
      ...drift.gone.map((each) => ({ ...each, how: "gone" as const })),
    ],
    [drift],
  );
  const columns = useMemo((): GridColumn<Touched>[] => {
    return [
      pathColumn(),
      { id: "mod", label: say("common.mod"), width: 200, text: ({ mod }) => titleOf(mod) },
      { id: "how", label: say("layout.how"), width: 110, text: ({ how }) => say(`layout.hows.${how}`) },
    ];
  }, [titleOf]);
  const commands = useMemo((): GridCommand<Touched>[] => {
    const changedOf = (of: readonly Touched[]) =>
      of.flatMap(({ path, how }) => (how === "changed" ? path : []));
    const isPossible = (of: readonly Touched[]) => changedOf(of).length > 0;
    return [
      {
        id: "accept",
        title: (of) => say("layout.acceptThem", { count: changedOf(of).length }),
        keys: ["a"],
        isPossible,
        run: (of) => void accept(changedOf(of), false),
      },
      {
        id: "gather",
        title: (of) => say("layout.gatherThem", { count: changedOf(of).length }),
        keys: ["g"],
        isPossible: (of) => isMerged && isPossible(of),
        run: (of) => setGathering(changedOf(of)),
      },
    ];
  }, [accept, isMerged]);
  if (rows.length === 0) return <Empty purpose={say("layout.empty.touched")} />;
  return (
    <>
      <p className="text-ink2 px-3 pt-3">{say("layout.touchedHint")}</p>
      <div className="flex flex-wrap items-center gap-2 p-3">
        <Button disabled={orderFile.isBusy} onClick={() => void orderFile.write({ putAgain: true })}>
          {say("layout.putAllAgain")}
        </Button>
        {drift.changed.length > 0 && (
          <Button onClick={() => void accept(drift.changed.map(keyOf), false)}>
            {say("layout.acceptAll")}
          </Button>
        )}
        {drift.changed.length > 0 && isMerged && (
          <Button onClick={() => setGathering(drift.changed.map(keyOf))}>{say("layout.gatherDots")}</Button>
        )}
      </div>
      <ListGrid
        kind="layout-touched"
        label={say("layout.sheet.touched", { count: rows.length })}
        rows={rows}
        keyOf={keyOf}
        columns={columns}
        commands={commands}
        className="min-h-0 grow"
      />
      <GatherDialog paths={gathering} onClose={() => setGathering(null)} gather={gather} />
    </>
  );
}

/** What lies where mods lie, and is neither Seating's nor known for the game's. */
export function StrangersSheet({ drift, isBare }: { drift: Drift; isBare: boolean }) {
  const isMerged = useEditor(({ view }) => view.game.placement?.kind === "merged");
  const { accept, setAside, gather } = useFolder();
  const [gathering, setGathering] = useState<readonly string[] | null>(null);
  const { added } = drift;
  const columns = useMemo(
    (): GridColumn<Stranger>[] => [
      pathColumn(),
      {
        id: "size",
        label: say("common.size"),
        width: 110,
        isFigure: true,
        text: ({ size }) => formatSize(size),
        sortBy: ({ size }) => size,
      },
    ],
    [],
  );
  const commands = useMemo(
    (): GridCommand<Stranger>[] => [
      {
        id: "set-aside",
        title: (of) => say("layout.setThemAside", { count: of.length }),
        keys: ["s"],
        run: (of) => void setAside(of.map(keyOf)),
      },
      {
        id: "accept",
        title: (of) => say("layout.theyAreTheGames", { count: of.length }),
        keys: ["a"],
        run: (of) => void accept(of.map(keyOf), false),
      },
      {
        id: "gather",
        title: (of) => say("layout.gatherThem", { count: of.length }),
        keys: ["g"],
        run: (of) => setGathering(of.map(keyOf)),
      },
    ],
    [accept, setAside],
  );
  if (added.length === 0) return <Empty purpose={say("layout.empty.strangers")} />;
  return (
    <>
      <p className="text-ink2 px-3 pt-3">{say("layout.strangersHint")}</p>
      <div className="flex flex-wrap items-center gap-2 p-3">
        <Button onClick={() => void setAside(added.map(keyOf))}>{say("layout.setAllAside")}</Button>
        <Button onClick={() => void accept(added.map(keyOf), isBare)}>
          {say(isBare ? "layout.bareGame" : "layout.allAreTheGames")}
        </Button>
        {isMerged && (
          <Button onClick={() => setGathering(added.map(keyOf))}>{say("layout.gatherDots")}</Button>
        )}
      </div>
      <ListGrid
        kind="layout-strangers"
        label={say("layout.sheet.strangers", { count: added.length })}
        rows={added}
        keyOf={keyOf}
        columns={columns}
        commands={commands}
        className="min-h-0 grow"
      />
      <GatherDialog paths={gathering} onClose={() => setGathering(null)} gather={gather} />
    </>
  );
}
