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
    // Only a grid may scroll sideways, for its columns, and a drawing, which is as large as what it draws.
    const mayScroll = control.closest("[role=grid], [data-drawing]") !== null && scrolls(control);
    if (!mayScroll && (left < -1 || right > innerWidth + 1)) found.push(control.outerHTML.slice(0, 120));
  }
  return found;
}

/** Headings that stand over one another, as what is given no room of its own does. */
export function overlapping(): string[] {
  const headings = [...document.querySelectorAll("main :is(h1, h2, h3):not(.sr-only)")].map((each) => {
    const range = document.createRange();
    range.selectNodeContents(each);
    return { text: each.textContent ?? "", box: range.getBoundingClientRect() };
  });
  return headings.flatMap(({ text, box }, at) =>
    headings
      .slice(at + 1)
      .filter(
        ({ box: other }) =>
          Math.min(box.right, other.right) - Math.max(box.left, other.left) > 2 &&
          Math.min(box.bottom, other.bottom) - Math.max(box.top, other.top) > 2,
      )
      .map((other) => `${text} and ${other.text}`),
  );
}
