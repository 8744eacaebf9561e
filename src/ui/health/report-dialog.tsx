"use client";

import { useState } from "react";
import { say } from "@/core/language/say";
import { helperReport } from "@/formats/helper-report";
import { Button } from "../kit/button";
import { Choice } from "../kit/choice";
import { Dialog } from "../kit/dialog";
import { saveText } from "../kit/save-text";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { useNoted } from "./use-noted";

/** What the browser knows of the machine; nothing of it goes out that its owner has not ticked. */
const machineFacts = () =>
  [
    [say("report.fact.browser"), navigator.userAgent],
    [say("report.fact.processors"), String(navigator.hardwareConcurrency)],
    [say("report.fact.screen"), `${screen.width} × ${screen.height}`],
    [say("report.fact.language"), navigator.language],
  ] as const;

/** A report for somebody who is to help. */
export function ReportButton() {
  const { noted } = useWorkspace();
  const [isOpen, open] = useState(false);
  return (
    <>
      <Button
        onClick={() => {
          // A trial may have ended since.
          void noted.note(true);
          open(true);
        }}
      >
        {say("health.report")}
      </Button>
      <Dialog
        open={isOpen}
        onClose={() => open(false)}
        title={say("health.reportTitle")}
        hint={say("health.reportHint")}
        size="large"
        guide={{ page: "when-something-is-wrong" }}
      >
        <ReportForm />
      </Dialog>
    </>
  );
}

function ReportForm() {
  const { tell } = useWorkspace();
  const roster = useEditor((state) => state.roster);
  const checked = useEditor((state) => state.checked);
  const { game, order, shelves } = useEditor((state) => state.view.folders);
  const noted = useNoted();
  const [markdown, setMarkdown] = useState(true);
  const [facts] = useState(machineFacts);
  const [ticked, tick] = useState<ReadonlySet<string>>(new Set());
  const text = helperReport(
    {
      roster,
      told: checked?.told ?? [],
      aside: checked?.aside ?? [],
      trial: noted?.trial ?? null,
      machine: facts.filter(([name]) => ticked.has(name)),
      folders: [game, order, ...shelves],
    },
    markdown,
  );
  const turn = (name: string, on: boolean) =>
    tick((now) => new Set(on ? [...now, name] : [...now].filter((each) => each !== name)));
  const copy = async () => {
    await navigator.clipboard.writeText(text);
    tell([say("health.reportCopied")]);
  };
  return (
    <div className="space-y-3">
      <div className="flex flex-wrap gap-x-8 gap-y-2">
        <div role="radiogroup" aria-label={say("health.reportForm")} className="flex gap-4">
          <Choice name="report-form" checked={markdown} onChoose={() => setMarkdown(true)}>
            {say("health.asMarkdown")}
          </Choice>
          <Choice name="report-form" checked={!markdown} onChoose={() => setMarkdown(false)}>
            {say("health.asText")}
          </Choice>
        </div>
        <fieldset className="flex flex-wrap gap-x-4">
          <legend className="sr-only">{say("report.machine")}</legend>
          {facts.map(([name, value]) => (
            <label key={name} className="flex items-center gap-1.5" title={value}>
              <input
                type="checkbox"
                checked={ticked.has(name)}
                onChange={(event) => turn(name, event.target.checked)}
                className="accent-pine"
              />
              {name}
            </label>
          ))}
        </fieldset>
      </div>
      <textarea
        readOnly
        value={text}
        rows={18}
        aria-label={say("health.reportTitle")}
        className="border-line bg-sunk w-full rounded-md border p-2.5 font-mono text-sm"
      />
      <div className="flex justify-end gap-2">
        <Button onClick={() => void copy()}>{say("health.copyReport")}</Button>
        <Button
          look="main"
          onClick={() =>
            markdown
              ? saveText("report.md", text, "text/markdown")
              : saveText("report.txt", text, "text/plain")
          }
        >
          {say("health.saveReport")}
        </Button>
      </div>
    </div>
  );
}
