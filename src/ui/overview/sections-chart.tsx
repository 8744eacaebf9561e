"use client";

import { say } from "@/core/language/say";
import { useTextScale } from "../kit/text-scale";
import { BarElement, CategoryScale, Chart, LinearScale, Tooltip } from "chart.js";
import { useMemo } from "react";
import { Bar } from "react-chartjs-2";
import type { SeatedList } from "@/core/roster/roster";
import { letterOf } from "@/core/roster/seats";
import { useTheme } from "../frame/theme";
import { chartLook, stackedBars, useChartFont } from "../kit/chart-look";
import { sectionHue } from "../kit/hues";
import { SectionLetter } from "../kit/section-letter";

Chart.register(BarElement, CategoryScale, LinearScale, Tooltip);

interface Count {
  readonly name: string;
  readonly hue: number | undefined;
  readonly loads: number;
  readonly off: number;
}

/** The items of a list by section, drawn, with the same numbers as a table. */
export function SectionsChart({ list }: { list: SeatedList }) {
  const theme = useTheme();
  const font = useChartFont();
  const textScale = useTextScale();
  const counts = useMemo(() => countSections(list), [list]);
  const { data, options } = useMemo(() => draw(counts, theme, textScale), [counts, theme, textScale]);
  return (
    <div className="grid gap-4 sm:grid-cols-[minmax(0,1fr)_minmax(11.875rem,auto)]">
      <div className="h-64 min-w-0">
        <Bar
          key={`${theme} ${font}`}
          data={data}
          options={options}
          role="img"
          aria-label={say("overview.howManyStandInEachSection")}
        />
      </div>
      <table className="self-start text-sm">
        <thead>
          <tr className="text-ink3 text-left">
            <th className="pr-3 pb-1 font-semibold">{say("common.section")}</th>
            <th className="pr-3 pb-1 text-right font-semibold">{say("overview.loads")}</th>
            <th className="pb-1 text-right font-semibold">{say("common.off")}</th>
          </tr>
        </thead>
        <tbody>
          {counts.map((count, at) => (
            <tr key={count.name} className="h-6">
              <td className="pr-3">
                <span className="flex items-center gap-2">
                  <SectionLetter index={at} hue={count.hue} />
                  {count.name}
                </span>
              </td>
              <td className="pr-3 text-right font-mono">{count.loads}</td>
              <td className="text-ink2 text-right font-mono">{count.off}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function countSections({ sections, items }: SeatedList): Count[] {
  return sections.map((section) => {
    const inside = items.filter((item) => item.entry.section === section.id);
    const loads = inside.filter((item) => item.loads).length;
    return { name: section.name, hue: section.hue, loads, off: inside.length - loads };
  });
}

function draw(counts: readonly Count[], theme: string, textScale: number) {
  const { colour } = chartLook(textScale);
  void theme;
  return {
    data: {
      labels: counts.map((_, at) => letterOf(at)),
      datasets: [
        {
          label: say("overview.loads"),
          data: counts.map((count) => count.loads),
          backgroundColor: counts.map(({ hue }, at) => sectionHue(hue ?? at).fill),
        },
        {
          label: say("common.off"),
          data: counts.map((count) => count.off),
          backgroundColor: colour("--line"),
        },
      ],
    },
    options: stackedBars(textScale),
  };
}
