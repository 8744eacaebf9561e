"use client";

import { BarElement, CategoryScale, Chart, LinearScale, Tooltip } from "chart.js";
import { useMemo } from "react";
import { Bar } from "react-chartjs-2";
import { say } from "@/core/language/say";
import { levels } from "@/core/model/finding";
import type { Noted } from "@/core/model/noted";
import { useTheme } from "../frame/theme";
import { useNoted } from "../health/use-noted";
import { chartLook, stackedBars, useChartFont } from "../kit/chart-look";
import { LevelMark, levelWord } from "../kit/level";
import { shortDay } from "../kit/moment";
import { useTextScale } from "../kit/text-scale";

Chart.register(BarElement, CategoryScale, LinearScale, Tooltip);

type Counts = Noted["counts"];
const mostDays = 30;

/** How many findings of each level there were at the end of each of the last days, drawn and as a table. Nothing on the first day. */
export function FindingsOverTime() {
  const counts = useNoted()?.counts ?? none;
  if (counts.length < 2) return null;
  return (
    <section>
      <h2 className="mb-2 text-lg font-bold">{say("overview.findingsOverTime")}</h2>
      <Picture counts={counts.slice(-mostDays)} />
    </section>
  );
}

const none: Counts = [];

function Picture({ counts }: { counts: Counts }) {
  const theme = useTheme();
  const font = useChartFont();
  const textScale = useTextScale();
  const { data, options } = useMemo(() => draw(counts, theme, textScale), [counts, theme, textScale]);
  return (
    <div className="grid gap-4 sm:grid-cols-[minmax(0,1fr)_minmax(11.875rem,auto)]">
      <div className="h-48 min-w-0">
        <Bar
          key={`${theme} ${font}`}
          data={data}
          options={options}
          role="img"
          aria-label={say("overview.findingsByDay")}
        />
      </div>
      <div className="max-h-48 overflow-auto self-start" tabIndex={0}>
        <table className="w-full text-sm">
          <thead>
            <tr className="text-ink3 text-left">
              <th className="pr-3 pb-1 font-semibold">{say("overview.day")}</th>
              {levels.map((level) => (
                <th key={level} className="pr-1 pb-1">
                  <span className="flex justify-end">
                    <LevelMark level={level} label={levelWord(level, 2)} />
                  </span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {counts.toReversed().map((each) => (
              <tr key={each.day} className="h-6">
                <td className="pr-3">{shortDay(each.day)}</td>
                {levels.map((level) => (
                  <td key={level} className="pr-1 text-right font-mono">
                    {each[level]}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  );
}

/** In the order of the levels. */
const colours = ["--brick", "--saffron", "--slate"] as const;

function draw(counts: Counts, theme: string, textScale: number) {
  const { colour } = chartLook(textScale);
  void theme;
  return {
    data: {
      labels: counts.map(({ day }) => shortDay(day)),
      datasets: levels.map((level, at) => ({
        label: levelWord(level, 2),
        data: counts.map((each) => each[level]),
        backgroundColor: colour(colours[at]!),
      })),
    },
    options: stackedBars(textScale),
  };
}
