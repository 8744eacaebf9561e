"use client";

import { useSearchParams } from "next/navigation";
import { Tabs } from "radix-ui";
import { useEffect, useMemo, useState } from "react";
import { say } from "@/core/language/say";
import { Empty } from "../kit/empty";
import { inputLook } from "../kit/field";
import { InspectorButton, useInspecting, WithInspector } from "../kit/panes/inspector";
import { Term } from "../kit/term";
import { keepQuery, queryAtBegin } from "../workspace/address";
import { useEditor } from "../workspace/workspace.client";
import { AboutRow } from "./about-row";
import { healthFromQuery, healthToQuery, sheets, type HealthAddress, type Sheet } from "./health-address";
import { GetAll } from "./get-all";
import { HealthFilterBar } from "./health-filter-bar";
import { HealthGrid } from "./health-grid";
import { healthRows } from "./health-rows";
import { ReminderButton } from "./reminder-dialog";
import { ReportButton } from "./report-dialog";
import { SureButton } from "./sure-dialog";
import { useIsNew } from "./use-noted";

/** Everything that stands between the profile and a set that runs, why, and the way out. */
export function HealthScreen() {
  const params = useSearchParams();
  const [address, setAddress] = useState(() => healthFromQuery(queryAtBegin("/health", params).query));
  const roster = useEditor((state) => state.roster);
  const checked = useEditor((state) => state.checked);
  useEffect(() => keepQuery("/health", healthToQuery(address).toString()));
  const { sheet, hidden, text, fresh, item, at } = address;
  const isNew = useIsNew();
  const shown = useMemo(
    () =>
      healthRows(
        roster,
        checked?.told ?? [],
        checked?.aside ?? [],
        { sheet, hidden, text, fresh, item },
        isNew,
      ),
    [roster, checked, sheet, hidden, text, fresh, item, isNew],
  );
  const set = (part: Partial<HealthAddress>) => setAddress((now) => ({ ...now, ...part }));
  const inspecting = useInspecting();
  const row = shown.rows.find(({ key }) => key === at) ?? shown.rows[0];
  const aside = checked?.aside.length ?? 0;
  return (
    <Tabs.Root
      value={sheet}
      onValueChange={(next) => set({ sheet: next as Sheet, at: null })}
      className="flex h-full flex-col"
    >
      <header className="border-line flex min-h-11 shrink-0 flex-wrap items-center gap-x-3 gap-y-1 border-b px-3 py-1">
        <h1 className="text-lg font-bold">
          <Term word="finding">{say("health.title")}</Term>
        </h1>
        <Tabs.List aria-label={say("health.putTogether")} className="flex flex-wrap gap-1">
          {sheets.map((each) => (
            <Tabs.Trigger
              key={each}
              value={each}
              className="text-ink2 hover:bg-sunk aria-selected:bg-pine-soft aria-selected:text-pine flex h-7 items-center rounded-md px-2.5 font-semibold"
            >
              {say(`health.by.${each}`, { count: aside })}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <input
          value={text}
          onChange={(event) => set({ text: event.target.value })}
          placeholder={say("health.search")}
          aria-label={say("health.search")}
          className={`${inputLook} !w-48`}
        />
        <div className="ml-auto flex flex-wrap justify-end gap-2">
          <ReminderButton />
          <ReportButton />
          <SureButton />
          <InspectorButton inspecting={inspecting} />
        </div>
      </header>
      <WithInspector
        inspecting={inspecting}
        inspector={
          <div tabIndex={0} className="min-h-0 grow space-y-4 overflow-auto p-3.5">
            {row ? (
              <AboutRow key={row.key} row={row} />
            ) : (
              <p className="text-ink2">{say("health.nothingToLookAt")}</p>
            )}
          </div>
        }
      >
        <Tabs.Content value={sheet} tabIndex={-1} className="flex min-h-0 min-w-0 grow flex-col">
          <HealthFilterBar address={address} onAddress={set} shown={shown} />
          <GetAll />
          {!checked && <p className="text-ink2 p-4">{say("common.checking")}</p>}
          {checked && shown.rows.length === 0 && <Empty purpose={say(emptyKey(sheet, shown.hidden))} />}
          {shown.rows.length > 0 && (
            <HealthGrid
              rows={shown.rows}
              sheet={sheet}
              at={row?.key ?? null}
              onLook={(key) => set({ at: key })}
            />
          )}
        </Tabs.Content>
      </WithInspector>
    </Tabs.Root>
  );
}

const emptyKey = (sheet: Sheet, hidden: number) =>
  hidden > 0
    ? "health.allHidden"
    : sheet === "aside"
      ? "health.nothingAside"
      : "overview.nothingIsTheMatterEveryNeed";
