"use client";

import { useSearchParams } from "next/navigation";
import { Tabs } from "radix-ui";
import { useCallback, useEffect, useState } from "react";
import type { Drift } from "@/core/layout/drift";
import type { LayoutPreview } from "@/core/layout/preview";
import { say } from "@/core/language/say";
import { sayRefusal } from "@/core/messages/refusals";
import type { LaidSummary } from "@/core/model/ledger";
import type { Outcome } from "@/core/model/outcome";
import { Button } from "../kit/button";
import { Empty } from "../kit/empty";
import { formatSize } from "../kit/format-size";
import { LevelMark } from "../kit/level";
import { moment } from "../kit/moment";
import { InspectorButton, useInspecting, WithInspector } from "../kit/panes/inspector";
import { Part } from "../kit/part";
import { Say } from "../kit/sentence";
import { Term } from "../kit/term";
import { useStanding } from "../order-file/standing";
import { keepQuery, queryAtBegin } from "../workspace/address";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { StrangersSheet, TouchedSheet } from "./drift-sheets";
import { Laying } from "./laying";
import { sheetFromQuery, sheets, sheetToQuery, type Sheet } from "./layout-address";
import { DatesByOrder } from "./dates-by-order";
import { ModsGrid } from "./mods-grid";
import { TakeBackDialog } from "./take-back-dialog";
import { usePreview } from "./use-preview";

/** What of the profile lies in the game's folder, what laying it out would change there, and the keys that do it and take all back. */
export function LayoutScreen() {
  const game = useEditor((state) => state.view.game);
  const lays = useEditor(({ onDisk }) => onDisk.laid !== undefined);
  if (lays) return <Layout />;
  return (
    <>
      <h1 className="border-line flex min-h-11 items-center border-b px-3 text-lg font-bold">
        {say("layout.title")}
      </h1>
      <Empty purpose={say("layout.byList", { game: game.name })} />
    </>
  );
}

