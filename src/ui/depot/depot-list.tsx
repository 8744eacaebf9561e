"use client";

import { say } from "@/core/language/say";
import { versionText } from "@/core/version/version";
import { z } from "zod";
import type { GameDefinition } from "@/core/model/game";
import { layoutOf, type Chosen, type GridColumn, type GridLayout } from "../kit/grid/columns";
import { DataGrid } from "../kit/grid/data-grid";
import type { GridCommand } from "../kit/grid/commands";
import type { Selection } from "../kit/grid/selection";
import { modColumns } from "../shelf/mod-columns";
import { usePreference } from "../workspace/use-preference";
import { standingWords, type DepotRow, type Standing } from "./depot-rows";

const hereWords = ({ newest, standing }: DepotRow): string =>
  newest.terms && standing !== "here" ? say("depot.byHand") : standingWords[standing];

const hereLook: Readonly<Record<Standing, string>> = {
  here: "text-ink3",
  newer: "text-saffron font-semibold",
  "not-here": "text-ink",
};

/** What can be shown of what the depot offers, before it is got. */
export const depotColumns = (game: GameDefinition): readonly GridColumn<DepotRow>[] => {
  const ofMods = modColumns<DepotRow>(game, ({ newest }) => newest.mod);
  return [
    {
      id: "name",
      label: say("common.mod"),
      width: 150,
      isFixed: true,
      isMain: true,
      text: ({ newest }) => newest.mod.name,
    },
    {
      id: "version",
      label: say("common.version"),
      width: 76,
      isMono: true,
      text: ({ newest }) => versionText(newest.mod.version),
    },
    // What the depot tags with is the kind of a mod.
    ...ofMods.map((each) =>
      each.id === "tags" ? { ...each, id: "kinds", label: say("depot.kinds"), width: 150 } : each,
    ),
    {
      id: "here",
      label: say("common.here"),
      width: 118,
      text: hereWords,
      cell: (row) => <span className={hereLook[row.standing]}>{hereWords(row)}</span>,
    },
  ];
};

export const shownAtFirst = (columns: readonly GridColumn<DepotRow>[]): GridLayout =>
  layoutOf(columns).filter(({ id }) => ["version", "author", "kinds", "size", "here"].includes(id));

const keyOf = ({ id }: DepotRow): string => id;

/** The table of what the depot offers. */
export function DepotList(
  props: Pick<Chosen, "layout" | "onLayout"> & {
    rows: readonly DepotRow[];
    columns: readonly GridColumn<DepotRow>[];
    selection: Selection;
    onSelection: (selection: Selection) => void;
    commands: readonly GridCommand<DepotRow>[];
    empty: string;
  },
) {
  const [sort, setSort] = usePreference("depot-sort", z.string(), "");
  return (
    <DataGrid {...props} label={say("depot.modsInTheDepot")} keyOf={keyOf} sort={sort} onSort={setSort} />
  );
}
