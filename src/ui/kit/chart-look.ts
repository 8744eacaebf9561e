import { useEffect, useState } from "react";

const family = "JetBrains Mono Variable";

/** Whether the charts' font is there: text on a canvas is drawn once, in whatever font there is then. To be part of a chart's key. */
export function useChartFont(): string {
  const [there, setThere] = useState(false);
  useEffect(() => {
    void document.fonts.load(`12px "${family}"`).then(() => setThere(true));
  }, []);
  return there ? "own" : "any";
}

/** Chart.js reads colours and sizes once, so they are read anew for each theme and size of text. */
export function chartLook(textScale: number) {
  const colour = (name: string): string =>
    typeof document === "undefined"
      ? "#000"
      : getComputedStyle(document.documentElement).getPropertyValue(name).trim();
  return {
    colour,
    axis: { color: colour("--ink2"), font: { family, size: 12.5 * textScale } },
  };
}

/** Options of a chart of bars on top of one another, whose numbers stand beside it. */
export function stackedBars(textScale: number) {
  const { colour, axis } = chartLook(textScale);
  return {
    animation: false as const,
    maintainAspectRatio: false,
    plugins: { legend: { display: false } },
    scales: {
      x: { stacked: true, ticks: axis, grid: { display: false }, border: { color: colour("--line") } },
      y: {
        stacked: true,
        ticks: { ...axis, precision: 0 },
        grid: { color: colour("--line") },
        border: { display: false },
      },
    },
  };
}
