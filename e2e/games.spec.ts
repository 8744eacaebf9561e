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
  await expect(page.getByText(/^\d+ waits? to be seated$/)).toBeVisible();
  await page.getByRole("button", { name: "Propose an order" }).click();
  await page.getByRole("button", { name: /^Accept \d+ moves?$/ }).click();
  await stored(page);
  await page.keyboard.press("Control+s");
  await expect(page.getByRole("contentinfo")).toContainText("The game reads this order");
  await page.keyboard.press("Alt+t");
  await expect(page.getByRole("region", { name: "Trial" }).getByRole("status")).toHaveText(/running/);

  await page.goto(`${seating.url}/rules`);
  await expect(page.getByText("Rulebooks", { exact: true })).toHaveCount(0);
  await page.goto(`${seating.url}/plan`);
  await expect(grid).toBeVisible();
  await page.getByRole("button", { name: "Game: Kitefall Cup" }).click();
  await page.getByRole("menuitem", { name: /^Brinehollow/ }).click();
  await row(page, "Brinehollow.keel").waitFor();
  await expect(page.getByRole("radio", { name: "plugins" })).toBeVisible();
});

test("the shelf is narrowed with counts told before, sorted, switched in bulk, and all of it lives in the address", async ({
  watched: page,
  seating,
}) => {
  await page.goto(`${seating.url}/shelf`);
  const bar = page.getByRole("search", { name: "Filter of the shelf" });
  await expect(bar.getByRole("option", { name: "unsound (3)" })).toBeAttached();
  await bar.getByLabel("Tag").selectOption("water");
  await expect(page).toHaveURL(/tag=water/);
  const shown = page.getByText(/^\d+ of 63 shown$/);
  await expect(shown).not.toHaveText("63 of 63 shown");
  const count = Number((await shown.innerText()).split(" ")[0]);
  expect(count).toBeGreaterThan(1);
  await bar.getByRole("button", { name: /^Switch \d+ off$/ }).click();
  await expect(page.getByRole("button", { name: /^Undo: switch off \d+$/ })).toBeVisible();
  await stored(page);
  await page.getByRole("button", { name: /^Undo: switch off/ }).click();
  await page.getByRole("columnheader", { name: "Size" }).getByRole("button").click();
  await page.reload();
  await expect(page.getByRole("columnheader", { name: "Size" })).toHaveAttribute("aria-sort", "ascending");
  await expect(shown).toHaveText(`${count} of 63 shown`);
  await bar.getByRole("button", { name: "Show all" }).click();
  await expect(shown).toHaveText("63 of 63 shown");
  await page.getByLabel("Filter the shelf").fill("glass tides");
  await page.getByRole("row", { name: /Glass Tides/ }).click();
  await expect(page.getByRole("complementary", { name: "Inspector" })).toContainText(
    "this profile, Harbour Lights",
  );
});
