"use client";

import { useCallback, useMemo } from "react";
import { say } from "@/core/language/say";
import type { AboutLeftOut } from "@/core/conflict/left-out";
import { leaveOutEdit } from "@/core/edit/leave-out";
import { modName } from "@/core/messages/parts-of-mods";
import type { Roster } from "@/core/roster/roster";
import { filesOfMod } from "../workspace/server";
import type { GridColumn } from "../kit/grid/columns";
import type { GridCommand } from "../kit/grid/commands";
import { Empty } from "../kit/empty";
import { ListGrid } from "../workspace/list-grid";
import type { ConflictQuestion } from "../workspace/use-conflicts";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { holderText } from "./holder";
import { useAskConflicts } from "./use-ask-conflicts";

const question: ConflictQuestion<AboutLeftOut[]> = (jobs) => jobs.aboutLeftOut();
const keyOf = ({ mod, path }: AboutLeftOut): string => `${mod} ${path}`;

/** Files and folders that the profile does without, with what that does; nothing on the disk is changed by it. */
export function LeftOutSheet() {
  const roster = useEditor((state) => state.roster);
  const { answer } = useAskConflicts(question);
  const bringBack = useBringBack();
  const columns = useMemo(() => columnsOf(roster), [roster]);
  const commands = useMemo(
    (): readonly GridCommand<AboutLeftOut>[] => [
      {
        id: "bring-back",
        keys: ["Delete"],
        title: () => say("common.bringBack"),
        run: (rows) => void bringBack(rows),
      },
    ],
    [bringBack],
  );
  if (answer?.length === 0) return <Empty purpose={say("conflicts.nothingLeftOut")} />;
  return (
    <ListGrid
      kind="left-out"
      label={say("conflicts.leftOut")}
      rows={answer ?? []}
      keyOf={keyOf}
      columns={columns}
      commands={commands}
      className="min-h-0 grow"
    />
  );
}

/** The files of a mod are asked for: where one of a folder comes back, the others stay out. */
function useBringBack() {
  const { editor, unwrap } = useWorkspace();
  return useCallback(
    async (rows: readonly AboutLeftOut[]) => {
      for (const id of new Set(rows.map(({ mod }) => mod))) {
        const content = editor.getState().roster.modOf.get(id)?.mod?.content ?? null;
        const files = content === null ? [] : unwrap(await filesOfMod(content));
        const { roster } = editor.getState();
        const mod = roster.modOf.get(id);
        const paths = rows.filter((row) => row.mod === id).map(({ path }) => path);
        const edit =
          mod &&
          files &&
          leaveOutEdit(
            roster,
            mod,
            paths,
            false,
            files.map(({ path }) => path),
          );
        if (edit) editor.dispatch(edit);
      }
    },
    [editor, unwrap],
  );
}

const columnsOf = (roster: Roster): readonly GridColumn<AboutLeftOut>[] => [
  {
    id: "path",
    label: say("conflicts.fileOrFolder"),
    width: 260,
    isFixed: true,
    isMain: true,
    isMono: true,
    text: ({ path }) => path,
  },
  { id: "mod", label: say("common.mod"), width: 180, text: ({ mod }) => modName(roster, mod) },
  {
    id: "files",
    label: say("conflicts.files"),
    width: 60,
    isFigure: true,
    text: ({ files }) => String(files),
    sortBy: ({ files }) => files,
  },
  { id: "why", label: say("conflicts.whatItDoes"), width: 380, text: (row) => whatItDoes(roster, row) },
];

function whatItDoes(roster: Roster, { files, wouldWin, instead }: AboutLeftOut): string {
  if (files === 0) return say("conflicts.leftOutGone");
  if (wouldWin === 0) return say("conflicts.leftOutNothing");
  return say("conflicts.leftOutWins", {
    count: wouldWin,
    instead: instead.map((id) => holderText(roster, id)).join(", "),
  });
}
