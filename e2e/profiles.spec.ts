import { readFile } from "node:fs/promises";
import { choose, expect, stored, test } from "./fixtures";

test("two profiles are compared, single differences taken over, and the comparison goes out as text", async ({
  watched: page,
  seating,
}) => {
  await page.keyboard.press("Alt+n");
  await page.getByLabel("Name", { exact: true }).fill("Longer Descent");
  await page.getByRole("radio", { name: "own words" }).check();
  await page.getByLabel("Purpose in your own words").fill("for the long nights");
  await page.getByRole("button", { name: "Colour 4" }).click();
  await choose(page.getByLabel("Start from"), "Long Descent");
  await page.getByRole("button", { name: "Create profile" }).click();
  await expect(page.getByRole("button", { name: "Profile: Longer Descent" })).toBeVisible();
  await page.goto(`${seating.url}/shelf?q=small+fry`);
  await page.getByRole("switch", { name: "Small Fry is on" }).click();
  await page.getByLabel("Filter the shelf").fill("instrument");
  await page.getByRole("row", { name: /Instrument Room/ }).click();
  await page.getByRole("button", { name: "Choose its parts…" }).click();
  await page.getByRole("radio", { name: /^Spread wide/ }).check();
  await page.getByRole("button", { name: /^Why, for Spread wide/ }).click();
  await page.getByLabel("Why Spread wide is taken or left").fill("the new screen is wider");
  await page.getByRole("button", { name: /^Take \d+ parts?$/ }).click();
  await stored(page);

  await page.keyboard.press("Alt+6");
  await choose(page.getByLabel("Compare it with"), "Long Descent");
  await expect(page.getByText(/^\d+ differences? from Long Descent$/)).toBeVisible();
  await expect(page.getByRole("checkbox", { name: /^Apply: Small Fry/ }).first()).toBeVisible();
  const saved = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save as text" }).click();
  const text = await readFile(await (await saved).path(), "utf8");
  expect(text).toContain("Longer Descent");
  expect(text).toContain("Small Fry");
  expect(text).toContain("Instrument Room");
  await page.getByRole("button", { name: /^Apply \d+ changes?$/ }).click();
  await expect(page.getByText("No difference from Long Descent")).toBeVisible();
  await stored(page);
  await page.getByRole("button", { name: /^Undo: apply/ }).click();
  await expect(page.getByText(/^\d+ differences? from Long Descent$/)).toBeVisible();
});

test("another profile is worked on from anywhere, by typing a part of its name", async ({
  watched: page,
}) => {
  await page.keyboard.press("Alt+p");
  await page.getByPlaceholder("Type a part of its name…").fill("harb");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Profile: Harbour Lights" })).toBeVisible();
  await expect(page.getByRole("heading", { name: "Harbour Lights", level: 1 })).toBeVisible();
  await page.reload();
  await expect(page.getByRole("button", { name: "Profile: Harbour Lights" })).toBeVisible();
});

test("a game of packages: expansions, parts of the game and launch settings reach the game, and belong to the profile", async ({
  watched: page,
}) => {
  await page.getByRole("button", { name: "Game: Brinehollow" }).click();
  await page.getByRole("menuitem", { name: /^Millwright Vale/ }).click();
  await expect(page.getByRole("button", { name: "Game: Millwright Vale" })).toBeVisible();
  await page.getByRole("switch", { name: /^Market Days is/ }).click();
  await page.getByRole("switch", { name: "Lesson sheep is on" }).click();
  const setting = (name: string) =>
    page.getByRole("listitem").filter({ hasText: name }).getByRole("combobox");
  await choose(setting("First season"), "autumn");
  await choose(setting("Valley to open"), "upper-dale.vale");
  await stored(page);
  await page.keyboard.press("Control+s");
  await expect(page.getByRole("contentinfo")).toContainText("The game reads this order");
  await page.keyboard.press("Alt+t");
  const trial = page.getByRole("region", { name: "Trial" });
  await expect(trial).toContainText("autumn");
  await expect(trial).toContainText("upper-dale.vale");
  await expect(trial).toContainText("left out of the game: Lesson sheep");
  await page.keyboard.press("Alt+p");
  await page.getByPlaceholder("Type a part of its name…").fill("cart");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Profile: Cart Yard" })).toBeVisible();
  await expect(
    page.getByRole("listitem").filter({ hasText: "Valley to open" }).getByRole("combobox"),
  ).not.toContainText("upper-dale.vale");
});

test("what was last found of each profile stands beside it, and leads to its findings", async ({
  watched: page,
}) => {
  await page.keyboard.press("Alt+6");
  const profiles = page.getByRole("list", { name: "Profiles" });
  const longDescent = profiles.getByRole("button", { name: /Long Descent/ });
  await expect(longDescent.getByRole("img", { name: "blockers" })).toBeVisible();
  await expect(profiles.getByRole("button", { name: /Harbour Lights/ }).getByRole("img")).toHaveCount(0);
  // It is worked on long enough for what is found of it to be noted.
  await page.getByRole("button", { name: "Profile: Long Descent" }).click();
  await page.getByRole("menuitem", { name: "Harbour Lights" }).click();
  await expect(page.getByRole("button", { name: "Profile: Harbour Lights" })).toBeVisible();
  await expect(profiles.getByRole("button", { name: /Harbour Lights/ }).getByRole("img")).not.toHaveCount(0);
  await longDescent.click();
  await page.getByRole("button", { name: /\d+ blockers/ }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Health" })).toBeVisible();
  await expect(page.getByRole("button", { name: "Profile: Long Descent" })).toBeVisible();
  await page.keyboard.press("Alt+6");
  await profiles.getByRole("button", { name: /Long Descent/ }).click();
  await page.getByRole("button", { name: /\d+ blockers/ }).click();
  await expect(page).toHaveURL(/\/health/);
});
