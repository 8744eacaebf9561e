"use client";

import { useMemo } from "react";
import { switchMods } from "@/core/profile/edits";
import { Button } from "../kit/button";
import { Choose } from "../kit/choose";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { formatSize } from "../kit/format-size";
import {
  countChoices,
  noShelfFilter,
  shelfStates,
  stateOf,
  type ShelfFilter,
  type ShelfState,
  type Usage,
} from "./shelf-filter";
import type { ShelfRow } from "./shelf-rows";

const stateWords: Record<ShelfState, string> = {
  on: "on",
  off: "off",
  elsewhere: "not in this profile",
  missing: "not on the shelf",
  unsound: "unsound",
  superseded: "another version counts",
};

interface Props {
  all: readonly ShelfRow[];
  shown: readonly ShelfRow[];
  filter: ShelfFilter;
  usage: Usage;
  onFilter: (part: Partial<ShelfFilter>) => void;
}

/** Narrows the shelf, with how many each choice would show, and switches exactly what is shown. */
export function ShelfFilterBar({ all, shown, filter, usage, onFilter }: Props) {
  const tags = useMemo(() => [...new Set(all.flatMap(({ mod }) => mod?.tags ?? []))].sort(), [all]);
  const count = <C extends string>(part: "state" | "tag" | "use", choices: readonly C[]) =>
    countChoices(all, filter, usage, part, choices);
  const isOn = Object.values(filter).some((part) => part !== "");
  const size = shown.reduce((sum, { mod }) => sum + (mod?.size ?? 0), 0);
  return (
    <div
      role="search"
      aria-label="Filter of the shelf"
      className={`flex shrink-0 flex-wrap items-center gap-2 border-b px-3 py-1.5 ${isOn ? "border-saffron bg-saffron-soft" : "border-line bg-sunk"}`}
    >
      <CountedChoice
        label="State"
        value={filter.state}
        choices={count("state", shelfStates).map(({ choice, count }) => [choice, stateWords[choice], count])}
        onChoose={(state) => onFilter({ state: state as ShelfFilter["state"] })}
      />
      <CountedChoice
        label="Tag"
        value={filter.tag}
        choices={count("tag", tags).map(({ choice, count }) => [choice, choice, count])}
        onChoose={(tag) => onFilter({ tag })}
      />
      <CountedChoice
        label="Use"
        value={filter.use}
        choices={count("use", ["used", "unused"]).map(({ choice, count }) => [
          choice,
          choice === "used" ? "in a profile" : "in no profile",
          count,
        ])}
        onChoose={(use) => onFilter({ use: use as ShelfFilter["use"] })}
      />
      <span className="text-ink2 ml-auto font-mono text-sm">{formatSize(size)}</span>
      {isOn && (
        <>
          <Bulk shown={shown} />
          <Button small onClick={() => onFilter(noShelfFilter)}>
            Show all
          </Button>
        </>
      )}
    </div>
  );
}

function CountedChoice({
  label,
  value,
  choices,
  onChoose,
}: {
  label: string;
  value: string;
  choices: readonly (readonly [value: string, words: string, count: number])[];
  onChoose: (value: string) => void;
}) {
  return (
    <Choose label={label} value={value || null} onChoose={(chosen) => onChoose(chosen ?? "")}>
      {choices
        .filter(([choice, , count]) => count > 0 || choice === value)
        .map(([choice, words, count]) => (
          <option key={choice} value={choice}>
            {words} ({count})
          </option>
        ))}
    </Choose>
  );
}

/** Switches all that is shown and can be switched, with the count before and undo after. */
function Bulk({ shown }: { shown: readonly ShelfRow[] }) {
  const { editor, tell, refresh } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const able = (on: boolean) =>
    shown.filter((row) => (on ? ["off", "elsewhere"] : ["on"]).includes(stateOf(row))).map((row) => row.mod!);
  const turn = (on: boolean) => {
    const mods = able(on);
    const edit = switchMods(roster, mods, on);
    if (!edit) return;
    editor.dispatch({ ...edit, restorePoint: `Before switching ${mods.length} mods ${on ? "on" : "off"}` });
    tell([`${mods.length} switched ${on ? "on" : "off"}. Undo takes it back.`]);
    // The restore point that was made before it is listed by the server.
    void editor.settled().then(refresh);
  };
  return [true, false].map((on) => (
    <Button key={String(on)} small disabled={able(on).length === 0} onClick={() => turn(on)}>
      Switch {able(on).length} {on ? "on" : "off"}
    </Button>
  ));
}
