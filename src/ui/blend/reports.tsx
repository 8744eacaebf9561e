"use client";

import { useEffect, useMemo, useState } from "react";
import { reportDifferences } from "@/core/blend/report-differences";
import { say } from "@/core/language/say";
import { clashText, leftText, marksText, reportDifferenceText } from "@/core/messages/blend";
import type { BlendReport } from "@/core/model/blend-report";
import { blendMarkdown } from "@/formats/blend-report";
import { Button } from "../kit/button";
import type { GridColumn } from "../kit/grid/columns";
import { day, second } from "../kit/moment";
import { Part } from "../kit/part";
import { saveText } from "../kit/save-text";
import { SelectField } from "../kit/select";
import { readBlendReports } from "../workspace/server";
import { SheetGrid } from "../workspace/sheet-grid";
import { useEditor } from "../workspace/workspace.client";

/** What the last blends of the profile came to, the newest first; null before it is known. */
export function useReports(): readonly BlendReport[] | null {
  const profile = useEditor((state) => state.profile.id);
  const version = useEditor((state) => state.profile.version);
  const [held, setHeld] = useState<{ of: string; reports: readonly BlendReport[] } | null>(null);
  useEffect(() => {
    let wanted = true;
    void readBlendReports(profile).then((outcome) => {
      if (wanted && outcome.ok) setHeld({ of: profile, reports: outcome.value });
    });
    return () => {
      wanted = false;
    };
  }, [profile, version]);
  return held?.of === profile ? held.reports : null;
}

/** To the second: one is often built anew at once. */
const builtAt = (date: string): string => `${day(date)}, ${second(date)}`;

const keyOf = ({ date }: BlendReport): string => date;

const columns: readonly GridColumn<BlendReport>[] = [
  {
    id: "plugin",
    get label() {
      return say("common.plugin");
    },
    width: 0,
    isFixed: true,
    isMain: true,
    isMono: true,
    text: ({ plugin }) => plugin ?? say("blend.report.nothing"),
  },
  {
    id: "date",
    get label() {
      return say("blend.builtAt");
    },
    width: 190,
    text: ({ date }) => builtAt(date),
    sortBy: ({ date }) => date,
  },
  figures(
    "lists",
    () => say("blend.lists"),
    ({ lists }) => lists,
  ),
  figures(
    "plugins",
    () => say("common.plugins2"),
    ({ plugins }) => plugins.length,
  ),
  figures(
    "left",
    () => say("blend.left"),
    ({ left }) => left.length,
  ),
  figures(
    "clashes",
    () => say("blend.clashes"),
    ({ clashes }) => clashes.length,
  ),
];

function figures(
  id: string,
  label: () => string,
  count: (report: BlendReport) => number,
): GridColumn<BlendReport> {
  return {
    id,
    get label() {
      return label();
    },
    width: 110,
    isFigure: true,
    text: (report) => String(count(report)),
    sortBy: count,
  };
}

export function ReportsGrid({
  rows,
  ...rest
}: {
  rows: readonly BlendReport[];
  at: string | null;
  onLook: (key: string) => void;
}) {
  return (
    <SheetGrid
      kind="blend-reports"
      label={say("blend.reports")}
      rows={rows}
      keyOf={keyOf}
      columns={columns}
      {...rest}
    />
  );
}

/** What a blend came to: beside another one, by plugins, and as files. */
export function AboutReport({ report, reports }: { report: BlendReport; reports: readonly BlendReport[] }) {
  const at = reports.indexOf(report);
  const others = reports.filter((each) => each !== report);
  const [beside, setBeside] = useState<string | null>(null);
  const other = others.find((each) => keyOf(each) === beside) ?? reports[at + 1] ?? others[0] ?? null;
  const name = `${report.plugin ?? say("blend.title")} ${report.date.slice(0, 19).replace("T", " ")}`;
  return (
    <>
      <header>
        <h2 className="font-mono text-lg font-bold break-words">
          {report.plugin ?? say("blend.report.nothing")}
        </h2>
        <p className="text-ink2">
          {say("blend.report.summary", {
            date: builtAt(report.date),
            lists: report.lists,
            left: report.left.length,
            clashes: report.clashes.length,
          })}
        </p>
        <div className="mt-2 flex flex-wrap gap-2">
          <Button small onClick={() => saveText(`${name}.md`, blendMarkdown(report), "text/markdown")}>
            {say("blend.asMarkdown")}
          </Button>
          <Button
            small
            onClick={() =>
              saveText(`${name}.json`, `${JSON.stringify(report, null, 2)}\n`, "application/json")
            }
          >
            {say("blend.asJson")}
          </Button>
        </div>
      </header>
      {other && (
        <section className="space-y-2">
          <SelectField
            label={say("blend.comparedWith")}
            value={keyOf(other)}
            options={others.map((each) => ({ value: keyOf(each), words: builtAt(each.date) }))}
            onChoose={setBeside}
          />
          <Differences before={other} after={report} />
        </section>
      )}
      <Part title={say("blend.whoAdded")}>
        <ul className="space-y-1">
          {report.plugins.map(({ name: plugin, version, marks, entries }) => (
            <li key={plugin} className="break-words">
              <span className="font-mono">{plugin}</span> {version}{" "}
              <span className="text-ink2 block pl-3">
                {say("blend.entriesOf", { count: entries, marks: marksText(marks) })}
              </span>
            </li>
          ))}
        </ul>
      </Part>
      <Lines title={say("blend.clashes")} lines={report.clashes.map(clashText)} />
      <Lines title={say("blend.left")} lines={report.left.map(leftText)} />
    </>
  );
}

function Differences({ before, after }: { before: BlendReport; after: BlendReport }) {
  const differences = useMemo(() => reportDifferences(before, after), [before, after]);
  if (differences.length === 0) return <p className="text-ink2">{say("blend.sameReport")}</p>;
  return <Lines title={say("blend.differences")} lines={differences.map(reportDifferenceText)} />;
}

function Lines({ title, lines }: { title: string; lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <Part title={title}>
      <ul className="list-disc space-y-0.5 pl-5 break-words">
        {lines.map((line, at) => (
          <li key={at}>{line}</li>
        ))}
      </ul>
    </Part>
  );
}
