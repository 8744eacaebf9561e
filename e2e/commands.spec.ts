import type { Page } from "@playwright/test";
import { readFile } from "node:fs/promises";
import { join } from "node:path";
import { expect, find, shelfFolder, stored, test, visit } from "./fixtures";

const field = (page: Page) => page.getByRole("combobox", { name: /^Search/ });
const option = (page: Page, name: string | RegExp) => page.getByRole("option", { name });
const plan = (page: Page) => page.getByRole("grid", { name: /^Plugins/ });
const isDark = (page: Page) => page.evaluate(() => document.documentElement.dataset.theme === "dark");

async function ask(page: Page, words: string): Promise<void> {
  await page.keyboard.press("Control+k");
  await expect(field(page)).toBeFocused();
  await page.keyboard.type(words);
}

test("the command field finds all that fits, places, and commands by other words; it gives the focus back", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/plan`);
  await plan(page).focus();
  await ask(page, "plank");
  await option(page, /^and \d+ more$/)
    .first()
    .click();
  await expect(
    option(page, "Whale Road.plank").or(option(page, "Wide Lens HUD.plank")).first(),
  ).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(field(page)).toHaveValue("");
  await expect(plan(page)).toBeFocused();

  await ask(page, "dark");
  await page.keyboard.press("Enter");
  await expect.poll(() => isDark(page)).toBe(true);
  await expect(plan(page)).toBeFocused();
  await page.keyboard.press("Alt+l");
  await expect.poll(() => isDark(page)).toBe(false);

  await ask(page, "7");
  await expect(option(page, /^Abyss Lib\.keel\s*B1, place 7 of 83/)).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("complementary", { name: "Inspector" })).toContainText(/B1\s*Abyss Lib\.keel/);

  await ask(page, "zzzz");
  await expect(page.getByText("Nothing found for “zzzz”")).toBeVisible();
  await page.keyboard.press("Escape");

  // What is done with the selection.
  await find(page, "Glass Tides.plank");
  await ask(page, "switch off");
  await option(page, /^Switch off/).click();
  await expect(page.getByRole("button", { name: "Undo: switch off Glass Tides.plank" })).toBeVisible();
});

test("what is gone to shows: a filter that hides it is lifted and says so, a folded section unfolds", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/plan`);
  await page.getByRole("button", { name: "Filter" }).click();
  await page.getByLabel("Filter by name").fill("murk");
  await expect(page.locator("[data-item]")).toHaveCount(1);
  await find(page, "Glass Tides.plank");
  await expect(page.locator("[data-message]")).toContainText("The filter was removed");
  await page.getByRole("button", { name: "Fold Foundations" }).click();
  await plan(page).focus();
  await page.keyboard.press("ArrowLeft");
  await expect(page.locator("[data-item='Glass Tides.plank']")).toHaveCount(0);
  await find(page, "Glass Tides.plank");
  await expect(page.locator("[data-item='Glass Tides.plank']")).toBeVisible();
  // What else was folded stays so.
  await plan(page).press("Home");
  await expect(page.getByRole("button", { name: "Unfold Foundations" })).toBeVisible();
});

test("keys are changed in the settings, where what has them is named, and are the same after a reload", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/plan`);
  await page.keyboard.press("?");
  await page.getByRole("button", { name: "Change keys…" }).click();
  const change = page.getByRole("button", { name: "Change the keys of: Switch between light and dark" });
  await change.press("Enter");
  const asked = page.getByLabel("New keys of: Switch between light and dark");
  await expect(asked).toBeFocused();
  await page.keyboard.press("Alt+o");
  await expect(page.getByText("Alt+O is in use: Propose an order.")).toBeVisible();
  await page.keyboard.press("d");
  await expect(page.getByText(/^D is typed/)).toBeVisible();
  await page.keyboard.press("F6");
  await expect(asked).toHaveCount(0);
  await page.reload();
  await expect(change).toBeVisible();
  await page.keyboard.press("Alt+l");
  expect(await isDark(page)).toBe(false);
  await page.keyboard.press("F6");
  await expect.poll(() => isDark(page)).toBe(true);

  await change.click();
  await page.keyboard.press("Alt+o");
  await page.getByRole("button", { name: "Use them here instead" }).click();
  await page.keyboard.press("Alt+o");
  await expect.poll(() => isDark(page)).toBe(false);
  await expect(page).toHaveURL(/settings/);
  await page.getByRole("button", { name: "Reset all" }).click();
  await page.keyboard.press("Alt+l");
  await expect.poll(() => isDark(page)).toBe(true);
});

test("the history lists what was done, shows what each changed, and leads back to any point and forth", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/plan`);
  for (const id of ["Glass Tides.plank", "Small Fry.skiff", "Murk and Silt.plank"]) {
    await find(page, id);
    await plan(page).focus();
    await page.keyboard.press("Enter");
  }
  await stored(page);
  await page.keyboard.press("Alt+h");
  const history = page.getByRole("grid", { name: "Edits and restore points" });
  const moment = (what: string) => history.getByRole("row", { name: what });
  await expect(moment("switch off Murk and Silt.plank")).toContainText("the profile now");
  await history.focus();
  await page.keyboard.press("End");
  await expect(moment("as it was at first")).toHaveAttribute("aria-selected", "true");
  await expect(page.getByRole("button", { name: "Show what it changed…" })).toBeDisabled();
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("Enter");
  await expect(moment("switch off Glass Tides.plank")).toContainText("the profile now");
  await expect(moment("switch off Murk and Silt.plank")).toContainText("undone");
  await expect(page.getByRole("button", { name: "Undo: switch off Glass Tides.plank" })).toBeVisible();
  await expect(page.getByRole("button", { name: "Redo: switch off Small Fry.skiff" })).toBeVisible();

  await moment("switch off Small Fry.skiff").click();
  await page.getByRole("button", { name: "Show what it changed…" }).click();
  const dialog = page.getByRole("dialog");
  await expect(dialog.getByRole("row", { name: /Small Fry\.skiff/ })).toContainText(/on\s*off/);
  await expect(dialog.getByRole("row")).toHaveCount(2);
  await page.keyboard.press("Escape");

  await moment("switch off Murk and Silt.plank").click();
  await page.getByRole("button", { name: "Compare it with now…" }).click();
  await expect(dialog).toContainText("2 differences from then");
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Go back to this point" }).click();
  await expect(moment("switch off Murk and Silt.plank")).toContainText("the profile now");
  await page.reload();
  await find(page, "Small Fry.skiff");
  await expect(page.getByRole("switch", { name: "Small Fry.skiff is off" })).toBeVisible();
});

test("mods are added by a visible button: several archives are chosen at once", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/shelf`);
  const whole = await readFile(join(shelfFolder, "Glass Tides-2.3.0.zip"));
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Add mods" }).press("Enter");
  await page.getByRole("menuitem", { name: "Archives…" }).press("Enter");
  const opened = await chooser;
  expect(opened.isMultiple()).toBe(true);
  await opened.setFiles([
    { name: "Broken-1.0.zip", mimeType: "application/zip", buffer: whole.subarray(0, 300) },
    { name: "Glass Tides Again-2.3.0.zip", mimeType: "application/zip", buffer: whole },
  ]);
  await expect(page.locator("[data-message]", { hasText: "Broken-1.0.zip" })).toBeVisible();
  await expect(page.getByRole("dialog")).toContainText("Glass Tides");
});
