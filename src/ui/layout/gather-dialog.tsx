"use client";

import { useState } from "react";
import { say } from "@/core/language/say";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Field } from "../kit/field";
import type { FolderActs } from "./use-folder";

/** Asks what the mod is to be called into which files of the game's folder are gathered. */
export function GatherDialog({
  paths,
  onClose,
  gather,
}: {
  /** Null where nothing is asked. */
  paths: readonly string[] | null;
  onClose: () => void;
  gather: FolderActs["gather"];
}) {
  return (
    <Dialog
      open={paths !== null}
      onClose={onClose}
      guide={{ page: "own-game" }}
      title={say("layout.gatherTitle", { count: paths?.length ?? 0 })}
      hint={say("layout.gatherHint")}
    >
      {paths && <Name onClose={onClose} onName={(name) => gather(paths, name)} />}
    </Dialog>
  );
}

function Name({ onClose, onName }: { onClose: () => void; onName: (name: string) => Promise<boolean> }) {
  const [name, setName] = useState("");
  const [isBusy, setBusy] = useState(false);
  const run = async () => {
    setBusy(true);
    const isDone = await onName(name.trim());
    setBusy(false);
    if (isDone) onClose();
  };
  return (
    <form
      className="space-y-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() !== "" && !isBusy) void run();
      }}
    >
      <Field
        label={say("layout.gatherName")}
        value={name}
        maxLength={60}
        autoFocus
        onChange={(event) => setName(event.target.value)}
      />
      <div className="flex flex-wrap justify-end gap-2">
        <Button look="quiet" type="button" onClick={onClose}>
          {say("common.cancel")}
        </Button>
        <Button look="main" type="submit" disabled={name.trim() === "" || isBusy}>
          {say("layout.gather")}
        </Button>
      </div>
    </form>
  );
}
