/** Runs before the first paint, so that no page flashes in the wrong light or size of text. */
export const themeScript = `(() => {
  const kept = (key) => { try { return JSON.parse(localStorage.getItem(key)); } catch { return null; } };
  let theme = kept("seating-theme");
  try {
    // Where versions before 0.2 kept it.
    const before = localStorage.getItem("theme");
    if (before && !theme) localStorage.setItem("seating-theme", JSON.stringify(theme = before));
    localStorage.removeItem("theme");
  } catch {}
  if (theme !== "light" && theme !== "dark")
    theme = matchMedia("(prefers-color-scheme: dark)").matches ? "dark" : "light";
  document.documentElement.dataset.theme = theme;
  const size = Number(kept("seating-text-size"));
  if (size >= 80 && size <= 200) document.documentElement.style.fontSize = size + "%";
})();`;
