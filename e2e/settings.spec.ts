import { readFileSync } from "node:fs";
import { join } from "node:path";
import { choose, expect, gameFolder, stored, test } from "./fixtures";

const deck = () => readFileSync(join(gameFolder, "saves/deck.ini"), "utf8");

test("lines of settings are looked at beside what stands in the file, decided, written with the order, and go when they are undone", async ({
  watched: page,
}) => {
  const before = deck();
  await page.getByRole("button", { name: "Lines of settings …" }).click();
  const dialog = page.getByRole("dialog", { name: "Lines of settings" });
  const row = (name: string) => dialog.getByRole("row").filter({ hasText: name });
  await expect(row("Gauges/scale")).toContainText("Instrument Room asks for 1.25: Its figures are small");
  // What stands there, and what will.
  await expect(row("Gauges/scale").getByRole("cell").nth(1)).toHaveText("1");
  await choose(dialog.getByRole("combobox", { name: "Who decides Gauges/scale" }), "you");
  await dialog.getByLabel("Value of Gauges/scale").fill("2");
  await page.keyboard.press("Enter");
  await dialog.getByLabel("Place").fill("Lamps/glow");
  await dialog.getByLabel("Value", { exact: true }).fill("0.9");
  await page.keyboard.press("Enter");
  await expect(row("Lamps/glow").getByRole("cell").nth(1)).toHaveText("0.6");
  await page.keyboard.press("Escape");
  await stored(page);
  await expect(
    page.getByText("2 lines are wanted, 2 of them by you. 2 are still to be written, with the order."),
  ).toBeVisible();
  await page.keyboard.press("Control+s");
  await expect(page.getByText("All stand in their files.")).toBeVisible();
  expect(deck()).toBe(before.replace("scale = 1", "scale = 2").replace("glow = 0.6", "glow = 0.9"));
  for (let at = 0; at < 3; at++) await page.keyboard.press("Control+z");
  await stored(page);
  await expect(
    page.getByText("One line is wanted, by mods. One is still to be written, with the order."),
  ).toBeVisible();
  await page.keyboard.press("Control+s");
  await expect(page.getByText("All stand in their files.")).toBeVisible();
  expect(deck()).toBe(before.replace("scale = 1", "scale = 1.25"));
  await page.getByRole("button", { name: "Take the lines back" }).click();
  await expect(
    page.getByText("The lines are taken back: the game’s settings are as they were before."),
  ).toBeVisible();
  expect(deck()).toBe(before);
  await expect(page.getByRole("button", { name: "Take the lines back" })).toBeHidden();
  await expect(page.getByText("One is still to be written, with the order.")).toBeVisible();
});
