import { expect, test, visit } from "./fixtures";

test("the theme is kept, and the first paint already has it", async ({ watched: page }) => {
  await page.getByRole("button", { name: "Dark theme" }).click();
  await page.reload();
  await expect(page.locator("html")).toHaveAttribute("data-theme", "dark");
  await page.getByRole("button", { name: "Light theme" }).click();
  await expect(page.locator("html")).toHaveAttribute("data-theme", "light");
});

test("the filter of the shelf lives in the address and says how much it shows", async ({
  watched: page,
  seating,
}) => {
  await page.goto(`${seating.url}/shelf?q=kelpwright`);
  await expect(page.getByText(/^\d+ of 72 shown$/)).toBeVisible();
  await expect(page.getByRole("row", { name: /Tidal Core/ })).toBeVisible();
  await page.getByRole("button", { name: "Show all" }).click();
  await expect(page).toHaveURL(/\/shelf\?profile=[^&]+$/);
  await expect(page.getByText("72 of 72 shown")).toBeVisible();
});

const views = [
  "overview",
  "shelf",
  "plan",
  "rules",
  "lineups",
  "lineups?part=in",
  "lineups?part=together",
  "profiles",
  "depot",
  "settings",
  "settings?part=definition",
  "settings?part=keys",
];

for (const size of [
  { width: 320, height: 640 },
  // 1280x800 at 200 %.
  { width: 640, height: 400 },
  { width: 1024, height: 700 },
  { width: 1920, height: 1080 },
]) {
  test(`nothing is cut off at ${size.width}x${size.height}`, async ({ watched: page, seating }) => {
    await page.setViewportSize(size);
    for (const view of views) {
      await visit(page, `${seating.url}/${view}`);
      await page.getByRole("heading", { level: 1 }).waitFor();
      expect(await page.evaluate(cutOff), view).toEqual([]);
    }
  });
}

/** Controls of which a part lies outside of the window, and no scrolling of a list brings it in. */
function cutOff(): string[] {
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
