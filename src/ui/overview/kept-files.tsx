"use client";

import { useEffect, useState } from "react";
import { say } from "@/core/language/say";
import type { KeptFileStanding } from "@/core/model/kept-file";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { moment } from "../kit/moment";
import { TextDifference } from "../kit/text-difference";
import { Toggle } from "../kit/toggle";
import { keepOwnFile, readKeptFiles } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** Files that the game itself changes: whether the profile keeps its own, and whose lie there. */
export function KeptFiles() {
  const { trial, unwrap } = useWorkspace();
  const profile = useEditor((state) => state.profile.id);
  const [files, setFiles] = useState<readonly KeptFileStanding[]>([]);
  const [compared, compare] = useState<string | null>(null);
  const { state } = trial;
  useEffect(() => {
    let isLeft = false;
    void readKeptFiles().then((read) => {
      const found = isLeft ? null : unwrap(read);
      if (found) setFiles(found);
    });
    return () => {
      isLeft = true;
    };
  }, [profile, state, unwrap]);
  const keep = async (id: string, keeps: boolean) => {
    const found = unwrap(await keepOwnFile(id, keeps));
    if (found) setFiles(found);
  };
  return (
    <ul className="space-y-2">
      {files.map((file) => (
        <li key={file.id}>
          <div className="flex items-center gap-2">
            <span className="grow font-semibold">{file.label}</span>
            {file.takenAt !== null && (file.own ?? file.shared) !== null && (
              <Button
                small
                look="quiet"
                aria-label={say("keptFiles.compare", { label: file.label })}
                onClick={() => compare(file.id)}
              >
                {say("keptFiles.compareShort")}
              </Button>
            )}
            <Toggle
              on={file.keeps}
              label={say("keptFiles.keepsOwn", { label: file.label })}
              onClick={() => void keep(file.id, !file.keeps)}
            />
          </div>
          <p className="text-ink2 text-sm">
            {say(file.keeps ? "keptFiles.own" : "keptFiles.shared")} {liesText(file)}
          </p>
        </li>
      ))}
      <CompareOwn file={files.find(({ id }) => id === compared)} onClose={() => compare(null)} />
    </ul>
  );
}

function liesText({ keeps, lies, takenAt }: KeptFileStanding): string {
  if (lies.whose === "other") return say("keptFiles.liesOther", { name: lies.name });
  if (keeps !== (lies.whose === "own")) return say("keptFiles.fromNextStart");
  return keeps && takenAt !== null ? say("keptFiles.takenAt", { at: moment(takenAt) }) : "";
}

function CompareOwn({ file, onClose }: { file: KeptFileStanding | undefined; onClose: () => void }) {
  if (!file) return null;
  return (
    <Dialog
      open
      onClose={onClose}
      size="large"
      guide={{ page: "own-game" }}
      title={say("keptFiles.compare", { label: file.label })}
      hint={say("keptFiles.compareHint")}
    >
      {file.own === file.shared ? (
        <p>{say("conflicts.sameContents")}</p>
      ) : (
        <TextDifference one={file.shared ?? ""} other={file.own ?? ""} />
      )}
    </Dialog>
  );
}
