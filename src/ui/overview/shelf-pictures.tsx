"use client";

import { say } from "@/core/language/say";
import { CategoryScale, Chart, Filler, LinearScale, LineElement, PointElement, Tooltip } from "chart.js";
import { TreemapController, TreemapElement } from "chartjs-chart-treemap";
import { useMemo, type ReactNode } from "react";
import { Chart as Drawing, Line } from "react-chartjs-2";
import { useTheme } from "../frame/theme";
import { useTextScale } from "../kit/text-scale";
import { chartLook, useChartFont } from "../kit/chart-look";
import { formatSize } from "../kit/format-size";
import { sectionHue } from "../kit/hues";
import { useEditor } from "../workspace/workspace.client";
import { growthOf, sizesByTag, type Growth, type TagSize } from "./shelf-sums";

Chart.register(
  CategoryScale,
  Filler,
  LinearScale,
  LineElement,
  PointElement,
  Tooltip,
  TreemapController,
  TreemapElement,
);

/** The whole shelf: what takes up how much of the disk, and how it has grown; each with the same numbers as a table. */
export function ShelfPictures() {
  const shelf = useEditor((state) => state.view.stock.shelf);
  const sizes = useMemo(() => sizesByTag(shelf), [shelf]);
  const growth = useMemo(() => growthOf(shelf), [shelf]);
  return (
    <div className="space-y-5">
      <Picture title={say("overview.sizeOnTheDiskByTag")} drawing={<SizeMap sizes={sizes} />}>
        <Table
          heads={[say("common.tag"), say("facets.many.mods"), say("overview.size")]}
          rows={sizes.map(({ tag, mods, bytes }) => [tag, String(mods), formatSize(bytes)])}
        />
      </Picture>
      <Picture title={say("overview.modsOnTheShelfOverTime")} drawing={<GrowthLine growth={growth} />}>
        <Table
          heads={[say("common.when"), say("overview.added"), say("profileDifferences.there2")]}
          rows={growth.map(({ when, added, total }) => [when, String(added), String(total)])}
        />
      </Picture>
    </div>
  );
}

function Picture({ title, drawing, children }: { title: string; drawing: ReactNode; children: ReactNode }) {
  return (
    <div>
      <h3 className="mb-1 font-semibold">{title}</h3>
      <div className="grid gap-4 sm:grid-cols-[minmax(0,1fr)_minmax(11.875rem,auto)]">
        <div className="h-52 min-w-0">{drawing}</div>
        {children}
      </div>
    </div>
  );
}

function Table({
  heads: [first, second, third],
  rows,
}: {
  heads: readonly [string, string, string];
  rows: readonly (readonly [string, string, string])[];
}) {
  return (
    <div
      className="max-h-52 overflow-auto"
      tabIndex={0}
      role="region"
      aria-label={say("overview.and", { first, second, third })}
    >
      <table className="w-full text-sm">
        <thead>
          <tr className="text-ink3 text-left">
            <th className="pr-3 font-semibold">{first}</th>
            <th className="pr-3 text-right font-semibold">{second}</th>
            <th className="text-right font-semibold">{third}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, one, other]) => (
            <tr key={name} className="h-6">
              <td className="pr-3">{name}</td>
              <td className="pr-3 text-right font-mono">{one}</td>
              <td className="text-right font-mono">{other}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function SizeMap({ sizes }: { sizes: readonly TagSize[] }) {
  const theme = useTheme();
  const font = useChartFont();
  const textScale = useTextScale();
  const data = useMemo(() => {
    const hueOf = (at: number) => sectionHue(at);
    // A field's place in the list gives its hue; the list is sorted as the fields are drawn.
    const at = (context: { dataIndex: number }) => Math.max(0, context.dataIndex);
    return {
      datasets: [
        {
          data: [],
          tree: sizes.map(({ tag, bytes }) => ({ tag, bytes })),
          key: "bytes",
          spacing: 1,
          borderWidth: 0,
          backgroundColor: (context: { dataIndex: number }) => hueOf(at(context)).fill,
          labels: {
            display: true,
            overflow: "hidden" as const,
            color: (context: { dataIndex: number }) => hueOf(at(context)).ink,
            font: { family: "Atkinson Hyperlegible Next Variable", size: 12.5 * textScale },
            formatter: (context: { dataIndex: number }) => {
              const one = sizes[at(context)];
              return one ? [one.tag, formatSize(one.bytes)] : "";
            },
          },
        },
      ],
    };
  }, [sizes, textScale]);
  const options = {
    animation: false as const,
    maintainAspectRatio: false,
    plugins: { legend: { display: false }, tooltip: { enabled: false } },
  };
  return (
    <Drawing
      key={`${theme} ${font}`}
      type="treemap"
      data={data}
      options={options}
      role="img"
      aria-label={say("overview.howMuchOfTheDiskEach")}
    />
  );
}

function GrowthLine({ growth }: { growth: readonly Growth[] }) {
  const theme = useTheme();
  const font = useChartFont();
  const textScale = useTextScale();
  const { data, options } = useMemo(() => {
    void theme;
    const { colour, axis } = chartLook(textScale);
    const line = colour("--pine");
    return {
      data: {
        labels: growth.map(({ when }) => when),
        datasets: [
          {
            label: say("common.onTheShelf"),
            data: growth.map(({ total }) => total),
            borderColor: line,
            backgroundColor: colour("--pine-soft"),
            pointBackgroundColor: line,
            fill: true,
            stepped: true,
          },
        ],
      },
      options: {
        animation: false as const,
        maintainAspectRatio: false,
        plugins: { legend: { display: false } },
        scales: {
          x: { ticks: axis, grid: { display: false }, border: { color: colour("--line") } },
          y: {
            beginAtZero: true,
            ticks: { ...axis, precision: 0 },
            grid: { color: colour("--line") },
            border: { display: false },
          },
        },
      },
    };
  }, [growth, theme, textScale]);
  return (
    <Line
      key={`${theme} ${font}`}
      data={data}
      options={options}
      role="img"
      aria-label={say("overview.howManyModsLayOnThe")}
    />
  );
}
