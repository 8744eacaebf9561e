import { expect, row, stored, test } from "./fixtures";

test("another game is worked on in a workspace of its own, which shows only what that game has", async ({
  watched: page,
  seating,
}) => {
  await page.getByRole("button", { name: "Game: Brinehollow" }).click();
  await page.getByRole("menuitem", { name: /^Kitefall Cup/ }).click();
  await expect(page.getByRole("button", { name: "Game: Kitefall Cup" })).toBeVisible();
  await expect(page.getByRole("button", { name: "Profile: Club Evenings" })).toBeVisible();
  await expect(page.getByRole("heading", { name: "Mods by section" })).toBeVisible();
  for (const absent of ["plugins load", "Places", "Expansions"])
    await expect(page.getByText(absent, { exact: true })).toHaveCount(0);

  await page.getByRole("link", { name: /^Plan/ }).click();
  const grid = page.getByRole("grid", { name: "Mods in load order" });
  await expect(grid).toBeVisible();
  await expect(page.getByRole("radio", { name: "plugins" })).toHaveCount(0);
  await grid.focus();
  await page.keyboard.press("End");
  await expect(page.getByText(/^\d+ not placed yet$/)).toBeVisible();
  await page.getByRole("button", { name: "Propose an order" }).click();
  await page.getByRole("button", { name: /^Accept \d+ moves?$/ }).click();
  await stored(page);
  await page.keyboard.press("Control+s");
  // The order that the demo finds in this game was written by another program.
  await page.getByRole("dialog").getByRole("button", { name: "Keep a copy and overwrite" }).click();
  await expect(page.getByRole("contentinfo")).toContainText("The game reads this order");
  await page.keyboard.press("Alt+t");
  await expect(page.getByRole("region", { name: "Trial" }).getByRole("status")).toHaveText(/running/);

  await page.goto(`${seating.url}/rules`);
  await expect(page.getByText("Rulebooks", { exact: true })).toBeVisible();
  await page.goto(`${seating.url}/plan`);
  await expect(grid).toBeVisible();
  await page.getByRole("button", { name: "Game: Kitefall Cup" }).click();
  await page.getByRole("menuitem", { name: /^Brinehollow/ }).click();
  await row(page, "Brinehollow.keel").waitFor();
  await expect(page.getByRole("radio", { name: "plugins" })).toBeVisible();
});
