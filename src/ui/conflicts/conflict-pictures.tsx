"use client";

import { BarElement, CategoryScale, Chart, LinearScale, Tooltip } from "chart.js";
import { useMemo } from "react";
import { Bar } from "react-chartjs-2";
import { say } from "@/core/language/say";
import type { Contested } from "@/core/conflict/conflicts";
import type { ConflictSurvey } from "@/core/conflict/survey";
import { useTheme } from "../frame/theme";
import { chartLook, useChartFont } from "../kit/chart-look";
import { useTextScale } from "../kit/text-scale";
import { useEditor } from "../workspace/workspace.client";
import { holderText } from "./holder";
import type { Looked } from "./conflicts-address";

Chart.register(BarElement, CategoryScale, LinearScale, Tooltip);

const mostBars = 12;

interface Count {
  readonly name: string;
  readonly count: number;
}

/** How contested what is shown is: by kind of file, by what most bring, and by who overrides most. */
export function ConflictPictures({
  of,
  survey,
  onLook,
}: {
  of: Contested;
  survey: ConflictSurvey;
  onLook: (looked: Looked) => void;
}) {
  const roster = useEditor((state) => state.roster);
  const kinds = useMemo(
    () => most(Object.entries(survey.counts.kind).map(([name, count]) => ({ name, count }))),
    [survey],
  );
  const paths = useMemo(
    () => most(survey.crowded.map(({ key, providers }) => ({ name: key, count: providers.length }))),
    [survey],
  );
  const winners = useMemo(() => {
    const sums = new Map<number, number>();
    for (const { winner, files } of survey.pairs) sums.set(winner, (sums.get(winner) ?? 0) + files);
    return most(
      [...sums].map(([item, count]) => ({ name: holderText(roster, survey.items[item]!.id), count })),
    );
  }, [survey, roster]);
  return (
    <div tabIndex={0} className="grid min-h-0 grow content-start gap-6 overflow-auto p-4 lg:grid-cols-2">
      {of === "files" && <Picture title={say("conflicts.byKind")} counts={kinds} />}
      <Picture
        title={say(`conflicts.mostContested.${of}`)}
        counts={paths}
        onChoose={(key) => onLook({ kind: "key", key })}
      />
      <Picture title={say("conflicts.overridesMost")} counts={winners} />
    </div>
  );
}

const most = (counts: readonly Count[]): Count[] =>
  [...counts].sort((a, b) => b.count - a.count || (a.name < b.name ? -1 : 1)).slice(0, mostBars);

/** Bars, with the same figures in words below. */
function Picture({
  title,
  counts,
  onChoose,
}: {
  title: string;
  counts: readonly Count[];
  onChoose?: (name: string) => void;
}) {
  const theme = useTheme();
  const font = useChartFont();
  const textScale = useTextScale();
  const { data, options } = useMemo(() => draw(counts, theme, textScale), [counts, theme, textScale]);
  return (
    <section>
      <h2 className="mb-2 font-bold">{title}</h2>
      <div className="min-w-0" style={{ height: `${2 + counts.length * 1.6}rem` }}>
        <Bar key={`${theme} ${font}`} data={data} options={options} role="img" aria-label={title} />
      </div>
      <details className="mt-1">
        <summary className="text-ink2">{say("conflicts.sameInWords")}</summary>
        <ul className="mt-1 space-y-0.5 text-sm">
          {counts.map(({ name, count }) => (
            <li key={name} className="flex gap-2">
              <span className="w-10 shrink-0 text-right font-mono">{count}</span>
              {onChoose ? (
                <button
                  type="button"
                  className="text-left break-all hover:underline"
                  onClick={() => onChoose(name)}
                >
                  {name}
                </button>
              ) : (
                <span className="break-all">{name}</span>
              )}
            </li>
          ))}
        </ul>
      </details>
    </section>
  );
}

function draw(counts: readonly Count[], theme: string, textScale: number) {
  const { colour, axis } = chartLook(textScale);
  void theme;
  const short = (name: string) => (name.length > 22 ? `…${name.slice(-21)}` : name);
  return {
    data: {
      labels: counts.map(({ name }) => short(name)),
      datasets: [{ data: counts.map(({ count }) => count), backgroundColor: colour("--slate") }],
    },
    options: {
      animation: false as const,
      indexAxis: "y" as const,
      maintainAspectRatio: false,
      plugins: { legend: { display: false } },
      scales: {
        x: {
          ticks: { ...axis, precision: 0 },
          grid: { color: colour("--line") },
          border: { display: false },
        },
        y: {
          ticks: { ...axis, autoSkip: false },
          grid: { display: false },
          border: { color: colour("--line") },
        },
      },
    },
  };
}
