/** Chart.js reads colours once, so they are read anew for each theme. */
export function chartLook() {
  const colour = (name: string): string =>
    typeof document === "undefined"
      ? "#000"
      : getComputedStyle(document.documentElement).getPropertyValue(name).trim();
  return {
    colour,
    axis: { color: colour("--ink2"), font: { family: "JetBrains Mono Variable", size: 11 } },
  };
}
