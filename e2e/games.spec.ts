import { readdir } from "node:fs/promises";
import { join } from "node:path";
import { choose, expect, finding, home, row, stored, takeWayOut, test } from "./fixtures";

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
  await expect(page.getByRole("region", { name: "Trial" }).getByRole("status")).toHaveText("ran");

  await page.goto(`${seating.url}/rules`);
  await expect(page.getByText("Rulebooks", { exact: true })).toBeVisible();
  await page.goto(`${seating.url}/plan`);
  await expect(grid).toBeVisible();
  await page.getByRole("button", { name: "Game: Kitefall Cup" }).click();
  await page.getByRole("menuitem", { name: /^Brinehollow/ }).click();
  await row(page, "Brinehollow.keel").waitFor();
  await expect(page.getByRole("radio", { name: "plugins" })).toBeVisible();
});

test("which of the game’s own profiles a profile is for is chosen where it is missed, and its order is written there", async ({
  watched: page,
}) => {
  const players = join(home, "demo/millwright-vale/game/players");
  await page.getByRole("button", { name: "Game: Brinehollow" }).click();
  await page.getByRole("menuitem", { name: /^Millwright Vale/ }).click();
  await expect(page.getByRole("button", { name: "Profile: Three Weirs" })).toBeVisible();
  const choice = page.getByRole("combobox", { name: "Profile of the game" });
  await expect(choice).toHaveText("hazel");

  await page.keyboard.press("Alt+p");
  await page.keyboard.type("Cart Yard");
  await page.keyboard.press("Enter");
  await expect(choice).toHaveText("Choose one …");
  await page.keyboard.press("Control+s");
  await expect(page.locator("[data-message]").last()).toContainText(
    "choose in the Overview, below “What the game reads”, which one this profile is for (hazel, rowan)",
  );
  await page.getByRole("link", { name: /^Health/ }).click();
  await takeWayOut(page, "Profile of the game not chosen", "For “rowan”");
  await expect(finding(page, "Profile of the game not chosen")).toHaveCount(0);
  await page.keyboard.press("Control+s");
  await expect(page.getByRole("contentinfo")).toContainText("The game reads this order");
  expect(await readdir(join(players, "rowan"))).toContain("packages.xml");
  expect(await readdir(join(players, "hazel"))).not.toContain("packages.xml");
  await page.keyboard.press("Alt+t");
  const trial = page.getByRole("region", { name: "Trial" });
  await expect(trial.getByRole("status")).toHaveText("ran");
  await expect(trial).toContainText("profile: rowan");

  await page.getByRole("link", { name: /^Overview/ }).click();
  await choose(choice, "hazel");
  await expect(page.getByRole("contentinfo")).not.toContainText("The game reads this order");
  await page.reload();
  await expect(choice).toHaveText("hazel");
});
