"use client";

import { useSearchParams } from "next/navigation";
import { Tabs } from "radix-ui";
import { useCallback, useEffect, useState } from "react";
import { say } from "@/core/language/say";
import { inputLook } from "../kit/field";
import { InspectorButton, useInspecting } from "../kit/panes/inspector";
import { Term } from "../kit/term";
import { NeedsSheet } from "../needs/needs-sheet";
import { keepQuery, queryAtBegin } from "../workspace/address";
import { useEditor } from "../workspace/workspace.client";
import { healthFromQuery, healthToQuery, sheets, type HealthAddress, type Sheet } from "./health-address";
import { FindingsSheet } from "./findings-sheet";
import { ReminderButton } from "./reminder-dialog";
import { ReportButton } from "./report-dialog";
import { SureButton } from "./sure-dialog";

/** Everything that stands between the profile and a set that runs, why, and the way out. */
export function HealthScreen() {
  const params = useSearchParams();
  const [address, setAddress] = useState(() => healthFromQuery(queryAtBegin("/health", params).query));
  useEffect(() => keepQuery("/health", healthToQuery(address).toString()));
  const set = useCallback(
    (part: Partial<HealthAddress>) => setAddress((now) => ({ ...now, ...part })),
    [setAddress],
  );
  const explore = useCallback((of: string) => set({ sheet: "needs", of }), [set]);
  const aside = useEditor(({ checked }) => checked?.aside.length ?? 0);
  const inspecting = useInspecting();
  const { sheet, text, of } = address;
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
        {sheet !== "needs" && (
          <input
            value={text}
            onChange={(event) => set({ text: event.target.value })}
            placeholder={say("health.search")}
            aria-label={say("health.search")}
            className={`${inputLook} !w-48`}
          />
        )}
        <div className="ml-auto flex flex-wrap justify-end gap-2">
          <ReminderButton />
          <ReportButton />
          <SureButton />
          <InspectorButton inspecting={inspecting} />
        </div>
      </header>
      <Tabs.Content value={sheet} tabIndex={-1} className="flex min-h-0 min-w-0 grow flex-col">
        {sheet === "needs" ? (
          <NeedsSheet of={of} onOf={explore} inspecting={inspecting} />
        ) : (
          <FindingsSheet
            address={{ ...address, sheet }}
            onAddress={set}
            onExplore={explore}
            inspecting={inspecting}
          />
        )}
      </Tabs.Content>
    </Tabs.Root>
  );
}
