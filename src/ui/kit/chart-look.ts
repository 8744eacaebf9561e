/** Chart.js reads colours and sizes once, so they are read anew for each theme and size of text. */
export function chartLook(textScale: number) {
  const colour = (name: string): string =>
    typeof document === "undefined"
      ? "#000"
      : getComputedStyle(document.documentElement).getPropertyValue(name).trim();
  return {
    colour,
    axis: { color: colour("--ink2"), font: { family: "JetBrains Mono Variable", size: 12.5 * textScale } },
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
