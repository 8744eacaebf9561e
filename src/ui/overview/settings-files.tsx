"use client";

import { useState } from "react";
import { say } from "@/core/language/say";
import { layingOf } from "@/core/model/placement";
import { settingPlaces, wantedAt } from "@/core/roster/settings";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { SettingsLines } from "./settings-lines";

/** How many lines of settings are wanted, and the way to them. */
export function SettingsFiles() {
  const [isOpen, setOpen] = useState(false);
  const { orderFile } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const standing = useEditor((state) => state.onDisk.settings) ?? [];
  const wanted = settingPlaces(roster).flatMap((place) => wantedAt(place) ?? []);
  const isThere = (line: (typeof wanted)[number]) =>
    standing.some(({ file, at, value }) => file === line.file && at === line.at && value === line.value);
  const due = wanted.filter((line) => !isThere(line)).length;
  return (
    <>
      <p className="text-ink2 mb-2">
        {say("settings.wanted", { count: wanted.length, own: wanted.filter(({ by }) => by === null).length })}{" "}
        {wanted.length > 0 && (due > 0 ? say("settings.due", { count: due }) : say("settings.allThere"))}
      </p>
      <div className="flex flex-wrap gap-2">
        <Button small onClick={() => setOpen(true)}>
          {say("settings.look")}
        </Button>
        {layingOf(roster.game) === null && standing.length > 0 && (
          <Button small look="quiet" disabled={orderFile.isBusy} onClick={() => void orderFile.takeAllBack()}>
            {say("settings.takeBack")}
          </Button>
        )}
      </div>
      <Dialog
        size="large"
        open={isOpen}
        onClose={() => setOpen(false)}
        guide={{ page: "own-game" }}
        title={say("settings.title")}
        hint={say("settings.hint")}
      >
        <SettingsLines />
      </Dialog>
    </>
  );
}
