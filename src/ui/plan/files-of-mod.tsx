"use client";

import { say } from "@/core/language/say";
import { useMemo, useState } from "react";
import type { FileOfMod, ShelfMod } from "@/core/model/shelf";
import { leaveOutEdit } from "@/core/edit/leave-out";
import { foldName } from "@/core/roster/fold";
import { leavesOut } from "@/core/roster/left-out";
import type { SeatedMod } from "@/core/roster/roster";
import { Button } from "../kit/button";
import { formatSize } from "../kit/format-size";
import type { GridColumn } from "../kit/grid/columns";
import type { GridCommand } from "../kit/grid/commands";
import { textLook } from "../kit/grid/grid-cells";
import { Toggle } from "../kit/toggle";
import { ListGrid } from "../workspace/list-grid";
import { filesOfMod } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** The files of a mod, which are read when they are asked for. */
export function FilesOfMod({ mod }: { mod: ShelfMod }) {
  const { unwrap } = useWorkspace();
  const item = useEditor((state) => state.roster.modOf.get(mod.id));
  const [files, setFiles] = useState<readonly FileOfMod[] | null>(null);
  const turn = async () => {
    if (files || mod.content === null) return setFiles(null);
    setFiles(unwrap(await filesOfMod(mod.content)));
  };
  const seated = item?.mod === mod ? item : null;
  return (
    <>
      <Button
        small
        look="quiet"
        className="mt-1 -ml-2"
        aria-expanded={files !== null}
        onClick={() => void turn()}
      >
        {files ? say("plan.hideItsFiles") : say("plan.showItsFiles", { files: mod.files })}
        {seated && seated.leftOut.length > 0 && say("plan.leftOut", { count: seated.leftOut.length })}
      </Button>
      {files && <FileGrid name={mod.name} files={files} item={seated} />}
    </>
  );
}

const keyOf = ({ path }: FileOfMod): string => path;

/** A profile that holds the mod, as `item`, can do without each of them. */
function FileGrid({
  name,
  files,
  item,
}: {
  name: string;
  files: readonly FileOfMod[];
  item: SeatedMod | null;
}) {
  const { editor } = useWorkspace();
  const game = useEditor((state) => state.view.game);
  const leftOut = item?.leftOut;
  const isOut = useMemo(() => {
    const out = leavesOut(leftOut ?? []);
    return ({ path }: FileOfMod) => out(foldName(game, path));
  }, [leftOut, game]);
  const id = item?.id;
  const leave = useMemo(() => {
    const paths = files.map(({ path }) => path);
    return (rows: readonly FileOfMod[], out: boolean) => {
      const { roster } = editor.getState();
      const now = id === undefined ? undefined : roster.modOf.get(id);
      const edit = now && leaveOutEdit(roster, now, rows.map(keyOf), out, paths);
      if (edit) editor.dispatch(edit);
    };
  }, [editor, id, files]);
  const isHeld = item !== null;
  const columns = useMemo(() => columnsOf(isHeld, isOut, leave), [isHeld, isOut, leave]);
  const commands = useMemo(() => (isHeld ? commandsOf(isOut, leave) : undefined), [isHeld, isOut, leave]);
  return (
    <ListGrid
      kind={isHeld ? "files-taken" : "files"}
      label={say("plan.filesOf", { name })}
      rows={files}
      keyOf={keyOf}
      columns={columns}
      commands={commands}
      className="border-line mt-1 max-h-80 rounded-md border"
    />
  );
}

type IsOut = (file: FileOfMod) => boolean;
type Leave = (rows: readonly FileOfMod[], out: boolean) => void;

const columnsOf = (isHeld: boolean, isOut: IsOut, leave: Leave): readonly GridColumn<FileOfMod>[] => [
  ...(isHeld
    ? [
        {
          id: "in",
          label: say("common.in"),
          width: 34,
          isFixed: true,
          text: (file: FileOfMod) => (isOut(file) ? say("common.leftOut") : ""),
          cell: (file: FileOfMod) => (
            <Toggle
              on={!isOut(file)}
              tabIndex={-1}
              label={`${isOut(file) ? say("common.bringBack") : say("plan.leaveOut")} ${file.path}`}
              onClick={() => leave([file], !isOut(file))}
            />
          ),
        },
      ]
    : []),
  {
    id: "path",
    label: say("common.file"),
    width: 150,
    isFixed: true,
    isMain: true,
    text: ({ path }) => path,
    cell: (file) => (
      <span
        className={`${textLook} font-mono text-sm font-normal ${isOut(file) ? "text-ink3 line-through" : ""}`}
      >
        {file.path}
      </span>
    ),
  },
  {
    id: "size",
    get label() {
      return say("common.size");
    },
    width: 64,
    isFigure: true,
    text: ({ size }) => (size === null ? "" : formatSize(size)),
    sortBy: ({ size }) => size ?? -1,
  },
];

const commandsOf = (isOut: IsOut, leave: Leave): readonly GridCommand<FileOfMod>[] => [
  {
    id: "leave-out",
    keys: ["Delete"],
    title: () => say("plan.leaveOut"),
    isPossible: (rows) => rows.some((file) => !isOut(file)),
    run: (rows) =>
      leave(
        rows.filter((file) => !isOut(file)),
        true,
      ),
  },
  {
    id: "bring-back",
    title: () => say("common.bringBack"),
    isPossible: (rows) => rows.some(isOut),
    run: (rows) => leave(rows.filter(isOut), false),
  },
];
