/** Controls of which a part lies outside of the window, and no scrolling of a list brings it in. */
export function cutOff(): string[] {
  const scrolls = (at: Element | null): boolean =>
    at !== null && (["auto", "scroll"].includes(getComputedStyle(at).overflowX) || scrolls(at.parentElement));
  const found: string[] = [];
  if (document.documentElement.scrollWidth > innerWidth) found.push("the page scrolls sideways");
  for (const control of document.querySelectorAll("button, a, input, select, textarea, [role=tab]")) {
    const { left, right, width } = control.getBoundingClientRect();
    if (
      width === 0 ||
      control.closest("[aria-hidden=true], .sr-only") ||
      getComputedStyle(control).position === "fixed"
    )
      continue;
    // Only a grid may scroll sideways, for its columns.
    const isInGrid = control.closest("[role=grid]") !== null && scrolls(control);
    if (!isInGrid && (left < -1 || right > innerWidth + 1)) found.push(control.outerHTML.slice(0, 120));
  }
  return found;
}
