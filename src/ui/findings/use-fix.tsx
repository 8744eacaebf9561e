"use client";

import { useCallback, useState } from "react";
import { fixEdit, isEditing } from "@/core/check/fix-edit";
import { newerVersions, type VersionChange } from "@/core/edit/versions";
import type { Fix } from "@/core/model/finding";
import { PartsDialog } from "../parts/parts-dialog";
import { VersionsDialog } from "../versions/versions-dialog";
import { useGo } from "../workspace/use-go";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** Takes ways out; `dialogs` are what some of them open, to be drawn by who asks. */
export function useFix() {
  const { editor, propose, orderFile } = useWorkspace();
  const go = useGo();
  const [versions, setVersions] = useState<readonly VersionChange[]>([]);
  const [choosing, setChoosing] = useState<string | null>(null);
  const chosen = useEditor((state) => state.roster.modOf.get(choosing ?? ""));
  const run = useCallback(
    ({ does }: Fix): void => {
      if (isEditing(does)) {
        const edit = fixEdit(editor.getState().roster, does);
        return void (edit && editor.dispatch(edit));
      }
      switch (does.act) {
        case "write-order":
          return void orderFile.write();
        case "look-at-order":
          return void orderFile.look();
        case "versions":
          return setVersions(newerVersions(editor.getState().roster));
        case "look-at-conflicts":
          return go(`/conflicts?of=${does.of}&undecided=yes`);
        case "look-at-blend":
          return go("/blend");
        case "look-at-layout":
          return go(`/layout?show=${does.sheet}`);
        case "choose-profile-of-game":
          return void orderFile.chooseProfileOfGame(does.name);
        case "put-again":
          return void orderFile.write({ putAgain: true });
        case "look-at-rules":
          return go("/rules");
        case "look-at-parts":
          return setChoosing(does.mod);
        default:
          return void propose({ list: does.list, how: does.act });
      }
    },
    [editor, propose, orderFile, go],
  );
  const dialogs = (
    <>
      <VersionsDialog open={versions.length > 0} onClose={() => setVersions([])} changes={versions} />
      <PartsDialog item={chosen ?? null} onClose={() => setChoosing(null)} />
    </>
  );
  return { run, dialogs };
}
