import type { Page } from "@playwright/test";
import { expect, find, test, visit } from "./fixtures";

const focused = (page: Page) =>
  page.evaluate(() => {
    const { activeElement: at } = document;
    return at?.getAttribute("aria-label") ?? at?.textContent ?? "";
  });

test("what was opened gives the focus back to where it was: by key, by button, from a menu", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/plan`);
  await find(page, "Murk and Silt.plank");
  const plan = page.getByRole("grid", { name: "Plugins in load order" });
  await plan.focus();
  for (const [key, title] of [
    ["Alt+m", "Move Murk and Silt.plank to a seat"],
    ["?", "Keys"],
    ["Alt+n", "New profile"],
    ["Alt+p", "Work on another profile"],
  ] as const) {
    await page.keyboard.press(key);
    await expect(page.getByRole("dialog", { name: title })).toBeVisible();
    await page.keyboard.press("Escape");
    await expect(page.getByRole("dialog")).toHaveCount(0);
    await expect(plan, title).toBeFocused();
  }
  await page.keyboard.press("Shift+F10");
  await page.getByRole("menuitem", { name: /^Move to/ }).press("Enter");
  await expect(page.getByRole("dialog")).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(plan).toBeFocused();

  const sections = page.getByRole("button", { name: "Sections" });
  await sections.press("Enter");
  await expect(page.getByRole("dialog")).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(sections).toBeFocused();

  // From a menu of a button: back to the button.
  const profile = page.getByRole("button", { name: /^Profile: / });
  await profile.press("Enter");
  await page.getByRole("menuitem", { name: "Edit details…" }).press("Enter");
  await expect(page.getByRole("dialog")).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(profile).toBeFocused();
});

test("a dialog whose opener has gone meanwhile gives the focus to the view; the first stop leads past bar and rail", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/shelf`);
  await page.keyboard.press("Tab");
  expect(await focused(page)).toBe("To the view");
  await page.keyboard.press("Enter");
  await expect(page.locator("main")).toBeFocused();
  // The heading is one of our own words, and explains itself.
  for (const name of ["Shelf", "Filter the shelf"]) {
    await page.keyboard.press("Tab");
    expect(await focused(page)).toBe(name);
  }

  await page.getByLabel("Filter the shelf").fill("glass tides");
  await page.getByRole("row", { name: /Glass Tides/ }).waitFor();
  const these = page.getByRole("button", { name: /^With these/ });
  await these.press("Enter");
  await page.getByRole("menuitem", { name: /^Move 1 to bin/ }).press("Enter");
  const dialog = page.getByRole("dialog");
  await dialog.getByRole("button", { name: /^Move 1 mod to bin/ }).click();
  await expect(dialog).toHaveCount(0);
  await expect.poll(() => focused(page)).not.toBe("");
  expect(await page.evaluate(() => document.activeElement === document.body)).toBe(false);
});

test("at most eight stops of the tab key lie before a view; bars and rail are one each, walked by arrows", async ({
  watched: page,
  seating,
}) => {
  for (const view of [
    "overview",
    "shelf",
    "plan",
    "health",
    "rules",
    "lineups",
    "profiles",
    "depot",
    "settings",
  ]) {
    await visit(page, `${seating.url}/${view}`);
    await page.locator("main h1").waitFor();
    let stops = 0;
    const isInView = () => page.evaluate(() => document.activeElement?.closest("main") !== null);
    do {
      await page.keyboard.press("Tab");
      stops++;
    } while (!(await isInView()) && stops < 20);
    expect(stops - 1, view).toBeLessThanOrEqual(8);
  }
  await page.getByRole("link", { name: "Overview" }).focus();
  await page.keyboard.press("ArrowDown");
  await expect.poll(() => focused(page)).toMatch(/^Shelf/);
  await page.keyboard.press("ArrowDown");
  await expect.poll(() => focused(page)).toMatch(/^Plan/);
  await page.getByRole("button", { name: "History" }).focus();
  await page.keyboard.press("ArrowRight");
  await expect.poll(() => focused(page)).toMatch(/Start a trial$/);
  await page.keyboard.press("ArrowRight");
  await expect.poll(() => focused(page)).toMatch(/^Messages/);
});
