"use client";

import { useMemo } from "react";
import type { ModLaying } from "@/core/layout/preview";
import { say } from "@/core/language/say";
import { formatSize } from "../kit/format-size";
import type { GridColumn } from "../kit/grid/columns";
import { SheetGrid } from "../workspace/sheet-grid";
import { useModTitles } from "../workspace/use-mod-titles";

const keyOf = ({ mod }: ModLaying): string => mod;
const figure = (count: number): string => (count > 0 ? String(count) : "");

/** Mods whose files lie in the game's folder once it is done, or go. */
export function ModsGrid(props: {
  rows: readonly ModLaying[];
  at: string | null;
  onLook: (key: string) => void;
}) {
  const titleOf = useModTitles();
  const columns = useMemo((): GridColumn<ModLaying>[] => {
    return [
      {
        id: "mod",
        label: say("common.mod"),
        width: 0,
        isFixed: true,
        isMain: true,
        text: ({ mod }) => titleOf(mod),
      },
      {
        id: "files",
        label: say("layout.files"),
        width: 90,
        isFigure: true,
        text: ({ files }) => figure(files),
        sortBy: ({ files }) => files,
      },
      {
        id: "put",
        label: say("layout.filesCome"),
        width: 110,
        isFigure: true,
        text: ({ put }) => figure(put),
        sortBy: ({ put }) => put,
      },
      {
        id: "removed",
        label: say("layout.filesGo"),
        width: 110,
        isFigure: true,
        text: ({ removed }) => figure(removed),
        sortBy: ({ removed }) => removed,
      },
      {
        id: "bytes",
        label: say("common.size"),
        width: 110,
        isFigure: true,
        text: ({ bytes }) => (bytes > 0 ? formatSize(bytes) : ""),
        sortBy: ({ bytes }) => bytes,
      },
    ];
  }, [titleOf]);
  return (
    <SheetGrid
      kind="layout-mods"
      label={say("layout.modsOfWhich")}
      keyOf={keyOf}
      columns={columns}
      {...props}
    />
  );
}
