"use client";

import { say } from "@/core/language/say";
import { useCallback, useEffect, useState } from "react";
import type { DataArrived } from "@/server/data-files";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { FileButton } from "../kit/file-button";
import { moment, timeOfKept } from "../kit/moment";
import { postFile } from "../workspace/post-file";
import { leaveData, listKeptData, lookAtKept, replaceData } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { useGo } from "../workspace/use-go";

/** Everything that Seating keeps, out as one archive and in again elsewhere, and what was there before. */
export function OwnData() {
  const { editor, unwrap, workOn, tell } = useWorkspace();
  const token = useEditor((state) => state.view.token);
  const go = useGo();
  const [arrived, setArrived] = useState<DataArrived | null>(null);
  const [busy, setBusy] = useState(false);
  const [kept, setKept] = useState<readonly string[]>([]);
  const listKept = useCallback(
    () => void listKeptData().then((outcome) => outcome.ok && setKept(outcome.value)),
    [],
  );
  useEffect(() => listKept(), [listKept]);
  const look = async (reading: Promise<DataArrived | null>) => {
    setBusy(true);
    setArrived(await reading);
    setBusy(false);
  };
  const fromFile = async (file: File) => unwrap(await postFile<DataArrived>("/api/data", file));
  const fromKept = async (name: string) => {
    const summary = unwrap(await lookAtKept(name));
    return summary && { source: { kept: name }, summary };
  };
  const leave = () => {
    if (arrived && "incoming" in arrived.source) void leaveData(arrived.source.incoming);
    setArrived(null);
  };
  const replace = async ({ source }: DataArrived) => {
    setBusy(true);
    await editor.settled();
    const taken = unwrap(await replaceData(source));
    setBusy(false);
    if (!taken) return;
    setArrived(null);
    listKept();
    tell([say("game.everythingWasReplacedWhatWasThere")]);
    go("/overview");
    await workOn(null);
  };
  return (
    <section aria-labelledby="own-data" className="max-w-2xl space-y-2">
      <h2 id="own-data" className="text-lg font-bold">
        {say("game.yourData")}
      </h2>
      <p className="text-ink2">{say("game.gamesProfilesWithTheirHistoryRules")}</p>
      <div className="flex flex-wrap gap-2">
        <a
          href={`/api/data?token=${token}`}
          download
          className="border-line bg-surface hover:bg-sunk inline-flex h-8 items-center rounded-md border px-3 font-semibold"
        >
          {say("game.saveEverythingAsAFile")}
        </a>
        <FileButton
          of={say("game.archiveOfEverything")}
          accept=".zip,application/zip"
          disabled={busy}
          onFile={(file) => void look(fromFile(file))}
        >
          {busy ? say("game.readingTheArchive") : say("game.replaceEverythingFromAFile")}
        </FileButton>
      </div>
      {kept.length > 0 && (
        <>
          <h3 className="text-ink2 text-sm font-semibold">{say("game.whatWasThereBeforeItWas")}</h3>
          <ul>
            {kept.map((name) => (
              <li key={name} className="flex items-center gap-2 py-0.5">
                <span className="grow">{say("common.until", { timeOfKept: timeOfKept(name) })}</span>
                <Button small disabled={busy} onClick={() => void look(fromKept(name))}>
                  {say("game.restore")}
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
      <Dialog
        open={arrived !== null}
        onClose={leave}
        title={say("game.replaceEverything")}
        hint={say("game.itTakesThePlaceOfAll")}
      >
        {arrived && (
          <>
            <p className="text-ink2">{say("game.saved", { dayAndTime: moment(arrived.summary.made) })}</p>
            <ul className="my-2 space-y-1">
              {arrived.summary.games.map(({ name, profiles }) => (
                <li key={name}>
                  <b>{name}</b>, {say("common.profiles2", { count: profiles.length })}
                  {profiles.length > 0 && `: ${profiles.slice(0, 8).join(", ")}`}
                  {profiles.length > 8 && say("common.andMore2", { count: profiles.length - 8 })}
                </li>
              ))}
            </ul>
            <div className="flex justify-end gap-2">
              <Button look="quiet" onClick={leave}>
                {say("common.cancel")}
              </Button>
              <Button look="danger" disabled={busy} onClick={() => void replace(arrived)}>
                {busy ? say("game.replacing") : say("game.replaceEverything2")}
              </Button>
            </div>
          </>
        )}
      </Dialog>
    </section>
  );
}
