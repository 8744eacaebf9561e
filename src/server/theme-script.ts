/** Runs before the first paint, so that no page flashes in the wrong light. */
export const themeScript = `(() => {
  let theme = null;
  try { theme = localStorage.getItem("theme"); } catch {}
  if (theme !== "light" && theme !== "dark")
    theme = matchMedia("(prefers-color-scheme: dark)").matches ? "dark" : "light";
  document.documentElement.dataset.theme = theme;
})();`;
