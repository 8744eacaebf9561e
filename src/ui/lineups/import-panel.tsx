"use client";

import { FileInput } from "lucide-react";
import { useRef, useState, type DragEvent } from "react";
import type { Imported, ImportPlan } from "@/server/operations/lineups";
import { Button } from "../kit/button";
import { postFile } from "../workspace/post-file";
import { importLineup } from "../workspace/server";
import { useWorkspace } from "../workspace/workspace.client";
import { ImportPlanView } from "./import-plan";
import { ImportResult } from "./import-result";

type Stage =
  | { readonly at: "choose"; readonly busy: boolean }
  | { readonly at: "plan"; readonly plan: ImportPlan }
  | { readonly at: "result"; readonly plan: ImportPlan; readonly imported: Imported };

/** A lineup file, chosen or dropped: first what it would bring, then a new profile, then the proof. */
export function ImportPanel() {
  const { editor, unwrap, refresh } = useWorkspace();
  const [stage, setStage] = useState<Stage>({ at: "choose", busy: false });
  const look = async (file: File) => {
    setStage({ at: "choose", busy: true });
    const plan = unwrap(await postFile<ImportPlan>("/api/lineups", file, file.name));
    setStage(plan ? { at: "plan", plan } : { at: "choose", busy: false });
  };
  const accept = async (plan: ImportPlan, name: string) => {
    await editor.settled();
    const imported = unwrap(await importLineup(plan.importId, name));
    if (!imported) return;
    setStage({ at: "result", plan, imported });
    refresh();
  };
  const startOver = () => setStage({ at: "choose", busy: false });
  return (
    <section aria-labelledby="import" className="space-y-3">
      <h2 id="import" className="text-lg font-bold">
        In: a lineup into a new profile
      </h2>
      {stage.at === "choose" && <Chooser busy={stage.busy} onFile={(file) => void look(file)} />}
      {stage.at === "plan" && (
        <ImportPlanView plan={stage.plan} onAccept={(name) => accept(stage.plan, name)} onLeave={startOver} />
      )}
      {stage.at === "result" && (
        <ImportResult plan={stage.plan} imported={stage.imported} onDone={startOver} />
      )}
    </section>
  );
}

function Chooser({ busy, onFile }: { busy: boolean; onFile: (file: File) => void }) {
  const input = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    const file = event.dataTransfer.files[0];
    if (file) onFile(file);
  };
  return (
    <div
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
      className={`flex flex-col items-start gap-3 rounded-md border-2 border-dashed p-5 ${over ? "border-saffron bg-saffron-soft" : "border-line bg-sunk"}`}
    >
      <p className="text-ink2">
        Drop a lineup file here, or choose one. It is looked at first; nothing is changed before you say so.
      </p>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        aria-label="Lineup file"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) onFile(file);
          event.target.value = "";
        }}
      />
      <Button onClick={() => input.current?.click()} disabled={busy}>
        <FileInput size={14} aria-hidden /> {busy ? "Reading…" : "Choose a lineup"}
      </Button>
    </div>
  );
}
