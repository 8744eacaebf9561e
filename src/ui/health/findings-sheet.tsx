"use client";

import { useMemo } from "react";
import { say } from "@/core/language/say";
import { Empty } from "../kit/empty";
import { WithInspector, type Inspecting } from "../kit/panes/inspector";
import { useEditor } from "../workspace/workspace.client";
import { AboutRow } from "./about-row";
import { GetAll } from "./get-all";
import type { FindingSheet, HealthAddress } from "./health-address";
import { HealthFilterBar } from "./health-filter-bar";
import { HealthGrid } from "./health-grid";
import { healthRows } from "./health-rows";
import { useIsNew } from "./use-noted";

interface Props {
  readonly address: HealthAddress & { readonly sheet: FindingSheet };
  readonly onAddress: (part: Partial<HealthAddress>) => void;
  /** Looks at what an item needs and what needs it, by its kind and id. */
  readonly onExplore: (key: string) => void;
  readonly inspecting: Inspecting;
}

/** What is found, put together as the address says. */
export function FindingsSheet({ address, onAddress, onExplore, inspecting }: Props) {
  const roster = useEditor((state) => state.roster);
  const checked = useEditor((state) => state.checked);
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
  const row = shown.rows.find(({ key }) => key === at) ?? shown.rows[0];
  return (
    <WithInspector
      inspecting={inspecting}
      inspector={
        <div tabIndex={0} className="min-h-0 grow space-y-4 overflow-auto p-3.5">
          {row ? (
            <AboutRow key={row.key} row={row} onExplore={onExplore} />
          ) : (
            <p className="text-ink2">{say("health.nothingToLookAt")}</p>
          )}
        </div>
      }
    >
      <HealthFilterBar address={address} onAddress={onAddress} shown={shown} />
      <GetAll />
      {!checked && <p className="text-ink2 p-4">{say("common.checking")}</p>}
      {checked && shown.rows.length === 0 && <Empty purpose={say(emptyKey(sheet, shown.hidden))} />}
      {shown.rows.length > 0 && (
        <HealthGrid
          rows={shown.rows}
          sheet={sheet}
          at={row?.key ?? null}
          onLook={(key) => onAddress({ at: key })}
        />
      )}
    </WithInspector>
  );
}

const emptyKey = (sheet: FindingSheet, hidden: number) =>
  hidden > 0
    ? "health.allHidden"
    : sheet === "aside"
      ? "health.nothingAside"
      : "overview.nothingIsTheMatterEveryNeed";