function Layout() {
  const { orderFile } = useWorkspace();
  const { standing } = useStanding();
  const laid = useEditor(({ onDisk }) => onDisk.laid);
  const drift = useEditor(({ onDisk }) => onDisk.drift);
  const preview = usePreview();
  const inspecting = useInspecting();
  const params = useSearchParams();
  const [sheet, setSheet] = useState(() => sheetFromQuery(queryAtBegin("/layout", params).query));
  useEffect(() => keepQuery("/layout", sheetToQuery(sheet).toString()));
  const [isTakingBack, takeBack] = useState(false);
  const isThere = Boolean(laid) || (preview?.ok === true && preview.value.removed > 0);
  const hasDue = preview?.ok === true && (standing !== "current" || hasActs(preview.value));
  return (
    <Tabs.Root
      value={sheet}
      onValueChange={(next) => setSheet(next as Sheet)}
      className="flex h-full flex-col"
    >
      <header className="border-line flex min-h-11 shrink-0 flex-wrap items-center gap-x-3 gap-y-1 border-b px-3 py-1">
        <h1 className="text-lg font-bold">
          <Term word="lay-out">{say("layout.title")}</Term>
        </h1>
        <Tabs.List aria-label={say("layout.show")} className="flex flex-wrap gap-1">
          {sheets.map((each) => (
            <Tabs.Trigger
              key={each}
              value={each}
              className="text-ink2 hover:bg-sunk aria-selected:bg-pine-soft aria-selected:text-pine flex h-7 items-center rounded-md px-2.5 font-semibold"
            >
              {say(`layout.sheet.${each}`, { count: countOf(each, preview, drift) })}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <div className="ml-auto flex flex-wrap justify-end gap-2">
          <Button look="quiet" disabled={!isThere || orderFile.isBusy} onClick={() => takeBack(true)}>
            {say("layout.takeAllBackDots")}
          </Button>
          <Button look="main" disabled={!hasDue || orderFile.isBusy} onClick={() => void orderFile.write()}>
            {say("layout.layOut")}
          </Button>
          <InspectorButton inspecting={inspecting} />
        </div>
      </header>
      <Lying laid={laid ?? null} isThere={isThere} />
      {preview?.ok === false && (
        <p role="alert" className="bg-brick-soft flex items-baseline gap-2 px-3 py-2">
          <LevelMark level="blocker" />
          <span className="min-w-0">
            <Say parts={sayRefusal(preview.refusal)} />
          </span>
        </p>
      )}
      <WithInspector
        inspecting={inspecting}
        inspector={
          <div tabIndex={0} className="min-h-0 grow space-y-4 overflow-auto p-3.5">
            {preview?.ok && <Paths preview={preview.value} />}
          </div>
        }
      >
        <Tabs.Content value={sheet} tabIndex={-1} className="flex min-h-0 min-w-0 grow flex-col">
          {sheet === "mods" && <Mods preview={preview} />}
          {sheet !== "mods" && !drift && <p className="text-ink2 p-4">{say("layout.looking")}</p>}
          {sheet === "touched" && drift && <TouchedSheet drift={drift} />}
          {sheet === "strangers" && drift && <StrangersSheet drift={drift} isBare={!isThere} />}
        </Tabs.Content>
      </WithInspector>
      <TakeBackDialog open={isTakingBack} onClose={() => takeBack(false)} />
    </Tabs.Root>
  );
}

/** Below nought before it is known. */
function countOf(sheet: Sheet, preview: Outcome<LayoutPreview> | null, drift: Drift | undefined): number {
  if (sheet === "mods") return preview?.ok ? preview.value.mods.length : -1;
  if (!drift) return -1;
  return sheet === "touched" ? drift.changed.length + drift.gone.length : drift.added.length;
}

function Mods({ preview }: { preview: Outcome<LayoutPreview> | null }) {
  const [at, setAt] = useState<string | null>(null);
  const look = useCallback((key: string) => setAt(key), []);
  if (!preview) return <p className="text-ink2 p-4">{say("layout.looking")}</p>;
  if (!preview.ok) return null;
  return (
    <>
      <Summary preview={preview.value} />
      {preview.value.mods.length > 0 && <ModsGrid rows={preview.value.mods} at={at} onLook={look} />}
    </>
  );
}

/** What lies there now. */
function Lying({ laid, isThere }: { laid: LaidSummary | null; isThere: boolean }) {
  const folder = useEditor(({ view }) => view.folders.game);
  const bareAt = useEditor(({ onDisk }) => onDisk.drift?.bareAt);
  return (
    <div className="text-ink2 border-line flex flex-wrap items-center gap-x-4 border-b px-3 py-1.5">
      <p className="min-w-0">
        {laid
          ? say("layout.lies", {
              count: laid.files,
              size: formatSize(laid.bytes),
              folder,
              when: moment(laid.at),
            })
          : say(isThere ? "layout.liesInPart" : "layout.liesNothing", { folder })}
      </p>
      {bareAt && <p>{say("layout.bareRan", { when: moment(bareAt) })}</p>}
      <DatesByOrder />
      <Laying />
    </div>
  );
}

const hasActs = ({ put, replaced, removed, again }: LayoutPreview): boolean =>
  put + replaced + removed + again.length > 0;

/** What would be done, in a sentence. */
function Summary({ preview }: { preview: LayoutPreview }) {
  const { put, replaced, removed, again, aside, back, bytes, toUnpack } = preview;
  if (!hasActs(preview)) return <p className="p-3">{say("layout.nothingToDo")}</p>;
  const parts = [
    put > 0 && say("layout.would.put", { count: put }),
    replaced > 0 && say("layout.would.replace", { count: replaced }),
    removed > 0 && say("layout.would.remove", { count: removed }),
    again.length > 0 && say("layout.would.again", { count: again.length }),
  ];
  return (
    <div className="space-y-1 p-3">
      <p>
        {say("layout.wouldDo", { parts: parts.filter(Boolean).join(", "), size: formatSize(bytes) })}{" "}
        {toUnpack > 0 && say("layout.unpackFirst", { count: toUnpack })}
      </p>
      {aside.length + back.length > 0 && (
        <p>
          {[
            aside.length > 0 && say("layout.ofTheGame.aside", { count: aside.length }),
            back.length > 0 && say("layout.ofTheGame.back", { count: back.length }),
          ]
            .filter(Boolean)
            .join(" ")}
        </p>
      )}
    </div>
  );
}

const kinds = ["aside", "back", "changed", "kept", "again"] as const;

/** The paths that are told one by one: what is the game's own, and what somebody has touched. */
function Paths({ preview }: { preview: LayoutPreview }) {
  const shown = kinds.filter((kind) => preview[kind].length > 0);
  if (shown.length === 0) return <p className="text-ink2">{say("layout.noPaths")}</p>;
  return shown.map((kind) => (
    <Part key={kind} title={say(`layout.paths.${kind}`, { count: preview[kind].length })}>
      <p className="text-ink2 mb-1 text-sm">{say(`layout.pathsHint.${kind}`)}</p>
      <ul className="font-mono text-sm break-all">
        {preview[kind].map((path) => (
          <li key={path}>{path}</li>
        ))}
      </ul>
    </Part>
  ));
}
