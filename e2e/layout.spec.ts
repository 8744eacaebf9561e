import { existsSync } from "node:fs";
import { appendFile, readdir, readFile, rm, stat } from "node:fs/promises";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import { expect, home, takeWayOut, test, visit } from "./fixtures";

const game = join(home, "demo/kitefall-cup/game");

test.beforeEach(async ({ watched: page }) => {
  await page.getByRole("button", { name: "Game: Brinehollow" }).click();
  await page.getByRole("menuitem", { name: /^Kitefall Cup/ }).click();
  await expect(page.getByRole("button", { name: "Profile: Club Evenings" })).toBeVisible();
  await page.getByRole("link", { name: "Laid out" }).click();
  await expect(page.getByText(/^Laying out would put \d+ new files there/)).toBeVisible();
});

/** The key at the top of the view; the first time, the order is another program's. */
async function layOut(page: Page, isFirst: boolean, sheet = "mods"): Promise<void> {
  await page.getByRole("main").getByRole("button", { name: "Lay out", exact: true }).click();
  if (isFirst)
    await page.getByRole("dialog").getByRole("button", { name: "Keep a copy and overwrite" }).click();
  if (sheet !== "mods") await page.getByRole("main").getByRole("tab", { name: /^Mods/ }).click();
  await expect(page.getByText("Everything lies where the game finds it.")).toBeVisible();
}

test("a profile is laid out where the game finds it, follows the plan, and is taken back without a trace", async ({
  watched: page,
}) => {
  const before = await Promise.all(
    ["panels/evening-card.txt", "setup/flightcard.txt"].map(async (path) => [
      await readFile(join(game, path), "utf8"),
      (await stat(join(game, path))).mtimeMs,
    ]),
  );
  await expect(page.getByRole("complementary", { name: "Inspector" })).toContainText(
    "panels/evening-card.txt",
  );
  await layOut(page, true);
  await expect(page.getByText(/^\d+ files \(.+\) of your mods lie in/)).toBeVisible();
  await expect(page.getByRole("contentinfo")).toContainText("The game reads this order");
  expect(await readFile(join(game, "panels/evening-card.txt"), "utf8")).not.toMatch(/Nobody flies/);
  await page.keyboard.press("Alt+t");
  await expect(page.getByRole("region", { name: "Trial" }).getByRole("status")).toHaveText("ran");
  await expect(page.getByRole("list", { name: "Start log" })).toContainText("packed: 8 files in 2");

  // What is switched off is due to be taken away, and one key does it.
  await page.getByRole("link", { name: /^Plan/ }).click();
  const row = page.locator("[data-item='whole-sky']");
  await page.keyboard.press("Control+k");
  await page.keyboard.type("Whole Sky");
  await page
    .getByRole("option", { name: /^Whole Sky/ })
    .first()
    .waitFor();
  await page.keyboard.press("Enter");
  await row.getByRole("switch").click();
  await expect(page.getByRole("contentinfo")).toContainText("Not yet in the game’s folder: 1 to take away");
  await page.getByRole("contentinfo").getByRole("button", { name: "Lay out" }).click();
  await expect(page.getByRole("contentinfo")).toContainText("The game reads this order");
  expect(
    (await readdir(join(game, "flying/skies"))).filter((name) => /whole-sky\.spool$/.test(name)),
  ).toEqual([]);

  await page.getByRole("link", { name: "Laid out" }).click();
  await page.getByRole("button", { name: "Take everything back …" }).click();
  await expect(page.getByRole("dialog")).toContainText("1 file of the game’s own comes back.");
  await page.getByRole("dialog").getByRole("button", { name: "Take everything back" }).click();
  await expect(page.getByText(/^Nothing of your mods lies in/)).toBeVisible();
  expect(
    await Promise.all(
      ["panels/evening-card.txt", "setup/flightcard.txt"].map(async (path) => [
        await readFile(join(game, path), "utf8"),
        Math.round((await stat(join(game, path))).mtimeMs),
      ]),
    ),
  ).toEqual(before.map(([text, at]) => [text, Math.round(Number(at))]));
  expect(await readdir(join(game, "setup"))).toEqual(["flight.json", "flightcard.txt"]);
  expect(await readdir(join(game, "flying"))).toEqual(["kites"]);
});

test("what somebody changes or deletes of it is told, and what stands in the way is refused with its reason", async ({
  watched: page,
}) => {
  await layOut(page, true);
  const [first, second] = (await readdir(join(game, "flying/fields")))
    .filter((name) => name.startsWith("plain-"))
    .map((name) => join("flying/fields", name));
  await appendFile(join(game, first!), "by hand");
  await rm(join(game, second!));
  await page.reload();
  await expect(page.getByText(/^Laying out would put 1 again that somebody has deleted/)).toBeVisible();
  const inspector = page.getByRole("complementary", { name: "Inspector" });
  await expect(inspector).toContainText(`Changed by somebody, 1`);
  await expect(inspector).toContainText(first!);
  await page.getByRole("main").getByRole("button", { name: "Lay out", exact: true }).click();
  await expect(page.getByText("Everything lies where the game finds it.")).toBeVisible();
  expect(existsSync(join(game, second!))).toBe(true);
  expect(await readFile(join(game, first!), "utf8")).toMatch(/by hand$/);

  // One mod has a file where another one has a folder.
  await page.keyboard.press("Alt+p");
  await page.keyboard.type("Bare");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("main").getByRole("alert")).toContainText(/panels\/dials \(flat-dials\)/);
  await expect(page.getByRole("main").getByRole("button", { name: "Lay out", exact: true })).toBeDisabled();
});

test("what is left from before is set aside or gathered, and what was changed is put again, each with its key", async ({
  watched: page,
  seating,
}) => {
  const main = page.getByRole("main");
  await main.getByRole("tab", { name: "Unknown 3" }).click();
  const grid = main.getByRole("grid", { name: "Unknown 3" });
  await grid.getByRole("row", { name: /Old Streamer\/main\.dat/ }).click();
  await page.keyboard.press("s");
  await expect(page.getByText(/^1 file is set aside/)).toBeVisible();
  expect(existsSync(join(game, "flying/kites/Old Streamer/main.dat"))).toBe(false);
  await main
    .getByRole("grid")
    .getByRole("row", { name: /evening-card/ })
    .click();
  await page.keyboard.press("a");
  await expect(main.getByRole("tab", { name: "Unknown 1" })).toBeVisible();
  await main
    .getByRole("grid")
    .getByRole("row", { name: /read me\.txt/ })
    .click();
  await page.keyboard.press("g");
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("What the mod is called").fill("Streamer Notes");
  await page.keyboard.press("Enter");
  await expect(page.getByText("1 file is in Streamer Notes now, the last mod of the profile.")).toBeVisible();
  await expect(main.getByText(/^Where mods lie there is nothing that/)).toBeVisible();

  await layOut(page, true, "strangers");
  expect(await readFile(join(game, "flying/kites/Old Streamer/read me.txt"), "utf8")).toMatch(
    /^Put into flying/,
  );
  const changed = join(game, "flying/kites/Old Streamer/read me.txt");
  await appendFile(changed, "by hand");
  await visit(page, `${seating.url}/health`);
  await takeWayOut(page, "Laid-out files were changed", /^Look at the files/);
  await expect(main.getByRole("tab", { name: "Changed since 1" })).toHaveAttribute("aria-selected", "true");
  await main.getByRole("button", { name: "Put Seating’s again" }).click();
  await expect(main.getByText(/^Nobody has changed or deleted anything/)).toBeVisible();
  expect(await readFile(changed, "utf8")).not.toMatch(/by hand/);
});
