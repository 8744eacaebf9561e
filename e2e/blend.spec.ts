import { expect, find, finding, row, stored, test } from "./fixtures";

test("lists of many plugins become one: marks, a clash decided, built by one key, due after a switch, current after the undo, rebuilt from Health", async ({
  watched: page,
}) => {
  await page.getByRole("link", { name: "Blend" }).click();
  const status = page.getByRole("main").getByRole("status").first();
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  await expect(status).toContainText("This profile has no blend");
  const lists = page.getByRole("grid", { name: "Lists" });
  await lists.getByRole("row").filter({ hasText: "finds-shallow" }).click();
  await expect(inspector).toContainText(
    "Without the blend the game has the list of Undertow Diving Bell - Extras.skiff alone.",
  );
  await expect(inspector).toContainText("crab-shell");
  await lists.getByRole("row").filter({ hasText: "finds-kelp" }).click();
  await expect(inspector).toContainText("must not be blended over");

  await page.getByRole("tab", { name: /^Clashes/ }).click();
  const clash = page.getByRole("grid", { name: "Clashes" }).getByRole("row").filter({ hasText: "squall" });
  await clash.click();
  await expect(clash).toContainText("Tides × Weather.plank");
  await inspector.getByRole("radio", { name: "Tides × Weather.plank" }).click();
  await expect(clash).toContainText("by you");

  await page.getByRole("tab", { name: /^Who adds/ }).click();
  const parts = page.getByRole("grid", { name: "Plugins" });
  const honest = parts.getByRole("row").filter({ hasText: "Honest Prices.plank" });
  await honest.click();
  await page.keyboard.press("2");
  await expect(honest).toContainText("adds, removes, changes");
  await expect(honest).toContainText("you");

  await page.keyboard.press("b");
  await expect(status).toContainText("The blend is current.");
  await stored(page);
  await find(page, "Blend.skiff");
  await expect(row(page, "Blend.skiff")).toBeVisible();

  await find(page, "Honest Prices.plank");
  await row(page, "Honest Prices.plank").getByRole("switch").click();
  await page.getByRole("link", { name: /^Health/ }).click();
  await expect(finding(page, "Blend is due")).toHaveCount(1);
  await page.keyboard.press("Control+z");
  await expect(finding(page, "Blend is due")).toHaveCount(0);
  await page.keyboard.press("Control+Shift+z");
  await finding(page, "Blend is due").click();
  await inspector.getByRole("button", { name: "Look at the blend" }).click();
  await expect(status).toContainText("The blend is due");
  await page.getByRole("button", { name: "Rebuild the blend" }).click();
  await expect(status).toContainText("The blend is current.");

  await page.getByRole("button", { name: "Do without the blend" }).click();
  await expect(status).toContainText("This profile has no blend");
  await page.keyboard.press("Control+z");
  await expect(status).toContainText("The blend is current.");
});
