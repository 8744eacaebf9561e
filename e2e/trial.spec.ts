import { readFile } from "node:fs/promises";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import { expect, find, gameFolder, seatOf, stored, test, visit } from "./fixtures";

const trial = (page: Page) => page.getByRole("region", { name: "Trial" });
const answer = (page: Page, name: string) => page.getByRole("button", { name, exact: true });
const written = () => readFile(join(gameFolder, "saves/lading.lst"), "utf8");

test("a trial says what is known to stop the game, asks which order it starts with, and remembers the answer", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/plan`);
  const before = await written();
  await page.keyboard.press("Alt+t");
  await expect(trial(page)).toContainText("7 blockers are known in this profile.");
  await expect(trial(page).getByRole("status")).toHaveText("not started yet");
  await expect(trial(page)).toContainText("The game’s order file is 2 moves behind");
  await answer(page, "Start with what is written").click();
  await expect(trial(page).getByRole("status")).toHaveText(/^ran$|stopped/);
  expect(await written()).toBe(before);

  // One key writes and starts.
  await page.keyboard.press("Alt+t");
  await expect(answer(page, "Write this profile’s order and start")).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(trial(page).getByRole("status")).toHaveText("stopped at start");
  await expect(page.getByRole("list", { name: "Start log" })).toBeFocused();
  expect(await written()).not.toBe(before);
  await expect(page.getByRole("contentinfo")).toContainText("The game reads this order");

  // What is answered once for all is done, and can be changed.
  await find(page, "Murk and Silt.plank");
  await page.getByRole("grid").focus();
  await page.keyboard.press("Alt+ArrowUp");
  await stored(page);
  const now = await written();
  await page.keyboard.press("Alt+t");
  await answer(page, "Always: write this profile’s order and start").click();
  await expect(trial(page).getByRole("status")).toHaveText("stopped at start");
  expect(await written()).not.toBe(now);
  await page.getByRole("grid").focus();
  await page.keyboard.press("Alt+ArrowUp");
  await stored(page);
  await page.keyboard.press("Alt+t");
  await expect(page.getByRole("contentinfo")).toContainText("The game reads this order");
  await page.goto(`${seating.url}/settings?part=application`);
  await expect(page.getByRole("radio", { name: "writes this profile’s order and starts" })).toBeChecked();
});

test("another profile offers to write its order, or always does", async ({ watched: page, seating }) => {
  await visit(page, `${seating.url}/overview`);
  const turn = async (name: string) => {
    await page.getByRole("button", { name: /^Profile: / }).click();
    await page.getByRole("menuitem", { name: new RegExp(`^${name}`) }).click();
    await expect(page.getByRole("button", { name: new RegExp(`^Profile: ${name}`) })).toBeVisible();
  };
  const before = await written();
  await turn("All at Once");
  const told = page
    .locator("[data-message]")
    .filter({ hasText: "All at Once is shown. The game reads another order." });
  await told.getByRole("button", { name: "Write this profile’s order" }).click();
  await expect.poll(written).not.toBe(before);
  await expect(page.getByRole("contentinfo")).toContainText("The game reads this order");

  await visit(page, `${seating.url}/settings?part=application`);
  await page.getByRole("radio", { name: "always write its order for the game" }).check();
  const second = await written();
  await turn("Long Descent");
  await expect.poll(written).not.toBe(second);
  await expect(page.getByRole("contentinfo")).toContainText("The game reads this order");
});

test("a digit answers what is asked after a move, wherever the focus is, and nothing where something is typed", async ({
  watched: page,
  seating,
}) => {
  await visit(page, `${seating.url}/plan`);
  const bar = page.getByRole("region", { name: "Remember the move" });
  const move = async () => {
    await find(page, "Murk and Silt.plank");
    await page.getByRole("grid").focus();
    await page.keyboard.press("Alt+ArrowUp");
    await expect(bar).toBeVisible();
  };
  const undo = page.getByRole("button", { name: /^Undo: / });
  await move();
  await page.keyboard.press("0");
  await expect(bar).toHaveCount(0);

  await move();
  await page.keyboard.press("Control+k");
  await page.keyboard.type("1");
  await expect(bar).toBeVisible();
  await page.keyboard.press("Escape");
  await page.getByRole("link", { name: /^Plan/ }).focus();
  await page.keyboard.press("1");
  await expect(bar).toHaveCount(0);
  await expect(undo).toHaveAccessibleName(/^Undo: remember/);
  expect(await seatOf(page, "Murk and Silt.plank")).toMatch(/^D/);
});
