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
