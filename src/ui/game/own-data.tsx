"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import type { DataTaken } from "@/server/operations/own-data";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { postFile } from "../workspace/post-file";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** Everything that Seating keeps, out as one archive and in again elsewhere. */
export function OwnData() {
  const { editor, unwrap, workOn } = useWorkspace();
  const token = useEditor((state) => state.view.token);
  const router = useRouter();
  const [file, setFile] = useState<File | null>(null);
  const [busy, setBusy] = useState(false);
  const take = async (chosen: File) => {
    setBusy(true);
    await editor.settled();
    const outcome = await postFile<DataTaken>("/api/data", chosen);
    setBusy(false);
    setFile(null);
    if (!unwrap(outcome)) return;
    router.push("/overview");
    void workOn(null);
  };
  return (
    <section aria-labelledby="own-data" className="max-w-2xl space-y-2">
      <h2 id="own-data" className="text-lg font-bold">
        Your data
      </h2>
      <p className="text-ink2">
        Games, profiles with their history, rules, rulebooks, notes, tags and what was read of the shelf, of
        all games, as one archive. Mods themselves stay where they lie.
      </p>
      <div className="flex gap-2">
        <a
          href={`/api/data?token=${token}`}
          download
          className="border-line bg-surface hover:bg-sunk inline-flex h-8 items-center rounded-md border px-3 font-semibold"
        >
          Save everything as a file
        </a>
        <label className="border-line bg-surface hover:bg-sunk inline-flex h-8 cursor-pointer items-center rounded-md border px-3 font-semibold focus-within:outline-2">
          Take everything from a file…
          <input
            type="file"
            accept=".zip,application/zip"
            className="sr-only"
            onChange={({ target }) => {
              setFile(target.files?.[0] ?? null);
              target.value = "";
            }}
          />
        </label>
      </div>
      <Dialog
        open={file !== null}
        onClose={() => setFile(null)}
        title={`Take everything from ${file?.name ?? ""}`}
        hint="It takes the place of all that Seating keeps now, of all games. What is there now is kept as an archive in Seating’s data folder, under “kept”. Where folders lie elsewhere here, name them under Settings then."
      >
        <div className="flex justify-end gap-2">
          <Button look="quiet" onClick={() => setFile(null)}>
            Leave it
          </Button>
          <Button look="danger" disabled={busy} onClick={() => file && void take(file)}>
            {busy ? "Taking it in…" : "Replace everything"}
          </Button>
        </div>
      </Dialog>
    </section>
  );
}
