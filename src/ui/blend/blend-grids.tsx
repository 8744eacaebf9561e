"use client";

import { useMemo } from "react";
import type { BlendClash } from "@/core/blend/clashes";
import { say } from "@/core/language/say";
import { marksText } from "@/core/messages/blend";
import type { BlendPart } from "@/formats/blend-view";
import type { GridColumn } from "../kit/grid/columns";
import type { GridCommand } from "../kit/grid/commands";
import { SheetGrid } from "../workspace/sheet-grid";
import { useEditor } from "../workspace/workspace.client";
import { listName, type ListRow } from "./list-rows";
import { markChoices, sourceText, useMark } from "./marks";

interface Looking {
  readonly at: string | null;
  readonly onLook: (key: string) => void;
  /** Builds the blend; null where there is nothing to build. */
  readonly build: (() => void) | null;
}

const building = <Row,>(build: Looking["build"]): GridCommand<Row>[] =>
  build ? [{ id: "build", title: () => say("blend.build"), keys: ["b"], run: build }] : [];

interface Props<Row extends object> extends Looking {
  readonly rows: readonly Row[];
}

const figure = (count: number | undefined): string => (count ? String(count) : "");

const keyOfList = ({ record }: ListRow): string => record;

export function ListsGrid({ rows, at, onLook, build }: Props<ListRow>) {
  const columns = useMemo(
    (): GridColumn<ListRow>[] => [
      {
        id: "record",
        label: say("common.list"),
        width: 0,
        isFixed: true,
        isMain: true,
        isMono: true,
        text: ({ record }) => listName(record),
      },
      {
        id: "state",
        label: say("common.state"),
        width: 150,
        text: ({ left }) => (left ? say(`blend.left.${left}`) : say("blend.blended")),
      },
      {
        id: "comes",
        label: say("blend.comes"),
        width: 84,
        isFigure: true,
        text: ({ blended }) => figure(blended?.comes.length),
        sortBy: ({ blended }) => blended?.comes.length ?? 0,
      },
      {
        id: "goes",
        label: say("blend.goes"),
        width: 84,
        isFigure: true,
        text: ({ blended }) => figure(blended?.goes.length),
        sortBy: ({ blended }) => blended?.goes.length ?? 0,
      },
      {
        id: "entries",
        label: say("blend.entries"),
        width: 84,
        isFigure: true,
        text: ({ blended }) => figure(blended?.entries.length),
        sortBy: ({ blended }) => blended?.entries.length ?? 0,
      },
    ],
    [],
  );
  const commands = useMemo(() => building<ListRow>(build), [build]);
  return (
    <SheetGrid
      kind="blend-lists"
      label={say("blend.lists")}
      rows={rows}
      keyOf={keyOfList}
      columns={columns}
      commands={commands}
      at={at}
      onLook={onLook}
    />
  );
}

const keyOfPart = ({ plugin }: BlendPart): string => plugin;

export function PartsGrid({ rows, at, onLook, build }: Props<BlendPart>) {
  const mark = useMark();
  const columns = useMemo(
    (): GridColumn<BlendPart>[] => [
      {
        id: "plugin",
        label: say("common.plugin"),
        width: 0,
        isFixed: true,
        isMain: true,
        isMono: true,
        text: ({ plugin }) => plugin,
      },
      {
        id: "marks",
        label: say("blend.marks"),
        width: 220,
        text: ({ marked }) => marksText(marked?.marks ?? null),
      },
      { id: "by", label: say("blend.saidBy"), width: 140, text: ({ marked }) => sourceText(marked) },
      {
        id: "lists",
        label: say("blend.lists"),
        width: 64,
        isFigure: true,
        text: ({ lists }) => String(lists),
        sortBy: ({ lists }) => lists,
      },
      {
        id: "entries",
        label: say("blend.entries"),
        width: 84,
        isFigure: true,
        text: ({ entries }) => figure(entries),
        sortBy: ({ entries }) => entries,
      },
    ],
    [],
  );
  const commands = useMemo(
    (): GridCommand<BlendPart>[] => [
      ...markChoices.map(({ key, id, marks }): GridCommand<BlendPart> => ({
        id: `mark-${id}`,
        title: () => say(`blend.mark.${id}`),
        keys: [key],
        run: (parts) => parts.forEach(({ plugin }) => mark(plugin, marks)),
      })),
      ...building<BlendPart>(build),
    ],
    [mark, build],
  );
  return (
    <SheetGrid
      kind="blend-plugins"
      label={say("common.plugins2")}
      rows={rows}
      keyOf={keyOfPart}
      columns={columns}
      commands={commands}
      at={at}
      onLook={onLook}
    />
  );
}

export const clashKey = ({ record, name }: Pick<BlendClash, "record" | "name">): string =>
  `${record} ${name}`;

export function ClashesGrid({ rows, at, onLook, build }: Props<BlendClash>) {
  const blend = useEditor((state) => state.roster.profile.state.blend);
  const columns = useMemo(
    (): GridColumn<BlendClash>[] => [
      {
        id: "name",
        label: say("common.name"),
        width: 0,
        isFixed: true,
        isMain: true,
        text: ({ name }) => name,
      },
      {
        id: "record",
        label: say("common.list"),
        width: 140,
        isMono: true,
        text: ({ record }) => listName(record),
      },
      { id: "by", label: say("blend.between"), width: 300, text: ({ by }) => by.join(", ") },
      { id: "won", label: say("blend.wins"), width: 180, isMono: true, text: ({ won }) => won },
      {
        id: "decided",
        label: say("blend.decided"),
        width: 84,
        text: (clash) =>
          blend.some((each) => each.kind === "winner" && clashKey(each) === clashKey(clash))
            ? say("blend.byYou")
            : "",
      },
    ],
    [blend],
  );
  const commands = useMemo(() => building<BlendClash>(build), [build]);
  return (
    <SheetGrid
      kind="blend-clashes"
      label={say("blend.clashes")}
      rows={rows}
      keyOf={clashKey}
      columns={columns}
      commands={commands}
      at={at}
      onLook={onLook}
    />
  );
}
