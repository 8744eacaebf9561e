import { readdir, readFile } from "node:fs/promises";
import { join } from "node:path";
import { unzipSync } from "fflate";
import type { Page } from "@playwright/test";
import { expect, find, finding, row, shelfFolder, stored, test, visit } from "./fixtures";
import { enterSecond, second, startSecond } from "./second";

const status = (page: Page) => page.getByRole("main").getByRole("status").first();

async function workOn(page: Page, name: string): Promise<void> {
  await page.getByRole("button", { name: /^Profile: / }).click();
  await page.getByRole("menuitem", { name }).click();
  await expect(page.getByRole("button", { name: `Profile: ${name}` })).toBeVisible();
}

test("lists of many plugins become one: marks, a clash decided, built by one key, due after a switch, current after the undo, rebuilt from Health", async ({
  watched: page,
}) => {
  await page.getByRole("link", { name: "Blend" }).click();
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  await expect(status(page)).toContainText("This profile has no blend");
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
  await expect(status(page)).toContainText("The blend is current.");
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
  await expect(status(page)).toContainText("The blend is due");
  await page.getByRole("button", { name: "Rebuild the blend" }).click();
  await expect(status(page)).toContainText("The blend is current.");

  await page.getByRole("button", { name: "Do without the blend" }).click();
  await expect(status(page)).toContainText("This profile has no blend");
  await page.keyboard.press("Control+z");
  await expect(status(page)).toContainText("The blend is current.");
});

test("from suggestions to a trial that shows it: accepted at once, named, built, due in the strip, rebuilt and started by one key", async ({
  watched: page,
  seating,
}) => {
  await workOn(page, "Harbour Lights");
  // Two that need one another stop the game.
  await find(page, "Twin Lanterns East.plank");
  await row(page, "Twin Lanterns East.plank").getByRole("switch").click();
  await find(page, "Twin Lanterns West.plank");
  await row(page, "Twin Lanterns West.plank").getByRole("switch").click();
  await page.getByRole("link", { name: "Blend" }).click();
  await expect(page.getByText(/unmarked plugins? takes? out or change/)).toBeVisible();
  await page.getByRole("button", { name: "Let all of it count" }).click();
  await expect(page.getByText(/unmarked plugins? takes? out or change/)).toHaveCount(0);
  await page.getByLabel("Its name").fill("What Lies Below");
  await page.getByRole("button", { name: "Build the blend" }).click();
  await expect(status(page)).toContainText("The blend is current. What Lies Below.skiff");
  await expect(page.getByText("Another window has changed this profile")).toHaveCount(0);

  // Another name is another blend.
  await page.getByLabel("Its name").fill("Sea Bed");
  await page.keyboard.press("Enter");
  await expect(status(page)).toContainText("The blend is due");
  await expect(page.getByLabel("Its name")).toBeFocused();
  await expect(page.getByRole("contentinfo")).toContainText("Blend due");
  await visit(page, `${seating.url}/overview`);
  await expect(page.getByRole("main")).toContainText("The blend is due");
  await page.keyboard.press("Alt+t");
  const trial = page.getByRole("region", { name: "Trial" });
  await trial.getByRole("button", { name: "Start without ticking" }).click();
  await expect(
    trial.getByRole("button", { name: "Rebuild the blend, write the order and start", exact: true }),
  ).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(trial.getByRole("status")).toHaveText("ran");
  // Two of nine were taken out.
  await expect(trial).toContainText("list finds-shallow@Brinehollow.keel: 7 of 9, from Sea Bed.skiff");
  await expect(page.getByRole("contentinfo")).not.toContainText("Blend due");

  // Both builds are remembered, and may be compared.
  await page.getByRole("link", { name: "Blend", exact: true }).click();
  await page.getByRole("tab", { name: "Reports 2" }).click();
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  await expect(inspector).toContainText("Sea Bed.skiff");
  await expect(inspector).toContainText("Both came to the same.");
  const download = page.waitForEvent("download");
  await inspector.getByRole("button", { name: "Save as Markdown" }).click();
  expect(await readFile(await (await download).path(), "utf8")).toContain("# Report of Sea Bed.skiff");
});

/** What lies on a shelf as the mod of this name. */
async function builtAt(shelf: string, name: string): Promise<ReturnType<typeof unzipSync>> {
  const [path] = (await readdir(shelf)).filter((each) => each.startsWith(`${name} `));
  return unzipSync(await readFile(join(shelf, path!)));
}

test("a list with a blend comes to the same bytes on a second machine, which builds it itself", async ({
  watched: page,
  seating,
  browser,
}) => {
  test.setTimeout(120_000);
  const server = await startSecond("same");
  try {
    await workOn(page, "Harbour Lights");
    await page.getByRole("link", { name: "Blend" }).click();
    await page.getByLabel("Its name").fill("What Lies Below");
    await page.getByRole("button", { name: "Build the blend" }).click();
    await expect(status(page)).toContainText("The blend is current.");
    await visit(page, `${seating.url}/lineups`);
    const link = page.getByRole("link", { name: "Export the lineup" });
    const list = await (await page.request.get(`${seating.url}${await link.getAttribute("href")}`)).body();

    const there = await enterSecond(browser, server);
    await visit(there, `${server.url}/lineups?part=in`);
    const file = { name: "harbour.lineup.json", mimeType: "application/json", buffer: list };
    await there.getByLabel("Lineup file").setInputFiles(file);
    // Once its shelf is read, of which it was in the middle when the page was left.
    await expect(there.getByText(/^Found here/)).toBeVisible();
    await expect(there.getByText(/^(To get|Not to be had)/)).toHaveCount(0);
    await expect(there.getByText(/^To build here 1/)).toBeVisible();
    await there.getByRole("button", { name: "Create profile" }).click();
    await expect(there.getByText("Reproduced exactly")).toBeVisible();
    expect(await builtAt(join(second, "shelf"), "What Lies Below")).toEqual(
      await builtAt(shelfFolder, "What Lies Below"),
    );
    await there.context().close();
  } finally {
    await server.stop();
  }
});
