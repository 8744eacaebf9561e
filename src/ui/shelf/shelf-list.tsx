"use client";

import { say } from "@/core/language/say";
import { useCallback, useMemo } from "react";
import { wantOfMod } from "@/core/depot/offers";
import { GetMissing } from "../depot/get-missing";
import type { GridColumn, GridLayout } from "../kit/grid/columns";
import type { GridCommand } from "../kit/grid/commands";
import { DataGrid } from "../kit/grid/data-grid";
import type { Selection } from "../kit/grid/selection";
import { LevelMark } from "../kit/level";
import { Toggle } from "../kit/toggle";
import type { ShelfRow } from "./shelf-rows";
import type { SwitchMods } from "./use-switch-mods";

interface Props {
  /** Those that can be chosen. */
  columns: readonly GridColumn<ShelfRow>[];
  rows: readonly ShelfRow[];
  layout: GridLayout;
  onLayout: (layout: GridLayout) => void;
  sort: string;
  onSort: (sort: string) => void;
  selection: Selection;
  onSelection: (selection: Selection) => void;
  onSwitch: SwitchMods;
  /** What else can be done with rows. */
  commands: readonly GridCommand<ShelfRow>[];
}

/** The table of the shelf. */
export function ShelfList({ columns: others, onSwitch, commands, ...grid }: Props) {
  const turn = useCallback(
    (rows: readonly ShelfRow[]) => {
      const able = rows.filter(canSwitch);
      onSwitch(
        able.map(({ mod }) => mod!),
        !able.every(isOn),
      );
    },
    [onSwitch],
  );
  const columns = useMemo(
    (): readonly GridColumn<ShelfRow>[] => [
      {
        id: "on",
        label: say("common.on2"),
        width: 34,
        isFixed: true,
        text: (row) => onWords(row),
        cell: (row) => <SwitchCell row={row} onSwitch={() => turn([row])} />,
      },
      {
        id: "name",
        label: say("common.mod"),
        width: 150,
        isFixed: true,
        isMain: true,
        text: ({ name }) => name,
        cell: (row) => <NameCell row={row} />,
      },
      ...others,
    ],
    [turn, others],
  );
  const all = useMemo(
    (): readonly GridCommand<ShelfRow>[] => [
      {
        id: "switch",
        title: (rows) =>
          rows.filter(canSwitch).every(isOn) ? say("shelf.switchOff") : say("shelf.switchOn2"),
        keys: ["Enter", " "],
        isPossible: (rows) => rows.some(canSwitch),
        run: turn,
      },
      ...commands,
    ],
    [turn, commands],
  );
  return (
    <DataGrid
      {...grid}
      label={say("shelf.modsOnTheShelf")}
      keyOf={keyOf}
      columns={columns}
      commands={all}
      empty={say("shelf.nothingOnTheShelfFitsThis")}
    />
  );
}

const keyOf = ({ key }: ShelfRow): string => key;

const isOn = ({ seated }: ShelfRow): boolean => seated?.loads === true;

/** What can be switched: what counts, and is sound. */
const canSwitch = ({ mod, supersededBy }: ShelfRow): boolean =>
  mod !== null && !mod.problem && supersededBy === null;

/** Whether the mod is on in this profile. */
const onWords = ({ seated }: ShelfRow): string =>
  !seated ? say("shelf.notInThisProfile") : seated.loads ? say("common.on") : say("common.off");

function SwitchCell({ row, onSwitch }: { row: ShelfRow; onSwitch: () => void }) {
  if (canSwitch(row))
    return (
      <Toggle
        on={isOn(row)}
        tabIndex={-1}
        label={say("shelf.is", { name: row.name, onWords: onWords(row) })}
        onClick={onSwitch}
      />
    );
  const counts = row.supersededBy === null;
  return (
    <span className="flex h-6 w-7 items-center justify-center">
      <LevelMark
        level={counts ? "problem" : "hint"}
        label={counts ? say("common.problem") : say("shelf.anotherVersionCounts")}
      />
    </span>
  );
}

function NameCell({ row }: { row: ShelfRow }) {
  const isPlain = isOn(row) || Boolean(row.mod?.problem);
  const missing = row.seated?.gone && row.mod === null ? row.seated : null;
  return (
    <span className={`flex min-w-0 items-center gap-2 bg-inherit ${isPlain ? "" : "text-ink2"}`}>
      <span className="truncate">{row.name}</span>
      {missing && <GetMissing brief wants={[wantOfMod(missing)]} />}
    </span>
  );
}
